// before the first paint: the theme chosen last
document.documentElement.dataset.theme = localStorage.getItem('gantline.theme') === 'light' ? 'light' : 'dark'
// a job is asked for while the page's scripts still come
const opened = /^\/jobs\/([^/]+)/.exec(location.pathname)
if (opened) globalThis.gantlineAsked = { path: `/api/jobs/${opened[1]}`, answer: fetch(`/api/jobs/${opened[1]}`) }
