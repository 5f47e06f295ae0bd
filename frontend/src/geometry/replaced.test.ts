import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Document, EndChange } from '@/api/client'
import { provideHeights } from '@/composables/useHeights'
import KitChart from '@/height/KitChart.vue'
import SeatStack from '@/height/SeatStack.vue'
import LeafFields from '@/springs/LeafFields.vue'
import { fakeVehicle, field, type FakeWork, put } from '@/testing'

import AlignmentAdjusters from './AlignmentAdjusters.vue'
import EndReplaced from './EndReplaced.vue'
import { partsOf } from './replaced'

let work: FakeWork
vi.mock('@/composables/useVehicle', () => ({ useVehicle: () => work }))
const car = (): Document =>
  ({
    vehicle: {
      kind: 'car',
      name: 'N',
      ends: {
        front: { layout: 'strut' },
        rear: { layout: 'live axle', bar: { rate: { value: 2e4 }, motion_ratio: 0.5 } },
      },
    },
    setups: [
      { id: 'found', sides: { front_left: {}, front_right: {}, rear_left: {}, rear_right: {} } },
      { id: 'plan', parent: 'found', sides: { front_left: {}, front_right: {}, rear_left: {}, rear_right: {} } },
      { id: 'next', parent: 'plan', sides: {} },
    ],
  }) as unknown as Document
beforeEach(() => {
  sessionStorage.clear()
  work = fakeVehicle(car())
})
afterEach(() => (document.body.innerHTML = ''))
const type = async (host: ReturnType<typeof put>, label: string, text: string, nth = 0): Promise<void> => {
  await field(host, label, nth).setValue(text)
  await field(host, label, nth).trigger('blur')
}
const plan = () => work.document.value!.setups[1]!
const choose = (host: ReturnType<typeof put>, label: string, value: string) =>
  host.get(`select[aria-label="${label}"]`).setValue(value)

describe('what a setup replaces of an end', () => {
  it('is told part by part, and nothing once every number is blank', async () => {
    const host = put(EndReplaced, { end: 'rear' })
    expect(host.text()).toContain('rear: all as found')
    await choose(host, 'replace another part', 'tyre and wheel')
    await type(host, 'tyre radius, loaded', '305')
    expect(plan().rear_end).toMatchObject({ tyre: { radius: 0.305 } })
    await type(host, 'unsprung mass, each corner', '36')
    expect(plan().rear_end).toMatchObject({ tyre: { radius: 0.305 }, unsprung_mass: { value: 36 } })
    await choose(host, 'replace another part', 'ball joints')
    await type(host, "spacer under the lower arm's joint", '20')
    expect(plan().rear_end!.joint_spacer).toBeCloseTo(0.02)
    await host.get('button[aria-label="tyre and wheel, rear: as found again"]').trigger('click')
    expect(partsOf(plan().rear_end!)).toEqual(['ball joints'])
    await type(host, "spacer under the lower arm's joint", '')
    expect(plan().rear_end).toBeNull()
    expect(work.document.value!.setups[0]!.rear_end).toBeUndefined()
  })
  it('a tyre size is taken once it is one; half of it stays in the field with how it is written', async () => {
    const host = put(EndReplaced, { end: 'rear' })
    await choose(host, 'replace another part', 'tyre and wheel')
    await type(host, 'tyre size', '205/5')
    expect(plan().rear_end?.tyre?.size).toBeUndefined()
    expect(field(host, 'tyre size').element.value).toBe('205/5')
    expect(host.get('[role=alert]').text()).toContain('205/55 R16')
    await type(host, 'tyre size', '205/55 ZR16 91V')
    expect(plan().rear_end).toMatchObject({ tyre: { size: '205/55 ZR16 91V' } })
    expect(host.find('[role=alert]').exists()).toBe(false)
    expect(host.text()).toContain('blank: by its size, marked')
    await type(host, 'tyre size', '')
    expect(plan().rear_end).toBeNull()
  })
  it('a conversion names its layout; a bar keeps what the one found had beside its rate', async () => {
    const host = put(EndReplaced, { end: 'rear' })
    await choose(host, 'replace another part', 'suspension')
    await choose(host, 'layout', 'wishbone')
    expect(plan().rear_end).toMatchObject({ layout: 'wishbone' })
    expect(host.text()).toContain('licensed workshop')
    await choose(host, 'replace another part', 'anti-roll bar')
    await type(host, 'bar rate at its link', '30')
    expect(plan().rear_end!.bar).toMatchObject({ rate: { value: 30e3 }, motion_ratio: 0.5 })
    await choose(host, 'replace another part', 'limits')
    await type(host, 'full droop', '440')
    expect(plan().rear_end!.limits).toMatchObject({ droop: 0.44 })
    await host
      .findAll('button')
      .find((b) => b.text() === 'carry into later setups')!
      .trigger('click')
    expect(work.acts).toEqual([{ act: 'carry end', end: 'rear' }])
  })
  it('knows which parts tell something', () => {
    const blank = { tyre: { radius: null, tolerances: { radius: 1 } }, note: '' } as unknown as EndChange
    expect(partsOf(blank)).toEqual([])
    expect(partsOf({ ...blank, track: 1.4 })).toEqual(['track'])
    expect(partsOf(null)).toEqual([])
  })
})

