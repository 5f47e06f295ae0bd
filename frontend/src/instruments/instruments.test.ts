import { flushPromises } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

import type { Instrument } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { put } from '@/testing'

import InstrumentRow from './InstrumentRow.vue'
import TakeLive from './TakeLive.vue'
import { measuredBy, useInstruments } from './useInstruments'

const bench = vi.hoisted(() => ({ list: [] as unknown[], calls: [] as [string, unknown][], refuse: '' }))
vi.mock('vuetify/components', () => ({
  VOverlay: {
    setup:
      (_: object, { slots }: { slots: { default?: () => unknown } }) =>
      () =>
        slots.default?.(),
  },
}))
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  api: {
    GET: async () => ({ data: { instruments: bench.list, missing: [] } }),
    POST: async (path: string, asked: unknown) => {
      bench.calls.push([path, asked])
      if (path.endsWith('/take'))
        return bench.refuse
          ? { error: { error: { message: bench.refuse } } }
          : { data: { value: 0.3761, si: 'm', raw: [0.376, 0.3762], spread: 0.0002 } }
      return { data: { instruments: bench.list, missing: [] } }
    },
  },
}))

function instrument(kind: Instrument['kind'], readings: [string, number, string, boolean][], more = {}): Instrument {
  return {
    id: 7,
    kind,
    words: kind === 'scales' ? 'corner scales' : 'height gauge',
    caution: '',
    simulated: false,
    at: '/dev/ttyUSB0',
    pattern: '',
    way: readings.every((r) => r[3]) ? 'steady' : 'moving',
    trouble: '',
    quiet: 0.1,
    skipped: 0,
    recording: null,
    readings: readings.map(([name, value, si, steady]) => ({
      name,
      value,
      si,
      steady,
      age: 0.1,
      trace: [value, value],
    })),
    run: null,
    ...more,
  } as Instrument
}
const gauge = (value: number, steady: boolean, more = {}): Instrument =>
  instrument('height', [['height', value, 'm', steady]], more)

let clock = Date.now()
beforeEach(() => {
  clock += 3_600_000 // what was known of instruments before is not believed any more
  vi.useFakeTimers({ now: clock })
  bench.list = []
  bench.calls = []
  bench.refuse = ''
})
afterEach(() => vi.useRealTimers())
const settle = async (): Promise<void> => {
  await flushPromises()
  await vi.advanceTimersByTimeAsync(300)
  await flushPromises()
}
const live = (at = 'hub_to_arch front_left', of = 'Survey.hub_to_arch') => {
  const taken: number[] = []
  const host = put(TakeLive, { of, at, about: 'hub to arch, front left', onTake: (v: number) => taken.push(v) })
  return { host, taken }
}

