<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { DampingBench } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** The damper's curves: now, as found, and with every knob shut and open. Closing is positive. */
const props = defineProps<{ bench: DampingBench; fact: boolean; words: string }>()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
// drawn as wide as it is shown, so that no word is scaled
const W = computed(() => Math.max(200, Math.round(width.value) || 236))
const H = 220
const most = computed(() => Math.max(100, ...props.bench.curves.flatMap((c) => c.points.map((p) => Math.abs(p[1]!)))))
const x = (v: number): number => W.value / 2 + (v / 0.32) * (W.value / 2 - 6)
const y = (f: number): number => H / 2 - (f / most.value) * (H / 2 - 16)
const path = (points: number[][]): string =>
  points.map(([v, f], i) => `${i ? 'L' : 'M'}${x(v!).toFixed(1)} ${y(f!).toFixed(1)}`).join('')
const shown = (n: number): string => units.show(n, 'N', { decimals: 0 })
const steps = computed(() => {
  const one = units.unit('N').factor
  const step = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000].map((s) => s * one).find((s) => most.value / s <= 3) ?? 1e4
  return [-2, -1, 1, 2].map((k) => k * step).filter((f) => Math.abs(f) < most.value * 1.02)
})
const end = (name: string): number[] | undefined => props.bench.curves.find((c) => c.name === name)?.points.at(-1)
</script>

<template>
  <div ref="box" class="chart-box">
    <svg :viewBox="`0 0 ${W} ${H}`" class="chart" role="img" :aria-label="`Force over velocity, ${words}`">
      <path class="axis" :d="`M${W / 2} 4V${H - 4}M4 ${H / 2}H${W - 4}`" />
      <path v-for="v in [-0.25, -0.1, 0.1, 0.25]" :key="v" class="grid" :d="`M${x(v)} 8V${H - 8}`" />
      <text
        v-for="v in [-0.25, -0.1, 0.1, 0.25]"
        :key="`t${v}`"
        class="t"
        :x="x(v)"
        :y="v < 0 ? H / 2 - 4 : H / 2 + 12"
        text-anchor="middle">
        {{ v }}
      </text>
      <template v-for="f in steps" :key="f">
        <path class="tick" :d="`M${W / 2 - 4} ${y(f)}h8`" />
        <text class="t" :x="W / 2 + 7" :y="y(f) + 4">{{ shown(f) }}</text>
      </template>
      <path v-for="c in bench.curves" :key="c.name" class="curve" :class="[c.name, { fact }]" :d="path(c.points)" />
      <circle
        v-for="d in bench.judged_at"
        :key="d[0]"
        class="dot"
        :class="{ fact }"
        :cx="x(d[0]!)"
        :cy="y(d[1]!)"
        r="3.5" />
      <text v-if="end('shut')" class="t" :x="W - 4" :y="y(end('shut')![1]!) - 3" text-anchor="end">shut</text>
      <text v-if="end('open')" class="t" :x="W - 4" :y="y(end('open')![1]!) + 12" text-anchor="end">open</text>
      <text class="t" :x="W / 2 - 6" y="14" text-anchor="end">bump, {{ units.unit('N').written }}</text>
      <text class="t" :x="W / 2 + 6" :y="H - 6">rebound</text>
      <text class="t" x="6" :y="H / 2 + 12">m/s</text>
    </svg>
  </div>
</template>

<style scoped>
.chart-box { width: 100%; max-width: 320px; } .chart { width: 100%; height: 220px; background: var(--sheet); } .axis { stroke: var(--ink); stroke-width: 1.2; } .grid { stroke: var(--rule); stroke-dasharray: 2 3; } .tick { stroke: var(--ink); }
.t { font-size: var(--t-1); fill: var(--ink-2); } .curve { fill: none; stroke: var(--ink); stroke-width: 1; } .curve.now { stroke: var(--plan); stroke-width: 2.5; } .curve.now.fact { stroke: var(--ink); } .curve.found { stroke-dasharray: 3 3; }
.dot { fill: var(--plan); } .dot.fact { fill: var(--ink); }
</style>
