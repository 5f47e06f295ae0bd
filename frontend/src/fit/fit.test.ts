import { describe, expect, it } from 'vitest'

import type { Setup } from '@/api/client'

import { fittedFrom } from './fitted'

const plan = {
  id: 'plan',
  name: 'dry',
  stage: 'plan',
  parent: 'found',
  sides: { front_left: { collar: 0.02, set_by: 'height', hub_to_arch: 0.35 }, front_right: { collar: 0.021 } },
} as unknown as Setup

describe('the fitted setup', () => {
  it('is the plan with what was really set, the day and the odometer', () => {
    const made = fittedFrom(plan, [plan], '2026-05-03', 48_000_000, { front_left: 0.0235 })
    expect(made).toMatchObject({ id: 'fitted', name: 'fitted, dry', stage: 'fitted', parent: 'plan' })
    expect(made).toMatchObject({ fitted_on: '2026-05-03', odometer: 48_000_000 })
    expect(made.sides!.front_left).toMatchObject({ collar: 0.0235, set_by: 'collar' })
    expect(made.sides!.front_right).toEqual({ collar: 0.021 })
    expect(plan.sides!.front_left).toMatchObject({ collar: 0.02, set_by: 'height' })
  })
  it('keeps clicks with their datum and takes only their count', () => {
    const rebound = { count: 8, of: 18, counted_from: 'fully open' }
    const clicked = { ...plan, sides: { front_left: { rebound }, front_right: {} } } as unknown as Setup
    const made = fittedFrom(clicked, [clicked], null, null, {}, { 'front_left rebound': 6, 'front_right rebound': 4 })
    expect(made.sides!.front_left!.rebound).toEqual({ ...rebound, count: 6 })
    expect(made.sides!.front_right).toEqual({})
  })
  it('takes an id and a name that no other setup has', () => {
    const first = fittedFrom(plan, [plan], null, null, {})
    const second = fittedFrom(plan, [plan, first], null, null, {})
    expect([first.id, second.id]).toEqual(['fitted', 'fitted-2'])
    expect(second.name).toBe('fitted, dry 2')
  })
  it('leaves a side alone of which nothing else was told', () => {
    expect(fittedFrom(plan, [plan], null, null, { front_left: null }).sides).toEqual(plan.sides)
  })
})
