import { describe, expect, it } from 'vitest'

import type { Document, SpringPart } from '@/api/client'

import { foundAnew } from './asFound'

const part = (rate: number, code = 'as found'): SpringPart => ({ kind: 'coil', code, rate: { value: rate } })
const document = {
  setups: [
    { id: 'found', sides: { rear_left: { spring: part(30e3) }, rear_right: { spring: part(31e3) } } },
    { id: 'plan', sides: { rear_left: { spring: part(30e3) }, rear_right: { spring: part(50e3, 'larch 18') } } },
    { id: 'later', sides: { rear_left: {}, rear_right: { spring: part(31e3) } } },
  ],
} as unknown as Document

describe('what was on the vehicle, told anew', () => {
  it('is followed by the copies that plans hold, and by nothing else', () => {
    const edits = foundAnew(document, ['rear_left', 'rear_right'], 'spring', () => part(33e3))
    expect(edits.map((e) => e.path.slice(1, 4).join(' '))).toEqual([
      '0 sides rear_left',
      '1 sides rear_left',
      '0 sides rear_right',
      '2 sides rear_right',
    ])
    expect(edits.every((e) => e.value && (e.value as SpringPart).rate.value === 33e3)).toBe(true)
  })
  it('is taken over by a plan that has none, where that is meant', () => {
    const edits = foundAnew(document, ['rear_left'], 'spring', () => part(33e3), true)
    expect(edits.map((e) => e.path[1])).toEqual([0, 1, 2])
  })
  it('leaves the copies while it is cleared, and they follow what is typed then', () => {
    expect(foundAnew(document, ['rear_right'], 'spring', () => null).map((e) => e.path[1])).toEqual([0])
    const after = structuredClone(document)
    after.setups[0]!.sides!.rear_right!.spring = null
    const edits = foundAnew(after, ['rear_right'], 'spring', () => part(34e3))
    expect(edits.map((e) => e.path[1])).toEqual([0, 2])
    // told once, it is no more held against what was cleared
    const later = foundAnew(after, ['rear_right'], 'spring', () => part(35e3))
    expect(later.map((e) => e.path[1])).toEqual([0])
  })
})
