import createClient from 'openapi-fetch'

import type { components, paths } from './schema'
import { exchanged, packed } from './wire'

type Schemas = components['schemas']
export type Document = Schemas['Document']
export type End = Schemas['End']
export type Act = Schemas['ActQuestion']['act']
export type Wait = Schemas['Wait']
export type StopBench = Schemas['StopBench']
export type Setup = Schemas['Setup']
export type SideSetup = Schemas['SideSetup']
export type SpringPart = Schemas['SpringPart']
export type Report = Schemas['Report']
export type CornerReport = Schemas['CornerReport']
export type EndReport = Schemas['EndReport']
export type Figure = Schemas['Figure']
export type Term = Schemas['Term']
export type Finding = Schemas['Finding']
export type Judgement = Schemas['Judgement']
export type Mistake = Schemas['Mistake']
export type Question = Schemas['Question']
export type StationReport = Schemas['StationReport']
export type Filters = Schemas['Filters']
export type Candidate = Schemas['Candidate']
export type Outline = Schemas['Outline']
export type WorkingLine = Schemas['WorkingLine']
export type Uncertainty = Schemas['Uncertainty']
export type VehicleSummary = Schemas['VehicleSummary']
export type StoredVehicle = Schemas['StoredVehicle']
export type Learned = Schemas['Learned']
export type Taught = Schemas['Taught']
export type Mishap = Schemas['Mishap']
export type Expected = Schemas['Expected']
export type SetDown = Schemas['SetDown']
export type SetDownRow = Schemas['SetDownRow']
export type SettleTurn = Schemas['Turn']
export type CornerWeights = Schemas['CornerWeights']
export type PadRow = Schemas['PadRow']
export type Way = Schemas['Way']
export type AlignmentBench = Schemas['AlignmentBench']
export type AlignedWheel = Schemas['AlignedWheel']
export type AlignmentStep = Schemas['AlignmentStep']
export type OverHeight = Schemas['OverHeight']
export type WheelRound = Schemas['WheelRound']
export type Survey = Schemas['Survey']
export type Logged = Schemas['Logged']
export type LogEntry = Schemas['Entry']
export type ChangedRow = Schemas['ChangedRow']
export type Settling = Schemas['Settling']
export type SettlingEnd = Schemas['SettlingEnd']
export type Due = Schemas['Due']
export type BandSpring = Schemas['BandSpring']
export type LoadRanks = Schemas['RankAnswer']
export type TorsionBarPart = Schemas['TorsionBarPart']
export type TorsionArm = Schemas['TorsionArm']
export type IndexBench = Omit<Schemas['IndexBench'], 'splines'> & { splines: number[] | null }
export type MoveRow = Schemas['MoveRow']
export type ChartRow = Schemas['ChartRow']
export type OtherBar = Schemas['OtherBar']
export type SagReport = Schemas['SagReport']
export type SteeringReport = Schemas['SteeringReport']
export type SagCandidate = Schemas['SagCandidate']
export type AirRow = Schemas['AirRow']
export type HardPart = Schemas['HardPart']
export type Lever = Schemas['Lever']
export type AirSpringPart = Schemas['AirSpringPart']
export type Clicks = Schemas['Clicks']
export type PairingState = Schemas['PairingState']
export type ShelfPart = Schemas['ShelfPart']
export type DamperPart = Schemas['DamperPart']
export type ShelfDamper = Schemas['ShelfDamper']
export type LeafPart = Schemas['LeafPart']
export type Card = Schemas['Card']
export type OthersCard = Schemas['OthersCard']
export type Step = Schemas['Step']
export type StepGroup = Schemas['Group']
export type Tick = Schemas['Tick']
export type Fastener = Schemas['Fastener']
export type FastenerKind = Schemas['Kind']
export type Damage = Schemas['Damage']
export type RecordingShown = Schemas['RecordingShown']
export type RecordingRead = Schemas['RecordingRead']
export type WheelRecorded = Schemas['WheelRecorded']
export type UploadShown = Schemas['UploadShown']
export type Instrument = Schemas['Instrument']
export type InstrumentKind = Instrument['kind']
export type InstrumentReading = Schemas['InstrumentReading']
export type TakenRow = Schemas['TakenRow']
export type Hangs = Schemas['Hangs']
export type Photo = Schemas['Photo']
export type DampingBench = Schemas['DampingBench']
export type BounceBench = Schemas['BounceBench']
export type BounceRow = Schemas['BounceRow']
export type RunShown = Schemas['RunShown']
export type LetGo = Schemas['LetGo']
export type Trialled = Schemas['Trialled']
export type Driven = Schemas['Driven']
export type TraceEnds = Schemas['TraceEnds']
export type RunRow = Schemas['RunRow']
export type RunCell = Schemas['RunCell']
export type Why = Schemas['Why']
export type AtSpeed = Schemas['AtSpeed']
export type SpringDriven = Schemas['SpringDriven']
export type KnownRoad = Schemas['KnownRoad']
export type RoadPiece = Schemas['RoadPiece']
export type Proving = Schemas['Proving']
export type SearchShown = Schemas['SearchShown']
export type ClickMapShown = Schemas['MapShown']
export type ClickCell = Schemas['CellShown']
export type ClickTurn = Schemas['ClickTurn']
export type Bounce = Schemas['Bounce']
export type LoggerFile = Schemas['LoggerFile']
export type ClickRule = Schemas['ClickRule']
export type RingWay = Schemas['RingWay']
export type EndChange = Schemas['EndChange']
export type Layout = NonNullable<Schemas['End']['layout']>
export type NewVehicle = Schemas['NewVehicle']
export type Reading = Schemas['Reading']
/** A corner of a car, or a wheel of a two-wheeler. */
export type Place = Schemas['Place']
export type EndName = 'front' | 'rear'
export type Station = StationReport['station']

