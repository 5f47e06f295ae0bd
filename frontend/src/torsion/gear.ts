/** Shapes of a splined end seen from outside: true tooth counts, turned by true angles; clockwise is positive, as on screen. */

export interface Point {
  x: number
  y: number
}

/** Outline of a splined end with all its teeth, one tooth's middle straight up when `turn` is 0 rad. */
export function gearPath(at: Point, radius: number, teeth: number, turn = 0): string {
  const depth = Math.min(8, (radius * 2.2) / teeth)
  const points: string[] = []
  for (let k = 0; k < teeth; k++)
    for (const [share, r] of [
      [-0.32, radius - depth],
      [-0.16, radius],
      [0.16, radius],
      [0.32, radius - depth],
    ] as const) {
      const a = turn + ((k + share) * 2 * Math.PI) / teeth
      points.push(`${(at.x + r * Math.sin(a)).toFixed(1)} ${(at.y - r * Math.cos(a)).toFixed(1)}`)
    }
  return `M${points.join('L')}Z`
}

/** A point at an angle from straight up, clockwise. */
export const polar = (at: Point, radius: number, turn: number): Point => ({
  x: at.x + radius * Math.sin(turn),
  y: at.y - radius * Math.cos(turn),
})

/** An arc from one angle to another, clockwise positive, with the points of an arrow head at its end. */
export function arcArrow(at: Point, radius: number, from: number, to: number): { arc: string; head: string } {
  const way = to >= from ? 1 : -1
  const long = Math.abs(to - from) > Math.PI ? 1 : 0
  const back = to - (way * 13) / radius
  const [a, b] = [polar(at, radius, from), polar(at, radius, Math.abs(to - from) * radius > 14 ? back : from)]
  const tip = polar(at, radius, to)
  const [inner, outer] = [polar(at, radius - 9, back), polar(at, radius + 9, back)]
  const p = (q: Point): string => `${q.x.toFixed(1)} ${q.y.toFixed(1)}`
  return {
    arc: `M${p(a)}A${radius} ${radius} 0 ${long} ${way > 0 ? 1 : 0} ${p(b)}`,
    head: `M${p(tip)}L${p(inner)}L${p(outer)}Z`,
  }
}

/** Turn of each end on screen, rad; which sense lifts the body is the core's to say. */
export function turns(
  inner: number,
  outer: number,
  bench: { splines: number[] | null; lifts_clockwise: boolean },
): { bar: number; plate: number } {
  const sense = bench.lifts_clockwise ? 1 : -1
  const [n, o] = bench.splines ?? [1, 1]
  return { bar: (sense * inner * 2 * Math.PI) / n!, plate: (-sense * outer * 2 * Math.PI) / o! }
}

/** "4 splines clockwise" for one end; empty where it stays. */
export const turnWords = (count: number, turn: number): string =>
  count === 0
    ? 'stays as it is'
    : `${Math.abs(count)} ${Math.abs(count) === 1 ? 'spline' : 'splines'} ${turn > 0 ? 'clockwise' : 'anticlockwise'}`
