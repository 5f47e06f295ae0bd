import { describe, expect, it } from 'vitest'

import { layoutSetups } from '@/logic/setupLine'

import { bumpTags, commonRange, divisionFor, spread } from './ladder'
import { draw, sideView } from './sideView'

const none = { droop: null, stop: null, solid: null, contact: null, bind: null, loose: null }

describe('the ladder', () => {
  it('marks the limit that comes first, and shows bind only where it does', () => {
    expect(bumpTags({ ...none, solid: 51, contact: 72, bind: 60, first: 'S' }).map((t) => [t.letter, t.kind])).toEqual([
      ['S', 'plain'],
      ['T', 'late'],
    ])
    expect(bumpTags({ ...none, solid: 51, contact: 40, bind: 30, first: 'B' }).find((t) => t.first)).toMatchObject({
      letter: 'B',
      kind: 'stop',
    })
    expect(bumpTags(none)).toEqual([])
  })
  it('has one range for all corners that holds every limit', () => {
    const range = commonRange([
      { ...none, solid: 51, contact: 72, droop: -66 },
      { ...none, droop: -50 },
    ])
    expect(range.top).toBeGreaterThanOrEqual(72)
    expect(range.bottom).toBeLessThanOrEqual(-66)
  })
  it('is divided and written in the unit chosen', () => {
    const inch = divisionFor('in', 0.0254)
    expect(inch.write(-50.8)).toBe('−2.00')
    expect(inch.label).toBe(25.4)
    expect(divisionFor('mm', 0.001).write(51.2)).toBe('51')
    expect(commonRange([{ ...none, solid: 51 }], 25.4).top).toBeCloseTo(76.2)
  })
  it('keeps labels apart and in order', () => {
    const placed = spread([100, 104, 300], 19)
    expect(placed[1]! - placed[0]!).toBeGreaterThanOrEqual(18.9)
    expect(placed[2]).toBe(300)
  })
})

describe('the side view', () => {
  it('stands its wheels on the floor and its arches round them, for every body', () => {
    for (const body of ['hatchback', 'saloon', 'estate', '4x4', 'pick-up', 'van']) {
      const shape = sideView({
        body,
        wheelbase: 2600,
        frontOverhang: 800,
        rearOverhang: 800,
        tyreRadius: 305,
        archGap: 62,
        roofHeight: 1450,
      })
      const path = draw(shape.body, (x, y) => [x, -y])
      expect(path.match(/A367.00 367.00/g)).toHaveLength(2)
      expect(path).not.toMatch(/NaN/)
      const heights = shape.body.flatMap((c) => (c[0] === 'L' ? [Number(c[2])] : []))
      expect(Math.max(...heights)).toBeLessThanOrEqual(1450)
    }
  })
})

describe('the line of setups', () => {
  it('has a place for every stage and forks for branches', () => {
    const setups = [
      { id: 'found', name: 'as found', stage: 'as found' as const },
      { id: 'plan', name: 'dry', stage: 'plan' as const, parent: 'found' },
      { id: 'wet', name: 'wet', stage: 'plan' as const, parent: 'found' },
    ]
    const { nodes } = layoutSetups(setups, 'wet')
    expect(nodes.filter((n) => !n.up).map((n) => n.words)).toEqual(['as found', 'dry', 'fitted', 'settled'])
    expect(nodes.find((n) => n.up)).toMatchObject({ words: 'wet', here: true })
  })
})
