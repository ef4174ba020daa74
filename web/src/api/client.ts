import createClient, { type MaybeOptionalInit } from 'openapi-fetch'
import type { PathsWithMethod, RequiredKeysOf } from 'openapi-typescript-helpers'
import { seenBuild } from './build'
import { asked } from './early'
import type { components, paths } from './schema.generated'

type Schemas = components['schemas']
export type JobOut = Schemas['JobOut']
export type JobCard = Schemas['JobCard']
export type JobList = Schemas['JobList']
export type PreviewOut = Schemas['PreviewOut']
export type Plan = Schemas['Plan']
export type Figure = Schemas['Figure']
export type Finding = Schemas['PlanFinding']
export type Severity = Finding['severity']
export type Panel = Schemas['Panel']
export type PanelPart = Schemas['PanelPartOut']
export type Change = Schemas['Change']
export type Edit = Schemas['Edit']
export type Face = Schemas['Face']
export type FaceName = Face['name']
export type SizeTable = Schemas['SizeTable']
export type SizeRow = Schemas['SizeRow']
export type ProjectorTable = Schemas['ProjectorTable']
export type ProjectorRow = Schemas['ProjectorRow']
export type RecordTable = Schemas['RecordTable']
export type RecordEntry = Schemas['RecordEntry']
export type Draft = Schemas['Draft']
export type SheetOut = Schemas['SheetOut']
export type Verdict = Schemas['Verdict']
export type CompareMeasure = Schemas['MeasureRow']
export type ByZoom = Schemas['ByZoom']
export type JoistTable = Schemas['JoistTable']
export type SignalPlan = Schemas['SignalPlan']
export type ThingList = Schemas['ThingList']
export type ThingRow = Schemas['Row']
export type Bench = Schemas['Bench']
export type CutGroup = Schemas['CutGroup']
export type MaterialRow = Schemas['MaterialRow']
export type FloorMap = Schemas['FloorMap']
export type Measure = Schemas['Measure']
export type SeatRow = Schemas['SeatRow']
export type LitRow = Schemas['SeatLight']
export type SeatView = Schemas['SeatView']
export type Mark = Face['marks'][number]
export type Dimension = Schemas['Dimension']
export type Label = Schemas['Label']
export type Handle = Schemas['Handle']
export type TapeWindow = Schemas['TapeWindow']
export type StepRow = Schemas['StepRow']
export type StationState = Schemas['StationState']
export type Problem = Schemas['Problem']
export type Difference = Schemas['DifferenceOut']
export type KnownWord = 'measured' | 'decided' | 'assumed'
export type RecordKind = Schemas['TakeRecord']['kind']

const client = createClient<paths>({ baseUrl: window.location.origin, fetch: (request) => asked(request).then(seenBuild) })

/** The server did not answer, its database did not, or there is no room: worth another try, nothing typed is lost. */
export class ServerAway extends Error {}

/** The server answered with a problem document. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
  /** What is said about one field, or about the whole. */
  about(pointer: string): string {
    return this.problem.errors?.find((one) => one.pointer === pointer)?.text ?? this.problem.detail
  }
  /** What a doubtful text could mean, each a text to send instead. */
  choicesFor(pointer: string): readonly string[] {
    return this.problem.errors?.find((one) => one.pointer === pointer)?.choices ?? []
  }
  /** Every refused field with its place, or the whole. */
  get fields(): readonly { pointer: string; text: string; choices?: readonly string[] }[] {
    return this.problem.errors?.length ? this.problem.errors : [{ pointer: '', text: this.problem.detail }]
  }
}

const NOT_NOW = [401, 403, 408, 429] // not paired, another address, too slow, too often

/** Why something is to be sent again later, as it is: the server was away, or it refused who asks or when, not what; else ''. */
export const forLater = (error: unknown): string => {
  if (error instanceof ServerAway) return error.message
  return error instanceof Refused && NOT_NOW.includes(error.problem.status) ? error.message : ''
}

