import { describe, expect, it } from 'vitest'

import type { StopBench } from '@/api/client'

import { cutAt, lengthAt, stopOutline } from './travel'

const bench = {
  length: 0.05,
  supplied: 0.06,
  cuts: [
    { length: 0.06, touch: 0.01, hard: 0.04 },
    { length: 0.05, touch: 0.02, hard: 0.045 },
    { length: 0.04, touch: 0.034, hard: 0.054 },
  ],
} as StopBench

describe('the bump stop on the drawing', () => {
  it('stands where its bench says, straight between two cuts', () => {
    expect(cutAt(bench, 0.05)).toEqual({ touch: 0.02, hard: 0.045 })
    expect(cutAt(bench, 0.045).touch).toBeCloseTo(0.027, 12)
    expect(cutAt(bench, 0.045).hard).toBeCloseTo(0.0495, 12)
    expect(cutAt(bench, 0.07)).toEqual({ touch: 0.01, hard: 0.04 })
  })
  it('is as long as the place its end is dragged to, never longer than supplied', () => {
    expect(lengthAt(bench, 0.02)).toBe(0.05)
    expect(lengthAt(bench, 0.027)).toBe(0.045)
    expect(lengthAt(bench, -0.1)).toBe(0.06)
    expect(lengthAt(bench, 0.2)).toBe(0.04)
    expect(lengthAt(bench, cutAt(bench, 0.0435).touch)).toBe(0.0435)
  })
  it('is drawn closed', () => {
    expect(stopOutline(10, 0, 30, 5).endsWith('Z')).toBe(true)
  })
})
