import type { Document, EndName, Reading } from '@/api/client'
import { meanOf, valuesAt, type WalkRow } from '@/logic/walk'
import { boundsOf } from '@/units/read'

/** The sag walk: twelve readings, wheel hanging free, bike alone, rider on; each lifted and pressed, front and rear. */
export const STATES = ['extended', 'bike', 'rider'] as const
export type State = (typeof STATES)[number]
export const PULLS = ['lifted', 'pressed'] as const
export type Pull = (typeof PULLS)[number]
export const ENDS: EndName[] = ['front', 'rear']

export interface SagStep {
  state: State
  place: EndName
  pull: Pull
  row: WalkRow
}
export const STATE_WORDS: Record<State, string> = { extended: 'extended', bike: 'bike alone', rider: 'rider on' }
export const pullWords = (state: State, pull: Pull): string =>
  state === 'extended' ? (pull === 'lifted' ? 'hanging' : 'pulled') : pull
const row = (state: State, pull: Pull): WalkRow => ({
  id: `${state}_${pull}`,
  words: `${STATE_WORDS[state]}, ${pullWords(state, pull)}`,
  says: '',
  of: 'Reading.height',
  ...boundsOf('Reading.height'),
  quantity: `${state}_${pull}` as Reading['quantity'],
  how: 'tape',
})
export const STEPS: SagStep[] = STATES.flatMap((state) =>
  ENDS.flatMap((place) => PULLS.map((pull) => ({ state, place, pull, row: row(state, pull) }))),
)
export const stepAt = (state: State, place: EndName, pull: Pull): SagStep =>
  STEPS.find((s) => s.state === state && s.place === place && s.pull === pull)!
export const readAt = (document: Document, step: SagStep, setup?: string): number | null =>
  meanOf(valuesAt(document, step, setup))
export const readCount = (document: Document): number => STEPS.filter((s) => readAt(document, s) !== null).length
export const firstUnread = (document: Document): number =>
  Math.max(
    0,
    STEPS.findIndex((s) => readAt(document, s) === null),
  )

/** What the hand does for one reading, in order. */
export function handWork(step: SagStep): string[] {
  const where = step.place === 'front' ? 'bars' : 'tail'
  if (step.state === 'extended')
    return step.pull === 'lifted'
      ? ['Wheel off the floor.', 'Let it hang.', 'Read.']
      : ['Wheel off the floor.', 'Pull it down.', 'Read.']
  return step.pull === 'lifted'
    ? [`Lift the ${where}.`, 'Let it down slowly.', 'Read.']
    : [`Press the ${where}.`, 'Let it rise slowly.', 'Read.']
}
