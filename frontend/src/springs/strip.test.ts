import { describe, expect, it } from 'vitest'

import { frequencyAt, frequencyOfRate, rangeFor, rateOfFrequency, ticks, xOf } from './strip'

const scale = { low: 1, high: 4, left: 100, right: 700 }
// a plain square law: f = sqrt(k)/100
const law = [
  { spring_rate: 2500, frequency: 0.5 },
  { spring_rate: 360000, frequency: 6 },
]

describe('the strip', () => {
  it('is logarithmic and reads back what it shows', () => {
    expect(xOf(scale, 2)).toBeCloseTo(400)
    for (const f of [1, 1.7, 2.13, 4]) expect(frequencyAt(scale, xOf(scale, f))).toBeCloseTo(f)
  })
  it('keeps the square law exactly between two points', () => {
    for (const k of [10000, 40000, 90000]) {
      expect(frequencyOfRate(law, k)).toBeCloseTo(Math.sqrt(k) / 100, 10)
      expect(rateOfFrequency(law, Math.sqrt(k) / 100)).toBeCloseTo(k, 6)
    }
    expect(frequencyOfRate([], 1)).toBeNull()
  })
  it('holds everything shown, with room', () => {
    const { low, high } = rangeFor([1.43, 2.3])
    expect(low).toBeLessThan(1.43)
    expect(high).toBeGreaterThan(2.3)
    expect(rangeFor([]).high).toBeGreaterThan(1)
  })
  it('never crowds its labels', () => {
    const found = ticks(20, 90, (v) => xOf({ low: 20, high: 90, left: 0, right: 600 }, v), 600).filter((t) => t.label)
    for (let i = 1; i < found.length; i++) expect(found[i]!.x - found[i - 1]!.x).toBeGreaterThan(34)
    expect(found.length).toBeGreaterThan(5)
  })
})
