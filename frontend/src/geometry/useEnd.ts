import { computed, type ComputedRef } from 'vue'

import type { End, EndName } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'
import { toleranceOf } from '@/logic/tolerances'

/** An end as it was found, and how each kind of its numbers is changed; every change is told by its words. */
export interface WorkedEnd {
  vehicle: ReturnType<typeof useVehicle>
  about: ComputedRef<End>
  set: (words: string, member: (string | number)[], value: unknown) => void
  /** A number that knows how it was got: that is kept, the value changed. */
  setValued: (
    words: string,
    member: string[],
    now: object | null | undefined,
    typed: [number | null, number | null],
    how: string,
  ) => void
  /** A plain number of a part of the end, with the tolerance typed behind it. */
  setPlain: (
    words: string,
    part: 'limits' | 'tyre',
    member: string,
    value: number | null,
    tolerance: number | null,
  ) => void
}

export function useEnd(end: EndName): WorkedEnd {
  const vehicle = useVehicle()
  const about = computed(() => vehicle.document.value!.vehicle.ends![end]!)
  const set: WorkedEnd['set'] = (words, member, value) =>
    vehicle.edit(`${end} ${words}`, [{ path: ['vehicle', 'ends', end, ...member], value }])
  return {
    vehicle,
    about,
    set,
    setValued: (words, member, now, [value, tolerance], how) =>
      set(words, member, value === null ? null : { how, ...now, value, tolerance }),
    setPlain: (words, part, member, value, tolerance) => {
      const now = about.value[part]
      set(words, [part], { ...now, [member]: value, tolerances: toleranceOf(now, member, tolerance) })
    },
  }
}
