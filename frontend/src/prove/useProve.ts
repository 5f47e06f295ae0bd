import {
  computed,
  type ComputedRef,
  inject,
  type InjectionKey,
  onScopeDispose,
  provide,
  type Ref,
  ref,
  watch,
} from 'vue'

import {
  api,
  type AtSpeed,
  type EndName,
  type KnownRoad,
  type Proving,
  type Trialled,
  type Why,
  placesOf,
} from '@/api/client'
import { type Answer, useAnswer } from '@/composables/useAnswer'
import { useVehicle } from '@/composables/useVehicle'

import { indexAt } from './trace'

/** What a vehicle is driven over while nothing was chosen. */
export const FIRST: Required<Proving> = { road: 'bump', speed: 60 / 3.6, seed: 7, own: [], on_sheet: false }
export const RATES = [1, 0.25] as const

export interface Prove {
  proving: ComputedRef<Required<Proving>>
  roads: Ref<KnownRoad[]>
  against: ComputedRef<string | null>
  others: ComputedRef<{ id: string; name: string }[]>
  holdAgainst: (setup: string) => void
  run: ComputedRef<Trialled | null>
  answer: Answer<{ run: Trialled }>
  whys: ComputedRef<Why[]>
  whysAsked: Ref<boolean>
  speeds: ComputedRef<AtSpeed[]>
  askSpeeds: () => void
  shown: Ref<EndName | 'both'>
  /** Where the cursor stands: the index of a drawn point. */
  at: Ref<number>
  step: (by: number) => void
  moveTo: (distance: number) => void
  playing: Ref<boolean>
  rate: Ref<number>
  play: () => void
  set: (words: string, change: Partial<Proving>) => void
}
const key: InjectionKey<Prove> = Symbol('prove')

/** Both setups over the road that the document tells: the run, its reasons, and the cursor that rides along. */
export function provideProve(): Prove {
  const vehicle = useVehicle()
  const proving = computed(() => ({ ...FIRST, ...vehicle.document.value?.proving }))
  const chosen = ref<string | null>(null)
  const others = computed(() =>
    (vehicle.document.value?.setups ?? [])
      .filter((s) => s.id !== vehicle.setup.value?.id)
      .map((s) => ({ id: s.id, name: s.name })),
  )
  const against = computed(() => {
    const told = others.value.find((s) => s.id === chosen.value)
    return told?.id ?? (vehicle.isFound.value ? others.value.at(-1)?.id : others.value[0]?.id) ?? null
  })
  const question = () => {
    const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
    if (!document || !setup || !against.value || setup === against.value) return null
    return { document, setup, against: against.value, load_state: vehicle.loadState.value }
  }
  const on = [vehicle.report, against, vehicle.loadState]
  const answer = useAnswer((signal) => {
    const body = question()
    return body && api.POST('/api/prove/run', { body, signal })
  }, on)
  // what could not be driven shows nothing of what was driven before
  const run = computed(() =>
    answer.trouble.value ? null : ((answer.found.value?.run as Trialled | undefined) ?? null),
  )
  // why comes after what: its own question, once the run is there
  const reasons = useAnswer(
    (signal) => {
      const body = run.value && question()
      return body ? api.POST('/api/prove/whys', { body, signal }) : null
    },
    [run],
  )
  const wanted = ref(false)
  const sweep = useAnswer(
    (signal) => {
      const body = wanted.value && run.value && question()
      return body ? api.POST('/api/prove/speeds', { body, signal }) : null
    },
    [run, wanted],
  )
  const kind = computed(
    () => (placesOf(vehicle.document.value).length === 2 ? 'motorcycle' : 'car') as 'car' | 'motorcycle',
  )
  const known = useAnswer(
    (signal) => api.GET('/api/prove/roads', { params: { query: { kind: kind.value } }, signal }),
    [kind],
  )

  const at = ref(0)
  const playing = ref(false)
  const rate = ref<number>(1)
  const last = computed(() => Math.max(0, (run.value?.distance.length ?? 1) - 1))
  watch(run, (now, before) => {
    if (!now) return
    const stays = before && at.value > 0 && before.distance.length === now.distance.length
    // where it nods most is what is looked at first
    const { pitch_told: nod } = now.now.traces
    const most = Math.abs(nod.least) > Math.abs(nod.most) ? nod.least_at : nod.most_at
    if (!stays) at.value = indexAt(now.distance, most)
    at.value = Math.min(at.value, last.value)
  })
  const step = (by: number): void => {
    playing.value = false
    at.value = Math.min(last.value, Math.max(0, at.value + by))
  }
  const moveTo = (distance: number): void => {
    playing.value = false
    if (run.value) at.value = indexAt(run.value.distance, distance)
  }
  let before = 0
  let time = 0
  function frame(now: number): void {
    const it = run.value
    if (!playing.value || !it) return
    time += ((now - before) / 1000) * rate.value
    before = now
    at.value = indexAt(it.time, time)
    if (at.value >= last.value) playing.value = false
    else requestAnimationFrame(frame)
  }
  function play(): void {
    if (playing.value) return void (playing.value = false)
    if (!run.value) return
    if (at.value >= last.value) at.value = 0
    time = run.value.time[at.value] ?? 0
    before = performance.now()
    playing.value = true
    requestAnimationFrame(frame)
  }
  onScopeDispose(() => (playing.value = false))

  function set(words: string, change: Partial<Proving>): void {
    vehicle.edit(words, [{ path: ['proving'], value: { ...proving.value, ...change } }])
  }
  const prove: Prove = {
    proving,
    roads: computed(() => (known.found.value?.roads ?? []) as KnownRoad[]),
    against,
    others,
    holdAgainst: (setup) => (chosen.value = setup),
    run,
    answer: answer as unknown as Answer<{ run: Trialled }>,
    whys: computed(() => (reasons.current.value ? ((reasons.found.value?.whys ?? []) as Why[]) : [])),
    whysAsked: reasons.current,
    speeds: computed(() => (sweep.found.value?.speeds ?? []) as unknown as AtSpeed[]),
    askSpeeds: () => (wanted.value = true),
    shown: ref('front'),
    at,
    step,
    moveTo,
    playing,
    rate,
    play,
    set,
  }
  provide(key, prove)
  return prove
}
export function useProve(): Prove {
  const found = inject(key)
  if (!found) throw new Error('nothing is driven above this')
  return found
}
