import type { Document } from '@/api/client'
import { type Path } from '@/logic/patch'

export type LoadState = NonNullable<Document['loads']>[number]
export type LoadItem = NonNullable<LoadState['items']>[number]
export interface Change {
  path: Path
  value: unknown
}

/** A name and an id that no load state has yet. */
export function freshState(document: Document): LoadState {
  const taken = new Set((document.loads ?? []).map((l) => l.id))
  let n = 1
  while (taken.has(`load-${n}`)) n += 1
  return { id: `load-${n}`, name: n === 1 ? 'loaded' : `load ${n}`, items: [] }
}

export const statesWith = (document: Document, change: (states: LoadState[]) => LoadState[]): Change[] => [
  { path: ['loads'], value: change([...(document.loads ?? [])]) },
]

/** One member of one thing carried; a place is kept to whole centimetres when dragged. */
export function itemSet(document: Document, state: number, item: number, values: Partial<LoadItem>): Change[] {
  return statesWith(document, (states) =>
    states.map((s, i) =>
      i === state ? { ...s, items: (s.items ?? []).map((it, k) => (k === item ? { ...it, ...values } : it)) } : s,
    ),
  )
}

/** What a setup gives away or gains, in the words of the bench. */
export const overBy = (mass: number | null | undefined, limit: number | null | undefined): number | null =>
  mass == null || limit == null || mass <= limit ? null : mass - limit

/** Scale of the drawing from above: mm of the vehicle to the width of the drawing, nose left. */
export interface AboveScale {
  x: (m: number) => number
  y: (m: number) => number
  scale: number
  width: number
  height: number
}
export function aboveScale(wheelbase: number, front: number, rear: number, track: number, width: number): AboveScale {
  const length = wheelbase + front + rear
  const scale = width / length
  const half = track / 2 + 0.16
  return { scale, width, height: 2 * half * scale, x: (m) => (m + front) * scale, y: (m) => (half - m) * scale }
}
