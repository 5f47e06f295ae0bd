import type { EndReport } from '@/api/client'

/** The frequency strip as a slide rule: one logarithmic scale of frequency, a scale of spring rate for each end. */
export interface StripScale {
  low: number
  high: number
  left: number
  right: number
}
export const xOf = (scale: StripScale, frequency: number): number =>
  scale.left + (Math.log(frequency / scale.low) / Math.log(scale.high / scale.low)) * (scale.right - scale.left)
export const frequencyAt = (scale: StripScale, x: number): number =>
  scale.low * Math.pow(scale.high / scale.low, (x - scale.left) / (scale.right - scale.left))

/** A range of frequencies that holds everything shown, with room at both sides. */
export function rangeFor(values: number[]): { low: number; high: number } {
  const known = values.filter((v) => Number.isFinite(v) && v > 0)
  if (!known.length) return { low: 1, high: 3 }
  const low = Math.min(...known) * 0.93
  const high = Math.max(...known) * 1.1
  const least = 1.75
  const middle = Math.sqrt(low * high)
  return high / low < least ? { low: middle / Math.sqrt(least), high: middle * Math.sqrt(least) } : { low, high }
}

type Points = EndReport['strip']

/** Between the points the server gave, on logarithms (a plain square law is exact). */
function between(
  points: NonNullable<Points>,
  value: number,
  from: 'spring_rate' | 'frequency',
  to: 'spring_rate' | 'frequency',
): number | null {
  if (points.length < 2) return null
  let i = points.findIndex((p) => p[from] >= value)
  if (i < 0) i = points.length - 1
  i = Math.max(1, i)
  const [a, b] = [points[i - 1]!, points[i]!]
  const t = Math.log(value / a[from]) / Math.log(b[from] / a[from])
  return a[to] * Math.pow(b[to] / a[to], t)
}
export const frequencyOfRate = (points: Points, rate: number): number | null =>
  points ? between(points, rate, 'spring_rate', 'frequency') : null
export const rateOfFrequency = (points: Points, frequency: number): number | null =>
  points ? between(points, frequency, 'frequency', 'spring_rate') : null

/** Round steps that leave at least `least` pixels between labelled ticks. */
export function tickStep(span: number, pixels: number, least = 46): number {
  const raw = (span / pixels) * least
  const power = Math.pow(10, Math.floor(Math.log10(raw)))
  return [1, 2, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? 10 * power
}
export interface Tick {
  value: number
  x: number
  label: string
}
/** Ticks of a scale in the user's unit; labels only where they have room. */
export function ticks(
  low: number,
  high: number,
  place: (value: number) => number | null,
  pixels: number,
  decimals?: number,
): Tick[] {
  const step = tickStep(high - low, pixels)
  const fine = step / 5
  const out: Tick[] = []
  let lastLabel = -Infinity
  for (let n = Math.ceil(low / fine - 1e-9); n * fine <= high * (1 + 1e-9); n++) {
    const value = n * fine
    const x = place(value)
    if (x === null || value <= 0) continue
    const labelled = n % 5 === 0 && x - lastLabel > 34
    if (labelled) lastLabel = x
    out.push({
      value,
      x,
      label: labelled ? value.toFixed(decimals ?? (step < 1 ? Math.ceil(-Math.log10(step)) : 0)) : '',
    })
  }
  return out
}
