<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { CornerReport, StopBench } from '@/api/client'
import { useDrag } from '@/composables/useDrag'
import { useUnits } from '@/composables/useUnits'
import { commonRange, divisionFor, marksOf, spread } from '@/stance/ladder'

import { cutAt, lengthAt, stopOutline } from './travel'

/**
 * Ladder, damper and tyre on one ride line and one scale of wheel travel, so that what meets first is read across. The
 * lower end of the bump stop is the cut line: dragged, or moved by the arrow keys, it asks for another length.
 */
const props = defineProps<{
  corner: CornerReport
  stop: StopBench | null
  movable: boolean
  fact: boolean
  label: string
}>()
const emit = defineEmits<{ cut: [length: number, done: boolean]; ask: [path: string, words: string] }>()
const units = useUnits()

const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
// words grow in the drawing as it shrinks, so that they stay as large as they are elsewhere
const k = computed(() => Math.max(1, 500 / (width.value || 500)))
const TOP = 16
const BOTTOM = 520
const marks = computed(() => marksOf(props.corner))
const division = computed(() => divisionFor(units.unit('m').name, units.unit('m').factor))
const range = computed(() => {
  const r = commonRange([marks.value], division.value.rung)
  const mount = props.stop ? props.stop.seat * 1e3 + 8 : 0
  return { top: Math.max(r.top, Math.min(mount, r.top + 40)), bottom: r.bottom }
})
const y = (mm: number): number =>
  TOP + ((range.value.top - mm) / (range.value.top - range.value.bottom)) * (BOTTOM - TOP)
const inside = (mm: number): number => Math.min(range.value.top, Math.max(range.value.bottom, mm))
const rungs = computed(() => {
  const out: number[] = []
  for (let n = Math.ceil(range.value.bottom / division.value.rung); n * division.value.rung <= range.value.top; n++)
    out.push(n * division.value.rung)
  return out
})

// what is under the finger moves in the next frame; the report's numbers follow
const held = ref<number | null>(null)
const length = computed(() => held.value ?? props.stop?.length ?? 0)
const cutNow = computed(() => (props.stop ? cutAt(props.stop, length.value) : null))
const lower = computed(() => (cutNow.value ? cutNow.value.touch * 1e3 : 0))
const hard = computed(() => (cutNow.value ? cutNow.value.hard * 1e3 : null))
const mountAt = computed(() => (props.stop ? props.stop.mount * 1e3 : 0))
const window_ = computed(() => {
  const [short, long] = [props.corner.stop_shortest?.value, props.corner.stop_longest?.value]
  const s = props.stop
  if (!s || short === undefined || long === undefined) return null
  const at = (l: number): number => cutAt(s, l).touch * 1e3
  return { from: at(long), to: at(short), short, long, works: s.grade !== 'stop' }
})
const limits = computed(() => {
  const list = [
    { key: 'hard', letter: 'H', words: 'stop squeezed hard', at: hard.value },
    { key: 'solid', letter: 'S', words: 'damper solid', at: marks.value.solid },
    { key: 'contact', letter: 'T', words: 'tyre meets arch', at: marks.value.contact },
    { key: 'bind', letter: 'B', words: 'coils closed', at: props.corner.bind ? props.corner.bind.value * 1e3 : null },
  ].flatMap((l) => (l.at === null ? [] : [{ ...l, at: l.at }]))
  const placed = spread(
    list.map((l) => y(inside(l.at))),
    20 * k.value,
  )
  return list.map((l, i) => ({
    ...l,
    y: y(inside(l.at)),
    label: placed[i]!,
    first: l.letter === props.corner.first_limit,
  }))
})
const first = computed(() => (props.corner.bump_travel ? props.corner.bump_travel.value * 1e3 : null))
const droop = computed(() => marks.value.droop)
const ghost = computed(() =>
  props.corner.wheel_travel && Math.abs(props.corner.wheel_travel.value) > 3e-4
    ? -props.corner.wheel_travel.value * 1e3
    : null,
)
const g = computed(() => {
  const c = props.corner
  if (!c.stop_cornering || !c.stop || c.stop.value <= 0) return null
  const perG = (c.stop.value * 1e3) / c.stop_cornering.value
  return {
    perG,
    ticks: [0, 0.25, 0.5, 0.75, 1, 1.25].filter((t) => t * perG <= range.value.top - 4),
    now: lower.value / perG,
  }
})
const mark = (name: string): string => (marks.value.estimated?.includes(name) ? '~' : '')
const show = (metres: number): string => units.show(metres, 'm')

