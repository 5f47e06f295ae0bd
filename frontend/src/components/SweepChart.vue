<script setup lang="ts">
import { computed } from 'vue'

import { api } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'

/** The motion ratio along a measured sweep; under it how far each pair lies off the curve. */
const props = defineProps<{ points: number[][] }>()
const units = useUnits()
const { found, trouble } = useAnswer(
  () => api.POST('/api/survey/sweep', { body: { sweep: { kind: 'sweep', points: props.points } } }),
  [() => props.points],
)
const fit = computed(() => found.value?.fit)
const [LEFT, RIGHT, TOP, BASE, ZERO] = [44, 312, 14, 108, 152]
const heights = computed(() => fit.value?.heights ?? [])
const span = computed(() => ({ most: Math.max(...heights.value), least: Math.min(...heights.value) }))
// bump to the right, as the wheel goes up
const x = (hub: number): number =>
  LEFT + ((span.value.most - hub) / (span.value.most - span.value.least || 1)) * (RIGHT - LEFT)
const scale = computed(() => {
  const r = fit.value?.ratios ?? [1]
  const [low, high] = [Math.min(...r), Math.max(...r)]
  const pad = Math.max(0.02, (high - low) * 0.15)
  return { low: low - pad, high: high + pad }
})
const y = (r: number): number => BASE - ((r - scale.value.low) / (scale.value.high - scale.value.low)) * (BASE - TOP)
const path = computed(() =>
  heights.value.map((h, i) => `${i ? 'L' : 'M'}${x(h).toFixed(1)} ${y(fit.value!.ratios[i]!).toFixed(1)}`).join(''),
)
const worst = computed(() => Math.max(1e-4, ...(fit.value?.residuals ?? []).map(Math.abs)))
const stem = (r: number): number => ZERO - (r / worst.value) * 20
const ticks = computed(() => [scale.value.low, (scale.value.low + scale.value.high) / 2, scale.value.high])
</script>

<template>
  <p v-if="trouble" class="grade-look small">{{ trouble }}</p>
  <svg
    v-else-if="fit"
    class="sweep-chart"
    viewBox="0 0 330 196"
    role="img"
    :aria-label="`Motion ratio ${fit.ratios[0]!.toFixed(3)} at full droop to ${fit.ratios.at(-1)!.toFixed(3)} in bump; pairs at most ${units.show(worst, 'm', { kind: 'fine length', unit: true })} off`">
    <g v-for="t in ticks" :key="t">
      <path class="grid" :d="`M${LEFT} ${y(t)}H${RIGHT}`" />
      <text class="num" :x="LEFT - 6" :y="y(t) + 5" text-anchor="end">{{ t.toFixed(2) }}</text>
    </g>
    <path class="curve" :d="path" />
    <path class="grid" :d="`M${LEFT} ${ZERO}H${RIGHT}`" />
    <g v-for="(p, i) in points.slice(0, fit.residuals.length)" :key="i">
      <path class="stem" :d="`M${x(p[0]!)} ${ZERO}V${stem(fit.residuals[i]!)}`" />
      <circle class="dot" :cx="x(p[0]!)" :cy="stem(fit.residuals[i]!)" r="3.500" />
      <path class="ld-tick" :d="`M${x(p[0]!)} ${y(scale.low)}v-5`" />
    </g>
    <text class="num" :x="LEFT - 6" :y="ZERO + 5" text-anchor="end">off</text>
    <text class="num" :x="RIGHT" :y="192" text-anchor="end">
      pairs at most {{ units.show(worst, 'm', { kind: 'fine length', unit: true }) }} off the curve
    </text>
    <text class="num" :x="LEFT" y="192">droop</text>
  </svg>
</template>

<style scoped>
.sweep-chart { width: 100%; max-width: 360px; margin-top: 8px; }
.curve { fill: none; stroke: var(--ink); stroke-width: 2.25; } .stem { stroke: var(--ink); stroke-width: 1; } .dot { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
</style>
