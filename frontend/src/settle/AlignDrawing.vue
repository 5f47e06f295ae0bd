<script setup lang="ts">
import { computed } from 'vue'

import type { AlignmentBench } from '@/api/client'

/** The wheels from above and from the front: before thin, now thick, wanted blue; magnified, and the magnification written. */
const props = defineProps<{ bench: AlignmentBench }>()
const TOE = 40
const CAMBER = 4
const WHEEL = 5
const at: Record<string, [number, number, number]> = {
  front_left: [56, 62, 1],
  front_right: [164, 62, -1],
  rear_left: [56, 242, 1],
  rear_right: [164, 242, -1],
}
const deg = (a: number): number => (a * 180) / Math.PI
const wheels = computed(() =>
  props.bench.wheels.flatMap((w) => {
    const spot = at[w.place]
    if (!spot) return []
    const [x, y, side] = spot
    const turn = (toe: number | null | undefined): number | null => (toe == null ? null : side * deg(toe) * TOE)
    const lean = (c: number | null | undefined): number | null => (c == null ? null : -side * deg(c) * CAMBER)
    return [
      {
        place: w.place,
        x,
        y,
        side,
        before: turn(w.before.toe),
        now: turn(w.now.toe),
        wanted: turn(w.wanted.toe),
        lean: lean(w.now.camber),
        leanBefore: lean(w.before.camber),
      },
    ]
  }),
)
const thrust = computed(() => (props.bench.thrust == null ? null : deg(props.bench.thrust) * TOE))
const wheel = computed(() => (props.bench.steering_wheel == null ? null : deg(props.bench.steering_wheel) * WHEEL))
const says = computed(() =>
  props.bench.thrust == null
    ? 'Wheels from above and from the front'
    : `Wheels from above and from the front; the rear axle points ${Math.abs(deg(props.bench.thrust)).toFixed(2)} degrees to the ${props.bench.thrust > 0 ? 'right' : 'left'}`,
)
</script>

<template>
  <svg class="align" viewBox="0 0 220 300" role="img" :aria-label="says">
    <path class="body" d="M76 284Q66 282 66 262V56Q66 22 84 16Q110 10 136 16Q154 22 154 56V262Q154 282 144 284Z" />
    <path class="middle" d="M110 4V296" />
    <g v-if="thrust !== null" :transform="`rotate(${thrust} 110 242)`">
      <path class="thrust" d="M110 242V24" />
      <path class="thrust-tip" d="M110 14l-6 14h12z" />
    </g>
    <g v-for="w in wheels" :key="w.place">
      <g :transform="`translate(${w.x} ${w.y})`">
        <path v-if="w.wanted !== null" class="wanted" d="M0 -34V34" :transform="`rotate(${w.wanted})`" />
        <rect
          v-if="w.before !== null"
          class="before"
          x="-8"
          y="-24"
          width="16"
          height="48"
          :transform="`rotate(${w.before})`" />
        <rect v-if="w.now !== null" class="now" x="-8" y="-24" width="16" height="48" :transform="`rotate(${w.now})`" />
      </g>
      <g :transform="`translate(${w.side > 0 ? 20 : 200} ${w.y + 24})`">
        <path class="ground" d="M-20 0h40" />
        <rect
          v-if="w.leanBefore !== null"
          class="before"
          x="-6"
          y="-42"
          width="12"
          height="42"
          :transform="`rotate(${w.leanBefore})`" />
        <rect
          v-if="w.lean !== null"
          class="now"
          x="-6"
          y="-42"
          width="12"
          height="42"
          :transform="`rotate(${w.lean})`" />
      </g>
    </g>
    <g v-if="wheel !== null" :transform="`translate(92 138) rotate(${wheel})`">
      <circle class="steer" r="15" />
      <path class="steer" d="M-15 0H15M0 0V15M0 -15v-8" />
    </g>
  </svg>
  <p class="small quiet drawn-at">toe, thrust {{ TOE }}×, camber {{ CAMBER }}×, wheel {{ WHEEL }}×</p>
</template>

<style scoped>
.align { width: 100%; max-width: 220px; height: auto; margin: 0 auto; } .drawn-at { text-align: center; }
.body { fill: var(--sheet); stroke: var(--edge); } .middle { stroke: var(--ink-2); stroke-dasharray: 10 4 2 4; } .thrust { stroke: var(--ink); stroke-width: 3; } .thrust-tip { fill: var(--ink); } .before { fill: none; stroke: var(--ink); stroke-dasharray: 3 2; } .now { fill: var(--tyre); stroke: var(--ink); stroke-width: 1.5; } .wanted { stroke: var(--plan); stroke-width: 2.25; } .ground { stroke: var(--ink); stroke-width: 1.5; } .steer { fill: none; stroke: var(--ink); stroke-width: 2; }
</style>
