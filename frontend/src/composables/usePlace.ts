import { useEventListener } from '@vueuse/core'
import { nextTick, type Ref, watch } from 'vue'
import { type LocationQuery, useRoute, useRouter } from 'vue-router'

import type { AskedFor, VehicleWork } from './useVehicle'

const first = (v: LocationQuery[string] | undefined): string | null => (Array.isArray(v) ? v[0]! : (v ?? null))
/** What an address asks for. */
export const askedFor = (query: LocationQuery): AskedFor => ({ setup: first(query.setup), load: first(query.load) })

/** The address says which setup is seen, and under which load; each bench opens at its top, and where it was after a reload. */
export function usePlace(vehicle: VehicleWork, bench: Ref<HTMLElement | null>): void {
  const route = useRoute()
  const router = useRouter()
  // an address that names another setup (a link, the way back) is followed; one that names none is completed
  watch(
    () => askedFor(route.query),
    (asked) => {
      const document = vehicle.document.value
      if (!document) return
      if (asked.setup && asked.setup !== vehicle.setupId.value && document.setups.some((s) => s.id === asked.setup))
        vehicle.selectSetup(asked.setup)
    },
  )
  watch(
    [vehicle.setupId, vehicle.loadState, () => route.path, () => !!vehicle.document.value],
    () => {
      if (!vehicle.document.value || String(route.params.id) !== vehicle.id || !route.params.station) return
      const [setup, load] = [vehicle.setupId.value, vehicle.loadState.value ?? undefined]
      const now = askedFor(route.query)
      if (now.setup === setup && (now.load ?? undefined) === load) return
      void router.replace({ path: route.path, query: { ...route.query, setup, load }, hash: route.hash })
    },
    { flush: 'post' },
  )
  const key = (): string => `feder-scroll ${route.path} ${String(route.query.view ?? '')}`
  watch(
    () => [route.path, route.query.view],
    async () => {
      if (route.hash) return
      await nextTick()
      bench.value?.scrollTo(0, 0)
    },
  )
  useEventListener(window, 'pagehide', () => {
    if (bench.value) sessionStorage.setItem(key(), String(bench.value.scrollTop))
  })
  // once: where this page was when it was left by a reload
  const stop = watch(
    () => !!vehicle.report.value,
    async (there) => {
      if (!there) return
      stop()
      const was = Number(sessionStorage.getItem(key()))
      sessionStorage.removeItem(key())
      if (!was || route.hash) return
      await nextTick()
      requestAnimationFrame(() => bench.value?.scrollTo(0, was))
    },
    { flush: 'post' },
  )
}
