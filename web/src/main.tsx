import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Route, Routes } from 'react-router'
import { Refused } from './api/client'
import { CastPage } from './cast/CastPage'
import { JobPage } from './shell/JobPage'
import './shell/theme.css'
import { Updated } from './shell/Updated'
import { Trainer } from './trainer/Trainer'
import { Yard } from './yard/Yard'

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
          <Routes>
            <Route path="/" element={<Yard />} />
            <Route path="/trainer" element={<Trainer />} />
            <Route path="/cast/:code?" element={<CastPage />} />
            <Route path="/jobs/:jobId/:station?" element={<JobPage />} />
          </Routes>
        </BrowserRouter>
        <Updated />
      </QueryClientProvider>
    </StrictMode>,
  )
