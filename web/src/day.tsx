import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Refused } from './api/client'
import { CrewPage } from './crew/CrewPage'
import './shell/theme.css'
import './crew/red.css'

const client = new QueryClient({
  defaultOptions: {
    queries: { retry: (tries, error) => !(error instanceof Refused) && tries < 20, retryDelay: 1500, refetchOnWindowFocus: true },
  },
})

const root = document.getElementById('root')
const jobId = window.location.pathname.split('/')[2] ?? ''
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <CrewPage jobId={jobId} />
      </QueryClientProvider>
    </StrictMode>,
  )
