import type { ChangedRow } from '@/api/client'
import type { Units } from '@/composables/useUnits'

/** What was changed, as a hand would write it: "rear bump clicks from shut 11 → 9"; left and right apart where they differ. */
export interface Told {
  words: string
  before: string
  after: string
  group: ChangedRow['group']
}

export function told(row: ChangedRow, units: Units): Told {
  const one = (v: number | null): string =>
    v === null
      ? 'untold'
      : row.unit === ''
        ? String(Math.round(v))
        : units.show(v, row.unit!, row.fine ? { kind: 'fine length' } : row.unit === 'rad' ? { decimals: 1 } : {})
  const many = (values: (number | null)[] | undefined): string => (values ?? []).map(one).join(' / ')
  const unit = row.unit ? ` ${units.unit(row.unit, row.fine ? 'fine length' : undefined).written}` : ''
  if (row.after_text || row.before_text)
    return { words: row.words, before: row.before_text || 'none', after: row.after_text || 'none', group: row.group }
  return { words: row.words, before: many(row.before), after: many(row.after) + unit, group: row.group }
}
export const inWords = (row: ChangedRow, units: Units): string => {
  const t = told(row, units)
  return `${t.words} ${t.before} to ${t.after}`
}
export const FELT = ['much better', 'better', 'no difference', 'worse', 'much worse'] as const
export type Felt = (typeof FELT)[number]
