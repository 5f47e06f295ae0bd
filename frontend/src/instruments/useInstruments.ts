import { onScopeDispose, ref, shallowRef } from 'vue'

import { api, type Instrument, type InstrumentKind, messageOf } from '@/api/client'

import fields from '@/units/measured.json'

/** How often readings are asked for while somebody looks at them, ms, and how long a list of none is believed. */
const EVERY = 250
const SELDOM = 2500
const BELIEVED = 8000

const list = shallowRef<Instrument[]>([])
const missing = shallowRef<InstrumentKind[]>([])
const trouble = ref('')
const loaded = ref(false)
let watching = 0
let asked = 0
let timer: ReturnType<typeof setTimeout> | undefined

type Answer = { data?: { instruments: Instrument[]; missing: InstrumentKind[] }; error?: unknown }
async function take(answer: Promise<Answer>): Promise<boolean> {
  const { data, error } = await answer.catch((e: unknown): Answer => ({ error: e }))
  asked = Date.now()
  trouble.value = data ? '' : messageOf(error)
  if (!data) return false
  list.value = data.instruments
  missing.value = data.missing
  loaded.value = true
  return true
}
async function again(): Promise<void> {
  clearTimeout(timer)
  if (!watching) return
  await take(api.GET('/api/instruments'))
  clearTimeout(timer)
  const runs = list.value.some((i) => i.way !== 'stopped')
  if (watching) timer = setTimeout(() => void again(), runs ? EVERY : SELDOM)
}
/** Which kind of instrument measures what a field holds. */
export const measuredBy = (of: string | undefined): InstrumentKind | null =>
  (of && (fields as Record<string, InstrumentKind>)[of]) || null

/** The instruments of the workshop: asked for while somebody looks, one list for all who do. */
export function useInstruments() {
  let mine = false
  function watch(): void {
    if (mine) return
    mine = true
    watching += 1
    void again()
  }
  function unwatch(): void {
    if (mine) watching -= 1
    mine = false
  }
  onScopeDispose(unwatch)
  /** Whether one of a kind runs; asked again only after a while. */
  async function glance(kind: InstrumentKind): Promise<boolean> {
    if (Date.now() - asked > BELIEVED) await take(api.GET('/api/instruments'))
    return list.value.some((i) => i.kind === kind && i.way !== 'stopped')
  }
  const path = (instrument: number) => ({ params: { path: { instrument } } })
  return {
    list,
    missing,
    trouble,
    loaded,
    watch,
    unwatch,
    glance,
    start: (id: number) => take(api.POST('/api/instruments/{instrument}/start', path(id))),
    stop: (id: number) => take(api.POST('/api/instruments/{instrument}/stop', path(id))),
    remove: (id: number) => take(api.DELETE('/api/instruments/{instrument}', path(id))),
    run: (id: number) => take(api.POST('/api/instruments/{instrument}/run', path(id))),
    held: (kind: InstrumentKind, at: string) => take(api.POST('/api/instruments/at', { body: { kind, at } })),
    simulate: (kinds: InstrumentKind[], vehicle: string | null) =>
      take(api.POST('/api/instruments/simulate', { body: { kinds, vehicle } })),
    connect: (body: { kind: InstrumentKind; url: string; baud: number; pattern: string }) =>
      take(api.POST('/api/instruments', { body })),
  }
}
