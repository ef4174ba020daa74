import type { RecordKind } from '../api/client'

/** The kinds of the shop's records, as a crew calls them: key, many of them, one of them. */
export const KINDS: readonly (readonly [RecordKind, string, string])[] = [
  ['fabric', 'Fabrics', 'fabric'],
  ['projector', 'Projectors', 'projector'],
  ['kit', 'Frame kits', 'kit'],
  ['fixing', 'Brackets', 'bracket'],
  ['anchor', 'Fixings', 'fixing'],
  ['board', 'Boards', 'board'],
  ['tape', 'Tapes', 'tape'],
  ['strip', 'Light strips', 'light strip'],
]

/** What many records of a kind are called. */
export const many = (kind: RecordKind) => KINDS.find(([key]) => key === kind)?.[1] ?? kind
