import { useDebounceFn } from '@vueuse/core'
import { ref, type Ref, watch } from 'vue'

import { type Figure, placeWords, type Report } from '@/api/client'

import { useUnits } from './useUnits'
import type { VehicleWork } from './useVehicle'

/** How long the hand has to rest before what it changed is said. */
const REST = 900
/** So many changes are said one by one; more than that only counted. */
const MOST = 4
const SAID = [
  { key: 'hub_to_arch', words: 'hub to arch' },
  { key: 'wheel_rate', words: 'wheel rate' },
  { key: 'frequency', words: 'frequency' },
  { key: 'damping_ratio', words: 'damping' },
] as const

/** What changed, said politely to a screen reader once the hand rests: figures of the corners, and what speaks against it. */
export function useAnnouncing(vehicle: VehicleWork): Ref<string> {
  const units = useUnits()
  const said = ref('')
  let last: Report | null = null
  let setup: string | undefined
  const written = (f: Figure | null | undefined): string =>
    f ? units.show(f.value, f.unit, { unit: true }) : 'not known'

  const tell = useDebounceFn(() => {
    const now = vehicle.report.value
    if (!now) return
    const before = last
    const other = setup !== vehicle.setup.value?.id
    last = now
    setup = vehicle.setup.value?.id
    if (!before || other) return
    const changes = vehicle.places.value.flatMap((p) =>
      SAID.flatMap(({ key, words }) => {
        const text = written(now.corners[p]?.[key])
        return text === written(before.corners[p]?.[key]) ? [] : [`${placeWords(p)} ${words} ${text}`]
      }),
    )
    const graver = (r: Report): number => (r.findings ?? []).filter((f) => f.grade !== 'note').length
    const by = graver(now) - graver(before)
    const against = by > 0 ? [`${by} more to look at`] : by < 0 ? [`${-by} fewer to look at`] : []
    if (changes.length + against.length)
      said.value = [
        ...(changes.length > MOST ? [...changes.slice(0, MOST), `${changes.length - MOST} more figures`] : changes),
        ...against,
      ].join('; ')
  }, REST)
  watch(
    vehicle.report,
    (now) => {
      if (last || !now) return void tell()
      // what stands when the page opens is not a change
      last = now
      setup = vehicle.setup.value?.id
    },
    { immediate: true },
  )
  return said
}
