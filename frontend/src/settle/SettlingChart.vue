<script setup lang="ts">
import { computed } from 'vue'

import type { Due, Settling, SettlingEnd } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** Height over distance: what is known on the sheet, what is to come on the ground; settings step the curve. */
const props = defineProps<{
  settling: Settling
  due: Due[]
  width: number
  /** Distance of each entry shown below, to which a line leads; and where its column stands. */
  marks: { number: number; distance: number; column: number }[]
}>()
const units = useUnits()
const LEFT = 64
const HEIGHT = 86
const TOP = 52
const longest = computed(() =>
  Math.max(
    1,
    ...props.settling.ends.flatMap((e) => e.ahead.map((p) => p.distance)),
    ...props.due.map((d) => d.distance),
  ),
)
const x = (d: number): number => LEFT + (d / longest.value) * (props.width - LEFT - 8)
interface Panel {
  end: SettlingEnd
  top: number
  y: (h: number) => number
  grid: { y: number; value: number }[]
}
const panels = computed<Panel[]>(() =>
  props.settling.ends.map((end, i) => {
    const all = [
      ...end.points.map((p) => p.read),
      ...end.pieces.flatMap((p) => p.heights.map((q) => q.height)),
      ...end.ahead.map((p) => p.height),
      ...(end.wanted == null ? [] : [end.wanted]),
    ]
    const [low, high] = [Math.min(...all) - 0.0006, Math.max(...all) + 0.0006]
    const top = TOP + i * (HEIGHT + 8)
    const y = (h: number): number => top + HEIGHT - ((h - low) / (high - low)) * HEIGHT
    const step = high - low > 0.012 ? 0.005 : 0.002
    const grid = []
    for (let n = Math.ceil(low / step); n * step < high; n++) grid.push({ y: y(n * step), value: n * step })
    return { end, top, y, grid }
  }),
)
const line = (p: Panel, points: { distance: number; height: number }[]): string =>
  `M${points.map((q) => `${x(q.distance).toFixed(1)} ${p.y(q.height).toFixed(1)}`).join('L')}`
const last = computed(() => props.settling.last ?? 0)
const bottom = computed(() => TOP + panels.value.length * (HEIGHT + 8))
const km = (d: number): string => units.show(d, 'm', { kind: 'distance', decimals: 0 })
const ticks = computed(() => {
  const step = [50e3, 100e3, 200e3, 500e3, 1e6, 2e6, 5e6].find((s) => longest.value / s <= 7) ?? 1e7
  return Array.from({ length: Math.floor(longest.value / step) + 1 }, (_, i) => i * step)
})
const mm = (v: number): string => units.show(v, 'm', { kind: 'fine length' })
const says = computed(() =>
  props.settling.ends
    .map((e) => `${e.end}: settles at ${mm(e.settled)}, give or take ${mm(e.sure * 2)}; ${mm(e.remaining)} to come`)
    .join('. '),
)
</script>

<template>
  <svg :width="width" :height="bottom + 22" role="img" :aria-label="says">
    <text x="0" :y="40" class="lab">{{ units.unit('m', 'distance').written }}</text>
    <path class="axis" :d="`M${LEFT} 44H${width - 8}`" />
    <g v-for="t in ticks" :key="t">
      <path class="axis" :d="`M${x(t)} 44v-6`" />
      <text :x="x(t)" y="34" text-anchor="middle">{{ km(t) }}</text>
    </g>
    <g v-for="d in due" :key="d.id" :transform="`translate(${x(d.distance)} 44)`">
      <path class="axis" d="M0 0v-26" />
      <path :class="d.done ? 'flag-done' : 'flag'" d="M0 -26l11 4 -11 4z" />
      <text
        :x="d.distance > longest * 0.7 ? -4 : 14"
        y="-20"
        :text-anchor="d.distance > longest * 0.7 ? 'end' : 'start'"
        class="due">
        {{ d.id === 'bolts' ? 'bolts' : d.id === 'heights' ? 'heights' : 'torque' }}
      </text>
    </g>
    <g v-for="p in panels" :key="p.end.end">
      <rect class="known" :x="LEFT" :y="p.top" :width="Math.max(0, x(last) - LEFT + 6)" :height="HEIGHT" />
      <text x="0" :y="p.top + 14" class="cor">{{ p.end.end }}</text>
      <g v-for="g in p.grid" :key="g.value">
        <path class="grid" :d="`M${LEFT} ${g.y}H${width - 8}`" />
        <text :x="LEFT - 6" :y="g.y + 4.5" text-anchor="end">{{ units.show(g.value, 'm') }}</text>
      </g>
      <template v-if="p.end.wanted != null">
        <path class="want" :d="`M${LEFT} ${p.y(p.end.wanted)}H${width - 8}`" />
        <text class="pl" :x="width - 10" :y="p.y(p.end.wanted) - 4" text-anchor="end">
          wanted {{ units.show(p.end.wanted, 'm') }}
        </text>
      </template>
      <path v-for="(piece, i) in p.end.pieces" :key="i" class="curve" :class="p.end.end" :d="line(p, piece.heights)" />
      <path
        v-if="p.end.ahead.length"
        class="to-come"
        :d="`${line(p, p.end.ahead)}L${x(p.end.ahead.at(-1)!.distance)} ${p.y(p.end.settled)}L${x(last)} ${p.y(p.end.settled)}Z`" />
      <path class="curve thin" :class="p.end.end" :d="line(p, p.end.ahead)" />
      <g v-for="pt in p.end.points" :key="pt.survey">
        <circle class="pt" :cx="x(pt.distance)" :cy="p.y(pt.read)" r="4" />
        <text class="halo" :x="x(pt.distance) + 6" :y="p.y(pt.read) - 5">{{ mm(pt.read) }}</text>
      </g>
    </g>
    <g v-for="m in marks" :key="m.number">
      <path class="mark" :d="`M${x(m.distance)} ${TOP}V${bottom - 4}L${m.column} ${bottom + 20}`" />
    </g>
  </svg>
</template>

<style scoped>
.axis { stroke: var(--ink); fill: none; } .flag { fill: var(--look-fill); stroke: var(--ink); } .flag-done { fill: var(--ink); } .known { fill: var(--sheet); } .want { stroke: var(--plan); stroke-width: 1.25; } .curve { fill: none; stroke: var(--ink); stroke-width: 2; } .curve.rear { stroke-dasharray: 7 4; } .curve.thin { stroke-width: 1.25; } .to-come { fill: var(--rule); opacity: 0.7; } .pt { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.75; } .mark { stroke: var(--edge); fill: none; } .halo { paint-order: stroke; stroke: var(--sheet); stroke-width: 4px; fill: var(--ink); } .due { fill: var(--ink-2); }
</style>
