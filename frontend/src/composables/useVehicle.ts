import { until, useEventListener } from '@vueuse/core'
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
  watch,
} from 'vue'

import {
  type Act,
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
import { learn } from '@/api/wire'
import { type Beside, type Change, changed as changedBy, type Edit, edited, type Patch } from '@/logic/patch'

import { useAsking } from './vehicle/useAsking'
import { type Judging, useJudging } from './vehicle/useJudging'
import { recalled, remember } from './vehicle/remembered'
import { useHistory } from './vehicle/useHistory'
import { type SaveState, useSaving } from './vehicle/useSaving'

export type { SaveState } from './vehicle/useSaving'

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
  trouble: ComputedRef<string | null>
  missing: Ref<boolean>
  stale: Ref<StoredVehicle | null>
  canUndo: ComputedRef<string | null>
  canRedo: ComputedRef<string | null>
  /** `beside` is what goes with it elsewhere, taken back and done again with it. */
  edit: (words: string, edits: Edit[], beside?: Beside) => void
  /** Take changes that came from the server. */
  take: (words: string, changes: Change[]) => void
  /** Do what a bench offers: the core says what changes. Gives the sentence of a refusal, or nothing. */
  act: (words: string, act: Act, beside?: Beside) => Promise<string | null>
  beginGesture: () => void
  endGesture: () => void
  /** Whether a hand is dragging something: what is not under it may wait. */
  dragging: Ref<boolean>
  /** Mistakes that explain what is found, and what is asked of a number just typed. */
  judging: Judging
  undo: () => void
  redo: () => void
  selectSetup: (id: string) => void
  keepMine: () => Promise<void>
  takeTheirs: () => Promise<void>
  keepBoth: () => Promise<string | null>
}
const key: InjectionKey<VehicleWork> = Symbol('vehicle')

/** A number, or one with how it was got. */
const hasNumber = (value: unknown): boolean =>
  typeof value === 'number' || typeof (value as { value?: unknown } | null)?.value === 'number'

/** What the address asks for: a setup, and a load aboard. */
export interface AskedFor {
  setup?: string | null
  load?: string | null
}

