import type { Filters } from '@/api/client'

/** Readings of a spring pressed on a bench, as pasted or from a CSV file: deflection and force, one pair a line. */
export interface BenchReading {
  pairs: [number, number][]
  /** Lines that are not two numbers; the heading line is not counted. */
  wrong: string[]
}

/** Pairs in SI. `length` and `force` are the SI sizes of the units in which bare numbers are read. */
export function readBench(text: string, length: number, force: number): BenchReading {
  const out: BenchReading = { pairs: [], wrong: [] }
  text.split(/\r?\n/).forEach((line, index) => {
    if (!line.trim()) return
    // a decimal comma is one only where columns are parted by something else
    const apart = /[;\t]/.test(line) ? line.split(/[;\t]/).map((c) => c.replace(',', '.')) : line.split(/\s*,\s*|\s+/)
    const cells = apart.map((c) => c.trim()).filter(Boolean)
    const numbers = cells.map(Number)
    if (cells.length === 2 && numbers.every((n) => Number.isFinite(n)))
      out.pairs.push([numbers[0]! * length, numbers[1]! * force])
    else if (index > 0 || cells.some((c) => Number.isFinite(Number(c)))) out.wrong.push(line.trim())
  })
  return out
}

/** The shelf as it is, nothing narrowed. */
export const noFilters = (): Filters => ({
  rate_low: null,
  rate_high: null,
  length_low: null,
  length_high: null,
  inside_low: null,
  inside_high: null,
})
