<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'

import type { Instrument } from '@/api/client'

/** What an instrument read before: a trace of each quantity, or the points of a bench's run. */
const props = defineProps<{ instrument: Instrument }>()
const W = 116
const H = 44
const run = computed(() => props.instrument.run?.points ?? [])
const points = computed(() => {
  const xs = run.value.map((p) => p[0]!)
  const ys = run.value.map((p) => p[1]!)
  const x = scaleLinear([Math.min(0, ...xs), Math.max(...xs)], [3, W - 3])
  const y = scaleLinear([Math.min(0, ...ys), Math.max(...ys)], [H - 5, 3])
  return run.value.map((p) => [x(p[0]!), y(p[1]!)] as [number, number])
})
const traces = computed(() => {
  const shown = props.instrument.readings.filter((r) => r.name !== 'time' && r.trace.length > 1)
  const columns = shown.length > 1 ? 2 : 1
  const rows = Math.max(1, Math.ceil(shown.length / columns))
  return shown.map((r, i) => {
    const [low, high] = [Math.min(...r.trace), Math.max(...r.trace)]
    const middle = (low + high) / 2
    // what only scatters stays a line: nothing is drawn larger than a thirtieth of its value makes it
    const half = Math.max((high - low) / 2, Math.abs(middle) / 60, 1e-9)
    const width = W / columns - (columns > 1 ? 4 : 0)
    const left = (i % columns) * (W / columns + 2)
    const top = Math.floor(i / columns) * (H / rows)
    const x = scaleLinear([0, r.trace.length - 1], [left, left + width])
    const y = scaleLinear([middle - half, middle + half], [top + H / rows - 4, top + 4])
    return {
      name: r.name,
      zero: `M${left} ${y(r.trace.at(-1)!)}h${width}`,
      path: line<number>(
        (_, k) => x(k),
        (v) => y(v),
      )(r.trace)!,
    }
  })
})
</script>

<template>
  <svg :width="W" :height="H" :viewBox="`0 0 ${W} ${H}`" aria-hidden="true">
    <template v-if="run.length">
      <path class="tr0" :d="`M3 0V${H - 3}H${W}`" />
      <circle v-for="(p, i) in points" :key="i" class="tp" :cx="p[0]" :cy="p[1]" r="2" />
    </template>
    <template v-else>
      <g v-for="t in traces" :key="t.name">
        <path class="tr0" :d="t.zero" />
        <path class="tr" :d="t.path" />
      </g>
    </template>
  </svg>
</template>

<style scoped>
.tr { fill: none; stroke: var(--ink); stroke-width: 1.25; } .tr0 { fill: none; stroke: var(--edge); stroke-width: .75; } .tp { fill: var(--ground); stroke: var(--ink); stroke-width: 1; }
</style>