export const PLACES: Place[] = ['front_left', 'front_right', 'rear_left', 'rear_right']
export const WHEELS: Place[] = ['front', 'rear']
/** The places of a vehicle: four corners, or the two wheels of a motorcycle or bicycle. */
export const placesOf = (document: Document | null | undefined): Place[] =>
  ['motorcycle', 'bicycle'].includes(document?.vehicle.kind ?? 'car') ? WHEELS : PLACES
/** Whether a vehicle stands on two wheels. */
export const onTwo = (document: Document | null | undefined): boolean => placesOf(document).length === 2
export const placeWords = (place: string): string => place.replace('_', ' ')
export const endOf = (place: Place): EndName => (place.startsWith('front') ? 'front' : 'rear')
/** The coil spring of a corner, where it stands on one. */
export const coilOf = (side: SideSetup | undefined): SpringPart | null =>
  side?.spring?.kind === 'coil' ? side.spring : null
/** The leaf spring of a corner, where its axle stands on leaves. */
export const leafOf = (side: SideSetup | undefined): LeafPart | null =>
  side?.spring?.kind === 'leaf' ? side.spring : null
/** The air spring of a wheel, where it stands on one. */
export const airOf = (side: SideSetup | undefined): AirSpringPart | null =>
  side?.spring?.kind === 'air' ? side.spring : null
/** The torsion bar of a corner, where it stands on one. */
export const barOf = (side: SideSetup | undefined): TorsionBarPart | null =>
  side?.spring?.kind === 'torsion bar' ? side.spring : null
export const mirrorOf = (place: Place): Place =>
  (place.endsWith('left') ? place.replace('left', 'right') : place.replace('right', 'left')) as Place

let unpaired = (): void => undefined
/** What to do when this device is not paired: over the workshop's network a code is asked for first. */
export const whenUnpaired = (then: () => void): void => void (unpaired = then)
export const api = createClient<paths>({
  baseUrl: window.location.origin,
  bodySerializer: packed,
  fetch: async (request) => {
    const answer = await exchanged(request, (r) => globalThis.fetch(r))
    if (answer.status === 401 && !window.location.pathname.startsWith('/pair')) unpaired()
    return answer
  },
})

/** Whether nobody answered at all: what was asked was not refused. */
export const isAway = (error: unknown): boolean => !(error as { error?: unknown } | undefined)?.error
/** The sentence of an error answer, or a plain one when the server did not answer. */
export function messageOf(error: unknown): string {
  const body = error as { error?: { message?: string } } | undefined
  return body?.error?.message ?? 'Feder does not answer. What you typed is kept here; is it still running?'
}
