import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { h, ref } from 'vue'

import type { Document, ShelfPart, SpringPart, TorsionBarPart, Wait } from '@/api/client'
import { useUnread } from '@/composables/useUnread'
import LoadItems from '@/springs/LoadItems.vue'
import SpringForm from '@/springs/SpringForm.vue'
import { fakeVehicle, field, type FakeWork, put } from '@/testing'
import ArmFields from '@/torsion/ArmFields.vue'
import BarFields from '@/torsion/BarFields.vue'
import GasFields from '@/geometry/GasFields.vue'
import RollFields from '@/geometry/RollFields.vue'
import StopFields from '@/geometry/StopFields.vue'

import WaitsFor from './WaitsFor.vue'

let work: FakeWork
vi.mock('@/composables/useVehicle', () => ({ useVehicle: () => work }))

const car = (): Document =>
  ({
    vehicle: { kind: 'car', name: 'Tansy', ends: { rear: { layout: 'torsion arm' }, front: { layout: 'strut' } } },
    surveys: [{ id: 'first', readings: [{ place: 'rear_left', quantity: 'hub_to_arch', value: 0.352, how: 'tape' }] }],
    setups: [{ id: 'found', name: 'as found', stage: 'as found', sides: {} }],
  }) as unknown as Document
const rear = () => work.document.value!.vehicle.ends!.rear!
const settle = async (): Promise<void> => {
  for (let i = 0; i < 12; i++) await new Promise((r) => setTimeout(r, 0))
}
beforeEach(() => {
  localStorage.clear()
  sessionStorage.clear()
  work = fakeVehicle(car(), {}, 'found')
})
afterEach(() => {
  vi.unstubAllGlobals()
  document.body.innerHTML = ''
})

describe('an arm on a torsion bar', () => {
  it('stands once length and angle are told, at the height as found; what came before it is not lost', async () => {
    work.id = 'arm-1'
    const host = put(ArmFields, { end: 'rear' })
    await field(host, 'arm, bar axis to wheel centre').setValue('400')
    expect(rear().arm ?? null).toBeNull()
    await field(host, 'left arm reads').setValue('12')
    expect(rear().arm).toMatchObject({ length: 0.4, hub_to_arch: 0.352, motion: 'trailing' })
    expect(rear().arm!.angle).toBeCloseTo((12 * Math.PI) / 180, 9)
    await settle()
    await field(host, 'plate on its ledge reads').setValue('14')
    await field(host, 'arm, bar axis to wheel centre').setValue('')
    expect(rear().arm).toBeNull()
    await field(host, 'arm, bar axis to wheel centre').setValue('395')
    expect(rear().arm).toMatchObject({ length: 0.395, hub_to_arch: 0.352 })
    expect(rear().arm!.ledge).toBeCloseTo((14 * Math.PI) / 180, 9)
  })
  it('is not the lower arm of the same end', async () => {
    work.id = 'arm-2'
    const more = put(RollFields, { end: 'rear' })
    await field(more, 'lower arm, length').setValue('340')
    expect(more.text()).toContain('Counts once the angle is typed too')
    const arm = put(ArmFields, { end: 'rear' })
    expect(field(arm, 'arm, bar axis to wheel centre').element.value).toBe('')
    await field(more, 'lower arm, angle as found, outer end up +').setValue('-8')
    expect(rear().lower_arm).toMatchObject({ length: 0.34, hub_to_arch: 0.352 })
    expect(rear().arm ?? null).toBeNull()
  })
})

describe('what else is measured at an end', () => {
  it('makes a stop of length and shaft, keeps them while one is cleared, and its force by pairs', async () => {
    work.id = 'stop-1'
    const host = put(StopFields, { end: 'rear' })
    await field(host, 'stop as supplied').setValue('45')
    expect(rear().bump_stop ?? null).toBeNull()
    await field(host, 'shaft that shows').setValue('60')
    expect(rear().bump_stop).toEqual({ length: 0.045, shaft: 0.06, hub_to_arch: 0.352 })
    await field(host, 'squeezes by, of its length').setValue('0.6')
    await settle()
    await field(host, 'squeeze 2').setValue('10')
    expect(rear().bump_stop!.points ?? null).toBeNull()
    await field(host, 'force 2').setValue('480')
    expect(rear().bump_stop!.points).toEqual([
      [0, 0],
      [0.01, 480],
    ])
    await field(host, 'shaft that shows').setValue('')
    expect(rear().bump_stop).toBeNull()
    expect(field(host, 'stop as supplied').element.value).toBe('45.0')
  })
  it('takes a gas charge once both of its numbers are there', async () => {
    work.id = 'gas-1'
    const host = put(GasFields, { end: 'rear' })
    await field(host, 'rod diameter').setValue('11')
    expect(rear().gas ?? null).toBeNull()
    await field(host, 'gas pressure of the damper').setValue('6')
    expect(rear().gas).toEqual({ pressure: 6e5, rod_diameter: 0.011 })
    await field(host, 'gas pressure of the damper').setValue('')
    expect(rear().gas).toBeNull()
    expect(field(host, 'rod diameter').element.value).toBe('11.0')
  })
})

