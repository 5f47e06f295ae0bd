import { describe, expect, it } from 'vitest'

import { gearPath, polar, turns, turnWords } from './gear'

describe('the splined ends', () => {
  it('have every tooth, and one straight up', () => {
    const path = gearPath({ x: 100, y: 100 }, 60, 36)
    expect(path.match(/[ML]/g)).toHaveLength(4 * 36)
    const top = Math.min(...[...path.matchAll(/ (\d+\.\d)/g)].map((m) => Number(m[1])))
    expect(top).toBeCloseTo(40, 0)
    expect(polar({ x: 0, y: 0 }, 10, Math.PI / 2).x).toBeCloseTo(10)
  })
  it('turn the way that lifts, as the core says it for this side', () => {
    const left = turns(4, 5, { splines: [36, 40], lifts_clockwise: true })
    expect(left.bar).toBeCloseTo((40 * Math.PI) / 180)
    expect(left.plate).toBeCloseTo((-45 * Math.PI) / 180)
    const right = turns(4, 5, { splines: [36, 40], lifts_clockwise: false })
    expect([right.bar, right.plate]).toEqual([-left.bar, -left.plate])
    expect([turnWords(4, left.bar), turnWords(-5, left.plate), turnWords(1, -1), turnWords(0, 0)]).toEqual([
      '4 splines clockwise',
      '5 splines anticlockwise',
      '1 spline anticlockwise',
      'stays as it is',
    ])
  })
})
