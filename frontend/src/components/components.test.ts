import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'

import type { Candidate, CornerReport, Report } from '@/api/client'
import { allRead, readQuantity } from '@/composables/useReading'
import { provideUnits, type Units } from '@/composables/useUnits'
import { provideWorking } from '@/composables/useWorking'
import RideWedge from '@/stance/RideWedge.vue'
import TravelLadder from '@/stance/TravelLadder.vue'

import CandidateRow from '@/springs/CandidateRow.vue'
import FrequencyStrip from '@/springs/FrequencyStrip.vue'
import QuantityField from './QuantityField.vue'

let units: Units
/** Mount a component under the providers of App and WorkspacePage. */
function put(component: object, props: Record<string, unknown>) {
  const Host = defineComponent({
    setup() {
      units = provideUnits()
      provideWorking()
      return () => h(component, props)
    },
  })
  return mount(Host, { attachTo: document.body })
}
const figure = (value: number, unit: string, was?: number) => ({ value, unit, assumed: false, was: was ?? null })

type Answer = { status: number; body: unknown }
let answers: ((text: string) => Promise<Answer>) | null = null
beforeEach(() => {
  localStorage.clear()
  vi.stubGlobal('fetch', async (request: Request) => {
    const { text } = (await request.json()) as { text: string }
    const { status, body } = await answers!(text)
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
  document.body.innerHTML = ''
})
const settle = async (): Promise<void> => {
  for (let i = 0; i < 12; i++) await new Promise((r) => setTimeout(r, 0))
  await nextTick()
}

describe('a quantity field', () => {
  it('takes a number with a sign as a change where it may be one', async () => {
    const [changed, by] = [vi.fn(), vi.fn()]
    const field = { label: 'height', of: 'SideSetup.hub_to_arch', modelValue: 0.352, changes: true }
    const host = put(QuantityField, { ...field, 'onUpdate:modelValue': changed, onChange: by })
    await host.get('input').setValue('−20')
    await host.get('input').setValue('+5.5')
    expect(by.mock.calls).toEqual([[-0.02], [0.0055]])
    expect(changed).not.toHaveBeenCalled()
    await host.get('input').setValue('340')
    expect(changed).toHaveBeenCalledWith(0.34, null)
    expect(by).toHaveBeenCalledTimes(2)
  })
  it('loses nothing when its station is left before the server has answered', async () => {
    let answer: (a: Answer) => void = () => undefined
    answers = () => new Promise((resolve) => (answer = resolve))
    const changed = vi.fn()
    const host = put(QuantityField, { label: 'gap', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': changed })
    await host.get('input').setValue('31')
    await settle()
    host.unmount()
    answer({ status: 200, body: { value: 0.031, note: null } })
    await settle()
    expect(changed).toHaveBeenCalledOnce()
    expect(changed).toHaveBeenCalledWith(0.031, null)
  })
  it('hands over what the server read and shows it in the unit chosen', async () => {
    answers = async () => ({ status: 200, body: { value: 0.0254, note: null } })
    const changed = vi.fn()
    const host = put(QuantityField, { label: 'gap', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': changed })
    const input = host.get('input')
    expect(input.element.value).toBe('26')
    await input.setValue('1 in')
    await settle()
    expect(changed).toHaveBeenLastCalledWith(0.0254, null)
    units.choose('inch')
    await input.trigger('blur')
    await nextTick()
    expect(input.element.value).toBe('1.0236') // the parent has not taken the new value: the old one, in inches
  })
  it('keeps what cannot be read, says why, and changes nothing; Escape brings the value back', async () => {
    answers = async () => ({ status: 422, body: { error: { key: 'text', message: 'This is a mass', faults: [] } } })
    const changed = vi.fn()
    const host = put(QuantityField, { label: 'gap', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': changed })
    const input = host.get('input')
    await input.setValue('12 kg')
    await settle()
    await input.trigger('blur')
    expect(changed).not.toHaveBeenCalled()
    expect(input.element.value).toBe('12 kg')
    expect(host.get('[role=alert]').text()).toBe('This is a mass')
    await input.trigger('keydown', { key: 'Escape' })
    expect(input.element.value).toBe('26')
    expect(host.find('[role=alert]').exists()).toBe(false)
  })
  it('keeps what was typed when the refusal comes after the field was left', async () => {
    let refuse: (a: Answer) => void = () => undefined
    answers = () => new Promise((resolve) => (refuse = resolve))
    const host = put(QuantityField, { label: 'gap', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': vi.fn() })
    const input = host.get('input')
    await input.trigger('focus')
    await input.setValue('12 kg')
    await settle()
    await input.trigger('blur')
    refuse({ status: 422, body: { error: { key: 'text', message: 'This is a mass', faults: [] } } })
    await settle()
    expect(input.element.value).toBe('12 kg')
    expect(localStorage.getItem('feder-unread')).toContain('12 kg')
  })
  it('drops an answer that comes after a newer one was asked for', async () => {
    const waiting: Record<string, (a: Answer) => void> = {}
    answers = (text) => new Promise((resolve) => (waiting[text] = resolve))
    const changed = vi.fn()
    const input = put(QuantityField, { label: 'gap', si: 'm', modelValue: null, 'onUpdate:modelValue': changed }).get(
      'input',
    )
    await input.setValue('2 cm')
    await settle()
    await input.setValue('26 mm')
    await settle()
    waiting['26 mm']!({ status: 200, body: { value: 0.026 } })
    await settle()
    waiting['2 cm']!({ status: 200, body: { value: 0.02 } })
    await settle()
    expect(changed.mock.calls).toEqual([[0.026, null]])
  })
  it('reads a plain number by itself, within the bounds that the core gives its name', async () => {
    answers = () => Promise.reject(new Error('nobody is asked'))
    const changed = vi.fn()
    const host = put(QuantityField, {
      label: 'track',
      of: 'End.track',
      modelValue: null,
      'onUpdate:modelValue': changed,
    })
    await host.get('input').setValue('1405')
    await host.get('input').setValue('14050')
    await settle()
    expect(changed.mock.calls).toEqual([[1.405, null]])
    expect(host.get('[role=alert]').text()).toContain('far outside what a vehicle has')
  })
  it('hands over a tolerance with its number, shows it, and says where none is kept', async () => {
    answers = async () => ({ status: 200, body: { value: 0.04, tolerance: 0.0004 } })
    const [kept, lost] = [vi.fn(), vi.fn()]
    const field = { label: 'gap', si: 'm', modelValue: 0.026, tolerance: 0.0015 }
    const host = put(QuantityField, { ...field, tolerant: true, 'onUpdate:modelValue': kept })
    expect(host.get('input').element.value).toBe('26 ± 1.5')
    await host.get('input').setValue('40 +- 0.4')
    await settle()
    expect(kept.mock.calls).toEqual([[0.04, 0.0004]])
    const plain = put(QuantityField, { label: 'gap', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': lost })
    await plain.get('input').setValue('40 +- 0.4')
    await settle()
    expect(lost).not.toHaveBeenCalled()
    expect(plain.get('[role=alert]').text()).toContain('No tolerance is kept here')
  })
  it('empties to nothing only where that is allowed', async () => {
    const changed = vi.fn()
    const free = put(QuantityField, { label: 'a', si: 'm', modelValue: 0.026, 'onUpdate:modelValue': changed })
    await free.get('input').setValue('')
    expect(changed).toHaveBeenCalledWith(null, null)
    const needed = vi.fn()
    const fixed = put(QuantityField, {
      label: 'b',
      si: 'm',
      modelValue: 0.026,
      clearable: false,
      'onUpdate:modelValue': needed,
    })
    await fixed.get('input').setValue('')
    expect(needed).not.toHaveBeenCalled()
    expect(fixed.text()).toContain('A number is needed here')
  })
})

describe('the travel ladder', () => {
  const marks = { droop: -66, stop: 35, solid: 51, contact: 72, bind: null, loose: null, first: 'S' as const }
  const base = {
    x: 40,
    top: 74,
    bottom: 290,
    range: { top: 80, bottom: -80 },
    marks,
    place: 'front_left' as const,
    division: { label: 20, rung: 10, write: (mm: number) => String(Math.round(mm)) },
  }
  const wedge = {
    x: 40,
    top: 74,
    bottom: 290,
    range: base.range,
    ghost: 22,
    movable: true,
    fact: false,
    place: 'front_left' as const,
    heightText: '634 mm',
    offset: 0,
  }
  it('marks a limit that rests on an estimate', () => {
    expect(put(TravelLadder, { ...base, marks: { ...marks, estimated: ['solid'] } }).text()).toContain('~51')
  })
  it('says its limits by letter and number and hatches only what is out of reach', () => {
    const host = put(TravelLadder, base)
    const text = host.text()
    for (const told of ['S', '51', 'T', '72', 'D', '-66', '35']) expect(text).toContain(told)
    const hatched = host.findAll('rect').filter((r) => r.attributes('fill') === 'url(#hatch)')
    const y = (mm: number): number => 74 + ((80 - mm) / 160) * 216
    expect(Number(hatched[0]!.attributes('height'))).toBeCloseTo(y(51) - 74)
    expect(Number(hatched[1]!.attributes('y'))).toBeCloseTo(y(-66))
  })
  it('steps by the arrow keys: up is bump, a lower car', async () => {
    const step = vi.fn()
    const grip = put(RideWedge, { ...wedge, onStep: step }).get('[role=slider]')
    await grip.trigger('keydown', { key: 'ArrowUp' })
    await grip.trigger('keydown', { key: 'PageDown' })
    expect(step.mock.calls).toEqual([
      ['front_left', 1],
      ['front_left', -5],
    ])
  })
  it('has no wedge to move where nothing may be asked, and a question mark where nothing is known', () => {
    expect(
      put(RideWedge, { ...wedge, movable: false })
        .find('[role=slider]')
        .exists(),
    ).toBe(false)
    const unknown = { droop: null, stop: null, solid: null, contact: null, bind: null, loose: null }
    expect(put(TravelLadder, { ...base, marks: unknown }).text()).toContain('?')
  })
})

const end = (name: 'front' | 'rear', rate: number, hz: number) => ({
  end: name,
  sprung_mass: figure(200, 'kg'),
  spring_rate: figure(rate, 'N/m'),
  motion_ratio: figure(name === 'front' ? 0.96 : 0.72, ''),
  wheel_rate: figure(30e3, 'N/m'),
  frequency: figure(hz, 'Hz', 1.45),
  frequency_low: figure(1.7, 'Hz'),
  frequency_high: figure(2.3, 'Hz'),
  rate_low: null,
  rate_high: null,
  // a plain square law through the mark
  strip: [
    { frequency: 0.5, spring_rate: rate * (0.5 / hz) ** 2 },
    { frequency: 6, spring_rate: rate * (6 / hz) ** 2 },
  ],
})
const report = {
  setup: 'plan',
  against: 'found',
  load_state: null,
  findings: [],
  stations: [],
  corners: {},
  ends: { front: end('front', 40e3, 1.86), rear: end('rear', 60e3, 2.13) },
  vehicle: {
    flat_low: figure(1.95, 'Hz'),
    flat_high: figure(2.24, 'Hz'),
  },
} as unknown as Report

describe('the frequency strip', () => {
  const lineX = (host: ReturnType<typeof put>, cls: string): number =>
    Number(/^M([\d.]+)/.exec(host.get(`.ln.${cls}`).attributes('d')!)![1])
  it('puts each mark at its frequency, front solid and rear dashed, with the spring it stands for', () => {
    const host = put(FrequencyStrip, { report, end: 'rear', shelf: [], movable: true, fact: false })
    expect(host.text()).toContain('front 1.86 Hz')
    expect(host.text()).toContain('rear 2.13 Hz')
    expect(lineX(host, 'front')).toBeLessThan(lineX(host, 'rear'))
    const tick = host.findAll('text.k').find((t) => t.text() === '50')!
    expect(tick).toBeTruthy()
  })
  it('steps to the next spring and picks the other end by focus', async () => {
    const step = vi.fn()
    const pick = vi.fn()
    const host = put(FrequencyStrip, {
      report,
      end: 'rear',
      shelf: [],
      movable: true,
      fact: false,
      onStep: step,
      onPick: pick,
    })
    const [front, rear] = host.findAll('[role=slider]')
    await rear!.trigger('keydown', { key: 'ArrowRight' })
    await front!.trigger('focus')
    expect(step).toHaveBeenCalledWith(1)
    expect(pick).toHaveBeenCalledWith('front')
  })
  it('draws no scale while weights or ratio are missing', () => {
    const bare = {
      ...report,
      ends: { front: { end: 'front', strip: [] }, rear: { end: 'rear', strip: [] } },
    } as unknown as Report
    const host = put(FrequencyStrip, { report: bare, end: 'rear', shelf: [], movable: true, fact: false })
    expect(host.text()).toContain('give the scale')
    expect(host.findAll('text.hz')).toHaveLength(1)
  })
})

describe('a candidate', () => {
  const part = {
    kind: 'coil',
    code: 'larch 29',
    rate: { value: 55e3, how: 'maker' },
    free_length: 0.2,
    wire_diameter: 0.0105,
    active_coils: 6.25,
  }
  const row = {
    part,
    chosen: false,
    wheel_rate: figure(28512, 'N/m'),
    frequency: figure(2.04, 'Hz'),
    over_front: figure(0.093, ''),
    bind: figure(0.06, 'm'),
    loose: figure(-0.07, 'm'),
    sits: figure(0.0156, 'm'),
    objection: {
      rule: 'collar_off_thread',
      grade: 'stop',
      text: '{past} too long: car sits {off} high',
      numbers: { past: figure(0.0112, 'm'), off: figure(0.0156, 'm') },
    },
  } as unknown as Candidate
  const corner = {
    droop: figure(-0.05, 'm'),
    solid: figure(0.051, 'm'),
    contact: figure(0.068, 'm'),
    stop: figure(0.038, 'm'),
  } as unknown as CornerReport
  const range = { top: 80, bottom: -80 }
  it('tells its numbers at the wheel and the first thing against it in words', async () => {
    const choose = vi.fn()
    const how = vi.fn()
    const host = put(CandidateRow, { row, corner, range, disabled: false, onChoose: choose, onHow: how })
    for (const told of ['larch 29', '28.5', '2.04', '+9 %', 'Stop', '11.2 mm too long: car sits 15.6 mm high'])
      expect(host.text()).toContain(told)
    await host.get('.c-part').trigger('click')
    expect(choose).toHaveBeenCalledOnce()
    await host.findAll('.c-n')[1]!.trigger('click')
    expect(how).toHaveBeenCalledWith('frequency')
  })
  it('moves its wedge off the ride line by as much as the car would sit high', () => {
    const host = put(CandidateRow, { row, corner, range, disabled: false })
    const x = Number(/^M(-?[\d.]+)/.exec(host.get('.wedge').attributes('d')!)![1]) + 7
    expect(x).toBeCloseTo(((-15.6 + 80) / 160) * 212, 1)
  })
  it('judges nothing while nothing is known', () => {
    const blank = { part, chosen: false } as unknown as Candidate
    expect(put(CandidateRow, { row: blank, corner: undefined, range, disabled: false }).text()).toContain(
      'not judged yet',
    )
  })
})

describe('leaving a page', () => {
  it('waits until what was typed has been read, and no longer than its patience', async () => {
    vi.useFakeTimers()
    try {
      let answer: (r: Response) => void = () => undefined
      vi.stubGlobal('fetch', () => new Promise<Response>((r) => (answer = r)))
      const asked = readQuantity({ text: '36', unit: '', bare: null, low: null, high: null })
      let left = false
      void allRead().then(() => (left = true))
      await vi.advanceTimersByTimeAsync(100)
      expect(left).toBe(false)
      answer(new Response(JSON.stringify({ value: 36 }), { headers: { 'content-type': 'application/json' } }))
      expect((await asked).data).toMatchObject({ value: 36 })
      await vi.advanceTimersByTimeAsync(1)
      expect(left).toBe(true)
      void readQuantity({ text: '37', unit: '', bare: null, low: null, high: null })
      left = false
      void allRead().then(() => (left = true))
      await vi.advanceTimersByTimeAsync(1600)
      expect(left).toBe(true)
    } finally {
      vi.useRealTimers()
    }
  })
})
