<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { Candidate, EndName, Report } from '@/api/client'
import { useDrag } from '@/composables/useDrag'
import { useUnits } from '@/composables/useUnits'
import { useWorking } from '@/composables/useWorking'
import { frequencyAt, frequencyOfRate, rangeFor, rateOfFrequency, type StripScale, ticks, xOf } from '@/springs/strip'
import { show } from '@/units/format'

/**
 * Front spring rate above, frequency at the wheel between, rear spring rate below: each spring scale is stretched by its own
 * motion ratio squared, so that what stands over each other is equal at the wheel. Long ticks are springs on the shelf.
 */
const props = defineProps<{
  report: Report
  end: EndName
  shelf: Candidate[]
  movable: boolean
  /** Drawn in ink: found or fitted, not planned. */
  fact: boolean
}>()
const emit = defineEmits<{ ask: [rate: number, done: boolean]; pick: [end: EndName]; step: [by: 1 | -1] }>()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
// drawn as wide as it is shown, so that no word is scaled; what the scales are stands over them where it is narrow
const { width: measured } = useElementSize(box)
const width = computed(() => Math.max(300, Math.round(measured.value) || 740))
const narrow = computed(() => width.value < 600)
const working = useWorking()

const frequencies = computed(() => {
  const v = props.report.vehicle
  const list: number[] = []
  for (const e of ['front', 'rear'] as const) {
    const at = props.report.ends[e]
    for (const edge of [at?.frequency_low, at?.frequency_high]) if (edge) list.push(edge.value)
    const f = at?.frequency
    if (f) list.push(f.value, f.was ?? f.value)
  }
  if (v.flat_high) list.push(v.flat_high.value)
  return list
})
const held = ref<{ low: number; high: number } | null>(null)
const scale = computed<StripScale>(() => ({
  ...(held.value ?? rangeFor(frequencies.value)),
  left: narrow.value ? 6 : 106,
  right: width.value - (narrow.value ? 6 : 26),
}))
const x = (f: number): number => xOf(scale.value, f)
const rateUnit = computed(() => units.unit('N/m'))

function rateTicks(end: EndName) {
  const points = props.report.ends[end]?.strip
  const low = rateOfFrequency(points, scale.value.low)
  const high = rateOfFrequency(points, scale.value.high)
  if (low === null || high === null) return []
  const f = rateUnit.value.factor
  return ticks(
    low / f,
    high / f,
    (v) => {
      const q = frequencyOfRate(points, v * f)
      return q === null ? null : x(q)
    },
    scale.value.right - scale.value.left,
  )
}
const hz = computed(() => ticks(scale.value.low, scale.value.high, x, scale.value.right - scale.value.left, 1))
const shelfMarks = computed(() =>
  [...new Set(props.shelf.map((c) => c.frequency?.value).filter((v): v is number => v !== undefined))]
    .filter((f) => f > scale.value.low && f < scale.value.high)
    .map(x),
)
const marks = computed(() =>
  (['front', 'rear'] as const).map((end) => {
    const report = props.report.ends[end]
    const f = report?.frequency
    return {
      end,
      x: f ? (dragX.value !== null && end === props.end ? dragX.value : x(f.value)) : null,
      was: f?.was ? x(f.was) : null,
      text: f ? `${end} ${show(f.value, 'Hz', 'metric')} Hz` : '',
      rate: report?.spring_rate ? units.show(report.spring_rate.value, 'N/m').replace(/\.0+$/, '') : '',
      ratio: report?.motion_ratio ? report.motion_ratio.value.toFixed(2) : '?',
    }
  }),
)
const springName = (i: 0 | 1): string => {
  const end = i ? 'Rear' : 'Front'
  return marks.value[i]!.ratio === '?' && props.report.ends[i ? 'rear' : 'front']?.wheel_rate
    ? `${end} bars`
    : `${end} spring`
}
/** What the scale of an end is in, stretched by its motion ratio squared. */
const stretched = (i: 0 | 1): string =>
  marks.value[i]!.ratio === '?' ? '' : `${rateUnit.value.written} × ${marks.value[i]!.ratio}²`
