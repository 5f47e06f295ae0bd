/**
 * Side view of a motorcycle or bicycle from its own numbers, mm, x behind the front axle, y up from the floor.
 * A body is rows of shares: u along the wheelbase (past 1: share of the rear overhang), v of the height; never traced.
 */
export interface CycleMeasures {
  body: string
  wheelbase: number
  rearOverhang: number
  tyreRadius: number
  height: number
  /** From the vertical, rad. */
  rake: number
}
type Point = [number, number]
export interface CycleShape {
  /** Closed silhouette, its corners with fillets in mm. */
  body: [number, number, number][]
  /** Lines within the body or the frame. */
  lines: Point[][]
  /** Where the fork is clamped, and the end of the handlebar. */
  clamp: Point
  bar: Point
  /** Pivot of the rear arm, and the two ends of the spring. */
  pivot: Point
  spring: [Point, Point]
  seat: Point
  peg: Point
}
const MOTORCYCLE: [number, number, number][] = [
  [0.2, 0.86, 0.03],
  [0.34, 0.93, 0.07],
  [0.5, 0.86, 0.06],
  [0.62, 0.745, 0.06],
  [0.86, 0.775, 0.04],
  [1.62, 0.86, 0.03],
  [1.55, 0.8, 0.02],
  [0.93, 0.69, 0.05],
  [0.73, 0.63, 0.04],
  [0.63, 0.42, 0.05],
  [0.61, 0.255, 0.06],
  [0.34, 0.235, 0.08],
  [0.225, 0.34, 0.05],
  [0.19, 0.6, 0.06],
]

export function cycleShape(m: CycleMeasures): CycleShape {
  const at = (u: number, v: number): Point => [
    u <= 1 ? u * m.wheelbase : m.wheelbase + (u - 1) * m.rearOverhang,
    v * m.height,
  ]
  const along = (v: number): Point => [Math.tan(m.rake) * (v * m.height - m.tyreRadius), v * m.height]
  if (m.body === 'bicycle') {
    const [head, low] = [along(0.83), along(0.7)]
    const bracket: Point = [0.415 * m.wheelbase, 0.9 * m.tyreRadius]
    const [top, seat]: Point[] = [
      [0.59 * m.wheelbase, 0.73 * m.height],
      [0.63 * m.wheelbase, 0.9 * m.height],
    ] as [Point, Point]
    return {
      body: [],
      clamp: head,
      bar: [head[0] - 0.04 * m.wheelbase, 0.9 * m.height],
      pivot: [bracket[0] + 15, bracket[1] + 55],
      seat,
      peg: bracket,
      spring: [
        [0.38 * m.wheelbase, 0.5 * m.height],
        [0.51 * m.wheelbase, 0.44 * m.height],
      ],
      lines: [
        [head, low, bracket, top, low],
        [bracket, [(bracket[0] + top[0]) / 2, (bracket[1] + top[1]) / 2], seat],
        [
          [seat[0] - 130, seat[1]],
          [seat[0] + 120, seat[1] + 14],
        ],
      ],
    }
  }
  const clamp = along(0.88)
  return {
    body: MOTORCYCLE.map(([u, v, f]) => [...at(u, v), f * m.height] as [number, number, number]),
    lines: [
      [at(0.22, 0.8), at(0.61, 0.4), at(0.66, 0.68)],
      [at(0.22, 0.8), at(0.66, 0.7), at(1.1, 0.78)],
      [at(0.26, 0.52), at(0.48, 0.5), at(0.5, 0.3)],
    ],
    clamp,
    bar: [clamp[0] + 0.13 * m.wheelbase, 0.97 * m.height],
    pivot: at(0.61, 0.37),
    spring: [at(0.71, 0.6), at(0.76, 0.4)],
    seat: at(0.64, 0.76),
    peg: at(0.58, 0.3),
  }
}

/** A closed outline with rounded corners, as SVG commands; `place` turns mm into pixels. */
export function rounded(points: [number, number, number][], place: (x: number, y: number) => Point): string {
  const n = points.length
  return (
    points
      .map(([x, y, f], i) => {
        const [ax, ay] = points[(i + n - 1) % n]!
        const [bx, by] = points[(i + 1) % n]!
        const [la, lb] = [Math.hypot(ax - x, ay - y), Math.hypot(bx - x, by - y)]
        const [p, q] = [Math.min(f, la / 2), Math.min(f, lb / 2)]
        const say = (px: number, py: number): string =>
          place(px, py)
            .map((v) => v.toFixed(1))
            .join(' ')
        return `${i ? 'L' : 'M'}${say(x + ((ax - x) * p) / la, y + ((ay - y) * p) / la)}Q${say(x, y)} ${say(x + ((bx - x) * q) / lb, y + ((by - y) * q) / lb)}`
      })
      .join('') + (n ? 'Z' : '')
  )
}

/** A coil between two points, as a zigzag. */
export function coil(from: Point, to: Point, turns: number, width: number): string {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const length = Math.hypot(dx, dy) || 1
  const [nx, ny] = [(-dy / length) * width, (dx / length) * width]
  const out = [`M${from[0].toFixed(1)} ${from[1].toFixed(1)}`]
  for (let i = 0; i < turns * 2; i++) {
    const t = (i + 0.5) / (turns * 2)
    const side = i % 2 ? 1 : -1
    out.push(`L${(from[0] + dx * t + nx * side).toFixed(1)} ${(from[1] + dy * t + ny * side).toFixed(1)}`)
  }
  return `${out.join('')}L${to[0].toFixed(1)} ${to[1].toFixed(1)}`
}