let startMm = 0
const { down, move, up } = useDrag({
  start: () => {
    if (!props.movable || !props.stop) return false
    startMm = lower.value
    held.value = length.value
    return true
  },
  to: (_dx, dy) => {
    if (!props.stop) return
    const mm = startMm - (dy * (range.value.top - range.value.bottom)) / (BOTTOM - TOP)
    const next = lengthAt(props.stop, mm / 1e3)
    if (held.value === next) return
    held.value = next
    emit('cut', next, false)
  },
  end: () => {
    if (held.value !== null) emit('cut', held.value, true)
    held.value = null
  },
})
function pressed(event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
  if (by === undefined || !props.movable || !props.stop) return
  event.preventDefault()
  emit('cut', Math.min(props.stop.supplied, props.stop.length + by / 1e3), true)
}
const ask = (key: string, words: string): void => emit('ask', key, words)
</script>

<template>
  <div ref="box" class="drawn travel-box" :style="{ '--k': k }">
    <svg viewBox="0 0 500 552" role="group" :aria-label="`Travel of the ${label}`" class="travel">
      <g v-if="g">
        <text class="lab" x="0" :y="y(g.ticks.at(-1)! * g.perG) - 26">corner, g</text>
        <path class="scale" :d="`M50 ${y(0)}V${y(g.ticks.at(-1)! * g.perG)}`" />
        <g v-for="t in g.ticks" :key="t">
          <path class="scale" :d="`M44 ${y(t * g.perG)}h6`" />
          <text class="num" x="38" :y="y(t * g.perG) + 5" text-anchor="end">{{ t }}</text>
        </g>
        <path class="mark" :class="{ fact }" :d="`M40 ${y(inside(lower))}h14`" />
      </g>
      <g v-for="mm in rungs" :key="mm">
        <text
          v-if="
            mm !== 0 &&
            (ghost === null || Math.abs(mm - ghost) > 7) &&
            Math.abs(mm / division.label - Math.round(mm / division.label)) < 0.01
          "
          class="num"
          x="112"
          :y="y(mm) + 5"
          text-anchor="end">
          {{ mm > 0 ? '+' : '' }}{{ division.write(mm) }}
        </text>
      </g>
      <!-- ladder -->
      <rect
        v-if="first !== null"
        x="120"
        :y="TOP"
        width="52"
        :height="Math.max(0, y(inside(first)) - TOP)"
        fill="url(#hatch)" />
      <rect
        v-if="droop !== null"
        x="120"
        :y="y(inside(droop))"
        width="52"
        :height="BOTTOM - y(inside(droop))"
        fill="url(#hatch)" />
      <rect
        class="ld-bed"
        x="120"
        :y="y(inside(first ?? range.top))"
        width="52"
        :height="Math.max(0, y(inside(droop ?? range.bottom)) - y(inside(first ?? range.top)))" />
      <rect
        v-if="stop && first !== null && first > lower"
        x="120"
        :y="y(inside(first))"
        width="52"
        :height="y(inside(lower)) - y(inside(first))"
        fill="url(#dots)" />
      <path v-for="mm in rungs" :key="`r${mm}`" class="ld-rung" :d="`M120 ${y(mm)}h52`" />
      <path
        class="ld-rail"
        :d="`M120 ${y(inside(first ?? range.top))}V${y(inside(droop ?? range.bottom))}M172 ${y(inside(first ?? range.top))}V${y(inside(droop ?? range.bottom))}`" />
      <g v-for="l in limits" :key="l.key">
        <path v-if="l.first" class="ld-bar" :d="`M112 ${l.y}h68`" />
        <path v-else class="ld-tick" :d="`M120 ${l.y}h52L182 ${l.label}`" />
        <rect
          class="ld-tag"
          :class="{ late: !l.first }"
          x="182"
          :y="l.label - 9 * k"
          :width="18 * k"
          :height="18 * k" />
        <text class="ld-tx" :class="{ late: !l.first }" :x="182 + 9 * k" :y="l.label + 5">{{ l.letter }}</text>
        <text
          class="lim how"
          :class="{ late: !l.first }"
          role="button"
          tabindex="0"
          :aria-label="`${l.words}: ${division.write(l.at)}. How?`"
          :x="187 + 18 * k"
          :y="l.label + 6"
          @click="ask(l.key, l.words)"
          @keydown.enter.stop="ask(l.key, l.words)">
          {{ mark(l.key) }}{{ division.write(l.at) }}
        </text>
      </g>
      <g v-if="droop !== null">
        <path class="ld-bar" :d="`M112 ${y(inside(droop))}h68`" />
        <rect class="ld-tag" x="182" :y="y(inside(droop)) - 9 * k" :width="18 * k" :height="18 * k" />
        <text class="ld-tx" :x="182 + 9 * k" :y="y(inside(droop)) + 5">D</text>
        <text
          class="lim how"
          role="button"
          tabindex="0"
          :aria-label="`full droop: ${division.write(droop)}. How?`"
          :style="mark('droop') ? 'font-size:.9375rem' : ''"
          :x="187 + 18 * k"
          :y="y(inside(droop)) + 6"
          @click="ask('droop', 'full droop')"
          @keydown.enter.stop="ask('droop', 'full droop')">
          {{ mark('droop') }}{{ division.write(droop) }}
        </text>
      </g>
      <!-- damper: body, shaft, stop -->
      <g v-if="stop">
        <path class="body" :d="`M246 ${BOTTOM}V${y(0) + 10}l8 -10h108l8 10V${BOTTOM}`" />
        <path class="inner" :d="`M290 ${y(0)}V${BOTTOM - 60}M326 ${y(0)}V${BOTTOM - 60}`" />
        <path class="shaft" :d="`M290 ${y(inside(mountAt))}V${y(0)}M326 ${y(inside(mountAt))}V${y(0)}`" />
        <rect
          v-if="stop.packer > 0"
          class="packer"
          x="262"
          :y="y(inside(stop.seat * 1e3))"
          width="92"
          :height="Math.max(2, y(inside(mountAt)) - y(inside(stop.seat * 1e3)))" />
        <path
          v-if="stop.supplied - length > 4e-4"
          class="off"
          :d="stopOutline(308, y(inside(lower)), y(inside(cutAt(stop, stop.supplied).touch * 1e3)), 50)" />
        <path class="stop" :d="stopOutline(308, y(inside(mountAt)), y(inside(lower)), 54)" />
        <path v-if="hard !== null" class="hard" :d="`M262 ${y(inside(hard))}h92`" />
        <rect class="mount" x="240" :y="y(inside(stop.seat * 1e3)) - 8" width="136" height="8" />
        <g v-if="window_">
          <path
            class="want"
            :class="{ bad: !window_.works }"
            :d="`M228 ${y(inside(window_.from))}h14M228 ${y(inside(window_.to))}h14M235 ${y(inside(window_.from))}V${y(inside(window_.to))}`" />
          <text class="num" x="224" :y="y(inside(window_.from)) + 14" text-anchor="end">
            {{ corner.stop_longest?.assumed ? '~' : '' }}{{ show(window_.long) }}
          </text>
          <text class="num" x="224" :y="y(inside(window_.to)) - 4" text-anchor="end">
            {{ corner.stop_shortest?.assumed ? '~' : '' }}{{ show(window_.short) }}
          </text>
        </g>
        <path class="cut" :class="{ fact }" :d="`M120 ${y(inside(lower))}H388`" />
        <text
          class="cut-l"
          :class="{ fact }"
          x="308"
          :y="(y(inside(mountAt)) + y(inside(lower))) / 2 + 6"
          text-anchor="middle">
          {{ show(length) }}
        </text>
        <g v-if="lower > 6">
          <path class="dim" :d="`M340 ${y(inside(lower))}V${y(0)}`" />
          <text class="gap" x="346" :y="(y(inside(lower)) + y(0)) / 2 + 6">
            {{ corner.stop_gap?.assumed ? '~' : '' }}{{ show((corner.stop_gap?.value ?? 0) + stop.length - length) }}
          </text>
        </g>
        <g v-if="movable">
          <path class="handle" :class="{ fact }" :d="`M388 ${y(inside(lower))}l14 -16h24v32h-24z`" />
          <path
            class="bars"
            :d="`M408 ${y(inside(lower)) - 7}h12M408 ${y(inside(lower))}h12M408 ${y(inside(lower)) + 7}h12`" />
          <rect
            class="grip"
            role="slider"
            tabindex="0"
            :aria-label="`Cut of the bump stop, ${label}; arrow up makes it shorter`"
            :aria-valuetext="`${show(length)} long`"
            aria-orientation="vertical"
            :aria-valuenow="Math.round(length * 1e3)"
            aria-valuemin="0"
            :aria-valuemax="Math.round(stop.supplied * 1e3)"
            x="380"
            :y="y(inside(lower)) - 24 * k"
            width="52"
            :height="48 * k"
            @pointerdown="down"
            @pointermove="move"
            @pointerup="up"
            @pointercancel="up"
            @keydown="pressed" />
          <rect class="focus-ring" x="384" :y="y(inside(lower)) - 20" width="46" height="40" />
        </g>
      </g>
      <text v-else class="lab" x="308" :y="y(0) - 20" text-anchor="middle">bump stop and shaft: Geometry</text>
      <!-- tyre and arch -->
      <g v-if="marks.contact !== null">
        <rect x="440" :y="TOP" width="60" :height="Math.max(0, y(inside(marks.contact)) - TOP)" fill="url(#hatch)" />
        <path class="ld-bar" :d="`M440 ${y(inside(marks.contact))}h60`" />
        <path class="tyre" :d="`M446 ${BOTTOM}V${y(0) + 8}q0 -8 8 -8h32q8 0 8 8V${BOTTOM}`" />
        <path class="dim" :d="`M470 ${y(inside(marks.contact))}V${y(0)}`" />
        <text class="gap" x="470" :y="(y(inside(marks.contact)) + y(0)) / 2" text-anchor="middle">
          {{ mark('contact') }}{{ division.write(marks.contact) }}
        </text>
      </g>
      <path class="zero" :class="{ fact }" :d="`M104 ${y(0)}H500`" />
      <text class="ride" :class="{ fact }" x="101" :y="y(0) + 6">ride</text>
      <path class="wedge" :class="{ fact }" :d="`M120 ${y(0)}l-16 -9v18z`" />
      <path v-if="ghost !== null" class="ghost" :d="`M119 ${y(inside(ghost))}l-15 -8v16z`" />
      <text class="lab" x="146" y="546" text-anchor="middle">wheel</text>
      <text class="lab" x="308" y="546" text-anchor="middle">damper</text>
      <text class="lab" x="470" y="546" text-anchor="middle">tyre, arch</text>
    </svg>
  </div>
