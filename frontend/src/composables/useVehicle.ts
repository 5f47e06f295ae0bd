import { del, get, set } from 'idb-keyval'
import {
  computed,
  type ComputedRef,
  inject,
  type InjectionKey,
  onScopeDispose,
  provide,
  type Ref,
  ref,
  shallowRef,
} from 'vue'

import {
  api,
  type Document,
  messageOf,
  type Outline,
  type Place,
  placesOf,
  type Report,
  type Setup,
  type StoredVehicle,
} from '@/api/client'
import { emptyHistory, type Gesture, pushed, redone, undone } from '@/logic/history'
import { backward, forward, type Path, stepsFor, type Step } from '@/logic/patch'

export type SaveState = 'saved' | 'saving' | 'kept' | 'stale'
interface Draft {
  revision: number
  document: Document
}

/** One vehicle at work: its document, undo, saving, and the live report of the setup in hand. */
export interface VehicleWork {
  id: string
  document: Ref<Document | null>
  report: Ref<Report | null>
  /** The document the report was made from: what is drawn from both must use this one, not a newer. */
  reported: Ref<Document | null>
  /** What the vehicle carries in the stance; the benches' own report is always as weighed. */
  loadState: Ref<string | null>
  carry: (state: string | null) => void
  /** The report under the load carried, or the report. */
  shown: ComputedRef<Report | null>
  outline: Ref<Outline | null>
  setup: ComputedRef<Setup | null>
  /** Corners of a car, or both wheels of a two-wheeler. */
  places: ComputedRef<Place[]>
  setupIndex: ComputedRef<number>
  setupId: Ref<string>
  isFound: ComputedRef<boolean>
  against: ComputedRef<string | null>
  saveState: Ref<SaveState>
  trouble: Ref<string | null>
  missing: Ref<boolean>
  stale: Ref<StoredVehicle | null>
  canUndo: ComputedRef<string | null>
  canRedo: ComputedRef<string | null>
  edit: (words: string, changes: { path: Path; value: unknown }[]) => void
  /** Changes from here to the end are one gesture, undone by itself, however slow the hand. */
  beginGesture: () => void
  endGesture: () => void
  /** Whether a hand is dragging something: what is not under it may wait. */
  dragging: Ref<boolean>
  undo: () => void
  redo: () => void
  selectSetup: (id: string) => void
  keepMine: () => Promise<void>
  takeTheirs: () => Promise<void>
  keepBoth: () => Promise<string | null>
}
const key: InjectionKey<VehicleWork> = Symbol('vehicle')
const SAVE_AFTER = 400
/** Saves still under way of pages just left: the same vehicle opened again waits for its own, or it would meet it as another's. */
const leaving = new Map<string, Promise<void>>()

