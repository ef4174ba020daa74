import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { PairPage } from './devices/PairPage'
import './shell/theme.css'

const root = document.getElementById('root')
if (root)
  createRoot(root).render(
    <StrictMode>
      <PairPage go={() => window.location.assign('/')} />
    </StrictMode>,
  )
