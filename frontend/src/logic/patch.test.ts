import { describe, expect, it } from 'vitest'

import { emptyHistory, pushed, redone, undone } from './history'
import { backward, differences, forward, type Patch, stepsFor, withValue } from './patch'

const doc = {
  name: 'a',
  sides: [{ collar: 1, spring: { rate: 2 } }, { collar: 3 }],
  empty: null as null | { x: number },
}

describe('patches', () => {
  it('go there and back, also where nothing stood before', () => {
    const steps = stepsFor(doc, [
      { path: ['sides', 0, 'spring', 'rate'], value: 9 },
      { path: ['empty', 'x'], value: 1 },
      { path: ['sides', 0, 'spring', 'rate'], value: 10 },
    ])
    const next = forward(doc, steps)
    expect(next.sides[0]!.spring!.rate).toBe(10)
    expect(next.empty).toEqual({ x: 1 })
    expect(backward(next, steps).sides).toEqual(doc.sides)
    expect(doc.sides[0]!.spring!.rate).toBe(2)
  })
  it('share what they do not touch and take a member away again', () => {
    const next = withValue(doc, ['sides', 0, 'collar'], 5)
    expect(next.sides[1]).toBe(doc.sides[1])
    expect(withValue({ a: 1, b: 2 }, ['b'], undefined)).toEqual({ a: 1 })
  })
  it('tell where two documents differ', () => {
    expect(differences(doc, withValue(doc, ['sides', 1, 'collar'], 4))).toEqual([
      { path: 'sides › 1 › collar', mine: 3, theirs: 4 },
    ])
  })
})

describe('history', () => {
  const patch = (value: number, at: number): Patch => ({
    words: 'collar',
    at,
    steps: [{ path: ['c'], before: value - 1, after: value }],
  })
  it('makes one undo of a drag, two of two moves', () => {
    let h = emptyHistory()
    for (let i = 1; i <= 5; i++) h = pushed(h, patch(i, i * 100))
    expect(h.done).toHaveLength(1)
    expect(h.done[0]!.steps[0]).toMatchObject({ before: 0, after: 5 })
    expect(pushed(h, patch(6, 9000)).done).toHaveLength(2)
    expect(pushed(h, patch(6, 9000), 'within').done).toHaveLength(1) // a slow hand is still one drag
    expect(pushed(h, patch(6, 510), 'first').done).toHaveLength(2) // and a new one is its own
  })
  it('redoes what was undone until something new is done', () => {
    const h = pushed(emptyHistory(), patch(1, 0))
    const back = undone(h)!
    expect(redone(back.history)!.patch.steps[0]!.after).toBe(1)
    expect(redone(pushed(back.history, patch(2, 5000)))).toBeNull()
    expect(undone(emptyHistory())).toBeNull()
  })
})
