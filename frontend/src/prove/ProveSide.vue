<script setup lang="ts">
import { computed } from 'vue'

import SideView from '@/stance/SideView.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { indexAt } from './trace'
import { useProve } from './useProve'

/** The vehicle at the cursor, from the side: both bodies, the wheels of the setup in hand, and the road under them. */
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
const TIMES = 3
const run = computed(() => prove.run.value)
const scene = computed(() => {
  const it = run.value
  if (!it) return null
  const i = prove.at.value
  const { now, was } = it
  const mean = (values: number[], end: 'front' | 'rear'): number => {
    const at = now.traces.wheels.flatMap((w, k) => (w.place.startsWith(end) ? [k] : []))
    return at.reduce((sum, k) => sum + values[k]!, 0) / at.length
  }
  const lower = (end: 'front' | 'rear'): number =>
    mean(
      was.rides.map((r) => -r),
      end,
    )
  const wheel = (end: 'front' | 'rear'): number =>
    mean(
      now.traces.wheels.map((w) => w.height[i] ?? 0),
      end,
    )
  return {
    drop: { front: lower('front') - (now.traces.front[i] ?? 0), rear: lower('rear') - (now.traces.rear[i] ?? 0) },
    ghost: { front: -(was.traces.front[i] ?? 0), rear: -(was.traces.rear[i] ?? 0) },
    lift: { front: wheel('front'), rear: wheel('rear') },
    pitch: [now.traces.pitch[i] ?? 0, was.traces.pitch[i] ?? 0] as const,
    road: (behind: number): number => {
      const at = (it.distance[i] ?? 0) - behind
      return at <= 0 ? 0 : (it.road[0]![indexAt(it.distance, at)] ?? 0)
    },
  }
})
const name = (id: string | undefined): string => vehicle.document.value?.setups.find((s) => s.id === id)?.name ?? ''
const pitchWords = (rad: number): string =>
  `${units.show(Math.abs(rad), 'rad', { unit: true, decimals: 2 })} ${Math.abs(rad) < 2e-4 ? 'level' : rad < 0 ? 'nose down' : 'nose up'}`
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const mark = computed(() => (run.value?.assumed.length ? '~' : ''))
</script>

<template>
  <div class="drawn side-box">
    <svg
      class="side"
      viewBox="0 0 464 186"
      role="img"
      aria-label="The vehicle at the cursor, heights drawn three times">
      <path d="M0 10h34" :stroke="fact ? 'var(--ink)' : 'var(--plan)'" stroke-width="2.25" />
      <text class="lab" :class="fact ? 'cor' : 'pl'" x="42" y="15">{{ name(run?.now.setup) }}</text>
      <path class="el-found" d="M0 30h34" />
      <text class="lab" x="42" y="35">{{ name(run?.was.setup) }}</text>
      <template v-if="scene">
        <text class="lab" x="464" y="15" text-anchor="end">
          <tspan class="cor" :class="{ pl: !fact }">{{ mark }}{{ pitchWords(scene.pitch[0]) }}</tspan>
        </text>
        <text class="lab" x="464" y="35" text-anchor="end">{{ mark }}{{ pitchWords(scene.pitch[1]) }}</text>
        <svg v-if="vehicle.outline.value" x="0" y="36" width="464" height="150" overflow="visible">
          <SideView
            :outline="vehicle.outline.value"
            :width="464"
            :height="138"
            :drop="scene.drop"
            :ghost="scene.ghost"
            :lift="scene.lift"
            :road="scene.road"
            :times="TIMES"
            :fact="fact"
            :rake="vehicle.document.value?.vehicle.ends?.front?.fork?.rake" />
        </svg>
        <text class="num" x="0" y="186">heights drawn {{ TIMES }} times</text>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.side-box { height: clamp(120px, 0.3 * var(--room), 196px); }
@media (max-width: 1100px) { .side-box { height: calc(0.4 * var(--across)); } }
</style>
