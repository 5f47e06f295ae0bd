<script setup lang="ts">
import { computed, ref } from 'vue'

import { useDrag } from '@/composables/useDrag'

import { useUnits } from '@/composables/useUnits'

import { aboveScale, type LoadItem } from './loads'

/** The vehicle from above, nose left: what is carried at its place, taken by hand or arrow keys. */
const props = defineProps<{
  items: LoadItem[]
  wheelbase: number
  overhangs: [number, number]
  tracks: [number, number]
  /** Centres of mass behind the front axle and right of the centre line: as weighed, and with the load. */
  centres: { weighed: [number, number] | null; loaded: [number, number] | null }
  chosen: number | null
}>()
const emit = defineEmits<{ choose: [index: number]; move: [index: number, x: number, y: number, done: boolean] }>()
const units = useUnits()
const WIDTH = 712
const s = computed(() =>
  aboveScale(props.wheelbase, props.overhangs[0], props.overhangs[1], Math.max(...props.tracks), WIDTH),
)
const drawn = computed(() =>
  props.items.map((item, index) => ({ item, index, size: Math.max(9, Math.sqrt(item.mass) * 2.6) })),
)
const root = ref<SVGSVGElement | null>(null)
// where the hand holds a thing that is under it: moved in the next frame, the figures follow
const held = ref<{ index: number; x: number; y: number } | null>(null)
const place = (index: number): [number, number] =>
  held.value?.index === index
    ? [held.value.x, held.value.y]
    : [props.items[index]!.x ?? props.wheelbase / 2, props.items[index]!.y ?? 0]
let from = { index: 0, x: 0, y: 0 }
const limit = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v))
const told = (done: boolean): void => {
  const at = held.value
  if (at) emit('move', at.index, Math.round(at.x * 100) / 100, Math.round(at.y * 100) / 100, done)
}
const hand = useDrag({
  start: () => true,
  to: (dx, dy) => {
    const k = 1 / s.value.scale
    const x = limit(from.x + dx * k, -props.overhangs[0], props.wheelbase + props.overhangs[1])
    const y = limit(from.y - dy * k, -props.tracks[0] / 2, props.tracks[0] / 2)
    held.value = { index: from.index, x, y }
    told(false)
  },
  end: () => {
    told(true)
    held.value = null
  },
})
function down(event: PointerEvent, index: number): void {
  emit('choose', index)
  const [x, y] = place(index)
  from = { index, x, y }
  held.value = { ...from }
  hand.down(event)
}
const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-0.05, 0],
  ArrowRight: [0.05, 0],
  ArrowUp: [0, 0.05],
  ArrowDown: [0, -0.05],
}
function key(event: KeyboardEvent, index: number): void {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  const [x, y] = place(index)
  emit('move', index, Math.round((x + step[0]) * 100) / 100, Math.round((y + step[1]) * 100) / 100, true)
}
const outline = computed(() => {
  const [w, h] = [s.value.width, s.value.height]
  const r = h * 0.2
  return `M${r * 1.4} 8 Q4 10 3 ${h * 0.3} V${h * 0.7} Q4 ${h - 10} ${r * 1.4} ${h - 8} H${w - r * 0.5} Q${w - 4} ${h - 9} ${w - 3} ${h - r} V${r} Q${w - 4} 9 ${w - r * 0.5} 8 Z`
})
const wheels = computed(() =>
  (
    [
      ['front', 0],
      ['rear', props.wheelbase],
    ] as const
  ).flatMap(([end, x]) =>
    [1, -1].map((side) => ({ x: s.value.x(x), y: s.value.y((side * props.tracks[end === 'front' ? 0 : 1]) / 2) })),
  ),
)
</script>

<template>
  <div class="drawn above-box" :style="{ aspectRatio: `${s.width} / ${s.height}` }">
    <svg
      ref="root"
      class="above"
      :viewBox="`0 0 ${s.width} ${s.height}`"
      role="group"
      aria-label="The vehicle from above, nose left; right side up">
      <path class="body" :d="outline" />
      <rect v-for="(w, i) in wheels" :key="i" class="tyre" :x="w.x - 26" :y="w.y - 8" width="52" height="16" />
      <path class="mid" :d="`M0 ${s.y(0)}H${s.width}`" />
      <path
        v-for="x in [0, wheelbase]"
        :key="x"
        class="axle"
        :d="`M${s.x(x)} ${s.y(tracks[0] / 2)}V${s.y(-tracks[0] / 2)}`" />
      <text class="num" x="14" :y="s.y(0) - 6">nose</text>
      <text class="num" :x="s.width - 14" y="26" text-anchor="end">right side</text>
      <text class="num" :x="s.width - 14" :y="s.height - 14" text-anchor="end">left side</text>
      <g
        v-if="centres.weighed"
        class="cm"
        :transform="`translate(${s.x(centres.weighed[0])} ${s.y(centres.weighed[1])})`">
        <circle r="9" />
        <path d="M-9 0H9M0-9V9" />
      </g>
      <g
        v-if="centres.loaded"
        class="cm now"
        :transform="`translate(${s.x(centres.loaded[0])} ${s.y(centres.loaded[1])})`">
        <circle r="9" />
        <path d="M-9 0H9M0-9V9" />
      </g>
      <g
        v-for="d in drawn"
        :key="d.index"
        class="thing"
        :class="{ on: d.index === chosen, untold: d.item.x == null || d.item.y == null }"
        :transform="`translate(${s.x(place(d.index)[0])} ${s.y(place(d.index)[1])})`"
        role="button"
        tabindex="0"
        :aria-label="`${d.item.name}, ${units.show(d.item.mass, 'kg', { unit: true, decimals: 0 })}. Arrow keys move it`"
        @keydown="key($event, d.index)"
        @focus="emit('choose', d.index)"
        @pointerdown="down($event, d.index)"
        @pointermove="hand.move"
        @pointerup="hand.up"
        @pointercancel="hand.up">
        <rect class="reach" x="-22" y="-22" width="44" height="44" />
        <rect class="box" :x="-d.size / 2" :y="-d.size / 2" :width="d.size" :height="d.size" />
        <text class="what" :y="-d.size / 2 - 5" text-anchor="middle">
          {{ d.item.x == null || d.item.y == null ? '~' : '' }}{{ d.item.name }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.above { touch-action: pan-y; }
.body { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.mid { stroke: var(--edge); stroke-dasharray: 12 4 2 4; fill: none; } .axle { stroke: var(--ink-2); stroke-width: 1; fill: none; }
.thing { cursor: move; touch-action: none; outline: none; } .reach { fill: transparent; }
.box { fill: var(--vellum); stroke: var(--ink); stroke-width: 1.5; } .untold .box { stroke-dasharray: 3 2.5; } .on .box { fill: var(--ink); } .thing:focus-visible .reach { stroke: var(--ink); stroke-width: 2.5; }
svg .what { font-size: var(--t-2); fill: var(--ink); paint-order: stroke; stroke: var(--sheet); stroke-width: 4; } .on .what { font-weight: 600; }
.cm circle { fill: var(--sheet); stroke: var(--ink); stroke-width: 1; stroke-dasharray: 2.5 2; } .cm path { stroke: var(--ink); stroke-width: 1; }
.cm.now circle { stroke: var(--plan); stroke-width: 2; stroke-dasharray: none; } .cm.now path { stroke: var(--plan); stroke-width: 2; }
</style>
