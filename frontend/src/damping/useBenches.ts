import { inject, type InjectionKey, provide, type Ref } from 'vue'

import { api, type DampingBench, type EndName, type Place } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useVehicle } from '@/composables/useVehicle'

export interface Benches {
  of: (end: EndName) => DampingBench | null
  /** Whether the answer has come at least once. */
  asked: (end: EndName) => boolean
  trouble: (end: EndName) => string
}
const key: InjectionKey<Benches> = Symbol('damping benches')

/** Both ends' benches, kept up with the report; of both sides together or of one side alone. */
export function provideBenches(side: Ref<'both' | 'left' | 'right'>): Benches {
  const vehicle = useVehicle()
  const asking = (end: EndName) =>
    useAnswer(
      (signal) => {
        const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
        const two = vehicle.places.value.length === 2
        const place = two || side.value === 'both' ? null : (`${end}_${side.value}` as Place)
        const body = { document: document!, setup: setup!, end, place, load_state: vehicle.loadState.value }
        return document && setup ? api.POST('/api/damping', { body, signal }) : null
      },
      [vehicle.report, side, vehicle.loadState],
    )
  const answers = { front: asking('front'), rear: asking('rear') }
  const benches: Benches = {
    of: (end) => (answers[end].found.value?.bench ?? null) as DampingBench | null,
    asked: (end) => answers[end].asked.value,
    trouble: (end) => answers[end].trouble.value,
  }
  provide(key, benches)
  return benches
}
export function useBenches(): Benches {
  const found = inject(key)
  if (!found) throw new Error('no benches of damping above this')
  return found
}
