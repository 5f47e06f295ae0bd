import { inject, type InjectionKey, provide, type Ref, ref } from 'vue'

import { endOf, type Place, placeWords } from '@/api/client'
import { setting } from '@/logic/setting'

import type { VehicleWork } from './useVehicle'

/** Asking for ride heights: by wedge, by key or by number, both sides of an axle together or one corner alone. */
export interface Heights {
  together: Ref<boolean>
  /** The corners that move when this one is moved. */
  moves: (place: Place) => Place[]
  /** Take the present heights as the start of a move. */
  begin: () => void
  /** Wheel travel from the start, m, bump positive. */
  shift: (place: Place, travel: number) => void
  end: () => void
  /** Ask for a height or a collar as typed; the other side goes along where both go together. */
  ask: (place: Place, hubToArch: number) => Promise<string | null>
  /** A hub to arch by its change from as found. */
  askChange: (place: Place, change: number) => Promise<string | null>
  askCollar: (place: Place, collar: number) => Promise<string | null>
}
const key: InjectionKey<Heights> = Symbol('heights')

export function provideHeights(vehicle: VehicleWork): Heights {
  const together = ref(true)
  let start: Partial<Record<Place, number>> | null = null
  // of the report that is always there: the one under the load may still be on its way
  const riderSag = (place: Place): number | undefined => vehicle.report.value?.sags?.[place]?.rider_sag?.value
  let sags: Partial<Record<Place, number>> | null = null
  const moves = (place: Place): Place[] =>
    together.value ? vehicle.places.value.filter((p) => endOf(p) === endOf(place)) : [place]
  const side = (place: Place): (string | number)[] => ['setups', vehicle.setupIndex.value, 'sides', place]
  const present = (): Partial<Record<Place, number>> =>
    Object.fromEntries(
      vehicle.places.value
        .map((p) => [p, vehicle.report.value?.corners[p]?.hub_to_arch?.value])
        .filter(([, v]) => v !== undefined),
    )
  const heights: Heights = {
    together,
    moves,
    begin: () => {
      start = present()
      sags = Object.fromEntries(vehicle.places.value.map((p) => [p, riderSag(p)]).filter(([, v]) => v !== undefined))
      vehicle.beginGesture()
    },
    end: () => {
      start = null
      sags = null
      vehicle.endGesture()
    },
    shift: (place, travel) => {
      if (vehicle.places.value.length === 2 && vehicle.loadState.value) {
        // with the rider on the wedge asks for a rider sag; preload or pressure follows
        const from = sags?.[place] ?? riderSag(place)
        const value = from === undefined ? 0 : Math.round((from + travel) * 1e4) / 1e4
        if (value > 0) vehicle.edit(`rider sag, ${place}`, setting(side(place), { rider_sag: value }))
        return
      }
      const from = start ?? present()
      const changes = moves(place).flatMap((p) => {
        const height = from[p]
        if (height === undefined) return []
        const value = Math.round((height - travel) * 1e4) / 1e4
        return value > 0 ? setting(side(p), { hub_to_arch: value }) : []
      })
      vehicle.edit(`height, ${together.value ? endOf(place) : placeWords(place)}`, changes)
    },
    ask: (place, hubToArch) =>
      vehicle.act(`height, ${placeWords(place)}`, {
        act: 'ask height',
        place,
        height: hubToArch,
        together: together.value,
      }),
    askChange: (place, change) =>
      vehicle.act(`height, ${placeWords(place)}`, {
        act: 'ask height',
        place,
        change,
        together: together.value,
      }),
    askCollar: (place, collar) =>
      vehicle.act(`collar, ${placeWords(place)}`, { act: 'ask collar', place, collar, together: together.value }),
  }
  provide(key, heights)
  return heights
}

export const useHeights = (): Heights => {
  const found = inject(key)
  if (!found) throw new Error('heights are provided by WorkspacePage')
  return found
}
