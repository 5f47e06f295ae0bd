import type { CornerReport, SideSetup } from '@/api/client'
import type { components } from '@/api/schema'

export type BumpStop = components['schemas']['BumpStop']

/** A corner's stop along the damper and at the wheel, m; places are wheel travel from ride, bump positive. */
export interface StopPlaces {
  length: number
  supplied: number
  packer: number
  /** Shaft that shows at ride, packers and stop on it. */
  shaft: number
  /** Travel of the damper for one unit of wheel travel. */
  ratio: number
  compressible: number
  /** Whether that share was measured. */
  squeezeTold: boolean
  gap: number
  touch: number
  /** Where the squeezed stop is hard. */
  hard: number
  /** Where the stop hangs from. */
  mount: number
  shortest: number | null
  longest: number | null
}

/** Where the stop stands by the report's numbers; nothing while they are not known. */
export function stopPlaces(
  corner: CornerReport | undefined,
  side: SideSetup,
  part: BumpStop | null | undefined,
): StopPlaces | null {
  const gap = corner?.stop_gap?.value
  const ratio = corner?.damper_motion_ratio?.value
  if (!part || gap === undefined || !ratio) return null
  const length = side.stop?.length ?? part.length
  const packer = side.stop?.packer ?? 0
  const shaft = gap + packer + length
  const compressible = part.compressible ?? 0.5
  return {
    length,
    supplied: part.length,
    packer,
    shaft,
    ratio,
    compressible,
    squeezeTold: part.compressible != null,
    gap,
    touch: gap / ratio,
    hard: (shaft - packer - length * (1 - compressible)) / ratio,
    mount: shaft / ratio,
    shortest: corner?.stop_shortest?.value ?? null,
    longest: corner?.stop_longest?.value ?? null,
  }
}

/** The stop's length when its lower end is dragged to a wheel travel, m, in half millimetres and within what is there. */
export function lengthAt(places: StopPlaces, travel: number): number {
  const wanted = places.shaft - places.packer - travel * places.ratio
  return Math.min(places.supplied, Math.max(0.002, Math.round(wanted * 2000) / 2000))
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
