import { type KeyboardEvent, type MouseEvent, type PointerEvent, useId, useMemo, useRef, useState } from 'react'
import type { Dimension, Face, FloorMap, Handle, Label, Mark, Panel } from '../api/client'
import { useThisJob } from '../job/context'
import { Num, Rich } from '../parts/Num'
import { apart, type Room } from './apart'
import { CornerSlots } from './CornerSlots'
import { DimensionTag, tagRoom } from './DimensionTag'
import { placeDimension } from './dimensionLines'
import { FloorLegend, FloorMapLayer, FloorNumbers } from './FloorMapLayer'
import { LabelKey } from './LabelKey'
import { type Placed, placeKey, placeLabels, placeTags, SMALL_PX, TEXT_PX } from './labelPlaces'
import { isShown } from './layers'
import { textPx } from './measure'
import { typePx } from './pictureText'
import { Shapes } from './Shapes'
import { fitFace, type Sheet, sideLanes, toPx } from './sheet'
import { TapLayer } from './TapLayer'
import { handleEdits, moveHandle, useDrag } from './useDrag'
import { useSize } from './useSize'

type BoardProps = {
  face: Face
  panel: Panel
  floor?: FloorMap
  ghosts?: readonly Ghost[]
  shape?: string
  now?: ReadonlySet<number>
  done?: ReadonlySet<number>
  onPoint?: (point: number) => void
  onCorners?: (slots: Record<string, HTMLElement> | null) => void
}

/** The to-scale scene of one face: always live, handled directly. */
export const Board = ({ face, panel, now, done, floor, ghosts = [], shape = '', onPoint, onCorners }: BoardProps) => {
  const [box, size] = useSize<HTMLDivElement>()
  const frozen = useRef<Sheet | null>(null)
  const job = useThisJob()
  const titleId = useId()
  const narrow = size.width < NARROW_PX
  const shown = useMemo(() => face.marks.filter((mark) => isShown(mark, panel, shape)), [face, panel, shape])
  const dimensions = useMemo(() => shown.filter((mark): mark is Dimension => mark.kind === 'dimension'), [shown])
  const fitted = useMemo(
    () => fitFace(face, size.width, size.height, narrow ? sideLanes(face, dimensions) : face.lanes),
    [face, size.width, size.height, narrow, dimensions],
  )
  // the scale must not jump under a finger, so it rests while something is dragged
  const sheet = frozen.current ?? fitted
  const { live, down, move, up, cancel } = useDrag(sheet, {
    onDrag: (edits) => {
      frozen.current = edits ? sheet : null
      void job.drag(edits, face.name)
    },
    onDrop: (edits) => {
      void job.edit(edits)
    },
  })
  const handles = shown.filter((mark): mark is Handle => mark.kind === 'handle')
  const shift = useShift(live, handles, sheet)
  const tagOf = (mark: Dimension) => tagRoom(mark, placeDimension(mark, sheet), size.width)
  const tags = narrow ? apart(dimensions, tagOf) : dimensions
  const labels = shown.filter((mark): mark is Label => mark.kind === 'label')
  const room = pictureRoom(shown, sheet)
  const sizes = labels.flatMap((mark) => sizeOf(mark, room, sheet, narrow) ?? [])
  const shifts = placeTags(
    tags,
    tagOf,
    sizes.map((one) => one.room),
  )
  const numbers = numbersOf(shown, sheet, now)
  const fixed = [
    ...tags.map((mark) => moved(tagOf(mark), shifts.get(mark))),
    ...sizes.map((one) => one.room),
    ...numbers.map((one) => one.room),
  ]
  const boxed = onCorners && !narrow
  const twice = (mark: Label) => (narrow && mark.role === 'picture') || (boxed && mark.role.startsWith('corner-')) // the boxes say it
  const texts = labels.filter((mark) => !isSize(mark) && !twice(mark))
  const said = placeLabels(texts, fixed, dotRooms(shown, sheet), sheet, size)
  const keyed = said.filter((one) => one.number !== null)
  const hit = live?.hit ?? ''
  if (size.width === 0) return <div ref={box} className="board relative size-full" />
  return (
    <div
      ref={box}
      className={`board relative size-full overflow-hidden ${floor ? 'with-floor' : ''}`}
      data-held={live !== null || undefined}
    >
      <svg width={size.width} height={size.height} role="img" aria-labelledby={titleId}>
        <title id={titleId}>{face.summary}</title>
        <defs>
          <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V7" stroke="var(--hatch)" strokeWidth="1.4" />
          </pattern>
        </defs>
        {floor && <FloorMapLayer map={floor} sheet={sheet} />}
        <Shapes marks={shown} sheet={sheet} panel={panel} shift={shift} now={now} done={done} />
        {ghosts.map((ghost) => (
          <Outline key={ghost.name} ghost={ghost} sheet={sheet} />
        ))}
        {dimensions.map((mark) => {
          const place = placeDimension(mark, sheet)
          return <path key={mark.key} className="dim" d={place.d} />
        })}
        {said.map(
          ({ mark, led, room: here }) =>
            led && <path key={mark.key} className="led" d={`M${led.xPx} ${led.yPx}L${here.xPx} ${here.yPx}`} />,
        )}
      </svg>
      {onPoint && <PointTap marks={shown} sheet={sheet} onPoint={onPoint} />}
      <Numbers found={numbers} />
      {sizes.map((one) => (
        <SizeText key={one.mark.key} {...one} shift={shift} />
      ))}
      {said.map((one) => (
        <BoardLabel key={one.mark.key} placed={one} shift={shift} />
      ))}
      {keyed.length > 0 && <LabelKey keyed={keyed} room={placeKey(keyed, [...fixed, ...said.map((one) => one.room)], size)} />}
      <svg
        className="absolute inset-0"
        width={size.width}
        height={size.height}
        aria-label="What can be dragged"
        style={{ pointerEvents: 'none' }}
      >
        {handles.map((handle) => (
          <Grip key={handle.key} handle={handle} sheet={sheet} down={down(handle)} move={move} up={up} cancel={cancel} />
        ))}
      </svg>
      {tags.map((mark) => (
        <DimensionTag
          key={mark.key}
          mark={mark}
          place={placeDimension(mark, sheet)}
          widthPx={size.width}
          shift={shifts.get(mark) ?? STILL}
        />
      ))}
      {boxed && <CornerSlots marks={face.marks} sheet={sheet} size={size} onSlots={onCorners} />}
      <TapLayer sheet={sheet} face={face.name} />
      {floor && <FloorNumbers map={floor} sheet={sheet} />}
      {floor && <FloorLegend map={floor} />}
      {hit && (
        <p
          role="status"
          className="absolute top-1 left-1/2 z-10 -translate-x-1/2 rounded bg-brass px-3 py-1.5 font-semibold text-on-brass"
        >
          held by the {hit}
        </p>
      )}
    </div>
  )
}

