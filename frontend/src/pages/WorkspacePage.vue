<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { onTwo, type Station } from '@/api/client'
import FindDialog from '@/components/FindDialog.vue'
import HeadingBar from '@/components/HeadingBar.vue'
import KeysDialog from '@/components/KeysDialog.vue'
import StaleDialog from '@/components/StaleDialog.vue'
import WorkingDrawer from '@/components/WorkingDrawer.vue'
import WorkLine from '@/components/WorkLine.vue'
import { useAnnouncing } from '@/composables/useAnnouncing'
import { provideHeights } from '@/composables/useHeights'
import { useSteady } from '@/composables/useSteady'
import { provideVehicle } from '@/composables/useVehicle'
import { askedFor, usePlace } from '@/composables/usePlace'
import { usePrinting } from '@/composables/usePrinting'
import { provideWorking } from '@/composables/useWorking'
import { rememberVehicle } from '@/logic/last'
import { STATIONS } from '@/logic/stations'
import StancePanel from '@/stance/StancePanel.vue'

import BriefStation from './BriefStation.vue'
import GeometryStation from './GeometryStation.vue'
import HeightStation from './HeightStation.vue'
import SpringsStation from './SpringsStation.vue'
import SurveyStation from './SurveyStation.vue'
import TravelStation from './TravelStation.vue'

/** One vehicle at work: heading, bench of the present station, stance, work line. */
const route = useRoute()
const router = useRouter()
const vehicle = provideVehicle(String(route.params.id), askedFor(route.query))
const working = provideWorking()
provideHeights(vehicle)
const announced = useAnnouncing(vehicle)
const finding = ref(false)
const keys = ref(false)

const benches = {
  brief: BriefStation,
  survey: SurveyStation,
  geometry: GeometryStation,
  springs: SpringsStation,
  height: HeightStation,
  travel: TravelStation,
  damping: defineAsyncComponent(() => import('./DampingStation.vue')),
  prove: defineAsyncComponent(() => import('./ProveStation.vue')),
  fit: defineAsyncComponent(() => import('./FitStation.vue')),
  settle: defineAsyncComponent(() => import('./SettleStation.vue')),
  sheet: defineAsyncComponent(() => import('./SheetStation.vue')),
  compare: defineAsyncComponent(() => import('@/compare/CompareBench.vue')),
}
const ofTwo = {
  survey: defineAsyncComponent(() => import('@/sag/CycleSurvey.vue')),
  geometry: defineAsyncComponent(() => import('@/sag/CycleGeometry.vue')),
  springs: defineAsyncComponent(() => import('@/sag/CycleSprings.vue')),
  height: defineAsyncComponent(() => import('@/sag/SagBench.vue')),
  travel: defineAsyncComponent(() => import('@/sag/CycleTravel.vue')),
}
/** The bench of the present station; two-wheelers have benches of their own where their work differs. */
const bench = computed(() =>
  onTwo(vehicle.document.value) && station.value in ofTwo
    ? ofTwo[station.value as keyof typeof ofTwo]
    : benches[station.value],
)
const station = computed<Station | 'compare'>(() =>
  STATIONS.some((s) => s.id === route.params.station) || route.params.station === 'compare'
    ? (route.params.station as Station | 'compare')
    : 'springs',
)
const stations = useSteady(() => vehicle.report.value?.stations ?? [])
const opened = computed(() => !!vehicle.document.value)
const benchBox = ref<HTMLElement | null>(null)
usePlace(vehicle, benchBox)
const print = usePrinting(vehicle)
const title = computed(
  () =>
    `${STATIONS.find((s) => s.id === station.value)?.words ?? 'Compare'}, ${vehicle.document.value?.vehicle.name ?? ''} · Feder`,
)
watch(
  title,
  (t) => {
    document.title = t
    const name = vehicle.document.value?.vehicle.name
    if (name) rememberVehicle({ id: vehicle.id, name, station: station.value })
  },
  { immediate: true },
)
watch(
  () => [route.hash, station.value, !!vehicle.report.value],
  async () => {
    if (!route.hash) return
    await nextTick()
    const place = document.querySelector(route.hash)
    for (let up = place; up; up = up.parentElement) if (up instanceof HTMLDetailsElement) up.open = true
    place?.scrollIntoView({ block: 'center' })
    place?.querySelector<HTMLElement>('input, textarea, button')?.focus()
  },
  { immediate: true },
)

