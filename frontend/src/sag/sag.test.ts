import { describe, expect, it } from 'vitest'

import type { Document } from '@/api/client'
import { placesOf } from '@/api/client'

import { coil, cycleShape, rounded } from './cycle'
import { firstUnread, handWork, readAt, readCount, stepAt, STEPS } from './walk'

const reading = (place: string, quantity: string, value: number) => ({ place, quantity, value, how: 'tape' })
const bike = (readings: object[]): Document =>
  ({
    vehicle: { kind: 'motorcycle', name: 'b' },
    surveys: [{ id: 'first', readings }],
    setups: [{ id: 'found', name: 'f', stage: 'as found', sides: {} }],
  }) as unknown as Document

describe('the sag walk', () => {
  it('goes through three states, front and rear, lifted before pressed', () => {
    expect(STEPS).toHaveLength(12)
    expect(STEPS.map((s) => s.row.quantity).slice(4, 8)).toEqual([
      'bike_lifted',
      'bike_pressed',
      'bike_lifted',
      'bike_pressed',
    ])
    expect(STEPS.map((s) => s.place).slice(4, 8)).toEqual(['front', 'front', 'rear', 'rear'])
    expect(new Set(STEPS.map((s) => `${s.place} ${s.row.quantity}`)).size).toBe(12)
  })
  it('takes up at the first reading not yet taken, and averages repeats', () => {
    const made = bike([
      reading('front', 'extended_lifted', 0.148),
      reading('front', 'extended_lifted', 0.15),
      reading('front', 'extended_pressed', 0.148),
    ])
    expect(readAt(made, stepAt('extended', 'front', 'lifted'))).toBeCloseTo(0.149)
    expect(readCount(made)).toBe(2)
    expect(STEPS[firstUnread(made)]).toMatchObject({ place: 'rear', pull: 'lifted', state: 'extended' })
    expect(placesOf(made)).toEqual(['front', 'rear'])
  })
  it('lifts what is read lifted and presses what is read pressed', () => {
    expect(handWork(stepAt('rider', 'rear', 'pressed'))[0]).toBe('Press the tail.')
    expect(handWork(stepAt('bike', 'front', 'lifted'))[0]).toBe('Lift the bars.')
    expect(handWork(stepAt('extended', 'rear', 'lifted'))[0]).toContain('off the floor')
  })
})

describe('the drawing of a two-wheeler', () => {
  const measures = { wheelbase: 1425, rearOverhang: 300, tyreRadius: 300, height: 1090, rake: 0.445 }
  it('clamps the fork on the line of its rake', () => {
    for (const body of ['motorcycle', 'bicycle']) {
      const { clamp } = cycleShape({ body, ...measures })
      expect(Math.atan2(clamp[0], clamp[1] - 300)).toBeCloseTo(0.445, 9)
    }
  })
  it('stays between the floor and its height', () => {
    const { body } = cycleShape({ body: 'motorcycle', ...measures })
    expect(Math.min(...body.map(([, y]) => y))).toBeGreaterThan(150)
    expect(Math.max(...body.map(([, y]) => y))).toBeLessThanOrEqual(1090)
  })
  it('draws closed outlines and coils that end where they should', () => {
    expect(
      rounded(
        [
          [0, 0, 1],
          [10, 0, 1],
          [10, 10, 1],
        ],
        (x, y) => [x, y],
      ),
    ).toMatch(/^M.*Z$/)
    expect(rounded([], (x, y) => [x, y])).toBe('')
    expect(coil([0, 0], [0, 40], 3, 5)).toMatch(/^M0\.0 0\.0.*L0\.0 40\.0$/)
  })
})
