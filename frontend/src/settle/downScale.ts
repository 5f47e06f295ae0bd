/** What the four scales of set down share: millimetres on the screen, and where each begins. */
export interface ScaleRow {
  read: number | null | undefined
  wanted: number | null | undefined
  low?: number
  high?: number
}
export interface Scale {
  /** Value at the middle, and half of what is shown, m. */
  middle: number
  half: number
  y: (value: number) => number
  ticks: { y: number; value: number; major: boolean }[]
}

const STEPS = [0.001, 0.002, 0.005, 0.01, 0.02, 0.05]

/** One scale for some corners: the same distance on all, wide enough for all that is shown. */
export function scaleOf(rows: ScaleRow[], half: number, height: number): Scale | null {
  const values = rows.flatMap((r) => [r.read, r.wanted, r.low, r.high]).filter((v): v is number => v != null)
  if (!values.length) return null
  const middle = (Math.min(...values) + Math.max(...values)) / 2
  const y = (v: number): number => height / 2 - ((v - middle) / half) * (height / 2 - 6)
  const step = STEPS.find((s) => (2 * half) / s <= 9) ?? STEPS.at(-1)!
  const small = STEPS.find((s) => (2 * half) / s <= 22) ?? step
  const ticks = []
  for (let n = Math.ceil((middle - half) / small); n * small <= middle + half + 1e-9; n++) {
    const value = n * small
    ticks.push({ y: y(value), value, major: Math.abs(value / step - Math.round(value / step)) < 1e-6 })
  }
  return { middle, half, y, ticks }
}

/** Half of what a scale must show for the widest of some groups. */
export function halfOf(groups: ScaleRow[][]): number {
  const spans = groups.map((rows) => {
    const values = rows.flatMap((r) => [r.read, r.wanted, r.low, r.high]).filter((v): v is number => v != null)
    return values.length ? Math.max(...values) - Math.min(...values) : 0
  })
  return Math.max(0.005, Math.max(...spans, 0) / 2 + 0.002)
}