let cameFrom: HTMLElement | null = null
/** To the stance by one key, and back to where the hand was. */
function toStance(): void {
  const stance = document.querySelector<HTMLElement>('.stance, .fit-side')
  if (stance?.contains(document.activeElement)) return (cameFrom ?? benchBox.value)?.focus()
  cameFrom = document.activeElement instanceof HTMLElement ? document.activeElement : null
  const wedge = stance?.querySelector<SVGElement>('[role="slider"][tabindex="0"]')
  ;(wedge ?? stance?.querySelector<HTMLElement | SVGElement>('button, a, input, [tabindex="0"]'))?.focus()
}
function pressed(event: KeyboardEvent): void {
  const typing = (event.target as HTMLElement).closest('input, textarea, select, [contenteditable]')
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
    event.preventDefault()
    return event.shiftKey ? vehicle.redo() : vehicle.undo()
  }
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
    event.preventDefault()
    finding.value = true
  }
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'p' && opened.value) {
    event.preventDefault()
    return void print(station.value)
  }
  const anywhere =
    event.altKey &&
    !event.ctrlKey &&
    STATIONS.find((s) => event.code === `Digit${s.key}` || event.code === `Key${s.key.toUpperCase()}`)
  if (anywhere) {
    event.preventDefault()
    return void router.push(`/vehicle/${vehicle.id}/${anywhere.id}`)
  }
  if (typing || event.ctrlKey || event.metaKey || event.altKey || document.querySelector('.v-dialog.v-overlay--active'))
    return
  const found = STATIONS.find((s) => s.key === event.key)
  if (found) void router.push(`/vehicle/${vehicle.id}/${found.id}`)
  else if (event.key === 'v') toStance()
  else if (event.key === 'f' || event.key === '/') finding.value = true
  else if (event.key === 'c') void router.push(`/vehicle/${vehicle.id}/compare`)
  else if (event.key === '?') keys.value = true
  else if (event.key === 'g') void router.push('/')
  else if (event.key === 'Escape') working.close()
  else return
  event.preventDefault()
}
onMounted(() => window.addEventListener('keydown', pressed))
onBeforeUnmount(() => window.removeEventListener('keydown', pressed))
</script>

<template>
  <p class="on-paper">
    This screen is not made for paper. Print with Ctrl+P from a bench, or on the Sheet: that is made for it.
  </p>
  <div class="frame">
    <nav class="skips" aria-label="Skip">
      <a href="#bench" @click.prevent="benchBox?.focus()">to the bench</a
      ><a :href="station === 'fit' ? '#fit-side' : '#stance'" @click.prevent="toStance">to the stance</a>
    </nav>
    <HeadingBar @find="finding = true" @keys="keys = true" />
    <main id="bench" ref="benchBox" class="bench" data-fields tabindex="-1">
      <div v-if="vehicle.trouble.value" class="trouble" role="alert">{{ vehicle.trouble.value }}</div>
      <template v-if="vehicle.missing.value"
        ><h1>This vehicle is not in the garage</h1>
        <p class="mt-2">It may have been deleted. <router-link to="/">Back to the garage</router-link></p></template
      >
      <p v-else-if="!opened" class="quiet" role="status">Opening the vehicle…</p>
      <component :is="bench" v-else />
    </main>
    <div v-if="station === 'fit'" id="fit-side" class="fit-side"></div>
    <StancePanel v-else :riding="station === 'prove'" />
    <WorkLine :here="station" :reports="stations" :vehicle-id="vehicle.id" />
    <p id="said" class="seen-not" aria-live="polite">{{ announced }}</p>
    <WorkingDrawer />
    <StaleDialog />
    <FindDialog :open="finding" @close="finding = false" @keys="keys = true" />
    <KeysDialog :open="keys" @close="keys = false" />
  </div>
</template>

<style scoped>
.skips { position: absolute; z-index: 1000; } .skips a { position: absolute; left: -9999px; white-space: nowrap; background: var(--ink); color: var(--ground); padding: 12px 16px; } .skips a:focus { left: 8px; top: 6px; }
.bench:focus { outline: 0; }
.fit-side { display: grid; min-height: 0; }
@media (max-width: 600px) { .fit-side { display: none; } .frame:has(> .fit-side) { grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr); } }
.trouble { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin-bottom: 10px; }
</style>
