<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { ClickCell, ClickMapShown, ClickTurn } from '@/api/client'

/** All pairs of clicks of one end: a wide mark loses comfort, a tall one grip; outlined what is as good as the best. */
const props = defineProps<{ map: ClickMapShown; turns: ClickTurn[]; fact: boolean }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const LEFT = 46
const TOP = 42
const across = computed(() => (props.map.rebound ? props.map.clicks[0]! : 0) + 1)
const down = computed(() => (props.map.bump ? props.map.clicks[1]! : 0) + 1)
const size = computed(() => Math.max(9, Math.min(20, (Math.max(240, width.value || 330) - LEFT - 8) / across.value)))
const W = computed(() => LEFT + across.value * size.value + 8)
const H = computed(() => TOP + down.value * size.value + 6)
// shut is on the right and on top: the firmer, the nearer to that corner
const x = (rebound: number): number => LEFT + (across.value - 1 - rebound + 0.5) * size.value
const y = (bump: number): number => TOP + (bump + 0.5) * size.value
const best = computed(() => ({
  comfort: Math.min(1, ...props.map.cells.map((c) => c.comfort)),
  grip: Math.min(1, ...props.map.cells.map((c) => c.grip)),
}))
/** A loss of a fifth fills the cell. */
const FULL = 0.21
const side = (loss: number): number => Math.min(1, Math.max(0.06, loss / FULL)) * (size.value - 3)
const cells = computed(() =>
  props.map.cells.map((c) => {
    const [w, h] = [side(c.comfort - best.value.comfort), side(c.grip - best.value.grip)]
    return {
      ...c,
      w,
      h,
      x: x(c.rebound) - w / 2,
      y: y(c.bump) - h / 2,
      shut: props.map.locked.includes('bump')
        ? c.bump !== props.map.now[1]
        : props.map.locked.includes(props.map.rebound ?? '')
          ? c.rebound !== props.map.now[0]
          : false,
    }
  }),
)
const near = computed(() => new Set(props.map.cells.filter((c) => c.near_best).map((c) => `${c.rebound} ${c.bump}`)))
/** Edges between what is as good as the best and what is not. */
const outline = computed(() => {
  let d = ''
  const half = size.value / 2
  for (const key of near.value) {
    const [r, b] = key.split(' ').map(Number) as [number, number]
    const [cx, cy] = [x(r), y(b)]
    if (!near.value.has(`${r} ${b - 1}`)) d += `M${cx - half} ${cy - half}h${size.value}`
    if (!near.value.has(`${r} ${b + 1}`)) d += `M${cx - half} ${cy + half}h${size.value}`
    if (!near.value.has(`${r + 1} ${b}`)) d += `M${cx - half} ${cy - half}v${size.value}`
    if (!near.value.has(`${r - 1} ${b}`)) d += `M${cx + half} ${cy - half}v${size.value}`
  }
  return d
})
const line = computed(() => props.map.line.map(([r, b], i) => `${i ? 'L' : 'M'}${x(r!)} ${y(b!)}`).join(''))
const now = computed(() => ({ x: x(props.map.now[0]!), y: y(props.map.now[1]!) }))
const proposed = computed(() => {
  const of = (acts: string | null | undefined, was: number): number =>
    props.turns.find((t) => t.end === props.map.end && t.acts === acts)?.now ?? was
  const pair = [of(props.map.rebound, props.map.now[0]!), of(props.map.bump, props.map.now[1]!)] as const
  return pair[0] === props.map.now[0] && pair[1] === props.map.now[1] ? null : { x: x(pair[0]), y: y(pair[1]), pair }
})
const every = (n: number, now: number): number[] =>
  Array.from({ length: n }, (_, i) => i).filter(
    (i) => i === now || (i > 0 && i % (n > 14 ? 4 : 2) === 0 && i < n - 2 && Math.abs(i - now) > 1),
  )
const diamond = (p: { x: number; y: number }, r: number): string =>
  `M${p.x} ${p.y - r}L${p.x + r} ${p.y}L${p.x} ${p.y + r}L${p.x - r} ${p.y}Z`
