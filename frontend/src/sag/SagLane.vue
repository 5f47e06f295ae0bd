<script setup lang="ts">
import { computed } from 'vue'

/** Sag on one line: bands wanted, ring for the bike alone, wedge for the rider on; found ones dashed. All in mm as read. */
const props = defineProps<{
  width: number
  most: number
  freeBand?: [number, number] | null
  riderBand?: [number, number] | null
  free?: number | null
  rider?: number | null
  foundFree?: number | null
  foundRider?: number | null
  selected?: boolean
  look?: boolean
  scale?: boolean
}>()
const x = (mm: number): number => 10 + (Math.min(Math.max(mm, 0), props.most) / props.most) * (props.width - 20)
const ticks = computed(() => Array.from({ length: Math.floor(props.most / 10) + 1 }, (_, i) => i * 10))
</script>

<template>
  <svg
    class="lane"
    :width="width"
    :height="scale ? 58 : 40"
    :viewBox="`0 0 ${width} ${scale ? 58 : 40}`"
    aria-hidden="true">
    <rect class="bed" x="10" y="15" :width="width - 20" height="18" />
    <rect v-if="freeBand" class="bn" :x="x(freeBand[0])" y="15" :width="x(freeBand[1]) - x(freeBand[0])" height="18" />
    <rect
      v-if="riderBand"
      class="bn"
      :x="x(riderBand[0])"
      y="15"
      :width="x(riderBand[1]) - x(riderBand[0])"
      height="18" />
    <path v-for="t in ticks" :key="t" class="rung" :d="`M${x(t)} 15v18`" />
    <path class="edge" :d="`M10 15H${width - 10}M10 33H${width - 10}`" />
    <path class="zero" d="M10 11v26" />
    <g v-if="scale">
      <text v-for="t in ticks.filter((v) => v % 10 === 0)" :key="t" class="num" :x="x(t)" y="51" text-anchor="middle">
        {{ t }}
      </text>
    </g>
    <circle v-if="foundFree != null" class="ring ghost" :cx="x(foundFree)" cy="24" r="6" />
    <path v-if="foundRider != null" class="ghost" :d="`M${x(foundRider)} 15l-7 -11h14z`" />
    <circle v-if="free != null" class="ring" :class="{ sel: selected, look }" :cx="x(free)" cy="24" r="6.500" />
    <path v-if="rider != null" class="wedge" :class="{ fact: !selected }" :d="`M${x(rider)} 15l-7.500 -12h15z`" />
  </svg>
</template>

<style scoped>
.lane { display: block; max-width: 100%; } .bed { fill: var(--sheet); } .bn { fill: var(--plan-tint); } .rung { stroke: var(--rule); stroke-width: 1; } .edge { stroke: var(--ink); stroke-width: 1.25; } .zero { stroke: var(--ink); stroke-width: 3; }
.ring { fill: var(--sheet); stroke: var(--ink); stroke-width: 2.25; } .ring.sel { stroke: var(--plan); } .ring.look { stroke: var(--look); } .ghost { fill: none; stroke: var(--ink-2); stroke-width: 1; stroke-dasharray: 2 2; }
.num { fill: var(--ink-2); font-size: var(--t-1); }
</style>
