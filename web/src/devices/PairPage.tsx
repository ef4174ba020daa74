import { type FormEvent, useState } from 'react'
import { ask, Refused } from '../api/client'
import { Button } from '../parts/Button'
import { Trouble } from '../parts/Trouble'

const INPUT = 'mt-1 block min-h-12 w-full rounded border border-seam bg-velvet px-3 text-lead'

/** The one page a device sees before it is paired: the code of the office, and the name its saves will carry. */
export const PairPage = ({ go }: { go: () => void }) => {
  const [trouble, setTrouble] = useState('')
  const [busy, setBusy] = useState(false)
  const scanned = decodeURIComponent(window.location.hash.slice(1))
  const pair = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const typed = new FormData(event.currentTarget)
    setBusy(true)
    try {
      await ask.post('/api/pair', { body: { code: String(typed.get('code')), name: String(typed.get('name')) } })
      go()
    } catch (error) {
      setTrouble(error instanceof Refused ? error.problem.detail : 'The server does not answer. Try again.')
    } finally {
      setBusy(false)
    }
  }
  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-5 px-6 py-10">
      <img src="/mark.svg" alt="" className="size-14" />
      <div>
        <h1 className="font-bold text-title">Pair this device</h1>
        <p className="mt-1 text-quiet">The office finds a code under Devices in the yard. It is good once and for 15 minutes.</p>
      </div>
      <form onSubmit={pair} className="flex flex-col gap-4">
        <label>
          Code
          <input
            name="code"
            required
            defaultValue={scanned}
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            placeholder="ABCD-2345"
            className={`${INPUT} uppercase tracking-[0.2em]`}
          />
        </label>
        <label>
          Name of this device
          <input name="name" required maxLength={60} autoComplete="off" placeholder="Mara's phone" className={INPUT} />
          <span className="mt-1 block text-quiet text-small">What you save from here carries this name.</span>
        </label>
        <Trouble text={trouble} />
        <Button look="main" size="step" type="submit" disabled={busy}>
          Pair
        </Button>
      </form>
    </main>
  )
}
