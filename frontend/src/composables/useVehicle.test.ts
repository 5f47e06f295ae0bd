import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'

import { provideHeights, type Heights } from './useHeights'
import { provideVehicle, type VehicleWork } from './useVehicle'

const drafts = new Map<string, unknown>()
vi.mock('idb-keyval', () => ({
  get: async (k: string) => drafts.get(k),
  set: async (k: string, v: unknown) => void drafts.set(k, structuredClone(v)),
  del: async (k: string) => void drafts.delete(k),
}))

const side = () => ({ set_by: 'height', hub_to_arch: 0.354 })
const sides = () => ({ front_left: side(), front_right: side(), rear_left: side(), rear_right: side() })
const fresh = () => ({
  format: 1,
  content: 'feder vehicle',
  vehicle: { name: 'Nettle', ends: {} },
  brief: { complaint: '' },
  setups: [
    { id: 'found', name: 'as found', stage: 'as found', sides: sides() },
    { id: 'plan', name: 'plan', stage: 'plan', parent: 'found', sides: sides() },
  ],
})

/** A server in small: one stored document with its revision, and a report that echoes the heights asked for. */
let stored: { id: string; revision: number; updated: string; document: unknown } = {
  id: 'v',
  revision: 1,
  updated: '2026-06-14T00:00:00',
  document: fresh(),
}
let down = false
const saves: number[] = []
const asked: string[] = []
function serve(): void {
  vi.stubGlobal('fetch', async (request: Request) => {
    const json = (status: number, body: unknown): Response =>
      new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
    if (request.url.endsWith('/evaluate')) {
      const { document, setup } = await request.json()
      asked.push(setup)
      const at = document.setups.find((s: { id: string }) => s.id === setup)
      const corners = Object.fromEntries(
        Object.entries(at.sides).map(([p, s]) => [
          p,
          { place: p, hub_to_arch: { value: (s as { hub_to_arch: number }).hub_to_arch, unit: 'm' } },
        ]),
      )
      return json(200, { report: { setup, corners, ends: {}, vehicle: {}, findings: [], stations: [] }, outline: {} })
    }
    if (down) throw new TypeError('away')
    if (request.method === 'GET') return json(200, stored)
    const { revision, document } = await request.json()
    if (revision !== stored.revision)
      return json(409, {
        error: { key: 'revision', message: 'late', faults: [] },
        stored,
        sent: { revision, document },
      })
    stored = { ...stored, revision: revision + 1, document }
    saves.push(stored.revision)
    return json(200, stored)
  })
}

let work: VehicleWork
let heights: Heights
function open() {
  return mount(
    defineComponent({
      setup() {
        work = provideVehicle('v')
        heights = provideHeights(work)
        return () => h('p')
      },
    }),
  )
}
const wait = async (ms = 0): Promise<void> => {
  await vi.advanceTimersByTimeAsync(ms)
  for (let i = 0; i < 20; i++) await vi.advanceTimersByTimeAsync(1)
}
const complain = (text: string): void => work.edit('complaint', [{ path: ['brief', 'complaint'], value: text }])
const told = (): string => (work.document.value as unknown as { brief: { complaint: string } }).brief.complaint

beforeEach(() => {
  vi.useFakeTimers()
  drafts.clear()
  saves.length = asked.length = 0
  down = false
  stored = { id: 'v', revision: 1, updated: '2026-06-14T00:00:00', document: fresh() }
  serve()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a vehicle at work', () => {
  it('opens on its plan, compared with as found, and saves once after a burst of edits', async () => {
    open()
    await wait()
    expect(work.setup.value?.id).toBe('plan')
    expect(work.against.value).toBe('found')
    for (const text of ['f', 'fl', 'floats']) complain(text)
    expect(work.saveState.value).toBe('saving')
    expect(drafts.size).toBe(1)
    await wait(450)
    expect(saves).toEqual([2])
    expect(work.saveState.value).toBe('saved')
    expect(drafts.size).toBe(0)
  })
  it('undoes a burst at once, and redoes it', async () => {
    open()
    await wait()
    for (const text of ['f', 'fl', 'floats']) complain(text)
    work.undo()
    expect(told()).toBe('')
    expect(work.canRedo.value).toBe('complaint')
    work.redo()
    expect(told()).toBe('floats')
  })
  it('keeps what was typed while the server is away, tells it, and saves when it is back', async () => {
    open()
    await wait()
    down = true
    complain('typed in a tunnel')
    await wait(450)
    expect(work.saveState.value).toBe('kept')
    expect(work.trouble.value).toMatch(/does not answer/)
    expect(drafts.size).toBe(1)
    down = false
    await wait(4100)
    expect(work.saveState.value).toBe('saved')
    expect((stored.document as unknown as { brief: { complaint: string } }).brief.complaint).toBe('typed in a tunnel')
  })
  it('takes up a draft that was never acknowledged', async () => {
    const draft = fresh()
    draft.brief.complaint = 'from before the crash'
    drafts.set('draft-v', { revision: 1, document: draft })
    open()
    await wait(500)
    expect(told()).toBe('from before the crash')
    expect(saves).toEqual([2])
  })
  it('asks when the vehicle was saved elsewhere, and overwrites only when told', async () => {
    open()
    await wait()
    const theirs = fresh()
    theirs.brief.complaint = 'theirs'
    stored = { ...stored, revision: 5, document: theirs }
    complain('mine')
    await wait(450)
    expect(work.saveState.value).toBe('stale')
    expect((stored.document as unknown as { brief: { complaint: string } }).brief.complaint).toBe('theirs')
    await wait(5000)
    expect(saves).toEqual([]) // waits for the choice
    void work.keepMine()
    await wait()
    expect(saves).toEqual([6])
    expect(told()).toBe('mine')
  })
  it('takes the other version when told, and forgets its own undo with it', async () => {
    open()
    await wait()
    const theirs = fresh()
    theirs.brief.complaint = 'theirs'
    stored = { ...stored, revision: 5, document: theirs }
    complain('mine')
    await wait(450)
    void work.takeTheirs()
    await wait()
    expect(told()).toBe('theirs')
    expect(work.canUndo.value).toBeNull()
    expect(drafts.size).toBe(0)
  })
  it('asks for one report at a time and always for the newest state', async () => {
    open()
    await wait()
    asked.length = 0
    for (let i = 0; i < 20; i++) complain(`x${i}`)
    await wait(50)
    expect(asked.length).toBeLessThanOrEqual(3)
  })
})

describe('heights', () => {
  const height = (p: string): number =>
    (work.setup.value!.sides as Record<string, { hub_to_arch: number }>)[p]!.hub_to_arch
  it('move both sides of an axle from where a drag began, or one corner alone', async () => {
    open()
    await wait()
    heights.begin()
    for (const travel of [0.001, 0.004, 0.01]) {
      heights.shift('front_left', travel)
      await wait(5)
    }
    heights.end()
    expect([height('front_left'), height('front_right'), height('rear_left')]).toEqual([0.344, 0.344, 0.354])
    work.undo()
    expect(height('front_left')).toBe(0.354)
    heights.together.value = false
    await wait(5)
    heights.begin()
    heights.shift('rear_right', -0.005)
    heights.end()
    expect([height('rear_right'), height('rear_left')]).toEqual([0.359, 0.354])
  })
})
