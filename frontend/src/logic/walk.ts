import type { Bounce, Document, Place, Reading, SideSetup } from '@/api/client'
import type { Path } from '@/logic/patch'
import { type Bounds, boundsOf } from '@/units/read'

/** The walk round the vehicle, in the order of the printed page. */
export const WALK: Place[] = ['front_left', 'rear_left', 'rear_right', 'front_right']

export interface WalkRow extends Bounds {
  id: string
  words: string
  says: string
  /** The field's name: it says unit and bounds. */
  of: string
  kind?: 'fine length'
  /** Quantity of the survey, or member of the corner as found. */
  quantity?: Reading['quantity']
  /** Member of a torsion bar's arm. */
  arm?: 'length' | 'angle' | 'chassis'
  member?: 'tyre_pressure' | 'collar' | 'rebound' | 'bump' | 'camber' | 'toe'
  how?: Reading['how']
}
const SHEET: Omit<WalkRow, keyof Bounds>[] = [
  {
    id: 'mass',
    words: 'weight',
    says: 'Scale under the wheel, all four level with one another.',
    of: 'Survey.mass',
    quantity: 'mass',
    how: 'scales',
  },
  {
    id: 'hub',
    words: 'hub to arch',
    says: 'From the wheel centre straight up to the lower edge of the lip; the tyre does not count.',
    of: 'Survey.hub_to_arch',
    quantity: 'hub_to_arch',
    how: 'tape',
  },
  {
    id: 'floor',
    words: 'floor to arch',
    says: 'From the floor, straight up through the hub, to the lower edge of the lip.',
    of: 'Survey.floor_to_arch',
    quantity: 'floor_to_arch',
    how: 'tape',
  },
  {
    id: 'sill',
    words: 'sill off the floor',
    says: 'At the axle line or jacking notch; it gives the rake.',
    of: 'Survey.sill',
    quantity: 'sill',
    how: 'tape',
  },
  {
    id: 'arm-length',
    words: 'arm length',
    says: 'Torsion bar: from the bar’s axis to the wheel centre, at right angles to the axis.',
    of: 'TorsionArm.length',
    arm: 'length',
  },
  {
    id: 'chassis',
    words: 'level on the chassis',
    says: 'Torsion bar: what the level shows on the chassis; 0 when it was zeroed there.',
    of: 'TorsionArm.chassis',
    arm: 'chassis',
  },
  {
    id: 'arm',
    words: 'level along the arm',
    says: 'Torsion bar: the level the same way round as on the chassis; wheel end down is positive.',
    of: 'TorsionArm.angle',
    arm: 'angle',
  },
  {
    id: 'pressure',
    words: 'tyre pressure, cold',
    says: 'As found, before it is set.',
    of: 'SideSetup.tyre_pressure',
    member: 'tyre_pressure',
  },
  {
    id: 'collar',
    words: 'collar above its datum',
    says: 'From the bottom of the thread; leave empty on fixed perches.',
    of: 'SideSetup.collar',
    kind: 'fine length',
    member: 'collar',
  },
  {
    id: 'rebound',
    words: 'rebound clicks',
    says: 'Out from fully closed; turn gently, and put it back.',
    of: 'Clicks.count',
    member: 'rebound',
  },
  {
    id: 'bump',
    words: 'bump clicks',
    says: 'Out from fully closed; turn gently, and put it back.',
    of: 'Clicks.count',
    member: 'bump',
  },
  {
    id: 'camber',
    words: 'camber',
    says: 'Top of the wheel leaning in is negative.',
    of: 'SideSetup.camber',
    member: 'camber',
  },
  {
    id: 'toe',
    words: 'toe of this wheel',
    says: 'At the rim, half the total; in is positive.',
    of: 'SideSetup.toe',
    kind: 'fine length',
    member: 'toe',
  },
]
export const ROWS: WalkRow[] = SHEET.map((row) => ({ ...row, ...boundsOf(row.of) }))

export interface WalkStep {
  row: WalkRow
  place: Place
}
const onBar = (document: Document, place: Place): boolean =>
  document.vehicle.ends?.[place.startsWith('front') ? 'front' : 'rear']?.layout === 'torsion arm'
