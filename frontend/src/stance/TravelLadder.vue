<script setup lang="ts">
import { computed } from 'vue'

import { type Place, placeWords } from '@/api/client'

import { bumpTags, type Division, type LadderMarks, type Limit, type LimitTag, spread } from './ladder'

/** The travel ladder of one corner: open = free travel, dotted = stop being squeezed, hatched = out of reach. */
const props = defineProps<{
  x: number
  top: number
  bottom: number
  /** Range of the scale, mm of wheel travel. */
  range: { top: number; bottom: number }
  marks: LadderMarks
  division: Division
  place: Place
}>()
const emit = defineEmits<{
  /** How a limit comes about: the corner, its name in the report, and its words. */
  ask: [place: Place, what: Limit, words: string]
}>()

const y = (mm: number): number =>
  props.top + ((props.range.top - mm) / (props.range.top - props.range.bottom)) * (props.bottom - props.top)
const within = (mm: number): number => Math.min(props.range.top, Math.max(props.range.bottom, mm))
const label = computed(() => placeWords(props.place))
const told = (name: string, mm: number): string =>
  (props.marks.estimated?.includes(name) ? '~' : '') + props.division.write(mm)
/** Long numbers are written smaller, so that none reaches the next ladder. */
const small = (text: string): string => (text.length > 4 ? 'font-size:.8125rem' : '')
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
  return stop !== null && end.value !== null && end.value > stop
    ? { from: y(within(end.value)), to: y(within(stop)) }
    : null
})

const LIMITS: Record<LimitTag['letter'] | 'P', { what: Limit; words: string }> = {
  H: { what: 'hard', words: 'stop squeezed hard' },
  S: { what: 'solid', words: 'damper solid' },
  T: { what: 'contact', words: 'tyre meets arch' },
  B: { what: 'bind', words: 'coils closed' },
  D: { what: 'droop', words: 'full droop' },
  L: { what: 'loose', words: 'spring loose' },
  P: { what: 'stop', words: 'stop touched' },
}
const how = (letter: LimitTag['letter'] | 'P'): void =>
  emit('ask', props.place, LIMITS[letter]!.what, LIMITS[letter]!.words)
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
      <rect
        v-if="end !== null"
        :x="x - 13"
        :y="top"
        width="26"
        :height="Math.max(0, y(within(end)) - top)"
        fill="url(#hatch)" />
      <rect
        v-if="marks.droop !== null"
        :x="x - 13"
        :y="y(within(marks.droop))"
        width="26"
        :height="Math.max(0, bottom - y(within(marks.droop)))"
        fill="url(#hatch)" />
      <rect
        class="ld-bed"
        :x="x - 13"
        :y="y(within(end ?? range.top))"
        width="26"
        :height="Math.max(0, y(within(marks.droop ?? range.bottom)) - y(within(end ?? range.top)))" />
      <rect
        v-if="squeezed"
        :x="x - 13"
        :y="squeezed.from"
        width="26"
        :height="squeezed.to - squeezed.from"
        fill="url(#dots)" />
      <path v-for="mm in rungs" :key="mm" class="ld-rung" :d="`M${x - 13} ${y(mm)}h26`" />
      <path
        class="ld-rail"
        :d="`M${x - 13} ${y(within(end ?? range.top))}V${y(within(marks.droop ?? range.bottom))}M${x + 13} ${y(within(end ?? range.top))}V${y(within(marks.droop ?? range.bottom))}`" />
      <g v-for="t in labels" :key="t.letter">
        <path v-if="t.first" class="ld-bar" :class="t.kind" :d="`M${x - 18} ${t.y}h36`" />
        <path v-else class="ld-tick" :d="`M${x - 13} ${t.y}h26L${x + 17} ${t.label}`" />
        <rect class="ld-tag" :class="t.kind" :x="x + 17" :y="t.label - 8" width="16" height="16" />
        <text class="ld-tx" :class="t.kind" :x="x + 25" :y="t.label + 5">{{ t.letter }}</text>
        <text
          class="lim how"
          :class="t.kind"
          role="button"
          tabindex="0"
          :aria-label="`${LIMITS[t.letter]!.words}, ${label}: ${division.write(t.at)}. How?`"
          :style="small(told(LIMITS[t.letter]!.what, t.at))"
          :x="x + 36"
          :y="t.label + 5.5"
          @click="how(t.letter)"
          @keydown.enter.stop="how(t.letter)"
          >{{ told(LIMITS[t.letter]!.what, t.at) }}</text
        >
      </g>
      <text
        v-if="squeezed && marks.stop !== null"
        class="num how"
        role="button"
        tabindex="0"
        :aria-label="`stop touched, ${label}: ${division.write(marks.stop)}. How?`"
        :x="x + 17"
        :y="Math.max(squeezed.to + 10, (labels.find((t) => t.first)?.label ?? 0) + 24)"
        @click="how('P')"
        @keydown.enter.stop="how('P')"
        >{{ told('stop', marks.stop) }}</text
      >
      <g v-if="marks.droop !== null">
        <path class="ld-bar" :d="`M${x - 18} ${y(within(marks.droop))}h36`" />
        <rect class="ld-tag" :x="x + 17" :y="y(within(marks.droop)) - 8" width="16" height="16" />
        <text class="ld-tx" :x="x + 25" :y="y(within(marks.droop)) + 5">D</text>
        <text
          class="lim how"
          role="button"
          tabindex="0"
          :aria-label="`full droop, ${label}: ${division.write(marks.droop)}. How?`"
          :style="small(told('droop', marks.droop))"
          :x="x + 36"
          :y="y(within(marks.droop)) + 5.5"
          @click="how('D')"
          @keydown.enter.stop="how('D')"
          >{{ told('droop', marks.droop) }}</text
        >
      </g>
    </template>
  </g>
</template>