export function provideVehicle(id: string, wanted: AskedFor = {}): VehicleWork {
  const document = shallowRef<Document | null>(null)
  const loadState = ref<string | null>(null)
  const setupId = ref('plan')
  const history = useHistory<Document>()
  let acts: Promise<unknown> = Promise.resolve()
  const saving = useSaving(id, document, () => acts)
  const refusal = ref<string | null>(null)

  const setupIndex = computed(() => Math.max(0, document.value?.setups.findIndex((s) => s.id === setupId.value) ?? 0))
  const setup = computed(() => document.value?.setups[setupIndex.value] ?? null)
  const places = computed(() => placesOf(document.value))
  const isFound = computed(() => setupIndex.value === 0)
  const against = computed(() => (isFound.value ? null : (document.value?.setups[0]?.id ?? null)))

  /** How the setup is looked at. Under the finger is the vehicle with its load: the report as weighed waits for the end. */
  const look = () => ({
    against: against.value,
    load_state: loadState.value,
    weighed: !(history.dragging.value && loadState.value && places.value.length === 2),
  })
  const asking = useAsking(() => {
    const now = document.value
    if (!now || !setup.value) return null
    if (loadState.value && !now.loads?.some((l) => l.id === loadState.value)) loadState.value = null
    return { document: now, setup: setup.value.id, ...look() }
  })

  const judging = useJudging(
    () => (document.value && setup.value ? { document: document.value, setup: setup.value.id } : null),
    asking.report,
    history.dragging,
  )

  function changed(next: Document, ask = true): void {
    document.value = next
    if (ask && history.dragging.value) void asking.ask()
    else if (ask) asking.askSoon()
    saving.changed(history.dragging.value)
  }
  function made({ document: next, patch }: { document: Document; patch: Patch }, ask = true, beside?: Beside): void {
    if (!patch.redo.length) return
    refusal.value = null
    history.keep(beside ? { ...patch, beside } : patch)
    changed(next, ask)
  }
  const edit = (words: string, edits: Edit[], beside?: Beside): void => {
    if (!document.value) return
    judging.typed(edits.filter((e) => hasNumber(e.value)).map((e) => e.path))
    made(edited(document.value, words, edits, Date.now()), true, beside)
  }
  const take = (words: string, changes: Change[], ask = true, beside?: Beside): void => {
    if (document.value) made(changedBy(document.value, words, changes, Date.now()), ask, beside)
  }
  // one act after the other, each from what the one before it left
  const acting = ref(0)
  function act(words: string, what: Act, beside?: Beside): Promise<string | null> {
    acting.value += 1
    const done = acts.then(() => acted(words, what, beside)).finally(() => (acting.value -= 1))
    acts = done
    return done
  }
  async function acted(words: string, what: Act, beside?: Beside): Promise<string | null> {
    const [now, of] = [document.value, setup.value]
    if (!now || !of) return null
    const looked = look()
    const { data, error } = await api
      .POST('/api/act', { body: { document: now, setup: of.id, act: what, look: looked } })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    refusal.value = data ? null : messageOf(error)
    if (!data) return refusal.value
    // the reports that came along are of this document, unless it went on meanwhile
    const same = document.value === now && setup.value === of && JSON.stringify(look()) === JSON.stringify(looked)
    take(words, data.patch as Change[], !same, beside)
    if (!same || !data.evaluated) return null
    learn(document.value!, data.state)
    asking.took(document.value!, data.evaluated)
    return null
  }
  /** Now, or where an act or a drag is under way, once it has come to rest: half of it cannot be undone. */
  function rested(then: () => void): void {
    const resting = (): boolean => !acting.value && !history.dragging.value
    if (resting()) return then()
    void until(resting)
      .toBe(true, { timeout: 5000, flush: 'sync' })
      .then(() => resting() && then())
  }
  const undo = (): void => rested(goBack)
  const redo = (): void => rested(goForth)
  function goBack(): void {
    const back = document.value && history.back(document.value)
    if (!back) return
    changed(back)
    if (setupIndex.value === 0 && back.setups[0]?.id !== setupId.value) setupId.value = back.setups.at(-1)!.id
  }
  function goForth(): void {
    const next = document.value && history.forth(document.value)
    if (next) changed(next)
  }
  watch(history.dragging, (now) => {
    if (now) return
    saving.rested()
    if (loadState.value && places.value.length === 2) void asking.ask()
  })

  async function load(): Promise<void> {
    const found = await saving.load()
    if (!found) return
    const before = recalled(id, found, saving.loaded())
    const has = (s: string | null | undefined): boolean => found.setups.some((x) => x.id === s)
    const last = found.setups.findLast((s) => s.stage === 'plan') ?? found.setups.at(-1)
    setupId.value = [wanted.setup, before?.setup, last?.id].find(has) ?? 'plan'
    document.value = found
    if (before) history.recall(before.history)
    const load = wanted.load ?? before?.load
    if (load && found.loads?.some((l) => l.id === load)) loadState.value = load
    else if (places.value.length === 2) {
      // what a two-wheeler will do, it does with its rider on
      const carrying = (found.loads ?? []).filter((l) => l.items?.length)
      const told = found.surveys?.[0]?.conditions?.rider
      loadState.value = (carrying.find((l) => l.id === told) ?? carrying[0])?.id ?? null
    }
    await asking.ask()
  }
  async function takeTheirs(): Promise<void> {
    const theirs = await saving.takeTheirs()
    if (!theirs) return
    document.value = theirs
    history.clear()
    await asking.ask()
  }
  async function keepBoth(): Promise<string | null> {
    const copy = await saving.keepBoth()
    if (copy !== null) await takeTheirs()
    return copy
  }
  void load()
  const keepPlace = (): void => {
    if (document.value) remember(id, document.value, setupId.value, loadState.value, history.all())
  }
  useEventListener(window, 'pagehide', keepPlace)
  onScopeDispose(keepPlace)

  const work: VehicleWork = {
    id,
    document,
    report: asking.report,
    reported: asking.reported,
    loadState,
    carry: (state) => {
      loadState.value = state
      void asking.ask()
    },
    shown: computed(() => (loadState.value ? asking.loaded.value : null) ?? asking.report.value),
    outline: asking.outline,
    setup,
    places,
    setupIndex,
    setupId,
    isFound,
    against,
    saveState: computed(() => (acting.value && saving.state.value === 'saved' ? 'saving' : saving.state.value)),
    trouble: computed(() => refusal.value ?? asking.trouble.value ?? saving.trouble.value),
    missing: saving.missing,
    stale: saving.stale,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    edit,
    take,
    act,
    dragging: history.dragging,
    judging,
    beginGesture: history.begin,
    endGesture: history.end,
    undo,
    redo,
    selectSetup: (next) => {
      setupId.value = next
      void asking.ask()
    },
    keepMine: saving.keepMine,
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
