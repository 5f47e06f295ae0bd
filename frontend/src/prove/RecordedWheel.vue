<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

import { placeWords, type WheelRecorded } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** Time spent along the travel of one wheel: recorded as bars, simulated as an outline; its stop and its droop marked. */
const props = defineProps<{
  wheel: WheelRecorded
  simulated: { start: number; width: number; shares: number[] } | null
  touch: number | null
  droop: number | null
}>()
const units = useUnits()
const W = 330
const H = 96
const x = computed(() => {
  const t = props.wheel.travel
  const s = props.simulated
  const low = Math.min(t.start, s?.start ?? t.start, props.droop ?? t.start) - 0.004
  const high =
    Math.max(t.start + t.width * t.shares.length, s ? s.start + s.width * s.shares.length : -1, props.touch ?? -1) +
    0.004
  return scaleLinear([low, high], [0, W])
})
const y = computed(() =>
  scaleLinear([0, Math.max(...props.wheel.travel.shares, ...(props.simulated?.shares ?? [0]))], [H, 8]),
)
const outline = computed(() => {
  const s = props.simulated
  if (!s?.shares.length) return ''
  const at = (i: number): number => x.value(s.start + i * s.width)
  return `M${at(0)} ${H}` + s.shares.map((v, i) => `V${y.value(v)}H${at(i + 1)}`).join('') + `V${H}`
})
const ticks = computed(() => x.value.ticks(7))
</script>

<template>
  <figure class="wheel">
    <figcaption>{{ placeWords(wheel.place) }}</figcaption>
    <svg :viewBox="`0 -14 ${W} ${H + 36}`" role="img" :aria-label="`time along the travel, ${placeWords(wheel.place)}`">
      <rect
        v-for="(v, i) in wheel.travel.shares"
        :key="i"
        class="bar"
        :x="x(wheel.travel.start + i * wheel.travel.width) + 0.4"
        :y="y(v)"
        :width="Math.max(0.6, x(wheel.travel.width) - x(0) - 0.8)"
        :height="H - y(v)" />
      <path v-if="outline" class="sim" :d="outline" />
      <path class="base" :d="`M0 ${H}H${W}`" />
      <path class="rides" :d="`M${x(0)} ${H}V4`" />
      <g v-if="droop !== null">
        <path class="edge" :d="`M${x(droop)} ${H}V0`" />
        <text :x="x(droop)" y="-3" text-anchor="middle">D</text>
      </g>
      <g v-if="touch !== null">
        <path class="edge" :d="`M${x(touch)} ${H}V0`" />
        <text :x="x(touch)" y="-3" text-anchor="middle">S</text>
      </g>
      <text v-for="t in ticks" :key="t" :x="x(t)" :y="H + 16" text-anchor="middle">
        {{ units.show(t, 'm', { signed: true, decimals: units.unit('m').name === 'in' ? 1 : 0 }) }}
      </text>
    </svg>
  </figure>
</template>

<style scoped>
.wheel { margin: 0; min-width: 0; } figcaption { font-weight: 600; } svg { width: 100%; height: auto; } .bar { fill: var(--ink-2); } .sim { fill: none; stroke: var(--plan); stroke-width: 1.75; } .base { stroke: var(--ink); stroke-width: 1; } .rides { stroke: var(--edge); stroke-width: 1; stroke-dasharray: 3 3; } .edge { stroke: var(--ink); stroke-width: 1.5; }
</style>
