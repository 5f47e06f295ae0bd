import { computed, type Ref, ref } from 'vue'

import { api, type Bounce, type BounceBench, type BounceRow, type LetGo, type Place } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useVehicle } from '@/composables/useVehicle'
import { inSurvey, surveyAt } from '@/logic/walk'

/** Bounce tests of the vehicle as it stands: what was read, and what the server says of it. */
export function useBounce(place: Ref<Place>, stood: Ref<string | undefined>) {
  const vehicle = useVehicle()
  const answer = useAnswer(
    (signal) => {
      const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
      const body = { document: document!, setup: setup!, place: place.value, stood: stood.value ?? null }
      return document && setup ? api.POST('/api/bounce', { body, signal }) : null
    },
    [vehicle.report, place, stood],
  )
  const bench = computed(() => (answer.found.value?.bench ?? null) as BounceBench | null)
  const all = computed<Bounce[]>(() => {
    const document = vehicle.document.value!
    return document.surveys?.[surveyAt(document, stood.value)]?.bounces ?? []
  })
  const told = computed<Bounce>(() => all.value.find((b) => b.place === place.value) ?? { place: place.value })
  const row = computed<BounceRow | null>(() => bench.value?.rows.find((r) => r.place === place.value) ?? null)
  const put = (words: string, members: Partial<Bounce>): void => {
    const others = all.value.filter((b) => b.place !== place.value)
    const made = { ...told.value, ...members }
    const empty = !made.runs?.length && [made.rest, made.low, made.next_low].every((h) => h == null)
    vehicle.edit(words, inSurvey(vehicle.document.value!, { bounces: empty ? others : [...others, made] }, stood.value))
  }
  const setRun = (i: number, members: Partial<LetGo>): void =>
    put('let-go', { runs: told.value.runs!.map((r, k) => (k === i ? { ...r, ...members } : r)) })
  return { bench, trouble: answer.trouble, asked: answer.asked, told, row, put, setRun, chosen: ref(0) }
}
