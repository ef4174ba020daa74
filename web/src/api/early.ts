type Asked = { path: string; answer: Promise<Response> }
declare global {
  var gantlineAsked: Asked | undefined
}

/** What the head of the page has asked for already, handed out once; everything else is asked for now. */
export const asked = (request: Request): Promise<Response> => {
  const early = globalThis.gantlineAsked
  if (!early || request.method !== 'GET' || new URL(request.url).pathname !== early.path) return fetch(request)
  globalThis.gantlineAsked = undefined
  return early.answer.catch(() => fetch(request))
}
