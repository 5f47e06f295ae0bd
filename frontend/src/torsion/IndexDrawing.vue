<script setup lang="ts">
import { computed } from 'vue'

import type { IndexBench, MoveRow } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

import { arcArrow, gearPath, polar, turns, turnWords } from './gear'

/** Both splined ends seen from outside, what turns in blue, and the plate with the level on it as it must stand unloaded. */
const props = defineProps<{ bench: IndexBench; row: MoveRow; side: 'left' | 'right' }>()
const units = useUnits()
const A = { x: 106, y: 132 }
/** Where body up is clockwise the arm runs to the right of the picture. */
const m = computed(() => (props.bench.lifts_clockwise ? 1 : -1))
/** The plate's axis: its arm runs to the rear, so on the right side everything stands mirrored. */
const B = computed(() => ({ x: m.value > 0 ? 322 : 398, y: 132 }))
const splines = computed<[number, number]>(() => [
  props.bench.splines?.[0] as number,
  props.bench.splines?.[1] as number,
])
const turn = computed(() => turns(props.row.inner, props.row.outer, props.bench))
const bar = computed(() => gearPath(A, 56, splines.value[0], turn.value.bar))
const hole = computed(() => gearPath(A, 60, splines.value[0]))
const pin = computed(() => gearPath(B.value, 42, splines.value[1]))
const least = (v: number): number => (v === 0 ? 0 : Math.sign(v) * Math.max(Math.abs(v), 0.24))
const spin = computed(() => ({
  bar: props.row.inner ? arcArrow(A, 88, 0, least(turn.value.bar)) : null,
  plate: props.row.outer ? arcArrow(B.value, 78, 0, least(turn.value.plate)) : null,
}))
const REACH = 262
/** Where the arm's end stands at an angle below level. */
const tip = (angle: number): { x: number; y: number } => ({
  x: B.value.x + m.value * REACH * Math.cos(angle),
  y: B.value.y + REACH * Math.sin(angle),
})
function plate(angle: number): string {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const at = (along: number, across: number): string =>
    `${(B.value.x + m.value * (along * c + across * s)).toFixed(1)} ${(B.value.y + along * s - across * c).toFixed(1)}`
  return `M${at(44, 48)}L${at(110, 22)}L${at(REACH + 12, 16)}L${at(REACH + 12, -16)}L${at(110, -22)}L${at(44, -48)}`
}
const now = computed(() => props.row.free_angle)
const was = computed(() => props.bench.free_found?.value ?? null)
const loaded = computed(() => props.bench.arm_wanted?.value ?? null)
const level = computed(() => ({
  x: (B.value.x + m.value * 178 * Math.cos(now.value)).toFixed(1),
  y: (B.value.y + 178 * Math.sin(now.value)).toFixed(1),
  a: ((m.value * now.value * 180) / Math.PI).toFixed(2),
}))
const deg = (v: number): string => units.show(v, 'rad', { unit: true, decimals: 1 })
const mark = (at: { x: number; y: number }, radius: number, a: number): string => {
  const p = polar(at, radius, a)
  return `M${at.x} ${at.y}L${p.x.toFixed(1)} ${p.y.toFixed(1)}`
}
</script>

