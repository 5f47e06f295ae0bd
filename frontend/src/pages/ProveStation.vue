<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'

import type { EndName, Finding } from '@/api/client'
import BenchViews from '@/components/BenchViews.vue'
import FindingList from '@/components/FindingList.vue'
import TexturePatterns from '@/components/TexturePatterns.vue'
import { useUnits } from '@/composables/useUnits'
import { vRoving } from '@/logic/roving'
import { sentence } from '@/logic/sentence'
import FindClicks from '@/prove/FindClicks.vue'
import OwnRoad from '@/prove/OwnRoad.vue'
import ProveLadders from '@/prove/ProveLadders.vue'
import ProveSide from '@/prove/ProveSide.vue'
import RoadChoice from '@/prove/RoadChoice.vue'
import RecordingsView from '@/prove/RecordingsView.vue'
import SpringsDriven from '@/prove/SpringsDriven.vue'
import SpeedChart from '@/prove/SpeedChart.vue'
import TakeTraces from '@/prove/TakeTraces.vue'
import TraceChart from '@/prove/TraceChart.vue'
import { provideProve } from '@/prove/useProve'
import VerdictTable from '@/prove/VerdictTable.vue'

/** Two setups over the same road, before anything is bought; and the clicks that do best there. */
const units = useUnits()
const route = useRoute()
const prove = provideProve()
const VIEWS = [
  { id: 'run', words: 'Run' },
  { id: 'speeds', words: 'Other speeds' },
  { id: 'clicks', words: 'Find clicks' },
  { id: 'springs', words: 'Springs' },
  { id: 'recordings', words: 'Recordings' },
] as const
const view = computed(() => VIEWS.find((v) => v.id === route.query.view)?.id ?? 'run')
const SHOWN = ['front', 'rear', 'both'] as const
const ends = computed<EndName[]>(() => (prove.shown.value === 'both' ? ['front', 'rear'] : [prove.shown.value]))
const run = computed(() => prove.run.value)
const says = computed(() =>
  run.value ? sentence(run.value.verdict.text, run.value.verdict.numbers, units.system.value) : '',
)
const findings = computed(() => (run.value?.findings ?? []) as Finding[])
const told = computed(() => prove.roads.value.find((r) => r.name === prove.proving.value.road)?.told ?? '')
const riding = ref(false)
onMounted(async () => {
  await nextTick()
  riding.value = true
})
</script>

<template>
  <div class="bench-top top">
    <h1>Prove</h1>
    <BenchViews label="Views of the trial" :views="VIEWS" :here="view" />
    <label v-if="prove.others.value.length > 1" class="against">
      against
      <select :value="prove.against.value" @change="prove.holdAgainst(($event.target as HTMLSelectElement).value)">
        <option v-for="s in prove.others.value" :key="s.id" :value="s.id">{{ s.name }}</option>
      </select>
    </label>
    <div v-if="view === 'run'" v-roving class="end sides" role="tablist" aria-label="Which wheel">
      <button
        v-for="s in SHOWN"
        :key="s"
        class="tab"
        role="tab"
        :aria-selected="s === prove.shown.value"
        @click="prove.shown.value = s">
        {{ s }}
      </button>
    </div>
  </div>
  <p v-if="!prove.against.value" class="mt-2">
    There is one setup only. Make a plan on the setup line above: then both are driven over the same road.
  </p>
  <template v-else>
    <p v-if="run && (view === 'run' || view === 'speeds')" class="say" aria-live="polite">{{ says }}</p>
    <RoadChoice />
    <OwnRoad v-if="prove.proving.value.road === 'own'" />
    <p v-if="prove.answer.trouble.value" class="refused" role="alert">{{ prove.answer.trouble.value }}</p>
    <p v-else-if="!run" class="quiet" role="status">Driving…</p>
    <template v-else-if="view === 'run'">
      <svg width="0" height="0" class="tex" aria-hidden="true"><TexturePatterns /></svg>
      <TraceChart v-for="e in ends" :key="e" :end="e" :short="ends.length > 1" />
      <VerdictTable />
      <FindingList :findings="findings" of="simulated" />
      <p class="small quiet mt-2">
        {{ told ? `${told}. ` : '' }}Simulated: heave, pitch, roll and every wheel, on the force tables the vehicle
        stands on. Assumed: {{ run.assumed.join('; ') }}. The seat is not modelled; a road decides, not a figure.
      </p>
      <TakeTraces />
    </template>
    <SpeedChart v-else-if="view === 'speeds'" />
    <FindClicks v-else-if="view === 'clicks'" />
    <SpringsDriven v-else-if="view === 'springs'" />
    <RecordingsView v-else />
  </template>
  <Teleport v-if="riding" to="#riding">
    <template v-if="run"><ProveSide /><ProveLadders /></template>
    <p v-else class="quiet">Nothing is driven yet.</p>
  </Teleport>
</template>

<style scoped>
.top { gap: 0 12px; } .sides { display: flex; } .tab { min-height: 44px; padding: 0 10px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.against { display: inline-flex; align-items: center; gap: 8px; color: var(--ink-2); min-height: 44px; } .against select { border: 0; min-height: 44px; max-width: 160px; border-bottom: 1.5px solid var(--ink); background: none; color: var(--ink); font: inherit; }
.say { font-size: var(--t-3); line-height: 1.25; margin: 0 0 6px; } .refused { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin: 8px 0; } .tex { position: absolute; }
</style>
