import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { DamperPart, Document, Place, ShelfDamper } from '@/api/client'
import { provideHeights } from '@/composables/useHeights'
import { fakeVehicle, type FakeWork, field, put } from '@/testing'

import DamperChoice from './DamperChoice.vue'
import DamperForm from './DamperForm.vue'
import DamperTable from './DamperTable.vue'
import { damperOf, filled, missing } from './form'

let work: FakeWork
vi.mock('@/composables/useVehicle', () => ({ useVehicle: () => work }))
const sent = vi.hoisted(() => ({ calls: [] as unknown[], parts: [] as unknown[], refuse: '' }))
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  api: {
    GET: async () => ({ data: { parts: sent.parts } }),
    POST: async (path: string, body: unknown) => {
      sent.calls.push([path, body])
      if (sent.refuse) return { error: { error: { message: sent.refuse } } }
      return { data: { parts: [{ id: 9, part: (body as { body: unknown }).body }] } }
    },
    PUT: async (path: string, body: unknown) => {
      sent.calls.push([path, body])
      return { data: { parts: [{ id: 3, part: (body as { body: unknown }).body }] } }
    },
  },
}))

const KIT: DamperPart = {
  kind: 'damper',
  code: 'pair 85',
  mounts: 'eye to pin',
  extended: 0.396,
  shut: 0.293,
  body: 0.348,
  body_least: 0.33,
  body_most: 0.362,
  engaged: null,
  least_engaged: null,
  rod_diameter: 0.014,
  gas_pressure: 9e5,
  carries_spring: false,
  coefficient: { value: 1800, how: 'maker', tolerance: 40 },
  stop: { length: 0.045, shaft: 0.098, compressible: 0.6, points: null, tolerances: {} },
  knobs: [
    { acts: 'rebound', clicks: 18, counted_from: 'fully open', locked: 'seized' },
    { acts: 'bump', clicks: 12, counted_from: 'fully open', locked: '' },
  ],
  note: 'bought used',
  tolerances: { shut: 0.001 },
}
const SHORT: DamperPart = { ...KIT, code: 'short 88', extended: 0.384, shut: 0.289, knobs: [], stop: null }
const SHELF: ShelfDamper[] = [
  { id: 3, part: KIT },
  { id: 4, part: SHORT },
]
const car = (): Document =>
  ({
    vehicle: { kind: 'car', name: 'N', ends: { front: {}, rear: {} } },
    setups: [
      {
        id: 'found',
        sides: { front_left: {}, front_right: {}, rear_left: { damper: KIT }, rear_right: { damper: KIT } },
      },
      {
        id: 'plan',
        parent: 'found',
        sides: { front_left: {}, front_right: {}, rear_left: { body: 0.004 }, rear_right: {} },
      },
    ],
  }) as unknown as Document

beforeEach(() => {
  work = fakeVehicle(car())
  sent.calls.length = 0
  sent.parts = SHELF
  sent.refuse = ''
})
afterEach(() => (document.body.innerHTML = ''))

describe('a damper typed in', () => {
  it('comes out of the form as it went in, with what the form does not show', () => {
    expect(damperOf(filled(KIT), KIT)).toEqual(KIT)
    expect(damperOf({ ...filled(KIT), bump: null, carries: 'not told', coefficient: null }, KIT)).toMatchObject({
      knobs: [{ acts: 'rebound', clicks: 18, counted_from: 'fully open', locked: 'seized' }],
      carries_spring: null,
      coefficient: null,
    })
  })
  it('says what is missing', () => {
    expect(missing({ ...filled(KIT), code: '  ' })).toBe('It needs a name or code.')
    expect(missing({ ...filled(KIT), stop_length: null })).toContain('its length')
    expect(missing({ ...filled(KIT), stop_shaft: null })).toContain('the shaft that shows')
    expect(missing(filled(KIT))).toBe('')
  })
  it('is put on the shelf; a refusal stays in the form with all that was typed', async () => {
    const added = vi.fn()
    const host = put(DamperForm, { open: true, onAdded: added })
    await host.get('#d-code').setValue('K-1')
    await field(host, 'extended').setValue('400')
    await field(host, 'extended').trigger('blur')
    sent.refuse = 'K-1 is on the shelf already'
    await host.get('form').trigger('submit')
    await flushPromises()
    expect(host.text()).toContain('K-1 is on the shelf already')
    expect(added).not.toHaveBeenCalled()
    expect(host.get<HTMLInputElement>('#d-code').element.value).toBe('K-1')
    sent.refuse = ''
    await host.get('form').trigger('submit')
    await flushPromises()
    expect(added.mock.calls[0]![0]).toMatchObject({ code: 'K-1', extended: 0.4, shut: null })
  })
})

describe('the shelf of dampers', () => {
  it('shows stroke, body and clicks, and finds by letters', async () => {
    const edit = vi.fn()
    const host = put(DamperTable, { parts: SHELF, text: '', onEdit: edit })
    const row = host.findAll('tbody tr')[0]!.text()
    for (const words of ['396', '293', '103', '348 of 330 to 362', '18 + 12 clicks']) expect(row).toContain(words)
    await host.findAll('tbody tr')[1]!.get('button').trigger('click')
    expect(edit.mock.calls[0]![0].id).toBe(4)
    expect(put(DamperTable, { parts: SHELF, text: 'SHORT' }).findAll('tbody tr')).toHaveLength(1)
    expect(put(DamperTable, { parts: SHELF, text: 'zz' }).text()).toContain('No damper on the shelf by these letters')
  })
})

describe('which damper stands at a corner', () => {
  const shown = async (place: Place, together = true) => {
    const host = put(DamperChoice, { place }, () => {
      const heights = provideHeights(work)
      heights.together.value = together
    })
    await flushPromises()
    return host
  }
  const sides = () => work.document.value!.setups[1]!.sides!
  it('is the one found until another is chosen, for both sides or one; a body that was turned is as told again', async () => {
    const host = await shown('rear_left')
    expect(host.text()).toContain('Extended 396, shut 293, eye to pin')
    await host.get('select').setValue('4')
    expect(sides().rear_left!.damper).toEqual(SHORT)
    expect(sides().rear_right!.damper).toEqual(SHORT)
    expect(sides().rear_left!.body).toBeNull()
    expect(work.document.value!.setups[0]!.sides!.rear_left!.damper).toEqual(KIT)
    document.body.innerHTML = ''
    work = fakeVehicle(car())
    await (await shown('rear_right', false)).get('select').setValue('4')
    expect(sides().rear_left!.damper).toBeUndefined()
    expect(sides().rear_right!.damper).toEqual(SHORT)
  })
  it('asks for a body length by an act, and takes a difference where its length is not told', async () => {
    const host = await shown('rear_left')
    await field(host, 'body, turned to').setValue('340')
    await field(host, 'body, turned to').trigger('blur')
    await flushPromises()
    expect(work.acts).toEqual([{ act: 'set body', place: 'rear_left', length: 0.34, together: true }])
    document.body.innerHTML = ''
    const front = await shown('front_left')
    await field(front, 'longer than as found').setValue('-6')
    await field(front, 'longer than as found').trigger('blur')
    expect(sides().front_right!.body).toBeCloseTo(-0.006)
    await field(front, 'top mount thicker by').setValue('3')
    await field(front, 'top mount thicker by').trigger('blur')
    expect(sides().front_left!.top_mount).toBeCloseTo(0.003)
  })
})
