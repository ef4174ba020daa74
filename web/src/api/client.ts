import createClient from 'openapi-fetch'
import type { components, paths } from './schema.generated'

type Schemas = components['schemas']
export type JobOut = Schemas['JobOut']
export type JobCard = Schemas['JobCard']
export type PreviewOut = Schemas['PreviewOut']
export type Plan = Schemas['Plan']
export type Figure = Schemas['Figure']
export type Finding = Schemas['Finding']
export type Change = Schemas['Change']
export type Edit = Schemas['Edit']
export type Face = Schemas['Face']
export type FaceName = Face['name']
export type SizeTable = Schemas['SizeTable']
export type SizeRow = Schemas['SizeRow']
export type FabricTable = Schemas['FabricTable']
export type ProjectorTable = Schemas['ProjectorTable']
export type ProjectorRow = Schemas['ProjectorRow']
export type ByZoom = Schemas['ByZoom']
export type JoistRow = Schemas['JoistRow']
export type SignalPlan = Schemas['SignalPlan']
export type FloorMap = Schemas['FloorMap']
export type SeatView = Schemas['SeatView']
export type Mark = Face['marks'][number]
export type Dimension = Schemas['Dimension']
export type Handle = Schemas['Handle']
export type Dot = Schemas['Dot']
export type TapeWindow = Schemas['TapeWindow']
export type StepRow = Schemas['StepRow']
export type TidyRow = Schemas['TidyRow']
export type StationState = Schemas['StationState']
export type StationKey = StationState['key']
export type Problem = Schemas['Problem']
export type RecordOut = Schemas['RecordOut']
export type ReadingOut = Schemas['ReadingOut']
export type VersionOut = Schemas['VersionOut']
export type Units = Schemas['JobUnits-Input']
export type KnownWord = 'measured' | 'decided' | 'assumed'

export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: (request) => fetch(request) })

/** The server did not answer, or its database did not: worth another try, nothing typed is lost. */
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
}

type Answer = { data?: unknown; error?: unknown; response: Response }

/** Unwrap an answer: data, or ServerAway, or Refused. The client widens tuples, so the type is named. */
export const ask = async <T>(asked: Promise<Answer>): Promise<T> => {
  let answer: Answer
  try {
    answer = await asked
  } catch {
    throw new ServerAway('The server does not answer.')
  }
  if (answer.response.ok) return answer.data as T
  const isProblem = answer.response.headers.get('content-type')?.includes('problem+json')
  if (answer.response.status >= 500 || !isProblem) throw new ServerAway('The server does not answer.')
  throw new Refused(answer.error as Problem)
}

/** Changes a cure, a dimension or a tidy size carries, as edits; a typed text takes the open place. */
export const toEdits = (changes: readonly Change[], typed?: string): Edit[] =>
  changes.map(({ pointer, value }) => ({
    pointer,
    value: value === null && typed !== undefined ? typed : value,
  }))
