import { describe, expect, it } from 'vitest'

import type { Document } from '@/api/client'

import { edited } from './patch'
import { toleranceOf } from './tolerances'
import { firstEmpty, meanOf, stepsOf, toleranceAt, valuesAt, written } from './walk'

const blank = (): Document =>
  ({
    vehicle: { name: 'x' },
    surveys: [{ id: 'first', readings: [] }],
    setups: [
      {
        id: 'found',
        name: 'as found',
        stage: 'as found',
        sides: { front_left: {}, front_right: {}, rear_left: {}, rear_right: {} },
      },
    ],
  }) as unknown as Document
const apply = (d: Document, changes: ReturnType<typeof written>): Document => edited(d, '', changes, 0).document
const STEPS = stepsOf(blank())
const at = (id: string, place: string) => STEPS.find((s) => s.row.id === id && s.place === place)!

describe('the walk round', () => {
  it('goes round the vehicle, one measure at a time, and finds where it was left', () => {
    expect(STEPS.slice(0, 5).map((s) => `${s.row.id} ${s.place}`)).toEqual([
      'mass front_left',
      'mass rear_left',
      'mass rear_right',
      'mass front_right',
      'hub front_left',
    ])
    let d = blank()
    for (const step of STEPS.slice(0, 6)) d = apply(d, written(d, step, 0.4, false))
    expect(STEPS[firstEmpty(STEPS, (s) => valuesAt(d, s))]).toEqual(STEPS[6])
  })
  it('asks a torsion arm for its level and no collar', () => {
    const d = blank()
    d.vehicle.ends = { rear: { layout: 'torsion arm' } } as Document['vehicle']['ends']
    const words = stepsOf(d).map((s) => `${s.row.id} ${s.place}`)
    expect(words.filter((w) => /arm|chassis/.test(w))).toEqual([
      'arm-length rear_left',
      'chassis rear_left',
      'arm rear_left',
      'arm rear_right',
    ])
    expect(words.filter((w) => w.startsWith('collar'))).toEqual(['collar front_left', 'collar front_right'])
    expect(STEPS.some((s) => s.row.arm)).toBe(false)
  })
  it('averages repeats, replaces a slip, takes a reading back', () => {
    const step = at('hub', 'rear_left')
    let d = apply(blank(), written(blank(), step, 0.366, false))
    d = apply(d, written(d, step, 0.37, true))
    expect(valuesAt(d, step)).toEqual([0.366, 0.37])
    expect(meanOf(valuesAt(d, step))).toBeCloseTo(0.368, 12)
    expect(valuesAt(d, at('hub', 'rear_right'))).toEqual([])
    d = apply(d, written(d, step, 0.365, false))
    expect(valuesAt(d, step)).toEqual([0.365])
    expect(valuesAt(apply(d, written(d, step, null, false)), step)).toEqual([])
  })
  it('keeps the tolerance typed with a reading, and drops it with the number it was of', () => {
    const step = at('mass', 'front_right')
    let d = apply(blank(), written(blank(), step, 300, false, undefined, 0.5))
    expect([valuesAt(d, step), toleranceAt(d, step)]).toEqual([[300], 0.5])
    d = apply(d, written(d, step, 301, false))
    expect([valuesAt(d, step), toleranceAt(d, step)]).toEqual([[301], null])
    const repeats = apply(d, written(d, step, 303, true))
    expect(toleranceAt(repeats, step)).toBeNull()
    expect(toleranceOf({ tolerances: { length: 0.001, thread: 0.002 } }, 'length', 0.0005)).toEqual({
      thread: 0.002,
      length: 0.0005,
    })
    expect(toleranceOf({ tolerances: { length: 0.001 } }, 'length', null)).toEqual({})
  })
  it('keeps the end from which clicks are counted', () => {
    const step = at('rebound', 'front_left')
    const d = blank()
    d.setups[0]!.sides!.front_left = { rebound: { count: 3, of: 18, counted_from: 'fully open' } }
    const next = apply(d, written(d, step, 7, false))
    expect(next.setups[0]!.sides!.front_left!.rebound).toEqual({ count: 7, of: 18, counted_from: 'fully open' })
    expect(apply(blank(), written(blank(), step, 7, false)).setups[0]!.sides!.front_left!.rebound).toEqual({
      count: 7,
      counted_from: 'fully closed',
    })
  })
})