export function provideVehicle(id: string): VehicleWork {
  const document = shallowRef<Document | null>(null)
  const report = shallowRef<Report | null>(null)
  const reported = shallowRef<Document | null>(null)
  const outline = shallowRef<Outline | null>(null)
  const loadState = ref<string | null>(null)
  const loaded = shallowRef<Report | null>(null)
  const setupId = ref('plan')
  const revision = ref(0)
  const saveState = ref<SaveState>('saved')
  const trouble = ref<string | null>(null)
  const missing = ref(false)
  const stale = shallowRef<StoredVehicle | null>(null)
  const history = shallowRef(emptyHistory())
  const draftKey = `draft-${id}`
  let timer: ReturnType<typeof setTimeout> | undefined
  let saving = false
  let asking = false
  let askAgain = false
  let gone = false
  let gesture: Gesture = 'none'
  const dragging = ref(false)
  const setGesture = (to: Gesture): void => {
    const ended = dragging.value && to === 'none'
    gesture = to
    dragging.value = to !== 'none'
    if (ended && saveState.value !== 'saved') keepDraft()
    if (ended && loadState.value && places.value.length === 2) void ask()
  }

  const setupIndex = computed(() => Math.max(0, document.value?.setups.findIndex((s) => s.id === setupId.value) ?? 0))
  const setup = computed(() => document.value?.setups[setupIndex.value] ?? null)
  const places = computed(() => placesOf(document.value))
  const isFound = computed(() => setupIndex.value === 0)
  const against = computed(() => (isFound.value ? null : (document.value?.setups[0]?.id ?? null)))

  /** Ask for the report; while one question is out, only the newest state is asked next. */
  async function ask(): Promise<void> {
    if (asking) {
      askAgain = true
      return
    }
    asking = true
    do {
      askAgain = false
      const now = document.value
      if (!now || !setup.value) break
      if (dragging.value && loadState.value && places.value.length === 2) {
        // under the finger is the vehicle with its load: the benches' own report waits for the end of the drag
        await askLoaded(now, setup.value.id)
        continue
      }
      const { data, error } = await api
        .POST('/api/evaluate', {
          body: { document: now, setup: setup.value.id, against: against.value },
        })
        .catch((e: unknown) => ({ data: undefined, error: e }))
      if (data) {
        reported.value = now
        report.value = data.report
        outline.value = data.outline
        trouble.value = null
      } else trouble.value = messageOf(error)
      await askLoaded(now, setup.value.id)
    } while (askAgain && !gone)
    asking = false
  }

  async function askLoaded(now: Document, of: string): Promise<void> {
    if (loadState.value && !now.loads?.some((l) => l.id === loadState.value)) loadState.value = null
    const state = loadState.value
    if (!state) return void (loaded.value = null)
    const { data } = await api
      .POST('/api/evaluate', {
        body: { document: now, setup: of, against: against.value, load_state: state },
      })
      .catch(() => ({ data: undefined }))
    loaded.value = data?.report ?? null
  }
  function carry(state: string | null): void {
    loadState.value = state
    void ask()
  }

  /** Kept in the browser until the server has it; during a drag once, at its end. */
  function keepDraft(): void {
    const now = document.value
    if (now) void set(draftKey, { revision: revision.value, document: now } satisfies Draft).catch(() => undefined)
  }

  function changed(next: Document): void {
    document.value = next
    void ask()
    saveState.value = saveState.value === 'stale' ? 'stale' : 'saving'
    if (!dragging.value) keepDraft()
    clearTimeout(timer)
    timer = setTimeout(() => void save(), SAVE_AFTER)
  }

  async function save(): Promise<void> {
    const sent = document.value
    if (!sent || saveState.value === 'stale') return
    if (saving) {
      clearTimeout(timer)
      timer = setTimeout(() => void save(), SAVE_AFTER)
      return
    }
    saving = true
    const { data, error, response } = await api
      .PUT('/api/vehicles/{vehicle_id}', {
        params: { path: { vehicle_id: id } },
        body: { revision: revision.value, document: sent },
      })
      .catch((e: unknown) => ({ data: undefined, error: e, response: undefined }))
    saving = false
    if (data) {
      revision.value = data.revision
      trouble.value = null
      if (document.value === sent) {
        saveState.value = 'saved'
        await del(draftKey).catch(() => undefined)
      } else
        await set(draftKey, { revision: data.revision, document: document.value! } satisfies Draft).catch(
          () => undefined,
        )
    } else if (response?.status === 409) {
      stale.value = (error as unknown as { stored: StoredVehicle }).stored
      saveState.value = 'stale'
    } else {
      saveState.value = 'kept'
      trouble.value = messageOf(error)
      if (!gone && response?.status !== 422) timer = setTimeout(() => void save(), 4000)
    }
  }

  async function load(): Promise<void> {
    await leaving.get(id)
    const { data, response, error } = await api
      .GET('/api/vehicles/{vehicle_id}', { params: { path: { vehicle_id: id } } })
      .catch((e: unknown) => ({ data: undefined, response: undefined, error: e }))
    if (!data) {
      missing.value = response?.status === 404
      trouble.value = messageOf(error)
      return
    }
    revision.value = data.revision
    const last = data.document.setups.findLast((s) => s.stage === 'plan') ?? data.document.setups.at(-1)
    setupId.value = last?.id ?? 'plan'
    document.value = data.document
    if (placesOf(data.document).length === 2) {
      // what a two-wheeler will do, it does with its rider on
      const carrying = (data.document.loads ?? []).filter((l) => l.items?.length)
      loadState.value =
        (carrying.find((l) => l.id === data.document.surveys?.[0]?.conditions?.rider) ?? carrying[0])?.id ?? null
    }
    const draft = await get<Draft>(draftKey).catch(() => undefined)
    if (draft && JSON.stringify(draft.document) !== JSON.stringify(data.document)) {
      document.value = draft.document
      if (draft.revision === data.revision) changed(draft.document)
      else {
        stale.value = data
        saveState.value = 'stale'
      }
    }
    await ask()
  }

  function edit(words: string, changes: { path: Path; value: unknown }[]): void {
    if (!document.value) return
    const steps: Step[] = stepsFor(document.value, changes)
    if (steps.every((s) => JSON.stringify(s.before ?? null) === JSON.stringify(s.after ?? null))) return
    history.value = pushed(history.value, { words, steps, at: Date.now() }, gesture)
    if (gesture === 'first') gesture = 'within'
    changed(forward(document.value, steps))
  }

  function undo(): void {
    const found = undone(history.value)
    if (!found || !document.value) return
    history.value = found.history
    changed(backward(document.value, found.patch.steps))
    if (setupIndex.value === 0 && document.value.setups[0]?.id !== setupId.value)
      setupId.value = document.value.setups.at(-1)!.id
  }
  function redo(): void {
    const found = redone(history.value)
    if (!found || !document.value) return
    history.value = found.history
    changed(forward(document.value, found.patch.steps))
  }

  async function keepMine(): Promise<void> {
    if (!stale.value || !document.value) return
    revision.value = stale.value.revision
    stale.value = null
    saveState.value = 'saving'
    await save()
  }
  async function takeTheirs(): Promise<void> {
    if (!stale.value) return
    revision.value = stale.value.revision
    document.value = stale.value.document
    history.value = emptyHistory()
    stale.value = null
    saveState.value = 'saved'
    await del(draftKey).catch(() => undefined)
    await ask()
  }
  async function keepBoth(): Promise<string | null> {
    if (!document.value) return null
    const mine = {
      ...document.value,
      vehicle: { ...document.value.vehicle, name: `${document.value.vehicle.name} (mine)`.slice(0, 80) },
    }
    const { data } = await api.POST('/api/vehicles/import', {
      body: mine as never,
      bodySerializer: (b: unknown) => JSON.stringify(b),
    } as never)
    await takeTheirs()
    return (data as StoredVehicle | undefined)?.id ?? null
  }

  function selectSetup(next: string): void {
    setupId.value = next
    void ask()
  }

  const leave = (): void => {
    if (saveState.value === 'saving') void save()
  }
  window.addEventListener('pagehide', leave)
  async function lastSave(): Promise<void> {
    while (saving) await new Promise((r) => setTimeout(r, 20))
    if (saveState.value === 'saving') await save()
  }
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
    const last: Promise<void> = lastSave().finally(() => {
      if (leaving.get(id) === last) leaving.delete(id)
    })
    leaving.set(id, last)
    window.removeEventListener('pagehide', leave)
  })
  void load()

  const work: VehicleWork = {
    id,
    document,
    report,
    reported,
    loadState,
    carry,
    shown: computed(() => (loadState.value ? loaded.value : null) ?? report.value),
    outline,
    setup,
    places,
    setupIndex,
    setupId,
    isFound,
    against,
    saveState,
    trouble,
    missing,
    stale,
    canUndo: computed(() => history.value.done.at(-1)?.words ?? null),
    canRedo: computed(() => history.value.undone.at(-1)?.words ?? null),
    edit,
    dragging,
    beginGesture: () => setGesture('first'),
    endGesture: () => setGesture('none'),
    undo,
    redo,
    selectSetup,
    keepMine,
    takeTheirs,
    keepBoth,
  }
  provide(key, work)
  return work
}

export const useVehicle = (): VehicleWork => {
  const found = inject(key)
  if (!found) throw new Error('the vehicle is provided by WorkspacePage')
  return found
}
