import { type KeyboardEvent, useState } from 'react'
import type { CompareMeasure } from '../api/client'
import { orderBy, stepped } from './order'

const PINS = 2

type Picked = {
  keys: readonly string[]
  measures: readonly CompareMeasure[]
  looked: string
  onLook: (key: string) => void
  onTake: (key: string) => void
  /** the keys that go back and on, along the row or down it */
  ways: readonly [string, string]
}

/** Which candidate is looked at, which two are pinned, by what they are sorted. */
export const usePicked = ({ keys, measures, looked, onLook, onTake, ways }: Picked) => {
  const [sort, setSort] = useState('')
  const [pins, setPins] = useState<readonly string[]>([])
  const order = orderBy(measures, sort, keys.length)
  const place = order.findIndex((at) => keys[at] === looked)
  const pin = (key: string) =>
    setPins((now) => (now.includes(key) ? now.filter((one) => one !== key) : [...now.slice(-PINS + 1), key]))
  const press = (event: KeyboardEvent<HTMLElement>, own: string) => {
    const here = order.findIndex((at) => keys[at] === own)
    const to = stepped(event.key, Math.max(0, here), keys.length, ...ways)
    if (to !== null) onLook(keys[order[to] ?? 0] ?? '')
    else if (event.key === 'Enter') onTake(own)
    else if (event.key === ' ') pin(own)
    else return
    event.preventDefault()
  }
  return {
    order,
    place,
    sort,
    sortBy: (key: string) => setSort((now) => (now === key ? '' : key)),
    pins: pins.filter((one) => keys.includes(one)),
    pin,
    unpin: () => setPins([]),
    press,
  }
}
