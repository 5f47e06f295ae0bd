<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'

import type { ClickRule } from '@/api/client'
import { useDrag } from '@/composables/useDrag'

import { counted, scaleOf, ticksOf } from './rule'

/** One knob as a slide rule: its clicks above, what they give below, the band wanted shaded; dragged, stepped or typed. */
const props = defineProps<{ rule: ClickRule; end: string; assumed: boolean; fact: boolean; movable: boolean }>()
const emit = defineEmits<{ turn: [click: number, done: boolean] }>()
const LEFT = 10
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
// drawn as wide as it is shown, so that no word is scaled; past `shut` there is room for what valving would give
const WIDE = computed(() => Math.max(260, Math.round(width.value) || 396))
const RIGHT = computed(() => WIDE.value - 62)
const scale = computed(() => scaleOf(props.rule, LEFT, RIGHT.value))
const mark = computed(() => (props.assumed ? '~' : ''))
// what is under the finger stands at once; the answer follows, and then counts again
const asked = ref<number | null>(null)
let waiting: ReturnType<typeof setTimeout> | undefined
watch(
  () => props.rule.now,
  (now) => now === asked.value && (asked.value = null),
)
onScopeDispose(() => clearTimeout(waiting))
const here = computed(() => asked.value ?? props.rule.now)
const count = computed(() => (here.value === null ? null : counted(props.rule, here.value)))
const ratio = computed(() => (here.value === null ? null : (props.rule.ratios[here.value] ?? null)))
function turn(click: number, done: boolean): void {
  asked.value = click
  clearTimeout(waiting)
  waiting = setTimeout(() => (asked.value = null), 4000)
  emit('turn', click, done)
}
const at = computed(() => (here.value === null ? null : scale.value.click(here.value)))
const ticks = computed(() =>
  ticksOf(props.rule, Math.floor(RIGHT.value / 48)).flatMap((value) => {
    const x = scale.value.ratio(value)
    return x === null || Math.abs(x - (at.value ?? -99)) < 11 || Math.abs(x - RIGHT.value) < 9 ? [] : [{ value, x }]
  }),
)
const digits = computed(() =>
  ticks.value.some((t) => Math.abs(t.value * 10 - Math.round(t.value * 10)) > 1e-6) ? 2 : 1,
)
const inside = (x: number): number => Math.min(WIDE.value - 2, Math.max(2, x))
const band = computed(() => {
  const [a, b] = [scale.value.ratio(props.rule.band_low), scale.value.ratio(props.rule.band_high)]
  if (a === null || b === null) return null
  const [left, right] = [inside(Math.min(a, b)), inside(Math.max(a, b))]
  return right - left > 0.5 ? { left, width: right - left } : null
})
const ghost = computed(() => {
  const x = props.rule.found_ratio === null ? null : scale.value.ratio(props.rule.found_ratio)
  return x === null ? null : inside(x)
})
const offered = computed(() => (props.rule.offered === null ? null : scale.value.click(props.rule.offered)))
const name = computed(
  () => ({ rebound: 'rebound', bump: 'bump', high_bump: 'high-speed bump', both: 'clicks' })[props.rule.acts],
)
const free = computed(() => props.movable && !props.rule.locked && props.rule.ratios.length > 0)
const clamp = (click: number): number => Math.min(props.rule.clicks, Math.max(0, click))
function step(by: number): void {
  if (free.value && here.value !== null) turn(clamp(here.value + by), true)
}
let from = 0
const drag = useDrag({
  start: () => {
    from = here.value ?? 0
    return free.value
  },
  to: (dx) => turn(clamp(Math.round(from - (dx / (RIGHT.value - LEFT)) * props.rule.clicks)), false),
  end: () => turn(clamp(here.value ?? 0), true),
})
function key(event: KeyboardEvent): void {
  const by = { ArrowRight: -1, ArrowUp: -1, ArrowLeft: 1, ArrowDown: 1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  step(by)
}
// what is being typed stays as typed, whatever answers come meanwhile
const typed = ref<string | null>(null)
const wrong = ref('')
/** A click typed as the damper counts it. */
function type(text: string): void {
  const n = Number(text.trim())
  const ok = text.trim() !== '' && Number.isInteger(n) && n >= 0 && n <= props.rule.clicks
  wrong.value = ok || !text.trim() ? '' : `A whole click from 0 to ${props.rule.clicks}`
  typed.value = wrong.value ? text : null
  if (ok) turn(props.rule.counted_from === 'fully open' ? props.rule.clicks - n : n, true)
}
const every = computed(() => [2, 4, 5, 10].find((n) => ((RIGHT.value - LEFT) / props.rule.clicks) * n > 26) ?? 20)
const labels = computed(() =>
  Array.from({ length: props.rule.clicks + 1 }, (_, n) => n).filter(
    (n) =>
      n % every.value === 0 &&
      n > 0 &&
      n < props.rule.clicks &&
      Math.abs(n - (here.value ?? -9)) > 1 &&
      Math.abs(n - (props.rule.offered ?? -9)) > 0,
  ),
)
</script>

<template>
  <div class="knob" :class="{ fact }">
    <div class="out">
      <b>{{ name }}</b><button
        v-if="!rule.locked"
        class="step"
        :disabled="!free"
        :aria-label="`${name}, ${end}: one click out`"
        @click="step(1)">
        ◀<small>out</small></button
      ><span v-else class="lock" :title="rule.locked">left alone</span>
    </div>
    <div ref="box" class="rule">
      <svg :viewBox="`0 0 ${WIDE} 64`" role="group" :aria-label="`${name}, ${end}, what each click gives`">
        <rect class="out-of" :x="RIGHT" y="18" :width="WIDE - RIGHT - 2" height="26" />
        <rect v-if="band" class="band" :x="band.left" y="18" :width="band.width" height="26" />
        <path class="line" :d="`M${LEFT} 18H${RIGHT}M${LEFT} 44H${RIGHT}`" />
        <path class="wall" :d="`M${RIGHT} 14V48`" />
        <path
          v-for="n in rule.clicks + 1"
          :key="n"
          class="tick"
          :d="`M${scale.click(n - 1)} 18v${(n - 1) % every ? -4 : -7}`" />
        <text v-for="n in labels" :key="n" class="small" :x="scale.click(n)" y="9" text-anchor="middle">
          {{ counted(rule, n) }}
        </text>
        <text class="small" :x="LEFT" y="9" text-anchor="middle">open</text>
        <text class="small" :x="RIGHT + 4" y="9" text-anchor="start">shut</text>
        <template v-for="t in ticks" :key="t.value">
          <path class="tick" :d="`M${t.x} 44v-4`" />
          <text class="under" :x="t.x" y="36" text-anchor="middle">{{ t.value.toFixed(digits) }}</text>
        </template>
        <path v-if="offered !== null" class="offer" :d="`M${offered} 17l-6 -10h12z`" />
        <g v-if="ghost !== null">
          <path class="ghost" :d="`M${ghost} 47l-6 10h12z`" />
          <text
            class="small"
            :x="ghost < WIDE * 0.6 ? ghost + 10 : ghost - 10"
            y="58"
            :text-anchor="ghost < WIDE * 0.6 ? 'start' : 'end'">
            as found {{ mark }}{{ rule.found_ratio!.toFixed(2) }}
          </text>
        </g>
        <g
          v-if="at !== null"
          class="hand"
          :class="{ free }"
          role="slider"
          :tabindex="free ? 0 : -1"
          :aria-label="`${name} click, ${end}`"
          :aria-valuemin="0"
          :aria-valuemax="rule.clicks"
          :aria-valuenow="count ?? 0"
          :aria-valuetext="`${count} from ${rule.counted_from}, ${ratio?.toFixed(2) ?? 'not known'} of critical`"
          :aria-disabled="!free"
          @keydown="key"
          @pointerdown="drag.down"
          @pointermove="drag.move"
          @pointerup="drag.up"
          @pointercancel="drag.up">
          <rect class="grip" :x="at - 22" y="0" width="44" height="50" />
          <path class="needle" :d="`M${at} 18V44`" />
          <path class="now" :d="`M${at} 19l-7 -11h14z`" />
          <text class="nowat" :x="at" y="7" text-anchor="middle">{{ count }}</text>
        </g>
      </svg>
    </div>
    <div class="in">
      <button
        v-if="!rule.locked"
        class="step"
        :disabled="!free"
        :aria-label="`${name}, ${end}: one click in`"
        @click="step(-1)">
        ▶<small>in</small>
      </button>
    </div>
    <div class="says">
      <b :class="{ 'grade-look': rule.judged && rule.judged !== 'in' }">{{
        ratio === null ? '–' : `${mark}${ratio.toFixed(2)}`
      }}</b>
      <span class="click"
        ><input
          class="typed"
          inputmode="numeric"
          :disabled="!movable || !!rule.locked"
          :aria-label="`${name} clicks from ${rule.counted_from}, ${end}`"
          :aria-invalid="!!wrong"
          :value="typed ?? count ?? ''"
          @input="typed = ($event.target as HTMLInputElement).value"
          @change="type(($event.target as HTMLInputElement).value)" />
        of {{ rule.clicks }} {{ rule.counted_from === 'fully open' ? 'from open' : 'from shut' }}</span
      >
      <small v-if="wrong" class="grade-stop" role="alert">{{ wrong }}</small>
      <small v-else-if="rule.locked" class="quiet">{{ rule.locked }}</small>
      <small v-else-if="rule.short" class="grade-look">{{ rule.short }} short</small>
    </div>
  </div>
</template>

<style scoped>
.knob { display: grid; grid-template-columns: 70px minmax(0, 1fr) 48px 144px; gap: 8px; align-items: center; }
.out { display: grid; justify-items: start; } .step { width: 46px; height: 44px; border: 1px solid var(--edge); display: grid; place-items: center; line-height: 1; background: var(--sheet); } .step:disabled { opacity: 0.4; } .step small { font-size: var(--t-1); }
.lock { font-size: var(--t-1); color: var(--ink-2); }
.rule { width: 100%; } .rule svg { width: 100%; height: 64px; touch-action: pan-y; } .line, .tick { stroke: var(--ink); fill: none; stroke-width: 1; } .wall { stroke: var(--ink); stroke-width: 4; }
.band { fill: var(--plan-tint); } .out-of { fill: var(--ground); stroke: none; opacity: 0.7; }
svg .small { font-size: var(--t-1); fill: var(--ink-2); } .under { font-size: .875rem; fill: var(--ink); } .nowat { font-size: .9375rem; font-weight: 600; fill: var(--plan); }
.now { fill: var(--plan); } .needle { stroke: var(--plan); stroke-width: 2; } .offer { fill: none; stroke: var(--plan); stroke-width: 1.5; } .ghost { fill: none; stroke: var(--ink-2); stroke-dasharray: 2 2; }
.fact .now { fill: var(--ink); } .fact .needle { stroke: var(--ink); } .fact .nowat { fill: var(--ink); }
.grip { fill: transparent; } .hand.free { cursor: ew-resize; } .hand:focus-visible { outline: none; } .hand:focus-visible .grip { stroke: var(--ink); stroke-width: 2; }
.says { display: grid; justify-items: end; text-align: right; line-height: 1.15; } .says > b { font-size: var(--t-5); } .click { white-space: nowrap; font-size: var(--t-2); }
.typed { width: 38px; height: 30px; font: inherit; font-weight: 600; text-align: right; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--plan); padding: 0 4px; outline: 0; } .typed:focus { border-bottom: 3px solid var(--ink); } .fact .typed { color: var(--ink); }
@media (max-width: 620px) { .knob { grid-template-columns: auto auto minmax(0, 1fr); } .rule { grid-column: 1 / -1; grid-row: 2; } .out { display: flex; align-items: center; gap: 8px; } .says { grid-template-columns: auto auto; align-items: center; gap: 2px 10px; } .says small { grid-column: 1 / -1; } .click { white-space: normal; } }
</style>
