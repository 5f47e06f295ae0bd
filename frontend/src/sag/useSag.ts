import { computed } from 'vue'

import { airOf, type EndName, type SagReport, type SideSetup, type Wait } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** What the benches of a two-wheeler share: sags of an end, its parts, its words, and setting one member. */
export function useSag() {
  const vehicle = useVehicle()
  const units = useUnits()
  const kind = computed(() => vehicle.document.value?.vehicle.kind ?? 'motorcycle')
  /** Sags under the load chosen in the stance; without one, of the rider who was read. */
  const sags = (end: EndName): SagReport | undefined =>
    (vehicle.loadState.value ? (vehicle.shown.value ?? vehicle.report.value) : vehicle.report.value)?.sags?.[end]
  const loadName = computed(
    () => vehicle.document.value?.loads?.find((l) => l.id === vehicle.loadState.value)?.name ?? null,
  )
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
  const pumped = (pascal: number): string =>
    `${units.in(pascal, 'bar').toFixed(1)} bar, ${Math.round(units.in(pascal, 'psi'))} psi`
  /** What the verdict of an end still waits for, the next first. */
  const waits = (end: EndName): Wait[] => vehicle.report.value?.waits?.[`verdict ${end}`] ?? []
  const waitsFor = (end: EndName): string => waits(end)[0]?.words ?? ''
  return {
    vehicle,
    waits,
    loadName,
    waitsFor,
    units,
    kind,
    bike,
    sags,
    side,
    about,
    isAir,
    along,
    set,
    setFound,
    setEnd,
    mm,
    pumped,
  }
}
export const ringed = (verdict: string | null | undefined): boolean => verdict === 'too soft' || verdict === 'too stiff'
