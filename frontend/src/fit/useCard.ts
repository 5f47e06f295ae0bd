import { computed, inject, type InjectionKey, onScopeDispose, provide, type Ref, ref, shallowRef, watch } from 'vue'

import { api, type Card, isAway, messageOf, type Step, type StepGroup, type Tick } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useVehicle } from '@/composables/useVehicle'

export type State = Tick['state']
type Said = { step: string; state: State; mark: string; who: string; reason: string }
const EVERY = 5000
/** Whoever works here: named once on this device, and told with each tick. */
export const who = ref(window.localStorage.getItem('feder-who') ?? '')
watch(who, (name) => window.localStorage.setItem('feder-who', name.trim()))

/** A job card at work: its steps, what holds of each, and saying so. Ticks said while Feder is away wait here. */
export interface CardWork {
  card: Ref<Card | null>
  trouble: Ref<string>
  asked: Ref<boolean>
  steps: Ref<Step[]>
  /** What holds of a step, if its mark is still the one it was said of. */
  tickOf: (step: Step) => Tick | null
  /** A tick that was made for other words or settings than the step has now. */
  fallen: (step: Step) => Tick | null
  isDone: (step: Step) => boolean
  /** What is known of a part: here, or still to buy. */
  partOf: (key: string) => State | null
  sayPart: (key: string, state: State) => void
  /** Ticks of steps that are not on the card any more. */
  gone: Ref<number>
  say: (step: Step, state: State, reason?: string) => void
  count: (group?: StepGroup) => { done: number; off: number; of: number }
  /** Ticks not saved yet. */
  waiting: Ref<number>
  /** Whether the cautions of loaded springs were read on this device, by whoever works. */
  read: Ref<boolean>
  acknowledge: () => void
  setup: Ref<string | null>
}
const key: InjectionKey<CardWork> = Symbol('card')

export function provideCard(): CardWork {
  const vehicle = useVehicle()
  const setup = computed(() => vehicle.report.value?.setup ?? null)
  const answer = useAnswer(
    (signal) => {
      const document = vehicle.reported.value
      const body = { document: document!, setup: setup.value!, against: parentOf() }
      return document && setup.value ? api.POST('/api/card', { body, signal }) : null
    },
    [vehicle.report],
  )
  /** A plan leads from what stands on the wheels: the newest fitted setup before it, or as found. */
  function parentOf(): string | null {
    const setups = vehicle.reported.value?.setups ?? []
    let at = setups.find((s) => s.id === setup.value)
    while (at?.parent) {
      const before = setups.find((s) => s.id === at!.parent)
      if (before && before.stage !== 'plan') return before.id
      at = before
    }
    return null
  }
  const card = computed(() => answer.found.value?.card ?? null)
  const steps = computed(() => (card.value?.groups ?? []).flatMap((g) => g.steps))

  const ticks = shallowRef<Map<string, Tick>>(new Map())
  const store = computed(() => `feder-ticks ${vehicle.id} ${setup.value ?? ''}`)
  const unsent = ref<Said[]>([])
  const refused = ref('')
  const place = () => ({ path: { vehicle_id: vehicle.id, setup: setup.value! } })
  const take = (found: Tick[]): void => void (ticks.value = new Map(found.map((t) => [t.step, t])))
  async function refresh(): Promise<void> {
    if (!setup.value || unsent.value.length) return
    const { data } = await api
      .GET('/api/vehicles/{vehicle_id}/cards/{setup}/ticks', { params: place() })
      .catch(() => ({ data: undefined }))
    if (data && !unsent.value.length) take(data.ticks)
  }
  let sending = false
  async function send(): Promise<void> {
    if (sending) return
    sending = true
    while (unsent.value.length) {
      const [body, kept] = [unsent.value[0]!, store.value]
      const { data, error } = await api
        .POST('/api/vehicles/{vehicle_id}/cards/{setup}/ticks', { params: place(), body })
        .catch((e: unknown) => ({ data: undefined, error: e }))
      if (!data && isAway(error)) break
      refused.value = data ? '' : messageOf(error)
      if (store.value !== kept) {
        // another setup was taken meanwhile: what was sent is taken off the list it stood on
        keep(kept, listed(kept).slice(1))
        continue
      }
      unsent.value = unsent.value.slice(1)
      keep()
      if (data && !unsent.value.length) take(data.ticks)
    }
    sending = false
  }
  function keep(where = store.value, list = unsent.value): void {
    try {
      window.localStorage.setItem(where, JSON.stringify(list))
    } catch {
      // a store that is full or shut: the tick still stands on this screen
    }
  }
  function listed(where: string): Said[] {
    try {
      return JSON.parse(window.localStorage.getItem(where) ?? '[]') as Said[]
    } catch {
      return []
    }
  }
  watch(
    store,
    () => {
      unsent.value = listed(store.value)
      ticks.value = new Map()
      void send().then(refresh)
    },
    { immediate: true },
  )
  const timer = window.setInterval(() => void send().then(refresh), EVERY)
  onScopeDispose(() => window.clearInterval(timer))

  const say = (step: Step, state: State, reason = ''): void => said(step, state, reason)
  function said(step: Pick<Step, 'key' | 'mark'>, state: State, reason = ''): void {
    const told = { step: step.key, state, mark: step.mark ?? '', who: who.value.trim(), reason }
    const now = new Map(ticks.value)
    if (state === 'open') now.delete(step.key)
    else now.set(step.key, { ...told, at: new Date().toISOString() })
    ticks.value = now
    unsent.value = [...unsent.value, told]
    keep()
    void send()
  }
  const ofMark = (step: Step, same: boolean): Tick | null => {
    const tick = ticks.value.get(step.key)
    return tick && (tick.mark === step.mark) === same ? tick : null
  }
  const tickOf = (step: Step): Tick | null => ofMark(step, true)
  const isDone = (step: Step): boolean => {
    const tick = tickOf(step)
    return !!tick && tick.state !== 'off'
  }
  const count = (group?: StepGroup) => {
    const among = group ? group.steps : steps.value
    const off = among.filter((s) => tickOf(s)?.state === 'off').length
    return { done: among.filter(isDone).length, off, of: among.length }
  }
  const readKey = computed(() => `feder-read-energy ${who.value.trim()}`)
  const reading = ref(0)
  const read = computed(() => (void reading.value, window.localStorage.getItem(readKey.value) === 'yes'))
  function acknowledge(): void {
    window.localStorage.setItem(readKey.value, 'yes')
    reading.value += 1
  }
  const work: CardWork = {
    card,
    trouble: computed(() => answer.trouble.value || refused.value),
    asked: answer.asked,
    steps,
    tickOf,
    fallen: (step) => ofMark(step, false),
    partOf: (part) => ticks.value.get(`part.${part}`.slice(0, 80))?.state ?? null,
    sayPart: (part, state) => said({ key: `part.${part}`.slice(0, 80), mark: '' }, state),
    gone: computed(() => {
      const keys = new Set(steps.value.map((s) => s.key))
      return steps.value.length
        ? [...ticks.value.keys()].filter((k) => !keys.has(k) && !k.startsWith('part.') && !k.startsWith('recheck.'))
            .length
        : 0
    }),
    isDone,
    say,
    count,
    waiting: computed(() => unsent.value.length),
    read,
    acknowledge,
    setup,
  }
  provide(key, work)
  return work
}

export function useCard(): CardWork {
  const work = inject(key)
  if (!work) throw new Error('no job card here')
  return work
}