<template>
  <div class="drawn index-box">
    <svg
      viewBox="0 0 720 300"
      role="img"
      :aria-label="`From outside, ${side} side: bar ${turnWords(row.inner, turn.bar)}, plate ${turnWords(row.outer, turn.plate)}; the plate then shows ${deg(row.free_angle)}`">
      <g :transform="m > 0 ? undefined : 'translate(508 0)'">
        <circle class="tube" :cx="A.x" :cy="A.y" r="76" />
        <path class="hole" :d="hole" />
        <path class="turned" :d="bar" />
        <path class="before" :d="mark(A, 72, 0)" />
        <path class="after" :d="mark(A, 50, turn.bar)" />
        <circle class="axis" :cx="A.x" :cy="A.y" r="3" />
        <text class="what" :x="A.x" :y="A.y + 30" text-anchor="middle">bar</text>
        <text class="lab" :x="A.x - 70" :y="A.y + 84" text-anchor="middle">tube</text>
        <template v-if="spin.bar">
          <path class="way" :d="spin.bar.arc" />
          <path class="point" :d="spin.bar.head" />
        </template>
        <text class="lab" :x="A.x" y="254" text-anchor="middle">first, bar at its inner end</text>
        <text class="words" :x="A.x" y="280" text-anchor="middle">{{ turnWords(row.inner, turn.bar) }}</text>
      </g>
      <path v-if="was !== null" class="was" :d="plate(was)" />
      <path class="turned" :d="plate(now)" />
      <circle class="turned" :cx="B.x" :cy="B.y" r="66" />
      <path class="pin" :d="pin" />
      <path class="before" :d="mark(B, 66, 0)" />
      <path class="after" :d="mark(B, 66, turn.plate)" />
      <circle class="axis" :cx="B.x" :cy="B.y" r="3" />
      <text class="lab" :x="B.x" :y="B.y + 24" text-anchor="middle">bar</text>
      <template v-if="spin.plate">
        <path class="way" :d="spin.plate.arc" />
        <path class="point" :d="spin.plate.head" />
      </template>
      <template v-if="loaded !== null">
        <path class="load" :d="`M${B.x + m * 66} ${B.y}L${tip(loaded).x} ${tip(loaded).y}`" />
        <circle class="hub" :cx="tip(loaded).x" :cy="tip(loaded).y" r="6" />
        <text class="lab pl" :x="tip(loaded).x" :y="tip(loaded).y - 12" :text-anchor="m > 0 ? 'end' : 'start'">
          loaded {{ deg(loaded) }}
        </text>
      </template>
      <g :transform="`translate(${level.x} ${level.y}) rotate(${level.a})`">
        <rect class="lvl" x="-62" y="-36" width="124" height="22" />
        <rect class="win" x="-28" y="-33" width="56" height="16" />
        <text class="show" x="0" y="-20" text-anchor="middle">{{ deg(now) }}</text>
      </g>
      <circle class="eye" :cx="tip(now).x" :cy="tip(now).y" r="8" />
      <text
        v-if="was !== null"
        class="lab halo"
        :x="tip(was).x + m * 8"
        :y="Math.min(296, tip(was).y + 30)"
        :text-anchor="m > 0 ? 'end' : 'start'">
        unloaded, was {{ deg(was) }}
      </text>
      <text class="lab" :x="B.x" y="254" text-anchor="middle">then, plate on the bar</text>
      <text class="words" :x="B.x" y="280" text-anchor="middle">{{ turnWords(row.outer, turn.plate) }}</text>
      <g :transform="m > 0 ? 'translate(8 22)' : 'translate(712 22)'">
        <path class="nose" :d="m > 0 ? 'M0 0l14 -9v5h22v8h-22v5z' : 'M0 0l-14 -9v5h-22v8h22v5z'" />
        <text class="cor" :x="m > 0 ? 42 : -42" y="5" :text-anchor="m > 0 ? 'start' : 'end'">
          {{ (side === 'left') === m > 0 ? 'nose' : 'tail' }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.index-box { aspect-ratio: 720 / 300; }
.tube { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .hole { fill: none; stroke: var(--ink); stroke-width: 1; }
.turned { fill: var(--plan-tint); stroke: var(--plan); stroke-width: 1.75; } .pin { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.25; }
.before { stroke: var(--ink); stroke-width: 1.75; stroke-dasharray: 2.5 2.5; } .after { stroke: var(--plan); stroke-width: 3; } .axis { fill: var(--ink); }
.way { fill: none; stroke: var(--plan); stroke-width: 7; } .point { fill: var(--plan); }
.was { fill: none; stroke: var(--ink); stroke-width: 1; stroke-dasharray: 3 2.5; } .load { stroke: var(--plan); stroke-width: 2.25; } .hub { fill: var(--sheet); stroke: var(--plan); stroke-width: 2; }
.lvl { fill: var(--ink); } .win { fill: var(--sheet); } svg .show { font-weight: 600; fill: var(--plan); font-size: var(--t-2); } .eye { fill: var(--sheet); stroke: var(--plan); stroke-width: 2; }
svg .words { font-size: var(--t-4); font-weight: 600; fill: var(--plan); } svg .what { fill: var(--plan); font-weight: 600; font-size: var(--t-2); } .nose { fill: var(--ink); }
svg .halo { paint-order: stroke; stroke: var(--ground); stroke-width: 5px; stroke-linejoin: round; }
</style>