/** Whether a row is read at a corner: an arm has one length and one chassis, its bar no collar. */
function asked(document: Document, row: WalkRow, place: Place): boolean {
  if (row.arm) return onBar(document, place) && (row.arm === 'angle' || place.endsWith('left'))
  return row.member !== 'collar' || !onBar(document, place)
}
/** Every reading of the walk, in its order. */
export const stepsOf = (document: Document): WalkStep[] =>
  ROWS.flatMap((row) => WALK.filter((place) => asked(document, row, place)).map((place) => ({ row, place })))

const sideOf = (document: Document, place: Place): SideSetup => document.setups[0]!.sides![place]!
/** Where the newest survey with a setup on the wheels stands; none told: the one as found. -1 where there is none. */
export function surveyAt(document: Document, setup?: string): number {
  const surveys = document.surveys ?? []
  if (!setup || setup === document.setups[0]?.id) return surveys.length ? 0 : -1
  return surveys.findLastIndex((s) => s.setup === setup)
}
const readingsOf = (document: Document, step: WalkStep, setup?: string): Reading[] =>
  (document.surveys?.[surveyAt(document, setup)]?.readings ?? []).filter(
    (r) => r.place === step.place && r.quantity === step.row.quantity,
  )

/** Every value read at a step, as found or with a setup on the wheels: several are repeats. */
export function valuesAt(document: Document, step: WalkStep, setup?: string): number[] {
  if (step.row.quantity) return readingsOf(document, step, setup).map((r) => r.value)
  if (!step.row.member) return []
  const value = sideOf(document, step.place)[step.row.member!]
  if (value === null || value === undefined) return []
  return [typeof value === 'number' ? value : value.count]
}
/** The tolerance typed with a step's one reading. */
export function toleranceAt(document: Document, step: WalkStep): number | null {
  const found = readingsOf(document, step)
  return found.length === 1 ? (found[0]!.tolerance ?? null) : null
}
export const meanOf = (values: number[]): number | null =>
  values.length ? values.reduce((a, b) => a + b, 0) / values.length : null

/** The change that writes a value at a step: instead of what is there, or as one more reading. */
export function written(
  document: Document,
  step: WalkStep,
  value: number | null,
  again: boolean,
  setup?: string,
  tolerance: number | null = null,
): { path: Path; value: unknown }[] {
  const { row, place } = step
  if (row.quantity) {
    const at = surveyAt(document, setup)
    const all = document.surveys?.[at]?.readings ?? []
    const here = (r: Reading): boolean => r.place === place && r.quantity === row.quantity
    const others = again ? [...all] : all.filter((r) => !here(r))
    const made = {
      place,
      quantity: row.quantity,
      value: value!,
      how: row.how!,
      ...(tolerance === null ? {} : { tolerance }),
    }
    return inSurvey(document, { readings: value === null ? others : [...others, made] }, setup)
  }
  const now = sideOf(document, place)[row.member!]
  const made =
    value === null
      ? null
      : row.si !== ''
        ? value
        : { counted_from: 'fully closed', ...(typeof now === 'object' ? now : {}), count: Math.round(value) }
  return [{ path: ['setups', 0, 'sides', place, row.member!], value: made }]
}

/** What is read of the vehicle as it stands, put into the survey of the setup that stands on the wheels. */
export function inSurvey(
  document: Document,
  read: { readings: Reading[] } | { bounces: Bounce[] },
  setup?: string,
): { path: Path; value: unknown }[] {
  const at = surveyAt(document, setup)
  const [[member, value]] = Object.entries(read) as [[string, unknown]]
  if (at >= 0) return [{ path: ['surveys', at, member], value }]
  const [surveys, found] = [document.surveys ?? [], document.setups[0]!.id]
  const first = surveys.length ? surveys : [{ id: 'first', readings: [] }]
  if (!setup || setup === found) return [{ path: ['surveys'], value: [{ id: 'first', readings: [], ...read }] }]
  const taken = new Set(first.map((s) => s.id))
  let [id, n] = ['set-down', 1]
  while (taken.has(id)) id = `set-down-${(n += 1)}`
  return [{ path: ['surveys'], value: [...first, { id, setup, readings: [], ...read }] }]
}

/** The first step that has no value yet; the start when all are filled. */
export function firstEmpty(steps: WalkStep[], values: (step: WalkStep) => number[]): number {
  return Math.max(
    0,
    steps.findIndex((step) => !values(step).length),
  )
}
