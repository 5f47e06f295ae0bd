import { useEventListener } from '@vueuse/core'
import { nextTick, onScopeDispose, type Ref, watch } from 'vue'
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
  // written once no step to another page is under way: it would be called off by this one
  let under = false
  const stopBefore = router.beforeEach(() => void (under = true))
  const stopAfter = router.afterEach(() => {
    under = false
    complete()
  })
  onScopeDispose(() => {
    stopBefore()
    stopAfter()
  })
  function complete(): void {
    if (under || !vehicle.document.value || String(route.params.id) !== vehicle.id || !route.params.station) return
    const [setup, load] = [vehicle.setupId.value, vehicle.loadState.value ?? undefined]
    const now = askedFor(router.currentRoute.value.query)
    if (now.setup === setup && (now.load ?? undefined) === load) return
    const { path, query, hash } = router.currentRoute.value
    void router.replace({ path, query: { ...query, setup, load }, hash })
  }
  watch([vehicle.setupId, vehicle.loadState, () => !!vehicle.document.value], () => setTimeout(complete, 0))
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
