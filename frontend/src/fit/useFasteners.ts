import type { EndName, Fastener } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

/** The vehicle's table of fasteners: a row for each kind that anything was told of. */
export function useFasteners() {
  const vehicle = useVehicle()
  const all = (): Fastener[] => vehicle.document.value?.fasteners ?? []
  const row = (end: EndName, kind: string): Fastener | null =>
    all().find((f) => f.end === end && f.kind === kind) ?? null
  function set(end: EndName, kind: string, words: string, members: Partial<Fastener>): void {
    const was = row(end, kind)
    const made: Fastener = { ...(was ?? { end, kind }), ...members }
    const rows = was ? all().map((f) => (f === was ? made : f)) : [...all(), made]
    vehicle.edit(words, [{ path: ['fasteners'], value: rows }])
  }
  return { row, set }
}