/** A size that was not taken, for comparison: left, bottom, right, top [mm]. */
export type Ghost = { name: string; rect: readonly number[]; looked?: boolean }

const Outline = ({ ghost, sheet }: { ghost: Ghost; sheet: Sheet }) => {
  const [left = 0, bottom = 0, right = 0, top = 0] = ghost.rect
  const a = toPx(sheet, { xMm: left, yMm: top })
  const b = toPx(sheet, { xMm: right, yMm: bottom })
  return (
    <rect
      className={`mark ghost ${ghost.looked ? 'looked' : ''}`}
      x={a.xPx}
      y={a.yPx}
      width={b.xPx - a.xPx}
      height={b.yPx - a.yPx}
    />
  )
}

/** How far the dragged group lies from where the newest plan drew it. */
const useShift = (live: { key: string; x: number; y: number } | null, handles: Handle[], sheet: Sheet) => {
  const handle = live && handles.find((one) => one.key === live.key)
  if (!live || !handle) return null
  return {
    key: live.key,
    dxPx: (live.x - handle.origin[0]) * handle.scale[0] * sheet.pxPerMm,
    dyPx: sheet.up * (handle.origin[1] - live.y) * handle.scale[1] * sheet.pxPerMm,
  }
}

const FINGER_PX = 26

/** A tap near a point of the fabric goes to its step; with keys the steps have their own. */
const PointTap = ({ marks, sheet, onPoint }: { marks: readonly Mark[]; sheet: Sheet; onPoint: (point: number) => void }) => {
  const tapped = (event: MouseEvent<HTMLButtonElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    let nearest = FINGER_PX
    let point: number | null = null
    for (const mark of marks) {
      if (mark.kind !== 'dot' || !mark.key.startsWith('point-')) continue
      const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] })
      const far = Math.hypot(event.clientX - box.left - xPx, event.clientY - box.top - yPx)
      if (far > nearest) continue
      nearest = far
      point = Number(mark.key.slice('point-'.length))
    }
    if (point !== null) onPoint(point)
  }
  return (
    <button type="button" tabIndex={-1} aria-label="Go to the step of a point" className="absolute inset-0" onClick={tapped} />
  )
}

