import { computed } from 'vue'

import { airOf, type EndName, type SagReport, type SideSetup } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** What the benches of a two-wheeler share: sags of an end, its parts, its words, and setting one member. */
export function useSag() {
  const vehicle = useVehicle()
  const units = useUnits()
  const kind = computed(() => vehicle.document.value?.vehicle.kind ?? 'motorcycle')
  const sags = (end: EndName): SagReport | undefined => vehicle.report.value?.sags?.[end]
  const side = (end: EndName): SideSetup => vehicle.setup.value?.sides?.[end] ?? ({} as SideSetup)
  const about = (end: EndName) => vehicle.document.value?.vehicle.ends?.[end]
  const isAir = (end: EndName): boolean => airOf(side(end)) !== null
  const along = (end: EndName): boolean => about(end)?.layout === 'fork' && about(end)?.fork?.read !== 'vertical'
  const set = (end: EndName, words: string, members: Record<string, unknown>): void =>
    vehicle.edit(
      `${words}, ${end}`,
      Object.entries(members).map(([member, value]) => ({
        path: ['setups', vehicle.setupIndex.value, 'sides', end, member],
        value,
      })),
    )
  const setFound = (end: EndName, words: string, members: Record<string, unknown>): void =>
    vehicle.edit(
      `${words}, ${end}, as found`,
      Object.entries(members).map(([member, value]) => ({ path: ['setups', 0, 'sides', end, member], value })),
    )
  const setEnd = (end: EndName, words: string, path: string[], value: unknown): void =>
    vehicle.edit(`${end} ${words}`, [{ path: ['vehicle', 'ends', end, ...path], value }])
  const bike = computed(() => (kind.value === 'bicycle' ? 'bicycle' : 'motorcycle'))
  const mm = (value: number | null | undefined, decimals = 1): string =>
    value === null || value === undefined
      ? '–'
      : units.show(value, 'm', { decimals: units.unit('m').name === 'in' ? 2 : decimals })
  /** Pressure in both units that pumps show. */
  const pumped = (pascal: number): string => `${(pascal / 1e5).toFixed(1)} bar, ${Math.round(pascal / 6894.757)} psi`
  /** What the verdict of an end still waits for, in words. */
  const waitsFor = (end: EndName): string => {
    const [here, said] = [about(end), sags(end)]
    if (here?.layout === 'fork' && !here.fork) return 'its rake, under Geometry'
    if (here?.layout !== 'fork' && !here?.spring?.ratio) return 'its leverage or motion ratio, under Geometry'
    if (!side(end).spring) return 'its spring rate, or its air, under Survey'
    if (!said?.free_sag) return 'its readings, extended and bike alone'
    if (!said.rider_read && !said.rider_sag) return 'its readings with the rider on'
    if (!said.rider_low) return 'its travel, under Geometry'
    return isAir(end) ? 'its pressure, under Survey' : 'its weight, or its preload, under Survey'
  }
  return { vehicle, waitsFor, units, kind, bike, sags, side, about, isAir, along, set, setFound, setEnd, mm, pumped }
}
export const ringed = (verdict: string | null | undefined): boolean => verdict === 'too soft' || verdict === 'too stiff'