type Answer = { data?: unknown; error?: unknown; response: Response }

/** Unwrap an answer: its data, or ServerAway, or Refused. What takes longer is followed and asked for again. */
const unwrapped = async (send: () => Promise<Answer>): Promise<unknown> => {
  let answer: Answer
  try {
    answer = await send()
  } catch {
    throw new ServerAway('The server does not answer.')
  }
  if (answer.response.status === 202) {
    await followed((answer.data as Work).work)
    return unwrapped(send)
  }
  if (answer.response.ok) return answer.data
  const isProblem = answer.response.headers.get('content-type')?.includes('problem+json')
  if (answer.response.status === 507 && isProblem) throw new ServerAway((answer.error as Problem).detail)
  if (answer.response.status >= 500 || !isProblem) throw new ServerAway('The server does not answer.')
  throw new Refused(answer.error as Problem)
}

export type Practice = Schemas['Practice']
export type PhotoReading = Schemas['PhotoReading']
export type StateReading = Schemas['StateReading']
export type CastOut = Schemas['CastOut']
export type ProjectorState = Schemas['ProjectorState']
export type CastShape = Schemas['CastShape']
export type FoundOnSheet = Schemas['Found']
export type TensionSheet = Schemas['BenchOut']
export type ClothSheet = Schemas['ClothOut']
export type DayOut = Schemas['DayOut']
export type DayStep = Schemas['Step']
export type DayReading = DayStep['readings'][number]
export type Standing = Schemas['StandingTold']
export type StepTold = Schemas['StepTold']
export type Work = Schemas['WorkOut']
const FOLLOW_MS = 400

/** Wait for heavy work, saying how far it is. Throws Refused when it came to nothing; stops asking when told to. */
export const followed = async (key: string, say: (progress: number) => void = () => undefined, signal?: AbortSignal) => {
  for (;;) {
    signal?.throwIfAborted()
    await new Promise((resolve) => setTimeout(resolve, FOLLOW_MS))
    const now = await ask.get('/api/work/{key}', { params: { path: { key } } }).catch((error: unknown) => {
      // stopped by somebody else who asked the same: it is asked for again
      if (error instanceof Refused && error.problem.type.endsWith('no-such-work')) return null
      throw error
    })
    if (now === null) return
    say(now.progress)
    if (now.state !== 'waiting' && now.state !== 'working') return
  }
}

type Json<Reply> = Reply extends { content: { 'application/json': infer Body } } ? Body : undefined
type Ok<Op> = Op extends { responses: infer All } ? Json<All[keyof All & (200 | 201)]> : never
type Init<I> = RequiredKeysOf<I> extends never ? [init?: I] : [init: I]
type Ask<M extends 'get' | 'post' | 'put' | 'delete'> = <
  P extends PathsWithMethod<paths, M>,
  I extends MaybeOptionalInit<paths[P], M>,
>(
  path: P,
  ...init: Init<I>
) => Promise<Ok<paths[P][M]>>

// the client's own types turn tuples into lists, so the answers are typed from the schema itself
const asking = <M extends 'get' | 'post' | 'put' | 'delete'>(method: unknown) => {
  const send = method as (path: unknown, ...init: unknown[]) => Promise<Answer>
  return ((path, ...init) => unwrapped(() => send(path, ...init))) as Ask<M>
}

/** Ask the server; what comes back is typed by the path. Throws ServerAway or Refused. */
export const ask = {
  get: asking<'get'>(client.GET),
  post: asking<'post'>(client.POST),
  put: asking<'put'>(client.PUT),
  delete: asking<'delete'>(client.DELETE),
}

/** Changes a cure, a dimension or a rounded size carries, as edits; a typed text takes the open place. */
export const toEdits = (changes: readonly Change[], typed?: string): Edit[] =>
  changes.map(({ pointer, value, known }) => ({
    pointer,
    value: value === null && typed !== undefined ? typed : value,
    ...(known ? { known } : {}),
  }))