</template>

<style scoped>
svg .num, svg .lab, svg .ld-tx, svg .lim, svg .ride { font-size: calc(var(--t-1) * var(--k)); }
.travel-box { aspect-ratio: 500 / 552; width: 100%; } .travel { touch-action: pan-y; }
.scale { stroke: var(--ink); stroke-width: 1; fill: none; }
.mark { stroke: var(--plan); stroke-width: 3; } .mark.fact { stroke: var(--ink); }
.body { fill: var(--vellum); stroke: var(--ink); stroke-width: 1.5; }
.inner { stroke: var(--ink-2); stroke-width: 1; stroke-dasharray: 5 4; fill: none; }
.shaft { stroke: var(--ink); stroke-width: 1.5; fill: none; }
.stop { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; }
.off { fill: none; stroke: var(--ink-2); stroke-width: 1; stroke-dasharray: 4 3; }
.hard { stroke: var(--ink-2); stroke-width: 1; stroke-dasharray: 2 3; }
.mount { fill: var(--ink); } .packer { fill: var(--ink-3); }
.want { stroke: var(--plan); stroke-width: 2.25; fill: none; } .want.bad { stroke: var(--stop); }
.cut { stroke: var(--plan); stroke-width: 1.5; } .cut.fact { stroke: var(--ink); }
svg .cut-l { font-size: var(--t-4); font-weight: 600; fill: var(--plan); } svg .cut-l.fact { fill: var(--ink); }
svg .gap { font-size: var(--t-4); font-weight: 600; fill: var(--ink); paint-order: stroke; stroke: var(--ground); stroke-width: 5px; }
.handle { fill: var(--plan); } .handle.fact { fill: var(--ink); } .bars { stroke: var(--ground); stroke-width: 2; }
svg .ride { font-size: calc(var(--t-1) * var(--k)); font-weight: 600; fill: var(--plan); text-anchor: end; } svg .ride.fact { fill: var(--ink); }
svg .gap + .dim { stroke: var(--edge); }
</style>
