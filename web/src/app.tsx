import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { type ComponentType, lazy, StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Route, Routes } from 'react-router'
import { ask, Refused } from './api/client'
import { keys } from './api/keys'
import './shell/theme.css'
import { Updated } from './shell/Updated'

const CastPage = lazy(() => import('./cast/CastPage').then((all) => ({ default: all.CastPage })))
const Trainer = lazy(() => import('./trainer/Trainer').then((all) => ({ default: all.Trainer })))
const Yard = lazy(() => import('./yard/Yard').then((all) => ({ default: all.Yard })))
const TensionBench = lazy(() => import('./bench/TensionBench').then((all) => ({ default: all.TensionBench })))
const ClothTrainer = lazy(() => import('./bench/ClothTrainer').then((all) => ({ default: all.ClothTrainer })))

const StoresPage = lazy(() => import('./stores/StoresPage').then((all) => ({ default: all.StoresPage })))

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (tries, error) => !(error instanceof Refused) && tries < 20,
      retryDelay: 1500,
      refetchOnWindowFocus: false,
    },
  },
})

// a job is asked for at once, before anything is drawn
const [, page, jobId = ''] = window.location.pathname.split('/')
if (page === 'jobs' && jobId) {
  void client.prefetchQuery({
    queryKey: keys.job(jobId),
    queryFn: () => ask.get('/api/jobs/{job_id}', { params: { path: { job_id: jobId } } }),
    staleTime: 1000,
  })
}

/** Every page but the crew's. jobPage: comes with the page of a job, and later everywhere else. */
export const start = (JobPage: ComponentType) => {
  const root = document.getElementById('root')
  if (root)
    createRoot(root).render(
      <StrictMode>
        <QueryClientProvider client={client}>
          <BrowserRouter>
            <Suspense fallback={<main className="p-10 text-quiet" aria-busy="true" />}>
              <Routes>
                <Route path="/" element={<Yard />} />
                <Route path="/stores/:kind?/:record?" element={<StoresPage />} />
                <Route path="/trainer" element={<Trainer />} />
                <Route path="/trainer/cloth" element={<ClothTrainer />} />
                <Route path="/bench/:jobId" element={<TensionBench />} />
                <Route path="/cast/:code?" element={<CastPage />} />
                <Route path="/jobs/:jobId/:station?" element={<JobPage />} />
              </Routes>
            </Suspense>
          </BrowserRouter>
          <Updated />
        </QueryClientProvider>
      </StrictMode>,
    )
}
