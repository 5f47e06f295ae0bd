import { useEventListener } from '@vueuse/core'
import { onScopeDispose, ref, type Ref, shallowRef, type ShallowRef } from 'vue'

import { api, type Document, messageOf, type StoredVehicle } from '@/api/client'

import * as drafts from './drafts'

export type SaveState = 'saved' | 'saving' | 'kept' | 'stale'
export interface Saving {
  state: Ref<SaveState>
  trouble: Ref<string | null>
  stale: ShallowRef<StoredVehicle | null>
  /** Whether the server has no such vehicle. */
  missing: Ref<boolean>
  /** What the server called the document that was loaded. */
  loaded: () => string | null
  /** The document as stored, or as this tab left it unsaved; nothing where it cannot be had. */
  load: () => Promise<Document | null>
  /** The document changed: keep it here, and save it soon. */
  changed: (dragging: boolean) => void
  rested: () => void
  keepMine: () => Promise<void>
  takeTheirs: () => Promise<Document | null>
  keepBoth: () => Promise<string | null>
}
const SAVE_AFTER = 400
const TRY_AGAIN = 4000
const WAIT_FOR_OWN = 5000
/** Saves still under way of pages just left: the same vehicle opened again waits for its own, not for ever. */
const leaving = new Map<string, Promise<void>>()

/**
 * One vehicle's way to the server: saved soon after the last change, kept in the browser until it is there.
 * `underWay` is what may still change it when the page is left.
 */
export function useSaving(id: string, document: ShallowRef<Document | null>, underWay: () => Promise<unknown>): Saving {
  const state = ref<SaveState>('saved')
  const trouble = ref<string | null>(null)
  const stale = shallowRef<StoredVehicle | null>(null)
  const missing = ref(false)
  let revision = 0
  let stored: string | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Document | null = null
  let gone = false

  const keepDraft = (): void => {
    const now = document.value
    if (now) void drafts.keep({ vehicle: id, name: now.vehicle.name, revision, document: now, sending, at: Date.now() })
  }
  const soon = (after = SAVE_AFTER): void => {
    clearTimeout(timer)
    timer = setTimeout(() => void save(), after)
  }
  function changed(dragging: boolean): void {
    if (state.value !== 'stale') state.value = 'saving'
    if (!dragging) keepDraft()
    soon()
  }
  function rested(): void {
    if (state.value !== 'saved') keepDraft()
  }

  async function save(): Promise<void> {
    const now = document.value
    if (!now || state.value === 'stale') return
    if (sending) return soon()
    sending = now
    keepDraft()
    const { data, error, response } = await api
      .PUT('/api/vehicles/{vehicle_id}', {
        params: { path: { vehicle_id: id } },
        body: { revision, document: now },
      })
      .catch((e: unknown) => ({ data: undefined, error: e, response: undefined }))
    sending = null
    if (data) return taken(now, data.revision)
    if (response?.status === 409 && (error as unknown as { stored?: StoredVehicle }).stored) {
      stale.value = (error as unknown as { stored: StoredVehicle }).stored
      state.value = 'stale'
    } else {
      state.value = 'kept'
      trouble.value = messageOf(error)
      if (!gone && response?.status !== 422 && response?.status !== 404) soon(TRY_AGAIN)
    }
    keepDraft()
  }
  async function taken(now: Document, next: number): Promise<void> {
    revision = next
    trouble.value = null
    if (document.value !== now) return keepDraft()
    state.value = 'saved'
    await drafts.dropOwn(id)
  }

  async function load(): Promise<Document | null> {
    const own = leaving.get(id)
    if (own) await Promise.race([own, new Promise((r) => setTimeout(r, WAIT_FOR_OWN))])
    const { data, response, error } = await api
      .GET('/api/vehicles/{vehicle_id}', { params: { path: { vehicle_id: id } } })
      .catch((e: unknown) => ({ data: undefined, response: undefined, error: e }))
    if (!data) {
      missing.value = response?.status === 404
      trouble.value = messageOf(error)
      return null
    }
    revision = data.revision
    stored = data.state
    const draft = await drafts.own(id)
    return draft ? goOn(draft, data) : data.document
  }
  /** Go on where this tab left off: what it sent last may be what is stored now. */
  async function goOn(draft: drafts.Draft, stored: StoredVehicle): Promise<Document> {
    if ((await stateOf(draft.document)) === stored.state) {
      await drafts.dropOwn(id)
      return stored.document
    }
    const mine = draft.sending !== null && (await stateOf(draft.sending)) === stored.state
    if (draft.revision === stored.revision || mine) {
      document.value = draft.document
      changed(false)
    } else {
      stale.value = stored
      state.value = 'stale'
    }
    return draft.document
  }
  async function stateOf(of: Document): Promise<string | null> {
    const { data } = await api.POST('/api/state', { body: { document: of } }).catch(() => ({ data: undefined }))
    return data?.state ?? null
  }

  async function keepMine(): Promise<void> {
    if (!stale.value || !document.value) return
    revision = stale.value.revision
    stale.value = null
    state.value = 'saving'
    await save()
  }
  async function takeTheirs(): Promise<Document | null> {
    const theirs = stale.value
    if (!theirs) return null
    revision = theirs.revision
    stale.value = null
    state.value = 'saved'
    await drafts.dropOwn(id)
    return theirs.document
  }
  /** Mine as a vehicle of its own; only once it is there may the other version take its place. */
  async function keepBoth(): Promise<string | null> {
    if (!document.value) return null
    const name = `${document.value.vehicle.name} (mine)`.slice(0, 80)
    const mine = { ...document.value, vehicle: { ...document.value.vehicle, name } }
    const { data, error } = await api
      .POST('/api/vehicles/import', { body: mine as never, bodySerializer: (b: unknown) => JSON.stringify(b) } as never)
      .catch((e: unknown) => ({ data: undefined, error: e }))
    const made = (data as StoredVehicle | undefined)?.id ?? null
    if (made === null) trouble.value = messageOf(error)
    return made
  }

  const lastSave = async (): Promise<void> => {
    await underWay()
    clearTimeout(timer)
    while (sending) await new Promise((r) => setTimeout(r, 20))
    if (state.value === 'saving') await save()
  }
  useEventListener(window, 'pagehide', () => {
    if (state.value === 'saving') void save()
  })
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
    const last: Promise<void> = lastSave().finally(() => {
      if (leaving.get(id) === last) leaving.delete(id)
    })
    leaving.set(id, last)
  })
  return { state, trouble, stale, missing, loaded: () => stored, load, changed, rested, keepMine, takeTheirs, keepBoth }
}
