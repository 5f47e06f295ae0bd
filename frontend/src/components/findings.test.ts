import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick } from 'vue'

import type { Document, Finding, Judgement, Mistake } from '@/api/client'
import { provideUnits } from '@/composables/useUnits'
import { provideWorking } from '@/composables/useWorking'
import { type FakeWork, fakeVehicle } from '@/testing'

import FindingList from './FindingList.vue'

const work = vi.hoisted(() => ({ now: null as FakeWork | null }))
vi.mock('@/composables/useVehicle', () => ({ useVehicle: () => work.now }))
vi.mock('vue-router', async (original) => ({ ...(await original<object>()), useRoute: () => undefined }))

const finding = (rule: string, place: string, grade: Finding['grade'], text: string, more = {}): Finding =>
  ({
    rule,
    place,
    grade,
    station: 'springs',
    text,
    numbers: {},
    reason: 'Because.',
    mend: { text: 'Mend it' },
    ...more,
  }) as Finding
const LOOSE = finding('loose', 'rear_left', 'look', 'Loose at droop')
const FLAT = finding('flat', 'vehicle', 'look', 'Rear over front')
const OTHER = finding('other', 'front', 'note', 'Worth knowing')
const TWICE: Mistake = {
  finding: finding('cause_whole_axle', 'rear', 'stop', 'The whole axle typed for one wheel', {
    mend: { text: 'Make it half', patch: [{ op: 'replace', path: '/vehicle/name', value: 'mended' }] },
    stand_by: [{ op: 'add', path: '/notes', value: 'it is so' }],
  }),
  agrees: [{ text: 'share then {then}', numbers: { then: { value: 0.14, unit: '' } } }],
  explains: [
    { rule: 'loose', place: 'rear_left' },
    { rule: 'flat', place: 'vehicle' },
  ],
  stays: 1,
  others: [],
} as Mistake

function list(findings: Finding[], judged: Partial<Judgement> = {}, props: Record<string, unknown> = {}) {
  const document = { vehicle: { name: 'car' }, setups: [{ id: 'found' }, { id: 'plan' }] } as unknown as Document
  work.now = fakeVehicle(document, { findings })
  work.now.judging.judged.value = { causes: [], tried: [], under_loads: [], ...judged }
  const Host = defineComponent({
    setup() {
      provideUnits()
      provideWorking()
      return () => h(FindingList, { findings, ...props })
    },
  })
  return mount(Host)
}
const lines = (host: ReturnType<typeof list>): string[] => host.findAll('li .says').map((s) => s.text())

describe('findings at the head of a bench', () => {
  it('tell the mistake first, with what follows from it folded under it', async () => {
    const host = list([LOOSE, FLAT, OTHER], { causes: [TWICE] })
    expect(lines(host)).toEqual(['The whole axle typed for one wheel', 'Worth knowing'])
    // it stands open, with what agrees then and what stays
    expect(host.text()).toContain('share then 14 %')
    expect(host.text()).toContain('1 stays')
    await host
      .findAll('button')
      .find((b) => b.text() === 'explains 2 others')!
      .trigger('click')
    expect(host.text()).toContain('Loose at droop')
    await host
      .findAll('button')
      .find((b) => b.text() === 'Make it half')!
      .trigger('click')
    expect(work.now!.document.value!.vehicle.name).toBe('mended')
  })
  it('stay open where one that was read turns out to follow from a mistake', async () => {
    const host = list([OTHER, LOOSE])
    await host
      .findAll('button.line')
      .find((b) => b.text().includes('Loose'))!
      .trigger('click')
    expect(host.text()).toContain('Mend it.')
    work.now!.judging.judged.value = { causes: [TWICE], tried: [], under_loads: [] } as unknown as Judgement
    await nextTick()
    expect(host.get('li.open').text()).toContain('The whole axle typed for one wheel')
    expect(host.text()).toContain('explains one other')
  })
  it('leave a mistake away on a bench where nothing follows from it', () => {
    expect(lines(list([OTHER], { causes: [TWICE] }))).toEqual(['Worth knowing'])
  })
  it('offer a mend by one tap only where it was tried, and on the document it was tried on', async () => {
    const patch = [{ op: 'replace', path: '/vehicle/name', value: 'mended' }]
    const mendable = finding('off', 'front', 'stop', 'Off its thread', { mend: { text: 'Move it', patch } })
    const untried = list([mendable])
    await untried.get('button.line').trigger('click')
    expect(untried.findAll('button').some((b) => b.text() === 'Move it')).toBe(false)
    expect(untried.text()).toContain('Move it.')
    const tried = list([mendable], { tried: [{ rule: 'off', place: 'front' }] })
    await tried.get('button.line').trigger('click')
    expect(tried.findAll('button').some((b) => b.text() === 'Move it')).toBe(true)
    work.now!.take('else', [{ op: 'replace', path: '/vehicle/name', value: 'another' }])
    await nextTick()
    expect(tried.findAll('button').some((b) => b.text() === 'Move it')).toBe(false)
  })
  it('name the load under which something stops, on the bench of its station alone', () => {
    const stop = { load: 'hay', name: 'hay', findings: [finding('bind', 'rear_left', 'stop', 'Coils close')] }
    const host = list([OTHER], { under_loads: [stop] }, { stations: ['springs'] })
    expect(lines(host)).toEqual(['Coils close', 'Worth knowing'])
    expect(host.text()).toContain('rear left, hay')
    expect(lines(list([OTHER], { under_loads: [stop] }, { stations: ['travel'] }))).toEqual(['Worth knowing'])
  })
})