const BESIDE: Record<string, readonly [number, number]> = {
  top: [0, -17],
  bottom: [0, 17],
  left: [-23, 0],
  right: [23, 0],
}

type PointNumber = { key: string; number: number; lit: boolean; room: Room }

/** Numbers of the points: those of the step at hand, and of the ends and every few what has room beside them. */
const numbersOf = (marks: readonly Mark[], sheet: Sheet, now?: ReadonlySet<number>): PointNumber[] => {
  const found = marks.flatMap((mark) => {
    if (mark.kind !== 'dot' || !mark.key.startsWith('point-')) return []
    const number = Number(mark.key.slice('point-'.length))
    const lit = now?.has(number) ?? false
    if (!lit && typeof mark.number !== 'number') return []
    const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] })
    const [dx, dy] = BESIDE[mark.side ?? ''] ?? [0, 0]
    const room = { xPx: xPx + dx, yPx: yPx + dy, widthPx: String(number).length * (lit ? 11 : 9) + 6, heightPx: lit ? 26 : 18 }
    return [{ key: mark.key, number: mark.written ?? number, lit, room }]
  })
  return apart(
    [...found].sort((a, b) => Number(b.lit) - Number(a.lit)),
    (one) => one.room,
  )
}

const Numbers = ({ found }: { found: readonly PointNumber[] }) => (
  <>
    {found.map(({ key, number, lit, room }) => (
      <span
        key={key}
        className={`-translate-x-1/2 -translate-y-1/2 board-number absolute leading-tight ${lit ? 'z-10 rounded bg-chalk px-1 font-bold text-body text-velvet' : 'text-fine text-ink'}`}
        style={{ left: room.xPx, top: room.yPx }}
      >
        {number}
      </span>
    ))}
  </>
)

const DOT_PX = 14

/** What a text had better not cover: the dots, but for the many points of the fabric. */
const dotRooms = (marks: readonly Mark[], sheet: Sheet): Room[] =>
  marks.flatMap((mark) =>
    mark.kind === 'dot' && !mark.key.startsWith('point-')
      ? [{ ...toPx(sheet, { xMm: mark.at[0], yMm: mark.at[1] }), widthPx: DOT_PX, heightPx: DOT_PX }]
      : [],
  )

const STILL = { xPx: 0, yPx: 0 }
const moved = (room: Room, by = STILL): Room => ({ ...room, xPx: room.xPx + by.xPx, yPx: room.yPx + by.yPx })

const NARROW_PX = 600 // on a phone the picture has room for one number only

const TAG_PX = 42 // what a number on a dimension line inside the picture takes at its edge

/** The room the picture leaves to its own texts. */
const pictureRoom = (marks: readonly Mark[], sheet: Sheet) => {
  const outline = marks.find((mark) => mark.kind === 'area' && mark.key === 'picture')
  const points = outline?.kind === 'area' ? outline.points : []
  const span = (axis: 0 | 1) => {
    const ends = points.map((point) => point[axis])
    return (Math.max(...ends, 0) - Math.min(...ends, Number.POSITIVE_INFINITY)) * sheet.pxPerMm
  }
  const inside = marks.some((mark) => mark.kind === 'dimension' && mark.inside)
  return { widthPx: span(0) - 2 * (inside ? TAG_PX : 8), heightPx: span(1) }
}

const isSize = (mark: Label) => mark.key === 'size' || mark.key === 'aspect'

type SizeTextProps = { mark: Label; px: number; room: Room }
type LabelShift = { key: string; dxPx: number; dyPx: number } | null

/** The picture's own texts: as large as there is room for; the smaller one only where it has some. */
const sizeOf = (
  mark: Label,
  room: { widthPx: number; heightPx: number },
  sheet: Sheet,
  narrow: boolean,
): SizeTextProps | null => {
  if (!isSize(mark) || (narrow && mark.size !== 'large')) return null
  const px = typePx(mark.text, mark.size === 'large' ? 'large' : 'text', room.widthPx, room.heightPx)
  if (px === null) return null
  const { xPx, yPx } = toPx(sheet, { xMm: mark.at[0] ?? 0, yMm: mark.at[1] ?? 0 })
  const heightPx = px * 1.5
  const under = mark.key === 'aspect' ? heightPx / 2 : 0
  const widthPx = textPx(mark.text, px, mark.size === 'large' ? 600 : 500)
  return { mark, px, room: { xPx, yPx: yPx - mark.lift * TEXT_PX + under, widthPx, heightPx } }
}