const chosen = ref<ClickCell | null>(null)
const over = computed(() => {
  const c = chosen.value
  if (!c) return ''
  const by = (v: number): string => `${v >= 1 ? '+' : '−'}${Math.abs((v - 1) * 100).toFixed(1)} %`
  const why = c.harder
    ? '; meets the stop harder than as found'
    : c.off_band
      ? '; body damping further off its band'
      : ''
  return `${props.map.rebound ?? ''} ${props.map.rebound ? c.rebound : ''}${props.map.bump ? `, bump ${c.bump}` : ''}: acceleration ${by(c.comfort)}, load swing ${by(c.grip)}, damping ${c.ratio.toFixed(2)}${why}`
})
function touched(event: PointerEvent): void {
  const r = (event.currentTarget as SVGElement).getBoundingClientRect()
  const [px, py] = [((event.clientX - r.left) / r.width) * W.value, ((event.clientY - r.top) / r.height) * H.value]
  const rebound = across.value - 1 - Math.floor((px - LEFT) / size.value)
  const bump = Math.floor((py - TOP) / size.value)
  chosen.value = props.map.cells.find((c) => c.rebound === rebound && c.bump === bump) ?? null
}
</script>

<template>
  <div ref="box" class="map">
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      :width="W"
      :height="H"
      role="img"
      :aria-label="`Clicks of the ${map.end}, counted from shut: ${map.cells.length} of ${map.total} pairs driven; ${map.line.length} best compromises`"
      @pointermove="touched"
      @pointerdown="touched">
      <text class="lab" :x="LEFT" y="14">{{ map.rebound ?? '' }}</text>
      <text class="num" :x="LEFT" y="34">open</text>
      <text class="num" :x="W - 8" y="34" text-anchor="end">shut</text>
      <text
        v-for="r in every(across, map.now[0]!)"
        :key="`r${r}`"
        class="num"
        :class="{ pl: r === map.now[0] }"
        :x="x(r)"
        y="34"
        text-anchor="middle">
        {{ r }}
      </text>
      <template v-if="map.bump">
        <text class="lab" x="0" :y="TOP + 12">bump</text>
        <text class="num" x="0" :y="TOP + 28">shut</text>
        <text class="num" x="0" :y="H - 8">open</text>
        <text
          v-for="b in every(down, map.now[1]!)"
          :key="`b${b}`"
          class="num"
          :class="{ pl: b === map.now[1] }"
          :x="LEFT - 6"
          :y="y(b) + 5"
          text-anchor="end">
          {{ b }}
        </text>
      </template>
      <rect class="bed" :x="LEFT" :y="TOP" :width="across * size" :height="down * size" />
      <template v-for="c in cells" :key="`${c.rebound} ${c.bump}`">
        <rect
          v-if="c.harder"
          :x="x(c.rebound) - size / 2"
          :y="y(c.bump) - size / 2"
          :width="size"
          :height="size"
          fill="url(#hatch)" />
        <rect
          v-else
          class="mk"
          :class="{ shut: c.shut, off: c.off_band }"
          :x="c.x"
          :y="c.y"
          :width="c.w"
          :height="c.h" />
      </template>
      <path class="near" :d="outline" />
      <path class="guide" :class="{ fact }" :d="`M${now.x} ${TOP}V${now.y}M${LEFT} ${now.y}H${now.x}`" />
      <path class="best" :d="line" />
      <circle v-for="p in map.line" :key="p.join()" class="bd" :cx="x(p[0]!)" :cy="y(p[1]!)" r="2.6" />
      <path class="at" :class="{ fact }" :d="diamond(now, 6.5)" />
      <template v-if="proposed">
        <path class="to" :d="`M${now.x} ${now.y}L${proposed.x} ${proposed.y}`" />
        <path class="pr" :d="diamond(proposed, 8.5)" />
      </template>
    </svg>
    <p class="small quiet said">{{ over || ' ' }}</p>
  </div>
</template>

<style scoped>
svg { max-width: 100%; height: auto; touch-action: manipulation; } svg .num, svg .lab { font-size: var(--t-1); fill: var(--ink-2); } svg .pl { fill: var(--plan); font-weight: 600; }
.bed { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .mk { fill: var(--ink-2); } .mk.off { opacity: 0.45; } .mk.shut { opacity: 0.25; } .near { stroke: var(--ink); stroke-width: 1.25; fill: none; } .best { stroke: var(--ink); stroke-width: 1.5; fill: none; } .bd { fill: var(--ink); }
.guide { stroke: var(--plan); fill: none; } .at { fill: var(--plan); } .at.fact, .guide.fact { fill: var(--ink); } .to { stroke: var(--plan); stroke-width: 1.5; } .pr { fill: var(--sheet); stroke: var(--plan); stroke-width: 2.25; } .said { min-height: 18px; }
</style>
