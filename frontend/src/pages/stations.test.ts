import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Document, Report } from '@/api/client'
import { provideHeights } from '@/composables/useHeights'
import { fakeVehicle, field, type FakeWork, put } from '@/testing'

import SurveyWalk from '@/components/SurveyWalk.vue'

import BriefStation from './BriefStation.vue'
import GeometryStation from './GeometryStation.vue'
import HeightStation from './HeightStation.vue'
import SurveyStation from './SurveyStation.vue'

let work: FakeWork
vi.mock('@/composables/useVehicle', () => ({ useVehicle: () => work }))

const coil = (code: string, rate: number) => ({ kind: 'coil', code, rate: { value: rate }, free_length: 0.33 })
const car = (): Document =>
  ({
    vehicle: {
      kind: 'car',
      name: 'Nettle',
      description: '',
      wheelbase: { value: 2.44, how: 'tape' },
      ends: {
        front: { layout: 'strut', spring: { ratio: null }, limits: { droop: 0.42 }, tyre: { radius: 0.288 } },
        rear: {
          layout: 'divorced',
          spring: { ratio: { kind: 'ratio', value: 0.72, convention: 'spring per wheel', how: 'typed' } },
          damper: { ratio: null },
          limits: {},
          tyre: {},
        },
      },
    },
    brief: { use: 'fast road, track days', complaint: '', keep: '', pitch_school: 'flat ride', targets: {} },
    loads: [],
    surveys: [
      {
        id: 'first',
        conditions: {},
        readings: [
          { place: 'front_left', quantity: 'hub_to_arch', value: 0.376, how: 'tape' },
          { place: 'front_left', quantity: 'hub_to_arch', value: 0.378, how: 'tape' },
          { place: 'front_left', quantity: 'mass', value: 308, how: 'scales' },
          { place: 'front_right', quantity: 'mass', value: 298, how: 'scales' },
        ],
      },
    ],
    setups: [
      {
        id: 'found',
        name: 'as found',
        stage: 'as found',
        sides: {
          front_left: { spring: coil('as found', 26e3) },
          front_right: { spring: coil('as found', 26e3) },
          rear_left: {},
          rear_right: {},
        },
      },
      {
        id: 'plan',
        name: 'plan',
        stage: 'plan',
        parent: 'found',
        sides: {
          front_left: { spring: coil('as found', 26e3) },
          front_right: { spring: coil('larch 26', 40e3) },
          rear_left: { spring: coil('larch 20', 60e3) },
          rear_right: { spring: coil('larch 20', 60e3) },
        },
      },
    ],
  }) as unknown as Document
const figure = (value: number, unit: string) => ({ value, unit, assumed: false, was: null })
const report = {
  ends: {
    front: { frequency_low: figure(1.7, 'Hz'), frequency_high: figure(2.3, 'Hz') },
    rear: { frequency_low: figure(1.7, 'Hz'), frequency_high: figure(2.3, 'Hz') },
  },
  corners: { rear_left: { body_change: figure(-0.0164, 'm') }, rear_right: { body_change: figure(0, 'm') } },
} as unknown as Report

/** The server reads a number with its tolerance; all else is plain. */
beforeEach(() => {
  localStorage.clear()
  work = fakeVehicle(car(), report)
  vi.stubGlobal('fetch', async (request: Request) => {
    const { text } = (await request.json()) as { text: string }
    const [value, tolerance] = text.split('+-').map(Number)
    const body = { value: value! / 1000, tolerance: tolerance ? tolerance / 1000 : null }
    return new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } })
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  document.body.innerHTML = ''
})
const settle = async (): Promise<void> => {
  for (let i = 0; i < 12; i++) await new Promise((r) => setTimeout(r, 0))
}
const now = () => work.document.value!

