<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'

import type { EndName, Place } from '@/api/client'
import BenchViews from '@/components/BenchViews.vue'
import FindingList from '@/components/FindingList.vue'
import { useVehicle } from '@/composables/useVehicle'
import BounceView from '@/damping/BounceView.vue'
import CurveChart from '@/damping/CurveChart.vue'
import CurveRows from '@/damping/CurveRows.vue'
import EndRules from '@/damping/EndRules.vue'
import SpeedTable from '@/damping/SpeedTable.vue'
import { provideBenches } from '@/damping/useBenches'
import DamperChoice from '@/dampers/DamperChoice.vue'
import { vRoving } from '@/logic/roving'

/** Clicks as slide rules: what each gives with these springs, before a knob is touched; and the dampers' curves. */
const vehicle = useVehicle()
const route = useRoute()
const view = computed(() => VIEWS.find((v) => v.id === route.query.view)?.id ?? 'clicks')
const side = ref<'both' | 'left' | 'right'>('both')
const benches = provideBenches(side)
const two = computed(() => vehicle.places.value.length === 2)
const ENDS: EndName[] = ['front', 'rear']
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'damping'))
const lead = (e: EndName): Place => (two.value ? e : (`${e}_${side.value === 'right' ? 'right' : 'left'}` as Place))
const VIEWS = [
  { id: 'clicks', words: 'Clicks' },
  { id: 'bounce', words: 'Bounce' },
  { id: 'damper', words: 'Damper' },
] as const
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
</script>

<template>
  <div class="bench-top top">
    <h1>Damping</h1>
    <BenchViews label="Views of the damping" :views="VIEWS" :here="view" />
    <div v-if="!two && view !== 'bounce'" v-roving class="end sides" role="tablist" aria-label="Which side">
      <button
        v-for="s in ['both', 'left', 'right'] as const"
        :key="s"
        class="tab"
        role="tab"
        :aria-selected="s === side"
        @click="side = s">
        {{ s === 'both' ? 'both sides' : s }}
      </button>
    </div>
  </div>
  <FindingList :findings="findings" :stations="['damping']" />
  <template v-if="view === 'clicks'">
    <EndRules v-for="e in ENDS" :key="e" :end="e" :side="side" />
    <div class="below">
      <template v-for="e in ENDS" :key="e"
        ><figure v-if="benches.of(e)?.curves.length" class="chart">
          <figcaption>
            {{ e === 'front' ? 'Front' : 'Rear' }}<small class="quiet">{{ benches.of(e)!.source }}</small>
          </figcaption>
          <CurveChart :bench="benches.of(e)!" :fact="fact" :words="e" /></figure
      ></template>
      <SpeedTable class="speeds" :places="ENDS.map(lead)" />
    </div>
  </template>
  <BounceView v-else-if="view === 'bounce'" />
  <template v-else>
    <section v-for="e in ENDS" :key="e" class="dampers">
      <h2>{{ e === 'front' ? 'Front' : 'Rear' }}</h2>
      <DamperChoice :key="lead(e)" :place="lead(e)" />
      <CurveRows :end="e" :place="lead(e)" :both="side === 'both' && !two" />
    </section>
  </template>
  <p v-if="view !== 'bounce'" class="small quiet mt-3">
    Damping is judged with both knobs where they stand: at low speed against the body on its wheel rate, at high speed
    against the wheel. Clicks are counted gently from the end; a knob is not forced past it. A charged damper is not
    opened.
  </p>
</template>

<style scoped>
.top { gap: 0 12px; } .sides { display: flex; } .tab { min-height: 44px; padding: 0 10px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.below { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.35fr); gap: 14px; border-top: 1.5px solid var(--ink); padding-top: 8px; align-items: start; } .chart { margin: 0; } figcaption { font-weight: 600; display: flex; justify-content: space-between; } figcaption small { font-weight: 400; }
.dampers { border-top: 1.5px solid var(--ink); padding-top: 6px; }
@media (max-width: 900px) { .below { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } .speeds { grid-column: 1 / -1; } }
@media (max-width: 460px) { .below { grid-template-columns: minmax(0, 1fr); } }
</style>
