import { describe, expect, it } from 'vitest'

import { emptyHistory, pushed, redone, undone } from './history'
import { applied, between, changed, differences, edited, type Patch, put, withValue } from './patch'

const doc = {
  name: 'a',
  sides: [{ collar: 1, spring: { rate: 2 } }, { collar: 3 }],
  empty: null as null | { x: number },
}

describe('patches', () => {
  it('go there and back, also where nothing stood before', () => {
    const { document, patch } = edited(
      doc,
      'both',
      [
        { path: ['sides', 0, 'spring', 'rate'], value: 9 },
        { path: ['empty', 'x'], value: 1 },
        { path: ['sides', 0, 'spring', 'rate'], value: 10 },
      ],
      0,
    )
    expect(document.sides[0]!.spring!.rate).toBe(10)
    expect(document.empty).toEqual({ x: 1 })
    expect(applied(document, patch.undo)).toEqual(doc)
    expect(applied(applied(document, patch.undo), patch.redo)).toEqual(document)
    expect(doc.sides[0]!.spring!.rate).toBe(2)
  })
  it('share what they do not touch and take a member away again', () => {
    const next = withValue(doc, ['sides', 0, 'collar'], 5)
    expect(next.sides[1]).toBe(doc.sides[1])
    expect(next.sides[0]).not.toBe(doc.sides[0])
    expect(withValue({ a: 1, b: 2 }, ['b'], undefined)).toEqual({ a: 1 })
    expect(withValue({ a: 1 }, ['b'], undefined)).toEqual({ a: 1 })
  })
  it('are the operations of the standard: an entry of a list is replaced, one past its end added', () => {
    expect(put(doc, { path: ['sides', 1], value: 0 })).toEqual({ op: 'replace', path: '/sides/1', value: 0 })
    expect(put(doc, { path: ['sides', 2], value: 0 })).toEqual({ op: 'add', path: '/sides/2', value: 0 })
    expect(put(doc, { path: ['a/b~c'], value: 0 }).path).toBe('/a~1b~0c')
  })
  it('that come from the server are undone like any edit', () => {
    const { document, patch } = changed(doc, 'mend', [{ op: 'replace', path: '/sides/1/collar', value: 7 }], 0)
    expect(document.sides[1]!.collar).toBe(7)
    expect(applied(document, patch.undo)).toEqual(doc)
    expect(between(doc, doc)).toEqual([])
  })
  it('tell where two documents differ, in words of the screen', () => {
    const mine = { setups: [{ name: 'plan', sides: { front_left: { collar: 1 } } }], vehicle: { name: 'a' } }
    const theirs = withValue(
      withValue(mine, ['setups', 0, 'sides', 'front_left', 'collar'], 4),
      ['vehicle', 'name'],
      'b',
    )
    expect(differences(mine, theirs)).toEqual(
      expect.arrayContaining([
        { path: 'plan, front left, collar', mine: 1, theirs: 4 },
        { path: 'name', mine: 'a', theirs: 'b' },
      ]),
    )
  })
})

describe('history', () => {
  const patch = (value: number, at: number): Patch => ({
    words: 'collar',
    at,
    redo: [{ op: 'replace', path: '/c', value }],
    undo: [{ op: 'replace', path: '/c', value: value - 1 }],
  })
  it('makes one undo of a drag, two of two moves', () => {
    let h = emptyHistory()
    for (let i = 1; i <= 5; i++) h = pushed(h, patch(i, i * 100))
    expect(h.done).toHaveLength(1)
    expect(h.done[0]).toMatchObject({ undo: [{ value: 0 }], redo: [{ value: 5 }] })
    expect(pushed(h, patch(6, 9000)).done).toHaveLength(2)
    expect(pushed(h, patch(6, 9000), 'within').done).toHaveLength(1) // a slow hand is still one drag
    expect(pushed(h, patch(6, 510), 'first').done).toHaveLength(2) // and a new one is its own
  })
  it('takes back a whole drag, also where one step of it touched more than another', () => {
    const from = { rate: 60, height: null as number | null }
    const first = changed(from, 'spring', [put(from, { path: ['rate'], value: 55 })], 0)
    const height = put(first.document, { path: ['height'], value: 0.35 })
    const second = changed(first.document, 'spring', [put(from, { path: ['rate'], value: 50 }), height], 5000)
    const h = pushed(pushed(emptyHistory(), first.patch, 'first'), second.patch, 'within')
    const back = undone(h)!
    expect(applied(second.document, back.patch.undo)).toEqual(from)
    expect(applied(from, redone(back.history)!.patch.redo)).toEqual({ rate: 50, height: 0.35 })
    expect(undone(back.history)).toBeNull()
  })
  it('redoes what was undone until something new is done', () => {
    const h = pushed(emptyHistory(), patch(1, 0))
    const back = undone(h)!
    expect(redone(back.history)!.patch.redo[0]!.value).toBe(1)
    expect(redone(pushed(back.history, patch(2, 5000)))).toBeNull()
    expect(undone(emptyHistory())).toBeNull()
  })
})