describe('what an instrument reads, offered where it is asked for', () => {
  it('knows by the name of a field what measures it', () => {
    expect(measuredBy('Survey.mass')).toBe('scales')
    expect(measuredBy('WheelRound.camber')).toBe('level')
    expect(measuredBy('SideSetup.tyre_pressure')).toBe('gauge')
    expect(measuredBy('SpringPart.rate')).toBeNull()
  })
  it('offers nothing where none of the kind runs', async () => {
    bench.list = [gauge(0.376, false, { way: 'stopped' }), instrument('scales', [['front_left', 308, 'kg', true]])]
    const { host } = live()
    await settle()
    expect(host.text()).toBe('')
  })
  it('takes at once what rests, with what it was for', async () => {
    bench.list = [gauge(0.3761, true)]
    const { host, taken } = live()
    await settle()
    expect(host.text()).toContain('376 mm')
    await host.find('button').trigger('click')
    await settle()
    expect(taken).toEqual([0.3761])
    expect(bench.calls.at(-1)).toEqual([
      '/api/instruments/{instrument}/take',
      expect.objectContaining({ body: { name: 'height', about: 'hub to arch, front left', vehicle: null } }),
    ])
  })
  it('waits for what moves, and takes it as soon as it rests', async () => {
    bench.list = [gauge(0.38, false)]
    const { host, taken } = live()
    await settle()
    await host.find('button').trigger('click')
    expect(host.find('button').text()).toBe('Waits until it rests')
    expect(taken).toEqual([])
    bench.list = [gauge(0.3761, true)]
    await settle()
    await settle()
    expect(taken).toEqual([0.3761])
  })
  it('says why nothing was taken', async () => {
    bench.list = [gauge(0.3761, true)]
    bench.refuse = 'The height gauge still moves'
    const { host, taken } = live()
    await settle()
    await host.find('button').trigger('click')
    await settle()
    expect(host.find('[role=alert]').text()).toBe('The height gauge still moves')
    expect(taken).toEqual([])
  })
  it('reads of four pads the one under the corner in hand, and none without a corner', async () => {
    bench.list = [
      instrument('scales', [
        ['front_left', 308.04, 'kg', true],
        ['rear_right', 197.04, 'kg', true],
      ]),
    ]
    const { host } = live('mass rear_right', 'Survey.mass')
    await settle()
    expect(host.text()).toContain('197')
    const other = live('', 'Survey.mass')
    await settle()
    expect(other.host.text()).toBe('')
  })
  it('tells a stand-in where it is held, and a real one nothing', async () => {
    bench.list = [gauge(0.3761, true)]
    live()
    await settle()
    expect(bench.calls).toEqual([])
    bench.list = [gauge(0.3761, true, { simulated: true })]
    clock += 3_600_000
    vi.setSystemTime(clock)
    live('hub_to_arch rear_left')
    await settle()
    expect(bench.calls).toContainEqual([
      '/api/instruments/at',
      { body: { kind: 'height', at: 'hub_to_arch rear_left' } },
    ])
  })
  it('is taken by Enter in an empty field, and stands there as if typed', async () => {
    bench.list = [gauge(0.3761, true)]
    const told: unknown[] = []
    const host = put(QuantityField, {
      label: 'hub to arch, front left',
      of: 'Survey.hub_to_arch',
      at: 'hub_to_arch front_left',
      modelValue: null,
      'onUpdate:modelValue': (v: unknown) => told.push(v),
    })
    await host.find('input').trigger('focus')
    await settle()
    await settle()
    await host.find('input').trigger('keydown', { key: 'Enter' })
    await settle()
    expect(told).toEqual([0.3761])
  })
})

describe('an instrument in its row', () => {
  const shown = (i: Instrument) => put(InstrumentRow, { instrument: i, instruments: useInstruments() })
  it('sums the pads and marks what rests', () => {
    const row = shown(
      instrument('scales', [
        ['front_left', 308.04, 'kg', true],
        ['front_right', 298, 'kg', true],
        ['rear_left', 207, 'kg', true],
        ['rear_right', 197, 'kg', true],
      ]),
    )
    expect(row.text()).toContain('308.0 298.0')
    expect(row.text()).toContain('207.0 197.0')
    expect(row.text()).toContain('1010.0 in all')
    expect(row.find('.st').text()).toBe('steady')
  })
  it('keeps the last reading, grey, of one that is silent or gone, and says since when', () => {
    const silent = shown(gauge(0.3761, false, { way: 'silent', quiet: 40.2 }))
    expect(silent.find('.st').text()).toBe('silent for 40 s')
    expect(silent.find('.val').classes()).toContain('old')
    const gone = shown(gauge(0.3761, false, { way: 'lost', trouble: 'The line broke off' }))
    expect(gone.text()).toContain('The line broke off')
  })
  it('says of a flood and of a way of speaking that it is not read', () => {
    expect(shown(gauge(0.3761, true, { skipped: 1200 })).text()).toContain('1200 lines were passed over')
    expect(shown(gauge(0.3761, false, { way: 'unread' })).text()).toContain('fit no pattern')
  })
})
