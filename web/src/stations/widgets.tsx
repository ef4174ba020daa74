import type { ReactNode } from 'react'
import type { Plan, ThingList as Things } from '../api/client'
import { Corners } from './align/Corners'
import { Focus, Memories } from './align/Finish'
import { Projector } from './align/Projector'
import { Remote } from './align/Remote'
import { Cautions } from './common/Cautions'
import { TakeFrom } from './common/TakeFrom'
import { DayPanel } from './day/DayPanel'
import { OwnSteps } from './day/OwnSteps'
import { Box } from './frame/Box'
import { Bought, Bow, Pieces } from './frame/Workshop'
import { Hung } from './hang/Hung'
import { Pictured } from './hang/Pictured'
import { States } from './light/States'
import { Swatches } from './light/Swatches'
import type { StationProps } from './props'
import { RoundedSizes } from './size/RoundedSizes'
import { Shapes } from './size/Shapes'
import { DeleteJob } from './survey/DeleteJob'
import { MeterReadings } from './survey/MeterReadings'
import { Readings } from './survey/Readings'
import { StudFinder } from './survey/StudFinder'
import { ThingList } from './survey/ThingList'
import { BenchLink } from './tension/BenchLink'
import { SignalChain } from './throw/SignalChain'
import { DryFit } from './wall/DryFit'
import { FlatWall } from './wall/FlatWall'
import { MarksTable } from './wall/MarksTable'
import { ToMeasure } from './wall/ToMeasure'
import { Ways } from './wall/Ways'

type Draw = (props: StationProps) => ReactNode

const things =
  (list: (tables: Plan['tables']) => Things | null | undefined): Draw =>
  ({ plan }) => {
    const found = list(plan.tables)
    return found ? <ThingList list={found} /> : null
  }

/** What a part of a panel is drawn with besides rows of figures: where a station is special. */
export const WIDGETS: Record<string, Draw> = {
  '/survey/seats': things((tables) => tables.seat_list),
  '/survey/boxes': things((tables) => tables.box_list),
  '/survey/fittings': things((tables) => tables.fitting_list),
  '/survey/lamps': things((tables) => tables.lamp_list),
  studs: StudFinder,
  readings: Readings,
  meter: MeterReadings,
  job: DeleteJob,
  rounded: RoundedSizes,
  shapes: Shapes,
  'take-kit': () => <TakeFrom kind="kit" />,
  'take-fabric': () => <TakeFrom kind="fabric" />,
  'take-projector': () => <TakeFrom kind="projector" />,
  'take-fixing': () => <TakeFrom kind="fixing" />,
  'take-anchor': () => <TakeFrom kind="anchor" />,
  'take-tape': () => <TakeFrom kind="tape" />,
  'take-strip': () => <TakeFrom kind="strip" />,
  states: States,
  swatches: Swatches,
  box: Box,
  bow: Bow,
  pieces: Pieces,
  bought: Bought,
  signal: ({ plan }) => plan.tables.signal && <SignalChain signal={plan.tables.signal} />,
  measure: ToMeasure,
  ways: Ways,
  dry: DryFit,
  flat: FlatWall,
  marks: MarksTable,
  hang: Hung,
  pictured: Pictured,
  align: Corners,
  cast: () => <Remote />,
  focus: () => <Focus />,
  memories: Memories,
  projector: () => <Projector />,
  day: DayPanel,
  'day-own': OwnSteps,
  hooks: ({ plan }) => <p className="py-2 text-quiet text-small">{plan.tables.steps?.hooks}</p>,
  bench: BenchLink,
  cautions: Cautions,
}
