import { useState } from 'react'
import type { Bench, JobOut, MaterialRow } from '../../api/client'
import { useThisJob } from '../../job/context'
import { Button } from '../../parts/Button'
import { Rich } from '../../parts/Num'
import { Cell, Line, Table } from '../../parts/Table'
import { said, Trouble } from '../../parts/Trouble'

type Kept = JobOut['document']['materials']['items']
const PRICE_OF: Record<string, string> = { m: 'a meter', yd: 'a yard' }

type Field = 'on_hand' | 'pack' | 'price' | 'arrived'
const STATES = { buy: 'to buy', ordered: 'ordered', here: 'here' } as const
const NEXT = { buy: false, ordered: true, here: null } as const
const money = (value: number | null) => (value === null ? '' : value.toFixed(2))

/** Everything to buy and load, one line an item; what is typed here stays with the job. */
export const MaterialsTable = ({ list, kept }: { list: Bench['materials']; kept: Kept }) => {
  const { edit } = useThisJob()
  const [trouble, setTrouble] = useState('')
  const set = async (row: MaterialRow, field: Field, value: string | boolean | null) => {
    const there = kept.some((one) => one.id === row.key)
    try {
      await edit([
        there
          ? { pointer: `/materials/items/${row.key}/${field}`, value }
          : { pointer: '/materials/items/-', value: { id: row.key, [field]: value } },
      ])
      setTrouble('')
    } catch (error) {
      setTrouble(said(error))
      throw error
    }
  }
  const summary = [
    `Material so far ${money(list.cost)}`,
    list.unpriced > 0 ? `${list.unpriced} ${list.unpriced === 1 ? 'line has' : 'lines have'} no price yet` : '',
    list.left === null ? '' : list.left >= 0 ? `${money(list.left)} below the quote` : `${money(-list.left)} above the quote`,
  ]
  return (
    <>
      <p className="py-1 font-semibold text-body">{summary.filter(Boolean).join(' · ')}</p>
      <Trouble text={trouble} />
      <Table
        label="Materials"
        className="text-fine"
        heads={['Item', 'Needed', 'On hand', 'Pack of', 'Buy', 'Price', 'Cost', 'For', 'State']}
      >
        {list.rows.map((row) => (
          <Line key={row.key} className={row.state === 'here' ? 'text-quiet' : ''}>
            <Cell className="font-semibold text-body">
              <Rich text={row.name} />
            </Cell>
            <Cell className="whitespace-nowrap text-body">{row.needed}</Cell>
            <Cell>
              <Typing
                label={`${row.name}, on hand`}
                text={row.on_hand ? String(row.on_hand) : ''}
                save={(text) => set(row, 'on_hand', text)}
              />
            </Cell>
            <Cell>
              <Typing label={`${row.name}, pack of`} text={String(row.pack)} save={(text) => set(row, 'pack', text)} />
            </Cell>
            <Cell className="whitespace-nowrap text-body">{row.buy}</Cell>
            <Cell>
              <Typing
                label={`${row.name}, price of ${PRICE_OF[row.price_of] ?? 'a pack'}`}
                text={money(row.price)}
                save={(text) => set(row, 'price', text)}
              />
            </Cell>
            <Cell className="whitespace-nowrap text-body">{money(row.cost)}</Cell>
            <Cell className="text-quiet">{row.why}</Cell>
            <Cell>
              <Button
                aria-label={`${row.name}: ${STATES[row.state as keyof typeof STATES]}`}
                className={`whitespace-nowrap ${row.state === 'here' ? '' : 'font-semibold'}`}
                onClick={() => void set(row, 'arrived', NEXT[row.state as keyof typeof NEXT])}
              >
                {STATES[row.state as keyof typeof STATES]}
              </Button>
            </Cell>
          </Line>
        ))}
      </Table>
    </>
  )
}

type TypingProps = { label: string; text: string; save: (text: string | null) => Promise<void> }

/** A number of the list: what is typed is saved when the field is left, and stays as typed while it is refused. */
const Typing = ({ label, text, save }: TypingProps) => {
  const [typed, setTyped] = useState<string | null>(null)
  const leave = async () => {
    if (typed === null || typed.trim() === text) return setTyped(null)
    try {
      await save(typed.trim() || null)
      setTyped(null)
    } catch {
      // the trouble is said above the table; what was typed stays
    }
  }
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      data-saved={typed === null || undefined}
      value={typed ?? text}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => void leave()}
      onKeyDown={(event) => event.key === 'Enter' && void leave()}
      className="min-h-9 w-16 rounded border border-seam bg-velvet px-1.5 text-body"
    />
  )
}
