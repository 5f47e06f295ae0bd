import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'

import { forget } from '@/api/wire'

import { applied } from '@/logic/patch'

import { provideHeights, type Heights } from './useHeights'
import { provideVehicle, type VehicleWork } from './useVehicle'
import { tab, waiting } from './vehicle/drafts'

const drafts = new Map<string, unknown>()
vi.mock('idb-keyval', () => ({
  entries: async () => [...drafts.entries()],
  get: async (k: string) => drafts.get(k),
  set: async (k: string, v: unknown) => void drafts.set(k, structuredClone(v)),
  del: async (k: string) => void drafts.delete(k),
}))

const side = () => ({ set_by: 'height', hub_to_arch: 0.354 })
const sides = () => ({ front_left: side(), front_right: side(), rear_left: side(), rear_right: side() })
const fresh = () => ({
  format: 2,
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
let deaf = false
let refusing = false
const imported: unknown[] = []
/** As the server: what is left to its default and what is written out are one. */
const stateOf = (document: unknown): string =>
  JSON.stringify(document, (_k, v: unknown) => (v === null ? undefined : v))
const saves: number[] = []
const asked: string[] = []
/** What came, whole: a document may come as changes to one known by its state. */
const known = new Map<string, object>()
const told_ = ({ document }: { document: object }, json: (s: number, b: unknown) => Response): Response => {
  known.set(stateOf(document), document)
  return json(200, { state: stateOf(document) })
}
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a server takes what comes
async function bodyOf(request: Request): Promise<any> {
  const body = await request.json()
  return body.base ? { ...body, document: applied(known.get(body.base)!, body.patch) } : body
}
function serve(): void {
  vi.stubGlobal('fetch', async (request: Request) => {
    const json = (status: number, body: unknown): Response =>
      new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } })
    if (request.url.endsWith('/evaluate')) {
      const { document, setup } = await bodyOf(request)
      asked.push(setup)
      const at = document.setups.find((s: { id: string }) => s.id === setup)
      const corners = Object.fromEntries(
        Object.entries(at.sides).map(([p, s]) => [
          p,
          { place: p, hub_to_arch: { value: (s as { hub_to_arch: number }).hub_to_arch, unit: 'm' } },
        ]),
      )
      const report = { setup, corners, ends: {}, vehicle: {}, findings: [], stations: [] }
      return json(200, { report, loaded: null, outline: {} })
    }
    if (down) throw new TypeError('away')
    if (request.url.endsWith('/state')) return told_(await bodyOf(request), json)
    if (request.url.endsWith('/import')) {
      if (refusing) return json(422, { error: { key: 'file', message: 'The file was refused whole', faults: [] } })
      imported.push(await bodyOf(request))
      return json(201, { ...stored, id: 'copy' })
    }
    if (request.url.endsWith('/act')) {
      const { act } = await bodyOf(request)
      if (act.collar > 1) return json(422, { error: { key: 'collar', message: 'that is no collar', faults: [] } })
      const path = `/setups/1/sides/${act.place}/collar`
      return json(200, { patch: [{ op: 'add', path, value: act.collar }], state: 'x' })
    }
    if (request.method === 'GET') return json(200, { ...stored, state: stateOf(stored.document) })
    const { revision, document } = await bodyOf(request)
    if (revision !== stored.revision)
      return json(409, {
        error: { code: 'stale', key: 'revision', message: 'late', faults: [] },
        stored: { ...stored, state: stateOf(stored.document) },
      })
    stored = { ...stored, revision: revision + 1, document }
    saves.push(stored.revision)
    if (deaf) return new Promise<Response>(() => undefined)
    return json(200, { revision: stored.revision })
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
  forget()
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
  const draft = (of: object, more: object = {}): void =>
    void drafts.set(`draft/v/${tab}`, {
      vehicle: 'v',
      tab,
      name: 'Nettle',
      revision: 1,
      document: of,
      sending: null,
      at: 0,
      ...more,
    })
  it('takes up a draft that was never acknowledged', async () => {
    const left = fresh()
    left.brief.complaint = 'from before the crash'
    draft(left)
    open()
    await wait(500)
    expect(told()).toBe('from before the crash')
    expect(saves).toEqual([2])
    expect(drafts.size).toBe(0)
  })
  it('knows its own last save again, though its answer was never heard', async () => {
    open()
    await wait()
    deaf = true
    complain('typed')
    await wait(500)
    expect(stored.revision).toBe(2)
    deaf = false
    const kept = [...drafts.values()][0] as { document: object; revision: number }
    expect(kept.revision).toBe(1)
    // typed on while the save was under way, and then the tab was closed
    kept.document = { ...kept.document, brief: { complaint: 'typed on' } }
    open()
    await wait(600)
    expect(work.saveState.value).toBe('saved')
    expect(told()).toBe('typed on')
    expect(saves).toEqual([2, 3])
  })
  it('meets no stranger in a draft that says the same in other words', async () => {
    stored = { ...stored, revision: 9, document: { ...fresh(), notes: null } }
    draft(fresh())
    open()
    await wait(500)
    expect(work.saveState.value).toBe('saved')
    expect(saves).toEqual([])
    expect(drafts.size).toBe(0)
  })
  it('leaves the drafts of other tabs alone', async () => {
    drafts.set('draft/v/other', {
      vehicle: 'v',
      tab: 'other',
      name: 'Nettle',
      revision: 1,
      document: fresh(),
      sending: null,
      at: 5,
    })
    open()
    await wait()
    complain('mine')
    await wait(600)
    expect([...drafts.keys()]).toEqual(['draft/v/other'])
    expect((await waiting()).map((d) => d.tab)).toEqual(['other'])
  })
  it('does what the core says of an act as one undo, and tells why one is refused', async () => {
    open()
    await wait()
    expect(
      await work.act('collar', { act: 'ask collar', place: 'front_left', collar: 0.02, together: false }),
    ).toBeNull()
    expect(work.setup.value!.sides!.front_left!.collar).toBe(0.02)
    work.undo()
    expect(work.setup.value!.sides!.front_left!.collar).toBeUndefined()
    expect(await work.act('collar', { act: 'ask collar', place: 'front_left', collar: 2, together: false })).toBe(
      'that is no collar',
    )
  })
  it('saves an act that was still under way when the page was left, before the vehicle is opened again', async () => {
    const page = open()
    await wait()
    const act = work.act('collar', { act: 'ask collar', place: 'front_left', collar: 0.02, together: false })
    page.unmount()
    open()
    await act
    await wait(600)
    expect(saves).toEqual([2])
    expect(work.setup.value!.sides!.front_left!.collar).toBe(0.02)
    expect(work.saveState.value).toBe('saved')
  })
  it('keeps both only once mine is there, and loses nothing where it is refused', async () => {
    open()
    await wait()
    stored = { ...stored, revision: 5, document: { ...fresh(), notes: 'theirs' } }
    complain('mine')
    await wait(450)
    refusing = true
    expect(await work.keepBoth()).toBeNull()
    expect(told()).toBe('mine')
    expect(work.saveState.value).toBe('stale')
    expect(work.trouble.value).toContain('refused')
    refusing = false
    expect(await work.keepBoth()).toBe('copy')
    expect(imported).toMatchObject([{ brief: { complaint: 'mine' }, vehicle: { name: 'Nettle (mine)' } }])
    expect(told()).toBe('')
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
