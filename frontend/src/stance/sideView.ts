/**
 * Side view of a vehicle from its own numbers, mm, x behind the front axle, y up from the floor.
 * A body kind is a row of shares: u runs along the body (-1 nose, 0 front axle, 1 rear axle, 2 tail), v up it
 * (0 sill, 1 roof), the third number is the fillet as a share of the roof height. Never a traced outline.
 */
export interface Measures {
  body: string
  wheelbase: number
  frontOverhang: number
  rearOverhang: number
  tyreRadius: number
  archGap: number
  roofHeight: number
}
type Command = (string | number)[]
interface Kind {
  sill: number
  top: [number, number, number][]
  glass: [number, number][]
  pillars: [number, number][]
  doors: [number, number][]
}
const KINDS: Record<string, Kind> = {
  hatchback: {
    sill: 0.66,
    top: [
      [-1, 0.16, 0.03],
      [-0.97, 0.44, 0.1],
      [0.11, 0.585, 0.16],
      [0.46, 1, 0.26],
      [1.1, 0.975, 0.2],
      [1.78, 0.6, 0.09],
      [1.95, 0.5, 0.05],
      [2, 0.14, 0.04],
    ],
    glass: [
      [0.205, 0.615],
      [0.485, 0.93],
      [1.08, 0.91],
      [1.52, 0.645],
    ],
    pillars: [[0.78, 0.78]],
    doors: [
      [0.205, 0],
      [0.78, 0],
    ],
  },
  saloon: {
    sill: 0.64,
    top: [
      [-1, 0.16, 0.03],
      [-0.97, 0.46, 0.1],
      [0.15, 0.6, 0.16],
      [0.46, 1, 0.24],
      [0.88, 0.99, 0.26],
      [1.36, 0.645, 0.16],
      [1.95, 0.6, 0.07],
      [2, 0.14, 0.04],
    ],
    glass: [
      [0.245, 0.63],
      [0.485, 0.93],
      [0.86, 0.92],
      [1.17, 0.67],
    ],
    pillars: [[0.66, 0.67]],
    doors: [
      [0.245, 0],
      [0.66, 0],
      [1, 0],
    ],
  },
  estate: {
    sill: 0.64,
    top: [
      [-1, 0.16, 0.03],
      [-0.97, 0.46, 0.1],
      [0.13, 0.6, 0.16],
      [0.42, 1, 0.24],
      [1.66, 0.965, 0.1],
      [1.92, 0.58, 0.05],
      [1.97, 0.5, 0.04],
      [2, 0.14, 0.04],
    ],
    glass: [
      [0.225, 0.63],
      [0.445, 0.93],
      [1.56, 0.905],
      [1.74, 0.655],
    ],
    pillars: [
      [0.62, 0.62],
      [1.04, 1.04],
    ],
    doors: [
      [0.225, 0],
      [0.62, 0],
      [1.04, 0],
    ],
  },
  '4x4': {
    sill: 0.98,
    top: [
      [-1, 0.16, 0.02],
      [-0.99, 0.52, 0.05],
      [0.17, 0.6, 0.06],
      [0.36, 1, 0.08],
      [1.72, 0.985, 0.06],
      [1.95, 0.55, 0.04],
      [1.98, 0.5, 0.03],
      [2, 0.12, 0.03],
    ],
    glass: [
      [0.275, 0.63],
      [0.395, 0.92],
      [1.62, 0.91],
      [1.74, 0.64],
    ],
    pillars: [
      [0.66, 0.66],
      [1.06, 1.06],
    ],
    doors: [
      [0.275, 0],
      [0.66, 0],
      [1.06, 0],
    ],
  },
  'pick-up': {
    sill: 1.0,
    top: [
      [-1, 0.14, 0.02],
      [-0.99, 0.5, 0.06],
      [0.14, 0.58, 0.07],
      [0.3, 1, 0.1],
      [0.72, 0.99, 0.07],
      [0.79, 0.56, 0.03],
      [1.97, 0.54, 0.03],
      [2, 0.12, 0.02],
    ],
    glass: [
      [0.205, 0.61],
      [0.335, 0.92],
      [0.69, 0.915],
      [0.735, 0.61],
    ],
    pillars: [[0.47, 0.47]],
    doors: [
      [0.205, 0],
      [0.47, 0],
      [0.79, 0.5],
    ],
  },
  van: {
    sill: 0.72,
    top: [
      [-1, 0.1, 0.02],
      [-0.98, 0.32, 0.06],
      [-0.36, 0.44, 0.1],
      [0.22, 0.955, 0.22],
      [0.44, 1, 0.2],
      [1.9, 0.99, 0.05],
      [1.99, 0.5, 0.05],
      [2, 0.08, 0.03],
    ],
    glass: [
      [-0.04, 0.52],
      [0.205, 0.84],
      [0.47, 0.84],
      [0.47, 0.5],
    ],
    pillars: [],
    doors: [
      [0.17, 0],
      [0.47, 0],
      [0.5, 0.93],
      [0.98, 0.93],
    ],
  },
}

