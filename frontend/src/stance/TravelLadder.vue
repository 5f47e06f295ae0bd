<script setup lang="ts">
import { computed, ref } from 'vue'

import { bumpTags, type Division, type LadderMarks, spread } from './ladder'

/**
 * The travel ladder of one corner: open = free travel, dotted = stop being squeezed, hatched = out of reach.
 * The wedge marks ride height; dragged or moved with the arrow keys it asks for another height (up is bump: a lower car).
 */
const props = defineProps<{
  x: number
  top: number
  bottom: number
  /** Range of the scale, mm of wheel travel. */
  range: { top: number; bottom: number }
  marks: LadderMarks
  /** Travel of as found from this ride height, mm; null when it is the setup itself. */
  ghost: number | null
  division: Division
  movable: boolean
  fact: boolean
  label: string
  heightText: string
  /** How far the wedge stands from zero while it is dragged, mm. */
  offset: number
}>()
const emit = defineEmits<{
  /** Wheel travel asked for from the ride height at the start, mm; `done` on release. */
  move: [travel: number, done: boolean]
  /** One step of the keyboard, mm. */
  step: [travel: number]
  open: []
  /** How a limit comes about: its name in the report. */
  ask: [what: 'solid' | 'contact' | 'bind' | 'droop' | 'stop' | 'loose', words: string]
}>()

const y = (mm: number): number => props.top + ((props.range.top - mm) / (props.range.top - props.range.bottom)) * (props.bottom - props.top)
const within = (mm: number): number => Math.min(props.range.top, Math.max(props.range.bottom, mm))
const unknown = computed(() => props.marks.droop === null && props.marks.solid === null && props.marks.contact === null)
const tags = computed(() => bumpTags(props.marks).filter((t) => t.at <= props.range.top + 30))
const end = computed(() => tags.value.find((t) => t.first)?.at ?? null)
const rungs = computed(() => {
  const out: number[] = []
  const { rung } = props.division
  for (let n = Math.ceil(props.range.bottom / rung); n * rung <= props.range.top; n++) {
    const mm = n * rung
    if ((end.value === null || mm < end.value) && (props.marks.droop === null || mm > props.marks.droop)) out.push(mm)
  }
  return out
})
const labels = computed(() => {
  const wanted = tags.value.map((t) => y(within(t.at)))
  const placed = spread(wanted, 19)
  return tags.value.map((t, i) => ({ ...t, y: wanted[i]!, label: placed[i]! }))
})
const squeezed = computed(() => {
  const { stop } = props.marks
  return stop !== null && end.value !== null && end.value > stop ? { from: y(within(end.value)), to: y(within(stop)) } : null
})

const LIMITS: Record<string, { what: 'solid' | 'contact' | 'bind' | 'droop' | 'stop' | 'loose'; words: string }> = {
  S: { what: 'solid', words: 'damper solid' }, T: { what: 'contact', words: 'tyre meets arch' }, B: { what: 'bind', words: 'coils closed' },
  D: { what: 'droop', words: 'full droop' }, L: { what: 'loose', words: 'spring loose' }, P: { what: 'stop', words: 'stop touched' },
}
const how = (letter: string): void => emit('ask', LIMITS[letter]!.what, LIMITS[letter]!.words)

const dragging = ref(false)
let startY = 0
let perPixel = 1
let pending = 0
let frame = 0
function down(event: PointerEvent): void {
  if (!props.movable) return
  const target = event.currentTarget as SVGElement
  target.setPointerCapture(event.pointerId)
  target.focus()
  const box = target.ownerSVGElement!.getBoundingClientRect()
  const view = target.ownerSVGElement!.viewBox.baseVal
  perPixel = ((view.height / box.height) * (props.range.top - props.range.bottom)) / (props.bottom - props.top)
  startY = event.clientY
  dragging.value = true
}
function drag(event: PointerEvent): void {
  if (!dragging.value) return
  pending = Math.round((startY - event.clientY) * perPixel * 2) / 2
  if (!frame)
    frame = requestAnimationFrame(() => {
      frame = 0
      if (dragging.value) emit('move', pending, false)
    })
}
function up(): void {
  if (!dragging.value) return
  dragging.value = false
  emit('move', pending, true)
  pending = 0
}
function pressed(event: KeyboardEvent): void {
  if (!props.movable) return
  const step = { ArrowUp: 1, ArrowDown: -1, PageUp: 5, PageDown: -5 }[event.key]
  if (step !== undefined) {
    event.preventDefault()
    emit('step', step)
  } else if (event.key === 'Enter' || /^\d$/.test(event.key)) {
    event.preventDefault()
    event.stopPropagation()
    emit('open')
  }
}
</script>

