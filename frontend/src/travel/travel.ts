import type { StopBench } from '@/api/client'

/** Where a stop of a length stands on the drawing: the bench's own cuts, read off straight between two of them. */
export function cutAt(bench: StopBench, length: number): { touch: number; hard: number } {
  const cuts = bench.cuts ?? []
  const after = cuts.findIndex((c) => c.length <= length)
  const [a, b] = after <= 0 ? [cuts[Math.max(0, after)], undefined] : [cuts[after - 1], cuts[after]]
  if (!a) return { touch: 0, hard: 0 }
  if (!b) return { touch: a.touch, hard: a.hard }
  const share = (a.length - length) / (a.length - b.length)
  return { touch: a.touch + share * (b.touch - a.touch), hard: a.hard + share * (b.hard - a.hard) }
}

/** The length whose lower end lies at a wheel travel on the drawing, in half millimetres and within what there is. */
export function lengthAt(bench: StopBench, travel: number): number {
  const cuts = bench.cuts ?? []
  const after = cuts.findIndex((c) => c.touch >= travel)
  const [a, b] =
    after < 0 ? [cuts.at(-1), undefined] : after === 0 ? [cuts[0], undefined] : [cuts[after - 1], cuts[after]]
  if (!a) return bench.length
  const share = b && b.touch !== a.touch ? (travel - a.touch) / (b.touch - a.touch) : 0
  const length = a.length + share * ((b?.length ?? a.length) - a.length)
  return Math.min(bench.supplied, Math.round(length * 2000) / 2000)
}

/** Outline of a stop between two heights of the drawing: three bellies, wider where it is squeezed less. */
export function stopOutline(x: number, top: number, bottom: number, half: number): string {
  const belly = (bottom - top) / 3
  const side = (s: 1 | -1): string => {
    let d = ''
    for (let i = 0; i < 3; i++) d += `q${s * 9} ${(s * belly) / 2} 0 ${s * belly}`
    return d
  }
  return `M${x + half} ${top}${side(1)}H${x - half}${side(-1)}Z`
}