export interface SideShape {
  body: Command[]
  glass: Command[]
  lines: Command[]
}

export function sideView(m: Measures): SideShape {
  const kind = KINDS[m.body] ?? KINDS.hatchback!
  const sill = kind.sill * m.tyreRadius
  const arch = m.tyreRadius + m.archGap
  const at = (u: number, v: number): [number, number] => [
    u < 0 ? u * m.frontOverhang : u <= 1 ? u * m.wheelbase : m.wheelbase + (u - 1) * m.rearOverhang,
    sill + v * (m.roofHeight - sill),
  ]
  const foot = sill + 0.03 * m.roofHeight // the valances hang a little higher than the sill
  const half = (y: number): number => Math.sqrt(Math.max(1, arch ** 2 - (y - m.tyreRadius) ** 2))
  const low = 0.05 * m.roofHeight
  const top = kind.top.map(([u, v, f]) => [...at(u, v), f * m.roofHeight] as [number, number, number])
  const ring = rounded(
    [[top[0]![0] * 0.93, foot, low], ...top, [m.wheelbase + m.rearOverhang * 0.93, foot, low]],
    false,
  )
  const body: Command[] = [
    ['M', -half(foot), foot],
    ['L', ...ring[0]!.slice(1)],
    ...ring.slice(1),
    ['L', m.wheelbase + half(foot), foot],
    ['A', arch, m.wheelbase - half(sill), sill],
    ['L', half(sill), sill],
    ['A', arch, -half(foot), foot],
    ['Z'],
  ]
  const pane = kind.glass.map(([u, v]) => at(u, v))
  const glass = rounded(
    pane.map(([x, y]) => [x, y, 0.035 * m.roofHeight]),
    true,
  )
  const belt = (x: number): number => between(pane[0]!, pane.at(-1)!, x)
  const head = (x: number): number => between(pane[1]!, pane[2]!, x)
  const lines: Command[] = []
  for (const [lo, hi] of kind.pillars) {
    const a = at(lo, 0)[0]
    const b = at(hi, 0)[0]
    lines.push(['M', a, belt(a)], ['L', b, head(b)])
  }
  const step = sill + 0.03 * (m.roofHeight - sill)
  const over = arch * 1.05
  for (const [u, v] of kind.doors) {
    const x = at(u, 0)[0]
    const dx = Math.abs(x - m.wheelbase)
    lines.push(
      ['M', x, v ? at(u, v)[1] : belt(x)],
      ['L', x, dx < over ? m.tyreRadius + Math.sqrt(over ** 2 - dx ** 2) : step],
    )
  }
  const first = at(kind.doors[0]![0], 0)[0]
  const last = Math.min(
    at(kind.doors.at(-1)![0], 0)[0],
    m.wheelbase - Math.sqrt(over ** 2 - (m.tyreRadius - step) ** 2),
  )
  lines.push(['M', first, step], ['L', last, step])
  return { body, glass, lines }
}

const between = (a: [number, number], b: [number, number], x: number): number =>
  a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])

/** Corners with fillets as straight lines and quadratic corners; a fillet takes at most half an edge. */
function rounded(points: [number, number, number][], closed: boolean): Command[] {
  const n = points.length
  const out: Command[] = []
  points.forEach(([x, y, f], i) => {
    if (!closed && (i === 0 || i === n - 1)) {
      out.push([out.length ? 'L' : 'M', x, y])
      return
    }
    const [ax, ay] = points[(i + n - 1) % n]!
    const [bx, by] = points[(i + 1) % n]!
    const la = Math.hypot(ax - x, ay - y)
    const lb = Math.hypot(bx - x, by - y)
    const p = Math.min(f, la / 2)
    const q = Math.min(f, lb / 2)
    out.push(
      [out.length ? 'L' : 'M', x + ((ax - x) * p) / la, y + ((ay - y) * p) / la],
      ['Q', x, y, x + ((bx - x) * q) / lb, y + ((by - y) * q) / lb],
    )
  })
  return closed ? [...out, ['Z']] : out
}

/** Commands as an SVG path; `place` turns mm into pixels. */
export function draw(commands: Command[], place: (x: number, y: number) => [number, number]): string {
  const [x0] = place(0, 0)
  const [x1] = place(1, 0)
  const scale = Math.abs(x1 - x0)
  return commands
    .map(([c, ...a]) => {
      const numbers = a as number[]
      const start = c === 'A' ? 1 : 0
      const points: string[] = []
      for (let i = start; i + 1 < numbers.length; i += 2)
        points.push(
          place(numbers[i]!, numbers[i + 1]!)
            .map((v) => v.toFixed(2))
            .join(' '),
        )
      const arc =
        c === 'A'
          ? `${(numbers[0]! * scale).toFixed(2)} ${(numbers[0]! * scale).toFixed(2)} 0 1 ${x1 < x0 ? 1 : 0} `
          : ''
      return `${c}${arc}${points.join(' ')}`
    })
    .join('')
}
