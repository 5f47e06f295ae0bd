<script setup lang="ts">
import { computed } from 'vue'

import type { OverHeight } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** Camber or toe over height: front solid, rear dashed; as found a ring, the plan a dot; what the drop does in words below. */
const props = defineProps<{ over: OverHeight[]; of: 'camber' | 'toe' }>()
const units = useUnits()
const W = 120
const H = 150
const lines = computed(() =>
  props.over
    .map((o) => ({
      end: o.end,
      points: o.points.flatMap((p) => (p[props.of] == null ? [] : [{ h: p.height - (o.plan ?? 0), v: p[props.of]! }])),
      found:
        o.found != null && o[`${props.of}_found`] != null
          ? { h: o.found - (o.plan ?? 0), v: o[`${props.of}_found`]! }
          : null,
      plan: o[`${props.of}_plan`] != null ? { h: 0, v: o[`${props.of}_plan`]! } : null,
    }))
    .filter((l) => l.points.length > 1),
)
const range = computed(() => {
  const all = lines.value.flatMap((l) => l.points)
  const [v, h] = [all.map((p) => p.v), all.map((p) => p.h)]
  const pad = (Math.max(...v) - Math.min(...v)) * 0.08 || 1e-3
  return { v0: Math.min(...v) - pad, v1: Math.max(...v) + pad, h0: Math.min(...h), h1: Math.max(...h) }
})
const x = (v: number): number => 8 + ((v - range.value.v0) / (range.value.v1 - range.value.v0)) * (W - 16)
const y = (h: number): number => H - 8 - ((h - range.value.h0) / (range.value.h1 - range.value.h0)) * (H - 16)
const si = computed(() => (props.of === 'toe' ? 'm' : 'rad'))
const show = (v: number): string =>
  units.show(v, si.value, { decimals: 1, ...(props.of === 'toe' ? { kind: 'fine length' as const } : {}) })
const ends = computed(() => [range.value.v0, range.value.v1])
</script>

<template>
  <figure v-if="lines.length" class="chart">
    <figcaption class="small quiet">{{ of }} {{ of === 'toe' ? units.unit('m').written : '°' }}</figcaption>
    <svg :width="W" :height="H + 18" role="img" :aria-label="`${of} over height of front and rear`">
      <rect class="bed" x="0" y="0" :width="W" :height="H" />
      <path class="plan-line" :d="`M0 ${y(0)}H${W}`" />
      <path v-if="of === 'toe' && range.v0 < 0 && range.v1 > 0" class="nil" :d="`M${x(0)} 0V${H}`" />
      <g v-for="l in lines" :key="l.end">
        <path
          class="line"
          :class="l.end"
          :d="`M${l.points.map((p) => `${x(p.v).toFixed(1)} ${y(p.h).toFixed(1)}`).join('L')}`" />
        <circle v-for="(p, i) in l.points" :key="i" class="pt" :cx="x(p.v)" :cy="y(p.h)" r="2.500" />
        <circle v-if="l.found" class="was" :cx="x(l.found.v)" :cy="y(l.found.h)" r="4.500" />
        <circle v-if="l.plan" class="is" :cx="x(l.plan.v)" :cy="y(l.plan.h)" r="4.500" />
      </g>
      <text x="2" :y="H + 14">{{ show(ends[0]!) }}</text>
      <text :x="W - 2" :y="H + 14" text-anchor="end">{{ show(ends[1]!) }}</text>
    </svg>
  </figure>
</template>

<style scoped>
.chart { margin: 0; } .bed { fill: var(--sheet); } .line { fill: none; stroke: var(--ink); stroke-width: 1.75; } .line.rear { stroke-dasharray: 7 4; } .pt { fill: var(--sheet); stroke: var(--ink); } .was { fill: var(--vellum); stroke: var(--ink); stroke-dasharray: 2 2; } .is { fill: var(--plan); } .plan-line { stroke: var(--plan); } .nil { stroke: var(--edge); }
</style>
