import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'

/** Index of the last of rising values that is not beyond `wanted`. */
export function indexAt(values: number[], wanted: number): number {
  let [low, high] = [0, values.length - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (values[middle]! <= wanted) low = middle
    else high = middle - 1
  }
  return Math.max(0, low)
}

/** A trace as a path. */
export function traceOf(x: number[], y: number[], atX: (v: number) => number, atY: (v: number) => number): string {
  return (
    line<number>()
      .x((_, i) => Math.round(atX(x[i]!) * 10) / 10)
      .y((v) => Math.round(atY(v) * 10) / 10)(y) ?? ''
  )
}

/** The same trace, filled down to a floor. */
export const groundOf = (path: string, from: number, to: number, floor: number): string =>
  path ? `${path}L${to} ${floor}L${from} ${floor}Z` : ''

/** A span about nothing that holds all traces, the same way up and down, in round steps. */
export function spanOf(traces: number[][], least: number): number {
  const most = traces.reduce((m, t) => t.reduce((n, v) => Math.max(n, Math.abs(v)), m), least)
  return scaleLinear().domain([0, most]).nice(3).domain()[1]!
}

/** Round distances along an axis. */
export const ticksOf = (length: number, count = 8): number[] => scaleLinear().domain([0, length]).ticks(count)
