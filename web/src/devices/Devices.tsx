import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { ask } from '../api/client'
import { keys } from '../api/keys'
import { Button } from '../parts/Button'
import { Sheet } from '../parts/Sheet'
import { said, Trouble } from '../parts/Trouble'

const WHEN = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const TIME = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' })

/** Which phones and tablets come in, and the code that lets in one more. */
export const Devices = ({ open, onClose }: { open: boolean; onClose: () => void }) => {
  const client = useQueryClient()
  const code = useMutation({ mutationFn: (_devices: number) => ask.post('/api/devices/code') })
  const list = useQuery({
    queryKey: keys.devices,
    queryFn: () => ask.get('/api/devices'),
    enabled: open,
    refetchInterval: code.data ? 2000 : false,
  })
  // one more device than when it was made: the code is used up
  const used = code.data !== undefined && (list.data?.devices.length ?? 0) > code.variables
  const { reset } = code
  useEffect(() => {
    if (used) reset()
  }, [used, reset])
  const unpair = useMutation({
    mutationFn: (id: string) => ask.delete('/api/devices/{device_id}', { params: { path: { device_id: id } } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.devices }),
  })
  const close = () => {
    code.reset()
    onClose()
  }
  return (
    <Sheet open={open} onClose={close} title="Devices">
      {list.data?.pairing === false && (
        <p className="mt-3 leading-snug">
          Only this machine is served. To let phones and tablets of the shop in, stop Gantline and start it with{' '}
          <code>./start --host</code> and the name or address of this machine.
        </p>
      )}
      {list.data?.pairing && (
        <>
          {list.data.devices.length === 0 && <p className="mt-3 text-quiet">No device is paired yet.</p>}
          <ul className="mt-3">
            {list.data.devices.map((one) => (
              <li key={one.id} className="flex min-h-12 items-center gap-3 border-seam border-b">
                <span className="min-w-0 flex-1 leading-tight">
                  <span className="block truncate">
                    {one.name}
                    {one.this_one && <span className="text-quiet"> · this one</span>}
                  </span>
                  <span className="block text-quiet text-small">last here {WHEN.format(new Date(one.seen_at))}</span>
                </span>
                <Button look="danger" aria-label={`Unpair ${one.name}`} onClick={() => unpair.mutate(one.id)}>
                  Unpair
                </Button>
              </li>
            ))}
          </ul>
          {code.data ? (
            <div className="mt-5 flex flex-wrap items-center gap-6">
              <img src={code.data.qr} alt="The pairing address as a QR code" className="size-52 rounded-lg bg-white" />
              <div className="flex-1 leading-snug">
                <p data-testid="code" className="whitespace-nowrap font-bold text-mark tracking-[0.12em]">
                  {code.data.code}
                </p>
                <p className="mt-2">
                  Scan it, or open <span className="break-all">{code.data.address}</span> and type it.
                </p>
                <p className="mt-2 text-quiet">Good once, until {TIME.format(new Date(code.data.until))}.</p>
              </div>
            </div>
          ) : (
            <Button look="main" size="tall" className="mt-5" onClick={() => code.mutate(list.data?.devices.length ?? 0)}>
              Pair a device
            </Button>
          )}
        </>
      )}
      <Trouble text={said(list.error ?? code.error ?? unpair.error)} />
    </Sheet>
  )
}
