import { lazy } from 'react'
import { start } from './app'

start(lazy(() => import('./shell/JobPage').then((all) => ({ default: all.JobPage }))))
