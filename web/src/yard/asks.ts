import type { LengthStyle } from '../parts/units'

type Style = 'inch' | 'feet' | 'mm' | 'cm'
export type Ask = { name: string; label: string; example: Record<Style, string>; says?: string }

const length = (name: string, label: string, inch: string, feet: string, mm: string, cm: string, says = ''): Ask => ({
  name,
  label,
  example: { inch, feet, mm, cm },
  says,
})
const plain = (name: string, label: string, example: string, says = ''): Ask => ({
  name,
  label,
  example: { inch: example, feet: example, mm: example, cm: example },
  says,
})

export const exampleOf = (one: Ask, style: LengthStyle) =>
  style === 'mm' || style === 'cm' ? one.example[style] : one.example[style === 'ft-in' ? 'feet' : 'inch']

/** What is asked of the room and of the size; any of it may be known. */
export const ROOM: readonly Ask[] = [
  length('wall_width', 'Wall width', '150', "12' 6", '3800', '380', 'From one end of the wall the screen hangs on to the other.'),
  length('ceiling', 'Ceiling height', '96', "8'", '2440', '244', 'From the finished floor, where it is lowest over the screen.'),
  length(
    'seat_from_wall',
    'Main seat from the wall',
    '130',
    "10' 10",
    '3300',
    '330',
    'From that wall to the eyes of whoever sits there.',
  ),
]
export const SIZE: readonly Ask[] = [
  length('diagonal', 'Diagonal', '113', "9' 5", '2870', '287', 'Of the picture, corner to corner, without the border.'),
  length('width', 'Width', '98 1/2', "8' 2 1/2", '2500', '250', 'Of the picture. A leaflet calls it viewable width.'),
  length(
    'height',
    'Height',
    '55 3/8',
    "4' 7 3/8",
    '1406',
    '140.6',
    'Of the picture. With the width it gives the aspect ratio too.',
  ),
]
export const ON_WALL: readonly Ask[] = [
  length(
    'picture_width',
    'Its width',
    '98 1/2',
    "8' 2 1/2",
    '2500',
    '250',
    'Of the picture the projector throws on the wall now, along its middle.',
  ),
  length('picture_height', 'Its height', '55 3/8', "4' 7 3/8", '1406', '140.6', 'Along its middle.'),
  length(
    'diagonal_rising',
    'Lower left to upper right',
    '113',
    "9' 5",
    '2868',
    '286.8',
    'The two diagonals tell whether the picture leans.',
  ),
  length(
    'diagonal_falling',
    'Upper left to lower right',
    '113',
    "9' 5",
    '2868',
    '286.8',
    'The two diagonals tell whether the picture leans.',
  ),
]
export const THROW: readonly Ask[] = [
  plain(
    'ratio_low',
    'Throw ratio, wide',
    '1.3',
    'Distance over picture width, as its leaflet has it. A leaflet with one number has one: enter that here.',
  ),
  plain('ratio_high', 'Throw ratio, long', '2.1', 'The second number where there are two: the lens zooms between them.'),
  length(
    'lens_from_wall',
    'Lens from the wall',
    '160',
    "13' 4",
    '4000',
    '400',
    'From the bare wall to the glass. Enter it if the projector cannot move.',
  ),
]
