import { ask, followed, Refused, ServerAway, type Work } from './client'

/** A file of the server, made first if it has to be. Throws Refused or ServerAway; an abort ends the work there too. */
export const fetchFile = async (path: string, say: (progress: number) => void, signal: AbortSignal) => {
  for (;;) {
    const response = await fetch(path, { signal }).catch((error: unknown) => {
      throw signal.aborted ? error : new ServerAway('The server does not answer.')
    })
    if (response.status === 202) {
      const { work }: Work = await response.json()
      try {
        await followed(work, say, signal)
      } catch (error) {
        if (signal.aborted) void ask.delete('/api/work/{key}', { params: { path: { key: work } } })
        throw error
      }
      continue
    }
    if (!response.ok) throw new Refused(await response.json())
    return { name: nameOf(response.headers.get('content-disposition') ?? ''), content: await response.blob() }
  }
}

/** The name a file was sent with. */
export const nameOf = (disposition: string): string => {
  const full = /filename\*=UTF-8''([^;]+)/.exec(disposition)?.[1]
  return full ? decodeURIComponent(full) : 'file'
}

/** Put a file where the browser keeps downloads. */
export const keepFile = ({ name, content }: { name: string; content: Blob }): void => {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}