describe('the seat', () => {
  it('what differs left to right stays so, though both sides go together', async () => {
    work.document.value!.setups[0]!.sides!.rear_left!.stack = [{ name: 'pad', thickness: 0.005 }]
    const host = put(SeatStack, {}, () => provideHeights(work))
    await type(host, 'pad 1, thickness, rear left', '7')
    expect(plan().sides!.rear_left!.stack).toEqual([{ name: 'pad', thickness: 0.007 }])
    expect(plan().sides!.rear_right!.stack ?? null).toBeNull()
  })
  it('stack: what is put in counts on both sides, a blank takes it out, as found is a way back', async () => {
    const found = work.document.value!
    for (const p of ['rear_left', 'rear_right'] as const)
      found.setups[0]!.sides![p]!.stack = [{ name: 'pad', thickness: 0.005 }]
    const host = put(SeatStack, {}, () => provideHeights(work))
    await choose(host, 'what, rear', 'ring')
    await host
      .findAll('button')
      .filter((b) => b.text() === 'put it in')[1]!
      .trigger('click')
    expect(plan().sides!.rear_right!.stack!.map((x) => x.name)).toEqual(['pad', 'ring'])
    await type(host, 'ring 2, thickness, rear', '6')
    expect(plan().sides!.rear_left!.stack).toEqual([
      { name: 'pad', thickness: 0.005 },
      { name: 'ring', thickness: 0.006 },
    ])
    await host.get('button[aria-label="take pad 1 out, rear"]').trigger('click')
    expect(plan().sides!.rear_left!.stack).toEqual([{ name: 'ring', thickness: 0.006 }])
    await host
      .findAll('button')
      .find((b) => b.text() === 'as found again')!
      .trigger('click')
    expect(plan().sides!.rear_left!.stack).toBeNull()
  })
  it('chart: a row counts once both its numbers are typed', async () => {
    const host = put(KitChart)
    await type(host, 'collar, another row, front', '10')
    expect(plan().sides!.front_left!.seat).toBeUndefined()
    await type(host, 'drop, another row, front', '35')
    expect(plan().sides!.front_right!.seat!.chart).toEqual([[0.01, 0.035]])
    await type(host, 'drop, row 1, front', '30')
    expect(plan().sides!.front_left!.seat!.chart).toEqual([[0.01, 0.03]])
    await type(host, 'collar, row 1, front', '')
    expect(plan().sides!.front_left!.seat!.chart).toEqual([[0.01, 0.03]])
    await host.get('button[aria-label="take row 1 out, front"]').trigger('click')
    expect(plan().sides!.front_left!.seat!.chart).toEqual([])
  })
})

describe('leaves and adjusters', () => {
  const leaf = () => work.document.value!.setups[0]!.sides!.rear_right!.spring
  it('leaves by rate, by two loads, by dimensions; what is not whole waits', async () => {
    const host = put(LeafFields, { end: 'rear' })
    for (const [label, text] of [
      ['leaves', '5'],
      ['width', '60'],
      ['thickness of one', '7'],
    ] as const)
      await type(host, label, text)
    expect(leaf()).toBeUndefined()
    await type(host, 'between the eyes', '1200')
    expect(leaf()).toMatchObject({ kind: 'leaf', leaves: 5, width: 0.06, thickness: 0.007, length: 1.2 })
    await type(host, 'rate of one, at the axle', '24')
    expect(leaf()).toMatchObject({ rate: { value: 24e3 }, leaves: 5 })
    await type(host, 'width', '')
    expect(leaf()).toMatchObject({ rate: { value: 24e3 }, leaves: null })
    expect(field(host, 'leaves').element.value).toBe('5')
    await type(host, 'height, lightly loaded', '200')
    await type(host, 'load on one spring then', '1000')
    await type(host, 'height, more loaded', '170')
    await type(host, 'load on one spring then', '1900', 1)
    expect(leaf()).toMatchObject({
      sagged: [
        [0.2, 1000],
        [0.17, 1900],
      ],
    })
  })
  it('an adjuster is taken in for what can be set, with its range', async () => {
    const host = put(AlignmentAdjusters, { end: 'front' })
    await host
      .findAll('button')
      .find((b) => b.text() === 'camber can be set')!
      .trigger('click')
    await choose(host, 'camber by', 'slots')
    await type(host, 'camber, from', '-2')
    const adjusters = work.document.value!.vehicle.ends!.front!.adjusters!
    expect(adjusters).toMatchObject([{ how: 'slots', sets: 'camber' }])
    expect(adjusters[0]!.least).toBeCloseTo((-2 * Math.PI) / 180)
    await host.get('button[aria-label="no adjuster of camber, front"]').trigger('click')
    expect(work.document.value!.vehicle.ends!.front!.adjusters).toEqual([])
  })
})