describe('the brief', () => {
  const band = () => now().brief!.targets!
  it('has one band for both ends until they are parted, and each edge stays on its side of the other', async () => {
    const host = put(BriefStation)
    await field(host, 'from').setValue('1.8')
    expect(band().frequency).toEqual({ low: 1.8, high: 2.3 })
    await field(host, 'from').setValue('2.5')
    expect(band().frequency).toEqual({ low: 1.8, high: 2.3 })
    expect(host.get('[role=alert]').text()).toContain('above “to”')
    await field(host, 'from').trigger('keydown', { key: 'Escape' })
    await host.get('[aria-label="each end its own"]').setValue(true)
    expect([band().front_frequency, band().rear_frequency]).toEqual([
      { low: 1.8, high: 2.3 },
      { low: 1.8, high: 2.3 },
    ])
    await field(host, 'rear, to').setValue('2.6')
    expect([band().front_frequency!.high, band().rear_frequency!.high]).toEqual([2.3, 2.6])
    await field(host, 'front, to').setValue('')
    expect(band().front_frequency).toBeNull()
    await host.get('[aria-label="each end its own"]').setValue(false)
    expect([band().front_frequency, band().rear_frequency]).toEqual([null, null])
  })
  it('goes back to the usual of another use, and keeps what is wrong', async () => {
    const host = put(BriefStation)
    await field(host, 'to').setValue('2.6')
    await host.get('[aria-label="What is wrong now"]').setValue('floats')
    await host
      .findAll('[role=radio]')
      .find((r) => r.text().startsWith('Circuit'))!
      .trigger('click')
    expect(now().brief!.use).toBe('circuit')
    expect(band().frequency).toBeNull()
    expect(now().brief!.complaint).toBe('floats')
  })
})

describe('the survey', () => {
  const mass = () => now().surveys![0]!.readings!.filter((r) => r.quantity === 'mass')
  it('shows repeats as their mean, and one number typed stands for them all, with its tolerance', async () => {
    const host = put(SurveyStation)
    const hub = field(host, 'hub to arch, front left')
    expect(hub.element.value).toBe('377')
    await hub.setValue('375 +- 0.8')
    await settle()
    const read = now().surveys![0]!.readings!.filter((r) => r.quantity === 'hub_to_arch')
    expect(read).toEqual([
      { place: 'front_left', quantity: 'hub_to_arch', value: 0.375, how: 'tape', tolerance: 0.0008 },
    ])
  })
  it('keeps a tolerance typed on the walk with the reading, and says so where none is kept', async () => {
    const host = put(SurveyWalk)
    await host
      .findAll('.jump')
      .find((j) => j.text() === 'hub to arch')!
      .trigger('click')
    const big = host.get<HTMLInputElement>('.big')
    await big.setValue('375 +- 0.8')
    await big.trigger('keydown', { key: 'Enter' })
    await new Promise((r) => setTimeout(r, 1200))
    const read = now().surveys![0]!.readings!.filter((r) => r.quantity === 'hub_to_arch')
    expect(read.map((r) => [r.place, r.value, r.tolerance])).toEqual([['front_left', 0.375, 0.0008]])
    await host
      .findAll('.jump')
      .find((j) => j.text() === 'tyre pressure, cold')!
      .trigger('click')
    await big.setValue('2000 +- 100')
    await big.trigger('keydown', { key: 'Enter' })
    await settle()
    expect(host.get('.bad').text()).toContain('No tolerance is kept here')
    expect(now().setups[0]!.sides!.front_left!.tyre_pressure ?? null).toBeNull()
  })
  it('marks a whole row as an estimate, and what is typed meanwhile is one too', async () => {
    const host = put(SurveyStation)
    await host.get('input[aria-label="weight is an estimate"]').setValue(true)
    await field(host, 'weight, rear left').setValue('200')
    expect(mass().map((r) => r.how)).toEqual(['estimated', 'estimated', 'estimated'])
    await host.get('input[aria-label="weight is an estimate"]').setValue(false)
    expect(mass().map((r) => r.how)).toEqual(['scales', 'scales', 'scales'])
    await field(host, 'weight, rear left').setValue('')
    expect(mass().map((r) => r.place)).toEqual(['front_left', 'front_right'])
  })
  it('puts the spring as found right in every copy of it, and in no other', async () => {
    const host = put(SurveyStation)
    await field(host, 'rate').setValue('27')
    const rates = now().setups.map((s) => [s.sides!.front_left, s.sides!.front_right].map((x) => x!.spring))
    const told = rates.flat().map((s) => (s as { rate: { value: number } }).rate.value)
    expect(told).toEqual([27e3, 27e3, 27e3, 40e3])
    await field(host, 'free length').setValue('331')
    const lengths = now().setups.map((s) => (s.sides!.front_left!.spring as { free_length: number }).free_length)
    expect(lengths).toEqual([0.331, 0.331])
  })
  it('lets a free length wait for the rate of a spring of which nothing is known', async () => {
    const host = put(SurveyStation)
    await field(host, 'free length', 1).setValue('275')
    expect(now().setups[0]!.sides!.rear_left!.spring ?? null).toBeNull()
    await field(host, 'rate', 1).setValue('28')
    expect(now().setups[0]!.sides!.rear_left!.spring).toMatchObject({ rate: { value: 28e3 }, free_length: 0.275 })
    expect(now().setups[1]!.sides!.rear_left!.spring).toMatchObject({ code: 'larch 20' })
  })
})