<template>
  <g>
    <rect class="ld-bg" :x="x - 14" :y="top" width="28" :height="bottom - top" />
    <template v-if="unknown">
      <path class="ld-rail unk" :d="`M${x - 13} ${top + 14}V${bottom - 6}M${x + 13} ${top + 14}V${bottom - 6}`" />
      <text class="lab" :x="x" :y="top + 4" text-anchor="middle">?</text>
      <text class="lab" :x="x" :y="bottom + 12" text-anchor="middle">?</text>
    </template>
    <template v-else>
      <rect v-if="end !== null" :x="x - 13" :y="top" width="26" :height="Math.max(0, y(within(end)) - top)" fill="url(#hatch)" />
      <rect v-if="marks.droop !== null" :x="x - 13" :y="y(within(marks.droop))" width="26" :height="Math.max(0, bottom - y(within(marks.droop)))" fill="url(#hatch)" />
      <rect class="ld-bed" :x="x - 13" :y="y(within(end ?? range.top))" width="26" :height="Math.max(0, y(within(marks.droop ?? range.bottom)) - y(within(end ?? range.top)))" />
      <rect v-if="squeezed" :x="x - 13" :y="squeezed.from" width="26" :height="squeezed.to - squeezed.from" fill="url(#dots)" />
      <path v-for="mm in rungs" :key="mm" class="ld-rung" :d="`M${x - 13} ${y(mm)}h26`" />
      <path class="ld-rail" :d="`M${x - 13} ${y(within(end ?? range.top))}V${y(within(marks.droop ?? range.bottom))}M${x + 13} ${y(within(end ?? range.top))}V${y(within(marks.droop ?? range.bottom))}`" />
      <g v-for="t in labels" :key="t.letter">
        <path v-if="t.first" class="ld-bar" :class="t.kind" :d="`M${x - 18} ${t.y}h36`" />
        <path v-else class="ld-tick" :d="`M${x - 13} ${t.y}h26L${x + 17} ${t.label}`" />
        <rect class="ld-tag" :class="t.kind" :x="x + 17" :y="t.label - 8" width="16" height="16" />
        <text class="ld-tx" :class="t.kind" :x="x + 25" :y="t.label + 5">{{ t.letter }}</text>
        <text class="lim how" :class="t.kind" role="button" tabindex="0" :aria-label="`${LIMITS[t.letter]!.words}, ${label}: ${division.write(t.at)}. How?`" :x="x + 36" :y="t.label + 5.500" @click="how(t.letter)" @keydown.enter.stop="how(t.letter)">{{ division.write(t.at) }}</text>
      </g>
      <text v-if="squeezed && marks.stop !== null" class="num how" role="button" tabindex="0" :aria-label="`stop touched, ${label}: ${division.write(marks.stop)}. How?`" :x="x + 17" :y="Math.max(squeezed.to + 10, (labels.find((t) => t.first)?.label ?? 0) + 24)" @click="how('P')" @keydown.enter.stop="how('P')">{{ division.write(marks.stop) }}</text>
      <g v-if="marks.droop !== null">
        <path class="ld-bar" :d="`M${x - 18} ${y(within(marks.droop))}h36`" />
        <rect class="ld-tag" :x="x + 17" :y="y(within(marks.droop)) - 8" width="16" height="16" />
        <text class="ld-tx" :x="x + 25" :y="y(within(marks.droop)) + 5">D</text>
        <text class="lim how" role="button" tabindex="0" :aria-label="`full droop, ${label}: ${division.write(marks.droop)}. How?`" :x="x + 36" :y="y(within(marks.droop)) + 5.500" @click="how('D')" @keydown.enter.stop="how('D')">{{ division.write(marks.droop) }}</text>
      </g>
    </template>
    <path v-if="ghost !== null && Math.abs(ghost - offset) > 0.3" class="ghost" :d="`M${x - 15} ${y(within(ghost))}l-15 -8v16z`" />
    <path class="wedge" :class="{ fact }" :d="`M${x - 13} ${y(within(offset))}l-18 -9.500v19z`" />
    <rect v-if="movable" class="grip" role="slider" tabindex="0" :aria-label="`Ride height ${label}; arrow up lowers by 1 mm`" :aria-valuetext="heightText"
      aria-orientation="vertical" :aria-valuenow="Math.round(offset)" :aria-valuemin="range.bottom" :aria-valuemax="range.top"
      :x="x - 36" :y="y(within(offset)) - 22" width="54" height="44"
      @pointerdown="down" @pointermove="drag" @pointerup="up" @pointercancel="up" @keydown="pressed" @dblclick="emit('open')" />
    <rect v-if="movable" class="focus-ring" :x="x - 34" :y="y(within(offset)) - 13" width="52" height="26" />
  </g>
</template>