describe('a torsion bar', () => {
  it('is whole once diameter and length are typed; splines are whole numbers', async () => {
    const change = vi.fn()
    const host = put(BarFields, { part: null, draftKey: 'bar-1', code: 'as found', splined: true, onChange: change })
    await field(host, 'effective length').setValue('980')
    expect(change).not.toHaveBeenCalled()
    await field(host, 'bar diameter').setValue('25')
    expect(change).toHaveBeenCalledWith({
      kind: 'torsion bar',
      code: 'as found',
      diameter: 0.025,
      effective_length: 0.98,
    })
    const part = { kind: 'torsion bar', code: 'b', diameter: 0.025, effective_length: 0.98 } as TorsionBarPart
    const told = vi.fn()
    const whole = put(BarFields, { part, draftKey: 'bar-2', code: 'b', splined: true, onChange: told })
    await field(whole, 'inner splines').setValue('36')
    await field(whole, 'outer splines').setValue('40.5')
    expect(told.mock.calls).toEqual([[{ ...part, inner_splines: 36 }]])
  })
})

describe('what is carried', () => {
  it('sets its own thing and no other, and counts a place left blank as not told', async () => {
    const [set, all] = [vi.fn(), vi.fn()]
    const items = [
      { name: 'driver', mass: 80, x: 1.3, y: -0.35 },
      { name: 'tools', mass: 40, x: null, y: null },
    ]
    const host = put(LoadItems, { items, chosen: 0, middle: 1.22, onSet: set, onAll: all, onChoose: () => undefined })
    expect(field(host, 'tools, behind the front axle').element.value).toContain('1220')
    await field(host, 'mass of tools').setValue('45')
    await field(host, 'driver, behind the front axle').setValue('')
    expect(set.mock.calls).toEqual([
      [1, { mass: 45 }],
      [0, { x: null }],
    ])
  })
})

describe('what a bench waits for', () => {
  const waits: Wait[] = [
    { words: 'the front motion ratio', station: 'geometry', anchor: 'ratios', asks: null, label: null,
      offer: { text: 'take the usual 0.95', patch: [{ op: 'add', path: '/vehicle/ends/front/spring', value: { ratio: { kind: 'assumed' } } }] } },
    { words: 'the rear track', station: 'geometry', anchor: '', asks: null, label: null, offer: null },
  ] // prettier-ignore
  it('is a way there for each, and an offer is taken as an edit', async () => {
    const host = put(WaitsFor, { waits })
    expect(host.text()).toContain('Waits for the front motion ratio and the rear track.')
    const hrefs = host.findAll('a').map((a) => a.attributes('href'))
    expect(hrefs).toEqual(['/vehicle/v/geometry#ratios', '/vehicle/v/geometry'])
    await host.get('button').trigger('click')
    expect(work.edits).toEqual(['take the usual 0.95'])
    expect(work.document.value!.vehicle.ends!.front!.spring).toEqual({ ratio: { kind: 'assumed' } })
  })
})

describe('a spring of the shelf', () => {
  const part: SpringPart = {
    kind: 'coil',
    code: 'larch 26',
    rate: { value: 40e3, how: 'bench', tolerance: 400 },
    free_length: 0.2,
    points: [
      [0, 0],
      [0.05, 2000],
    ],
    note: 'blue',
  }
  let sent: { method: string; url: string; body: SpringPart }[] = []
  beforeEach(() => {
    sent = []
    vi.stubGlobal('fetch', async (request: Request) => {
      const body = (await request.json()) as SpringPart
      sent.push({ method: request.method, url: request.url, body })
      return new Response(JSON.stringify({ parts: [{ id: 7, part: body }] }), {
        headers: { 'Content-Type': 'application/json' },
      })
    })
  })
  async function opened(shown: ShelfPart | null) {
    const open = ref(false)
    const host = put({ setup: () => () => h(SpringForm, { open: open.value, part: shown }) })
    open.value = true
    await settle()
    return host
  }
  it('is put right in its place, and keeps what was not touched', async () => {
    const host = await opened({ id: 7, part })
    expect(field(host, 'rate').element.value).toBe('40.0 ± 0.4')
    await field(host, 'free length').setValue('201')
    await host.get('form').trigger('submit')
    await settle()
    expect([sent[0]!.method, new URL(sent[0]!.url).pathname]).toEqual(['PUT', '/api/shelf/7'])
    expect(sent[0]!.body).toMatchObject({ ...part, free_length: 0.201 })
  })
  it('loses its curve and how it was measured once another rate is typed', async () => {
    const host = await opened({ id: 7, part })
    await field(host, 'rate').setValue('42')
    await host.get('form').trigger('submit')
    await settle()
    expect(sent[0]!.body.rate).toEqual({ value: 42e3, how: 'maker', tolerance: null })
    expect(sent[0]!.body.points).toBeNull()
  })
  it('goes on the shelf anew where none is put right', async () => {
    const host = await opened(null)
    await host.get('#s-code').setValue('new')
    await field(host, 'rate').setValue('55')
    await host.get('form').trigger('submit')
    await settle()
    expect(sent.map((s) => [s.method, s.body.code, s.body.rate.value])).toEqual([['POST', 'new', 55e3]])
  })
})

describe('text that was not taken', () => {
  it('is found again in the field of the same words and place, and in no other', async () => {
    const found = vi.fn()
    const page = (nth: number) => ({
      setup() {
        const input = ref<HTMLInputElement | null>(null)
        const kept = useUnread(input, () => 'rate', (k) => found(nth, k.text)) // prettier-ignore
        return { input, kept, id: `f${nth}` }
      },
      template: `<div><label :for="id">rate</label><input :id="id" ref="input" class="qf-in" @input="kept.keep($event.target.value, 'away')"/></div>`,
    })
    const both = { components: { A: page(0), B: page(1) }, template: '<div><A/><B/></div>' }
    const host = put(both)
    await settle()
    await host.findAll('input')[1]!.setValue('450 lb/in')
    host.unmount()
    put(both)
    await settle()
    expect(found.mock.calls).toEqual([[1, '450 lb/in']])
  })
})
