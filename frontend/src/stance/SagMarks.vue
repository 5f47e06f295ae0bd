<script setup lang="ts">
import { computed } from 'vue'

import type { SagReport } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** On the ladder of a two-wheeler: the bands wanted for rider on and bike alone, and the ring of the bike alone. */
const props = defineProps<{
  x: number
  top: number
  bottom: number
  range: { top: number; bottom: number }
  said: SagReport | undefined
  base: number | null
  fact: boolean
}>()
const units = useUnits()
const y = (mm: number): number =>
  props.top +
  ((props.range.top - Math.min(props.range.top, Math.max(props.range.bottom, mm))) /
    (props.range.top - props.range.bottom)) *
    (props.bottom - props.top)
const at = (value: number): number => (value - (props.base ?? 0)) * 1000
const short = (value: number): string => units.show(value, 'm', { decimals: units.unit('m').name === 'in' ? 1 : 0 })
const bands = computed(() =>
  props.base === null
    ? []
    : (['rider', 'free'] as const).flatMap((of) => {
        const [low, high] = [props.said?.[`${of}_low`], props.said?.[`${of}_high`]]
        return low && high
          ? [
              {
                of,
                from: y(at(high.value)),
                to: y(at(low.value)),
                words: `${of === 'rider' ? 'rider' : 'alone'} ${short(low.value)}–${short(high.value)}`,
              },
            ]
          : []
      }),
)
const places = computed(() => {
  const made = bands.value.map((b) => (b.from + b.to) / 2)
  // each label keeps clear of the one below it, and the last of the letter at full extension
  let below = props.base === null ? props.bottom : y(-props.base * 1000)
  for (let i = made.length - 1; i >= 0; i--) {
    made[i] = Math.min(made[i]!, below - 18)
    below = made[i]!
  }
  return made
})
const ring = computed(() => (props.said?.free_sag && props.base !== null ? y(at(props.said.free_sag.value)) : null))
</script>

<template>
  <g>
    <g v-for="(b, i) in bands" :key="b.of"
      ><rect class="bn" :x="x - 12" :y="b.from" width="24" :height="Math.max(2, b.to - b.from)" /><path
        class="br"
        :d="`M${x + 13} ${b.from}h6V${b.to}h-6`" /><text class="num" :x="x + 24" :y="places[i]! + 4.5">{{
        b.words
      }}</text></g
    >
    <circle v-if="ring !== null" class="ring" :class="{ fact }" :cx="x" :cy="ring" r="6.500" />
  </g>
</template>

<style scoped>
.bn { fill: var(--plan-tint); opacity: 0.85; } .br { fill: none; stroke: var(--ink); stroke-width: 1; } .num { paint-order: stroke; stroke: var(--vellum); stroke-width: 4px; } .ring { fill: var(--sheet); stroke: var(--plan); stroke-width: 2.5; } .ring.fact { stroke: var(--ink); }
</style>