const shiftOf = (mark: Label, shift: LabelShift) => (shift && mark.moves === shift.key ? shift : { dxPx: 0, dyPx: 0 })

const SizeText = ({ mark, px, room, shift }: SizeTextProps & { shift: LabelShift }) => {
  const by = shiftOf(mark, shift)
  return (
    <span
      className={`-translate-1/2 board-text pointer-events-none absolute whitespace-nowrap leading-tight ${mark.size === 'large' ? 'on-canvas' : 'on-canvas quiet font-medium'}`}
      style={{ fontSize: px, left: room.xPx + by.dxPx, top: room.yPx + by.dyPx }}
    >
      {mark.size === 'large' ? <Num text={mark.text} /> : <Rich text={mark.text} />}
    </span>
  )
}

const COLORS: Record<string, string> = {
  limit: 'text-brass',
  board: 'text-ink font-bold',
  shadow: 'on-shadow',
  'hole-refused': 'text-stop font-bold',
}

/** A text where it was placed; one without room is a number that the key explains. */
const BoardLabel = ({ placed, shift }: { placed: Placed; shift: LabelShift }) => {
  const { mark, room, number } = placed
  const picture = mark.role === 'picture'
  const by = shiftOf(mark, shift)
  const color = picture ? 'on-canvas quiet' : (COLORS[mark.role] ?? 'text-chalk')
  const style = { left: room.xPx + by.dxPx, top: room.yPx + by.dyPx }
  if (number !== null)
    return (
      <span
        aria-hidden="true"
        className="-translate-1/2 board-text pointer-events-none absolute grid size-5 place-items-center rounded-full border border-chalk bg-velvet font-semibold text-[12px] leading-none"
        style={style}
      >
        {number}
      </span>
    )
  return (
    <span
      className={`-translate-1/2 board-text pointer-events-none absolute whitespace-nowrap font-medium leading-tight ${color} ${picture ? '' : 'haloed'}`}
      style={{ ...style, fontSize: mark.size === 'small' ? SMALL_PX : 15.5 }}
    >
      <Rich text={mark.text} />
    </span>
  )
}

type GripProps = Pick<ReturnType<typeof useDrag>, 'move' | 'up' | 'cancel'> & {
  handle: Handle
  sheet: Sheet
  down: (event: PointerEvent<SVGElement>) => void
}

const ARROWS: Record<string, [number, number]> = {
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
}

/** Where a finger or the arrow keys take hold. */
const Grip = ({ handle, sheet, down, move, up, cancel }: GripProps) => {
  const job = useThisJob()
  const [said, setSaid] = useState('')
  const press = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key]
    if (!arrow || event.ctrlKey || event.metaKey) return
    event.preventDefault()
    const many = event.shiftKey ? 10 : 1
    const [across, up] = handle.scale.map((one) => Math.abs(one) * many * handle.step_mm)
    const to = moveHandle(handle, arrow[0] * (across ?? 0), arrow[1] * (up ?? 0))
    setSaid(to.hit ? `held by the ${to.hit}` : '')
    void job.edit(handleEdits(handle, to))
  }
  const points = handle.points.map(([x = 0, y = 0]) => toPx(sheet, { xMm: x, yMm: y }))
  const kind = handle.x_pointer && handle.y_pointer ? 'xy' : 'y'
  const common = {
    className: `grip ${kind}`,
    tabIndex: 0,
    role: 'slider',
    'aria-label': `${handle.name}. Arrow keys move it`,
    'aria-valuenow': Math.round(handle.origin[1]),
    'aria-valuetext': said || undefined,
    'aria-valuemin': Math.round(handle.y_stops?.[0].at_mm ?? 0),
    'aria-valuemax': Math.round(handle.y_stops?.[1].at_mm ?? 0),
    style: { pointerEvents: 'all' as const },
    onPointerDown: down,
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: cancel,
    onKeyDown: press,
  }
  const [first] = points
  if (points.length === 1 && first) return <circle {...common} cx={first.xPx} cy={first.yPx} r={24} />
  return <path {...common} d={`M${points.map((p) => `${p.xPx} ${p.yPx}`).join('L')}Z`} />
}
