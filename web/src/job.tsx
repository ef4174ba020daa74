import { start } from './app'
import { JobPage } from './shell/JobPage'

// an entry of its own, so that the page names all that a job needs, and the browser fetches it at once
start(JobPage)
