import type { CornerReport } from '@/api/client'

/** What a travel ladder draws, in mm of wheel travel from ride, bump positive. */
export interface LadderMarks {
  droop: number | null
  stop: number | null
  hard?: number | null
  solid: number | null
  contact: number | null
  bind: number | null
  loose: number | null
  /** The letter of the one that comes first, by the report. */
  first?: 'T' | 'S' | 'B' | 'H' | null
  /** Which of them rest on an estimate. */
  estimated?: string[]
}
/** Limits of travel by their names in the report. */
export type Limit = (typeof LIMITS)[number]
const LIMITS = ['droop', 'stop', 'hard', 'solid', 'contact', 'bind', 'loose'] as const
export const marksOf = (corner: CornerReport | undefined): LadderMarks => {
  const mm = (f: { value: number } | null | undefined): number | null => (f ? f.value * 1000 : null)
  return {
    droop: mm(corner?.droop),
    stop: mm(corner?.stop),
    hard: mm(corner?.hard),
    solid: mm(corner?.solid),
    contact: mm(corner?.contact),
    bind: mm(corner?.bind),
    loose: mm(corner?.loose),
    first: corner?.first_limit ?? null,
    estimated: LIMITS.filter((name) => corner?.[name]?.assumed),
  }
}

export interface LimitTag {
  letter: 'T' | 'S' | 'B' | 'H' | 'D' | 'L'
  at: number
  first: boolean
  kind: 'plain' | 'stop' | 'look' | 'late'
}

/** The limits in bump, the one that comes first marked, later ones drawn lightly. Bind is shown only where it matters. */
export function bumpTags(marks: LadderMarks): LimitTag[] {
  const known = [
    { letter: 'H' as const, at: marks.hard ?? null },
    { letter: 'S' as const, at: marks.solid },
    { letter: 'T' as const, at: marks.contact },
    { letter: 'B' as const, at: marks.bind },
  ].filter((t): t is { letter: 'S' | 'T' | 'B' | 'H'; at: number } => t.at !== null)
  const { first } = marks
  return known
    .filter((t) => t.letter !== 'B' || first === 'B' || known.length === 1)
    .map((t) => ({
      ...t,
      first: t.letter === first,
      kind: t.letter !== first ? 'late' : t.letter === 'B' ? 'stop' : 'plain',
    }))
}

/** How a ladder is divided in a unit: mm of travel from label to label, from rung to rung, and how a travel is written. */
export interface Division {
  label: number
  rung: number
  write: (mm: number) => string
}
export function divisionFor(unit: string, factor: number): Division {
  const inches = unit === 'in'
  const write = (mm: number): string => {
    const value = (Math.abs(mm) / 1000 / factor).toFixed(inches ? 2 : 0)
    return mm < 0 && Number(value) !== 0 ? `−${value}` : value
  }
  return inches ? { label: 25.4, rung: 12.7, write } : { label: 20, rung: 10, write }
}

/** One scale for all ladders: the range in mm that holds every mark, in whole divisions. */
export function commonRange(all: LadderMarks[], rung = 20): { top: number; bottom: number } {
  const bump = all.flatMap((m) => [m.hard ?? null, m.solid, m.contact]).filter((v): v is number => v !== null)
  const droop = all.flatMap((m) => [m.droop]).filter((v): v is number => v !== null)
  const top = Math.ceil((Math.max(40, ...bump) + 6) / rung) * rung
  const bottom = Math.floor((Math.min(-40, ...droop) - 6) / rung) * rung
  return { top: Math.min(top, 300), bottom: Math.max(bottom, -400) }
}

/** Places for labels so that none covers another: `wanted` in pixels, kept in order, `room` apart. */
export function spread(wanted: number[], room: number): number[] {
  const order = wanted.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y)
  for (let pass = 0; pass < 8; pass++) {
    for (let k = 1; k < order.length; k++) {
      const gap = order[k]!.y - order[k - 1]!.y
      if (gap < room) {
        order[k - 1]!.y -= (room - gap) / 2
        order[k]!.y += (room - gap) / 2
      }
    }
  }
  const placed = [...wanted]
  for (const { y, i } of order) placed[i] = y
  return placed
}
