import { expect, test } from 'vitest'
import { COMMANDS, type Command } from './commands'

test('no two commands share a key where both can be meant', () => {
  const all: Command[] = Object.values(COMMANDS)
  const clashes = all.flatMap((a, at) =>
    all.slice(at + 1).filter((b) => a.keys === b.keys && (a.scope === b.scope || [a.scope, b.scope].includes('everywhere'))),
  )
  expect(clashes).toEqual([])
})