const scaleName = (i: 0 | 1): string => [springName(i), stretched(i)].filter(Boolean).join(', ')
const known = computed(() => (['front', 'rear'] as const).some((e) => (props.report.ends[e]?.strip?.length ?? 0) > 1))
/** What the brief wants: one band for both ends, or the front one over the rear one. */
const wanted = computed(() => {
  const bands = (['front', 'rear'] as const).flatMap((end) => {
    const { frequency_low: low, frequency_high: high } = props.report.ends[end] ?? {}
    return low && high ? [{ end, low: low.value, high: high.value }] : []
  })
  const [front, rear] = bands
  const one = front && rear && front.low === rear.low && front.high === rear.high
  const shown = one ? [{ ...front, words: 'wanted' }] : bands.map((b) => ({ ...b, words: `${b.end} wanted` }))
  const height = 20 / Math.max(1, shown.length)
  // words stand where no other band and no edge of the strip is
  const lowest = Math.min(...shown.map((b) => b.low))
  return shown.map((b, i) => ({
    ...b,
    from: x(b.low),
    to: x(b.high),
    y: 42 + i * height,
    height,
    before: shown.length > 1 ? b.low === lowest && x(b.low) > 200 : x(b.high) > width.value - 90,
  }))
})
const flat = computed(() => {
  const v = props.report.vehicle
  return v.flat_low && v.flat_high ? { from: x(v.flat_low.value), to: x(v.flat_high.value) } : null
})
const flatLines = [84, 88.5, 93, 97.5]

const dragX = ref<number | null>(null)
let from = 0
const hand = useDrag({
  start: (event) => {
    if (!props.movable) return false
    const drawn = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
    held.value = { low: scale.value.low, high: scale.value.high }
    from = ((event.clientX - drawn.left) / drawn.width) * width.value
    dragX.value = inside(from)
    return true
  },
  to: (dx) => {
    dragX.value = inside(from + dx)
    send(false)
  },
  end: () => {
    send(true)
    dragX.value = null
    held.value = null
  },
})
const inside = (at: number): number => Math.min(scale.value.right, Math.max(scale.value.left, at))
function down(event: PointerEvent, end: EndName): void {
  if (end !== props.end) emit('pick', end)
  hand.down(event)
}
function send(done: boolean): void {
  if (dragX.value === null) return
  const rate = rateOfFrequency(props.report.ends[props.end]?.strip, frequencyAt(scale.value, dragX.value))
  if (rate !== null) emit('ask', rate, done)
}
function pressed(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key] as 1 | -1 | undefined
  if (!by || !props.movable) return
  event.preventDefault()
  emit('step', by)
}
const labelX = (at: number, side: 1 | -1): number => (side > 0 && at > width.value - 130 ? at - 14 : at + 14)
const anchor = (at: number): string => (at > width.value - 130 ? 'end' : 'start')
</script>