describe('geometry', () => {
  const ends = () => now().vehicle.ends!
  it('keeps how a number was got, and the tolerance typed with it', async () => {
    const host = put(GeometryStation)
    await field(host, 'wheelbase').setValue('2445 +- 2')
    await settle()
    expect(now().vehicle.wheelbase).toEqual({ how: 'tape', value: 2.445, tolerance: 0.002 })
    await field(host, 'full droop').setValue('421 +- 0.5')
    await settle()
    expect(ends().front!.limits).toEqual({ droop: 0.421, tolerances: { droop: 0.0005 } })
    await field(host, 'full droop').setValue('422')
    expect(ends().front!.limits).toEqual({ droop: 0.422, tolerances: {} })
  })
  it('takes a motion ratio either way round, and keeps the number when the way is changed', async () => {
    const host = put(GeometryStation)
    await field(host, 'motion ratio').setValue('0.96')
    expect(ends().front!.spring!.ratio).toMatchObject({ kind: 'ratio', value: 0.96, convention: 'spring per wheel' })
    const way = host.get('[aria-label="motion ratio: which way round"]')
    await way.setValue('wheel per spring')
    expect(ends().front!.spring!.ratio).toMatchObject({ value: 0.96, convention: 'wheel per spring' })
    await field(host, 'motion ratio').setValue('1040 +- 20')
    await settle()
    await way.setValue('spring per wheel')
    expect(ends().front!.spring!.ratio).toMatchObject({ value: 1.04, tolerances: { value: 0.02 } })
    await way.setValue('assumed')
    expect(ends().front!.spring!.ratio).toEqual({ kind: 'assumed' })
    await way.setValue('levers')
    await field(host, 'pivot to spring').setValue('300')
    await field(host, 'pivot to wheel').setValue('400')
    expect(ends().front!.spring!.ratio).toEqual({ kind: 'assumed' })
    expect(host.text()).toContain('Counts once spring angle is typed')
    await field(host, 'spring off upright').setValue('10')
    expect(ends().front!.spring!.ratio).toMatchObject({ kind: 'levers', spring_distance: 0.3, wheel_distance: 0.4 })
  })
  it('gives a damper of its own to a spring that stands apart, and takes it back with the layout', async () => {
    const host = put(GeometryStation)
    const [front] = host.findAll('[aria-label="layout"]')
    await front!.setValue('divorced')
    expect(ends().front!.damper).toEqual({ ratio: null })
    await front!.setValue('strut')
    expect(ends().front!.damper).toBeNull()
  })
})

describe('what a setup changes of the geometry', () => {
  it('is said at its head, and nothing of it while the vehicle is looked at as found', () => {
    work.edit('body', [{ path: ['setups', 1, 'sides', 'rear_left', 'body'], value: -0.012 }])
    expect(put(GeometryStation).get('.bench-top').text()).toContain('plan differs in damper length')
    work.selectSetup('found')
    expect(put(GeometryStation).get('.bench-top').text()).not.toContain('differs in damper length')
  })
})

describe('height', () => {
  const bench = () => put(HeightStation, {}, () => provideHeights(work))
  it('takes the damper body that holds the spring, and types another length for both sides', async () => {
    const host = bench()
    const [take] = host.findAll('.taking')
    expect(host.findAll('.taking')).toHaveLength(1)
    await take!.trigger('click')
    expect(work.acts).toEqual([{ act: 'take body', place: 'rear_left', together: true }])
    await field(host, 'damper longer (shorter: −) than as found or as told, rear').setValue('-12')
    const sides = now().setups[1]!.sides!
    expect([sides.rear_left!.body, sides.rear_right!.body, sides.front_left!.body]).toEqual([-0.012, -0.012, undefined])
  })
  it('keeps the tolerance of a seat with the seat', async () => {
    const host = bench()
    await field(host, 'seat length, front').setValue('150 +- 0.4')
    await settle()
    const seat = now().setups[1]!.sides!.front_right!.seat!
    expect(seat).toMatchObject({ length: 0.15, hub_to_arch: 0.42, tolerances: { length: 0.0004 } })
  })
  it('asks nothing of the vehicle as found', () => {
    work = fakeVehicle(car(), report, 'found')
    const host = bench()
    expect(host.text()).toContain('As found is what was measured')
    expect(host.findAll('.taking')).toHaveLength(0)
  })
})
