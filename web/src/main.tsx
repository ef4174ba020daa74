import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { lazy, StrictMode, Suspense } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Route, Routes } from 'react-router'
import { Refused } from './api/client'
import { CastPage } from './cast/CastPage'
import { JobPage } from './shell/JobPage'
import './shell/theme.css'
import { Updated } from './shell/Updated'
import { Trainer } from './trainer/Trainer'
import { Yard } from './yard/Yard'

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