<template>
  <div ref="box" class="drawn strip-box">
    <p v-if="narrow" class="scale-name">{{ scaleName(0) }}</p>
    <svg :viewBox="`0 0 ${width} 160`" role="group" aria-label="Frequency strip" class="strip">
      <rect class="bed" :x="scale.left" y="42" :width="scale.right - scale.left" height="66" />
      <g v-for="b in known ? wanted : []" :key="b.end">
        <rect class="want" :x="b.from" :y="b.y" :width="Math.max(0, b.to - b.from)" :height="b.height" />
        <text
          class="note"
          :x="b.before ? b.from - 7 : b.to + 7"
          :y="b.height < 20 ? 57 : b.y + 15"
          :text-anchor="b.before ? 'end' : 'start'">
          {{ b.words }}
        </text>
      </g>
      <g v-if="flat">
        <path v-for="l in flatLines" :key="l" class="flat" :d="`M${flat.from} ${l + 6}H${flat.to}`" />
        <path class="edge" :d="`M${flat.from} 87V108M${flat.to} 87V108`" />
        <text class="note" :x="Math.min(flat.to + 7, width - 62)" y="103">flat ride</text>
      </g>
      <path class="edge" :d="`M${scale.left} 42H${scale.right}M${scale.left} 108H${scale.right}`" />
      <g v-for="(t, i) in known ? hz : []" :key="`h${i}`">
        <path class="tick" :d="`M${t.x} 42v${t.label ? 6 : 3}M${t.x} 108v${t.label ? -6 : -3}`" />
        <text v-if="t.label" class="hz" :x="t.x" y="81" text-anchor="middle">{{ t.label }}</text>
      </g>
      <g v-for="(t, i) in rateTicks('front')" :key="`f${i}`">
        <path class="tick" :d="`M${t.x} 42v${t.label ? -8 : -4}`" />
        <text
          v-if="t.label && Math.abs(t.x - (marks[0]!.x ?? -99)) > 30"
          class="k"
          :x="t.x"
          y="29"
          text-anchor="middle">
          {{ t.label }}
        </text>
      </g>
      <g v-for="(t, i) in rateTicks('rear')" :key="`r${i}`">
        <path class="tick" :d="`M${t.x} 108v${t.label ? 8 : 4}`" />
        <text
          v-if="t.label && Math.abs(t.x - (marks[1]!.x ?? -99)) > 30"
          class="k"
          :x="t.x"
          y="135"
          text-anchor="middle">
          {{ t.label }}
        </text>
      </g>
      <path
        v-for="(sx, i) in shelfMarks"
        :key="`s${i}`"
        class="shelf"
        :d="end === 'front' ? `M${sx} 42v-13` : `M${sx} 108v13`" />
      <template v-if="!narrow">
        <text class="lab" x="0" y="29">{{ springName(0) }}</text>
        <text class="unit" x="0" y="45">{{ stretched(0) }}</text>
        <text class="lab" x="0" y="80">At the wheel</text>
        <text class="unit" x="0" y="96">Hz</text>
        <text class="lab" x="0" y="131">{{ springName(1) }}</text>
        <text class="unit" x="0" y="147">{{ stretched(1) }}</text>
      </template>
      <g v-for="m in marks" :key="m.end">
        <path
          v-if="m.was !== null"
          class="was"
          :class="m.end"
          :d="m.end === 'front' ? `M${m.was} 42V108` : `M${m.was} 42V118`" />
        <g v-if="m.x !== null" class="mark" :class="{ on: m.end === end, fact }">
          <path class="ln" :class="m.end" :d="m.end === 'front' ? `M${m.x} 32V108` : `M${m.x} 42V118`" />
          <path class="tip" :d="m.end === 'front' ? `M${m.x - 9} 1h18l-9 13z` : `M${m.x - 9} 158h18l-9 -13z`" />
          <text class="k cur" :x="m.x" :y="m.end === 'front' ? 29 : 135" text-anchor="middle">{{ m.rate }}</text>
          <text
            class="flag ask"
            role="button"
            tabindex="0"
            :x="labelX(m.x, 1)"
            :y="m.end === 'front' ? 13 : 157"
            :text-anchor="anchor(m.x)"
            @click="working.ask(`ends.${m.end}.frequency`, `${m.end} frequency`, { load: report.load_state })"
            @keydown.enter="working.ask(`ends.${m.end}.frequency`, `${m.end} frequency`, { load: report.load_state })">
            {{ m.text }}
          </text>
          <rect
            class="grip ew"
            role="slider"
            :tabindex="m.end === end ? 0 : -1"
            :aria-label="`${m.end} frequency; arrow right for the next stiffer spring on the shelf`"
            :aria-valuenow="Number(report.ends[m.end]?.frequency?.value.toFixed(2))"
            :aria-valuemin="0.5"
            :aria-valuemax="6"
            :aria-valuetext="m.text"
            :x="m.x - 22"
            :y="m.end === 'front' ? 0 : 96"
            width="44"
            :height="m.end === 'front' ? 60 : 64"
            @pointerdown="down($event, m.end)"
            @pointermove="hand.move"
            @pointerup="hand.up"
            @pointercancel="hand.up"
            @focus="m.end !== end && emit('pick', m.end)"
            @keydown="pressed" />
          <rect class="focus-ring" :x="m.x - 15" :y="m.end === 'front' ? -3 : 141" width="30" height="22" />
        </g>
      </g>
      <text v-if="!known" class="hz" :x="(scale.left + scale.right) / 2" y="80" text-anchor="middle">
        Weights, ratio and unsprung mass give the scale.
      </text>
    </svg>
    <p v-if="narrow" class="scale-name">{{ scaleName(1) }}; between them Hz at the wheel</p>
  </div>
</template>

<style scoped>
.scale-name { margin: 0; font-size: var(--t-1); color: var(--ink-2); }
.strip-box.strip-box { contain: layout; margin-top: 2px; } .strip-box > .strip { position: static; height: 160px; width: 100%; }
.bed { fill: var(--sheet); } .want { fill: var(--plan-tint); } .flat { stroke: var(--ink-2); stroke-width: 1; } .edge { stroke: var(--ink); stroke-width: 1.5; }
.tick { stroke: var(--edge); stroke-width: 0.9; fill: none; } .shelf { stroke: var(--ink); stroke-width: 3; fill: none; }
svg .hz { font-size: var(--t-3); fill: var(--ink); } svg .k { font-size: var(--t-2); } svg .note { font-size: var(--t-1); }
.was { stroke: var(--ink); stroke-width: 1; fill: none; } .was.rear { stroke-dasharray: 4 3; }
.ln { stroke: var(--plan); stroke-width: 2.25; fill: none; } .ln.rear { stroke-dasharray: 7 4; } .tip { fill: var(--plan); }
svg .cur { fill: var(--plan); font-weight: 600; font-size: var(--t-3); } svg .flag { font-size: var(--t-3); font-weight: 600; fill: var(--plan); }
.fact .ln { stroke: var(--ink); } .fact .tip { fill: var(--ink); } svg .fact .cur, svg .fact .flag { fill: var(--ink); }
</style>
