import { flushPromises } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'

import type { ClickRule } from '@/api/client'
import { put } from '@/testing'

import KnobRule from './KnobRule.vue'
import { counted, scaleOf, ticksOf } from './rule'

const rule = (more: Partial<ClickRule> = {}): ClickRule => ({
  acts: 'rebound',
  clicks: 10,
  counted_from: 'fully closed',
  locked: '',
  now: 4,
  counted: 4,
  ratios: [0.8, 0.74, 0.68, 0.62, 0.56, 0.5, 0.44, 0.38, 0.32, 0.26, 0.2],
  ratio: 0.56,
  found_ratio: 0.7,
  band_low: 0.6,
  band_high: 0.95,
  judged: 'soft',
  offered: 3,
  short: 0,
  ...more,
})
afterEach(() => (document.body.innerHTML = ''))

describe('places on a rule', () => {
  it('run from open at the left to shut at the right, ratios between the clicks they lie between', () => {
    const scale = scaleOf(rule(), 0, 100)
    expect(scale.click(10)).toBe(0)
    expect(scale.click(0)).toBe(100)
    expect(scale.ratio(0.56)).toBeCloseTo(60)
    expect(scale.ratio(0.65)).toBeCloseTo(75)
    // past the ends it goes on by the step there
    expect(scale.ratio(0.86)).toBeCloseTo(110)
    expect(scale.ratio(0.14)).toBeCloseTo(-10)
    expect(scaleOf(rule({ ratios: [0.5, 0.5] }), 0, 100).ratio(0.7)).toBeNull()
    expect(scaleOf(rule({ ratios: [] }), 0, 100).ratio(0.7)).toBeNull()
  })
  it('of uneven clicks follow them', () => {
    const scale = scaleOf(rule({ clicks: 2, ratios: [0.9, 0.8, 0.2] }), 0, 100)
    expect(scale.ratio(0.85)).toBeCloseTo(75)
    expect(scale.ratio(0.5)).toBeCloseTo(25)
  })
  it('ticks are round and within the knob', () => {
    expect(ticksOf(rule()).map((t) => t.toFixed(1))).toEqual(['0.2', '0.3', '0.4', '0.5', '0.6', '0.7', '0.8'])
    expect(ticksOf(rule({ ratios: [0.22, 0.17] })).map((t) => t.toFixed(2))).toEqual(['0.18', '0.20', '0.22'])
    expect(counted(rule({ counted_from: 'fully open' }), 3)).toBe(7)
    expect(counted(rule(), 3)).toBe(3)
  })
})

describe('a knob', () => {
  const shown = (more: Partial<ClickRule> = {}, movable = true) => {
    const turn = vi.fn()
    const host = put(KnobRule, { rule: rule(more), end: 'front', assumed: true, fact: false, movable, onTurn: turn })
    return { host, turn }
  }
  it('is stepped in and out by buttons and keys, no further than its ends', async () => {
    const { host, turn } = shown()
    await host.get('[aria-label="rebound, front: one click in"]').trigger('click')
    await host.get('[aria-label="rebound, front: one click out"]').trigger('click')
    const hand = host.get('[role=slider]')
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp', 'ArrowLeft']) await hand.trigger('keydown', { key })
    // each step goes on from where the hand is, though no answer has come yet
    expect(turn.mock.calls.map((c) => c[0])).toEqual([3, 4, 3, 2, 1, 2])
    expect(hand.attributes('aria-valuenow')).toBe('2')
    expect(host.text()).toContain('~0.68')
    const end = shown({ now: 0, counted: 0 })
    await end.host.get('[aria-label="rebound, front: one click in"]').trigger('click')
    expect(end.turn.mock.calls).toEqual([[0, true]])
  })
  it('takes a click typed as it counts, and says what it cannot be, keeping it', async () => {
    const { host, turn } = shown({ counted_from: 'fully open', counted: 6 })
    const field = host.get<HTMLInputElement>('[aria-label="rebound clicks from fully open, front"]')
    expect(field.element.value).toBe('6')
    await field.setValue('7')
    await field.trigger('change')
    expect(turn.mock.calls.at(-1)).toEqual([3, true])
    for (const wrong of ['11', '2.5', 'x']) {
      await field.setValue(wrong)
      await field.trigger('change')
      await flushPromises()
      expect(host.get('[role=alert]').text()).toBe('A whole click from 0 to 10')
      expect(field.element.value).toBe(wrong)
    }
    expect(turn.mock.calls.filter((c) => c[0] !== 3)).toEqual([])
  })
  it('that is locked is not turned and says why; one that is short says by how much', async () => {
    const { host, turn } = shown({ locked: 'seized', offered: null })
    expect(host.find('[aria-label="rebound, front: one click in"]').exists()).toBe(false)
    await host.get('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(turn).not.toHaveBeenCalled()
    expect(host.text()).toContain('seized')
    expect(shown({ short: 2, offered: 0 }).host.text()).toContain('2 short')
  })
})
