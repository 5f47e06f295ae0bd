import { describe, expect, it } from 'vitest'

import type { CornerReport } from '@/api/client'

import { lengthAt, stopPlaces } from './travel'

const figure = (value: number, unit = 'm') => ({ value, unit, assumed: false, was: null })
const corner = {
  place: 'front_left',
  stop_gap: figure(0.034),
  damper_motion_ratio: figure(0.96, ''),
} as unknown as CornerReport
const part = { length: 0.045, shaft: 0.064, hub_to_arch: 0.354, compressible: 0.5 }

describe('the stop on its shaft', () => {
  it('stands where gap, length and squeeze put it', () => {
    const s = stopPlaces(corner, { stop: { length: 0.03, packer: 0 } }, part)!
    // by hand: 64 mm of shaft, 30 mm of stop, 34 mm gap; hard after 34 + 15 mm of damper
    expect(s.shaft).toBeCloseTo(0.064, 12)
    expect(s.touch).toBeCloseTo(0.034 / 0.96, 12)
    expect(s.hard).toBeCloseTo(0.049 / 0.96, 12)
    expect(stopPlaces(corner, {}, part)!.length).toBe(0.045)
    expect(stopPlaces({ place: 'front_left' } as CornerReport, {}, part)).toBeNull()
  })
  it('is cut where the hand drags it, in half millimetres, never longer than it is nor to nothing', () => {
    const s = stopPlaces(corner, { stop: { length: 0.03, packer: 0.005 } }, { ...part, shaft: 0.069 })!
    for (const wanted of [0.01, 0.0205, 0.03, 0.044])
      expect(lengthAt(s, (s.shaft - s.packer - wanted) / s.ratio)).toBeCloseTo(wanted, 9)
    expect(lengthAt(s, -1)).toBe(0.045)
    expect(lengthAt(s, 1)).toBe(0.002)
  })
})
