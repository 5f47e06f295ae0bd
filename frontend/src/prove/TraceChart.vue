<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'

import { type EndName, onTwo, type Place, type TraceEnds } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { groundOf, spanOf, ticksOf, traceOf } from './trace'
import { useProve } from './useProve'

/** Body, pitch, load and travel of both setups over the distance, with the road below and one cursor through all. */
const props = defineProps<{ end: EndName; short?: boolean }>()
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const W = computed(() => Math.max(300, Math.round(width.value) || 700))
const narrow = computed(() => W.value < 560)
const LEFT = computed(() => (narrow.value ? 46 : 100))
const RIGHT = computed(() => W.value - (narrow.value ? 74 : 96))
const run = computed(() => prove.run.value!)
const two = computed(() => onTwo(vehicle.document.value))
const rolls = computed(() => ['cross_waves', 'corner', 'slalom'].includes(prove.proving.value.road))
const place = computed(() => (two.value ? props.end : (`${props.end}_left` as Place)))
const wheel = computed(() =>
  Math.max(
    0,
    run.value.now.traces.wheels.findIndex((w) => w.place === place.value),
  ),
)
const length = computed(() => run.value.distance.at(-1) ?? 1)
const x = computed(() => scaleLinear().domain([0, length.value]).range([LEFT.value, RIGHT.value]))

interface Strip {
  key: string
  words: string
  small: string
  now: number[]
  was: number[]
  top: number
  height: number
  low: number
  high: number
  unit: string
  decimals: number
  kind?: 'fine length'
  marks: { at: number; words: string }[]
}
const GAP = 5
const heights = computed(() => (props.short ? [30, 26, 40, 52] : [38, 34, 50, 68]))
const strips = computed<Strip[]>(() => {
  const { now, was } = run.value
  const [a, b] = [now.traces, was.traces]
  const wheels = [a.wheels[wheel.value]!, b.wheels[wheel.value]!] as const
  const rides = was.rides[wheel.value] ?? 0
  const limits = now.limits[wheel.value]!
  const moved = wheels[1].travel.map((t) => t + rides)
  const body = spanOf([a[props.end], b[props.end]], 0.005)
  const turn = rolls.value ? ('roll' as const) : ('pitch' as const)
  const angle = spanOf([a[turn], b[turn]], 0.002)
  const load = wheels.flatMap((w) => w.load)
  const top = Math.max(...load) * 1.02
  const high = Math.max(limits.solid, ...wheels[0].travel, ...moved) + 0.004
  const low = Math.min(limits.droop, ...wheels[0].travel, ...moved) - 0.004
  let at = 26
  const made = [
    {
      key: 'body',
      words: 'Body',
      small: `${props.end} axle`,
      now: a[props.end],
      was: b[props.end],
      low: -body,
      high: body,
      unit: 'm',
      decimals: 0,
      marks: [body, -body].map((v) => ({ at: v, words: signed(v, 'm', 0) })),
    },
    {
      key: turn,
      words: turn === 'roll' ? 'Roll' : 'Pitch',
      small: turn === 'roll' ? 'left up +' : 'nose up +',
      now: a[turn],
      was: b[turn],
      low: -angle,
      high: angle,
      unit: 'rad',
      decimals: 2,
      marks: [angle, -angle].map((v) => ({ at: v, words: signed(v, 'rad', 1) })),
    },
    {
      key: 'load',
      words: 'Load',
      small: 'wheel',
      now: wheels[0].load,
      was: wheels[1].load,
      low: 0,
      high: top,
      unit: 'N',
      decimals: 0,
      marks: [
        { at: wheels[0].still, words: units.show(wheels[0].still, 'N', { decimals: 0 }) },
        { at: 0, words: '0' },
      ],
    },
    {
      key: 'travel',
      words: 'Travel',
      small: `${props.end} wheel`,
      now: wheels[0].travel,
      was: moved,
      low,
      high,
      unit: 'm',
      decimals: 0,
      marks: [],
    },
  ] as Omit<Strip, 'top' | 'height'>[]
  return made.map((s, i) => {
    const strip = { ...s, top: at, height: heights.value[i]! }
    at += heights.value[i]! + GAP
    return strip
  })
})
const roadTop = computed(() => strips.value.at(-1)!.top + strips.value.at(-1)!.height + GAP + 2)
const roadHeight = computed(() => (props.short ? 26 : 34))
const H = computed(() => roadTop.value + roadHeight.value + 34)
const signed = (v: number, unit: string, decimals: number): string => units.show(v, unit, { decimals, signed: true })
const yOf = (s: Strip) =>
  scaleLinear()
    .domain([s.low, s.high])
    .range([s.top + s.height, s.top])
const drawn = computed(() =>
  strips.value.map((s) => {
    const y = yOf(s)
    return {
      ...s,
      y,
      nowPath: traceOf(run.value.distance, s.now, x.value, y),
      wasPath: traceOf(run.value.distance, s.was, x.value, y),
    }
  }),
)
const road = computed(() => {
  const row = run.value.road[0]!
  const [low, high] = [Math.min(0, ...row), Math.max(0.001, ...row)]
  const y = scaleLinear()
    .domain([low, high])
    .range([roadTop.value + roadHeight.value - 4, roadTop.value + 2])
  const path = traceOf(run.value.distance, row, x.value, y)
  const across = (RIGHT.value - LEFT.value) / length.value
  const times = Math.max(1, Math.round((roadHeight.value - 6) / Math.max(high - low, 0.001) / across))
  return { path, ground: groundOf(path, LEFT.value, RIGHT.value, roadTop.value + roadHeight.value), times }
})
const limits = computed(() => {
  const [l, was] = [run.value.now.limits[wheel.value]!, run.value.was.limits[wheel.value]!]
  const s = drawn.value[3]!
  return {
    droop: s.y(l.droop),
    solid: s.y(l.solid),
    stop: s.y(l.stop),
    top: s.top,
    was: was.stop < was.solid ? s.y(was.stop + (run.value.was.rides[wheel.value] ?? 0)) : null,
  }
})
const one = computed(() => units.unit('m', 'road length'))
const ticks = computed(() =>
  ticksOf(length.value / one.value.factor, narrow.value ? 5 : 8).map((t) => ({
    at: t * one.value.factor,
    words: String(t),
  })),
)
const cursor = computed(() => x.value(run.value.distance[prove.at.value] ?? 0))
const tell = (s: Strip, v: number | undefined): string => {
  if (v === undefined) return ''
  const mark = run.value.assumed.length ? '~ ' : ''
  return (
    mark +
    units.show(v, s.unit, {
      unit: true,
      signed: s.key !== 'load',
      decimals: s.decimals,
      ...(s.kind ? { kind: s.kind } : {}),
    })
  )
}
const tagX = computed(() => (narrow.value ? RIGHT.value - 16 : LEFT.value - 18))
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const wasName = computed(() => vehicle.document.value?.setups.find((s) => s.id === run.value.was.setup)?.name ?? '')
/** The traces in words: between what, and where. */
const words = computed(() => {
  const t = run.value.now.traces
  const w = t.wheels[wheel.value]!
  const far = (m: number): string => units.show(m, 'm', { kind: 'road length', unit: true })
  const said = (name: string, ends: TraceEnds, unit: string): string => {
    const at = (v: number): string => units.show(v, unit, { unit: true, ...(unit === 'rad' ? { decimals: 2 } : {}) })
    return `${name} from ${at(ends.least)} at ${far(ends.least_at)} to ${at(ends.most)} at ${far(ends.most_at)}`
  }
  return [
    said(`Body over the ${props.end} axle`, props.end === 'front' ? t.front_told : t.rear_told, 'm'),
    said('pitch, nose up positive,', t.pitch_told, 'rad'),
    said('roll, left side up positive,', t.roll_told, 'rad'),
    said(`load of the ${props.end} wheel`, w.load_told, 'N'),
    said('its travel', w.travel_told, 'm'),
  ].join('; ')
})

let held = false
function follow(event: PointerEvent): void {
  const r = (event.currentTarget as SVGElement).getBoundingClientRect()
  prove.moveTo(x.value.invert(((event.clientX - r.left) / r.width) * W.value))
}
function down(event: PointerEvent): void {
  held = true
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  follow(event)
}
function pressed(event: KeyboardEvent): void {
  const far = Math.round(run.value.distance.length / 20)
  const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -far, PageUp: far, Home: -1e9, End: 1e9 }[event.key]
  if (event.key === ' ') prove.play()
  else if (by) prove.step(by)
  else return
  event.preventDefault()
}
const where = computed(() => {
  const i = prove.at.value
  return `${units.show(run.value.distance[i] ?? 0, 'm', { kind: 'road length', unit: true })}, ${(run.value.time[i] ?? 0).toFixed(2)} s`
})
/** A word over the place where a stretch begins, as far as there is room for it. */
const stretches = computed(() =>
  run.value.stretches
    .map((s) => ({ ...s, from: x.value(s.start), to: x.value(Math.min(s.end, length.value)) }))
    .filter((s) => s.to - s.from > 44),
)
</script>

<template>
  <div ref="box" class="box" :style="{ height: `${H}px` }">
    <svg
      :viewBox="`0 0 ${W} ${H}`"
      class="chart"
      role="group"
      :aria-label="`Traces, ${end}`"
      @pointerdown="down"
      @pointermove="(e: PointerEvent) => held && follow(e)"
      @pointerup="held = false"
      @pointercancel="held = false">
      <path class="tn key" :class="{ fact }" d="M0 12h14" />
      <text class="kw" :class="fact ? 'cor' : 'pl'" x="18" y="17">{{ vehicle.setup.value?.name }}</text>
      <template v-if="!narrow">
        <path class="tw" :d="`M${LEFT + 8} 12h14`" />
        <text class="kw" :x="LEFT + 26" y="17">{{ wasName }}</text>
      </template>
      <g v-for="s in stretches" :key="s.start">
        <path class="ba" :d="`M${s.from} 25v-4H${s.to}v4`" />
        <text v-if="s.to - s.from > 150 && !narrow" class="kw" :x="Math.max(s.from + 2, LEFT + 130)" y="17">
          {{ s.name }}
        </text>
      </g>
      <text class="kw" :x="W" y="17" text-anchor="end">{{ narrow ? '' : 'at the cursor' }}</text>
      <path v-for="t in ticks" :key="t.at" class="zv" :d="`M${x(t.at)} 26V${roadTop + roadHeight}`" />
      <g v-for="s in drawn" :key="s.key">
        <path class="bx" :d="`M${LEFT} ${s.top}H${RIGHT}`" />
        <path v-if="s.low < 0" class="mid" :d="`M${LEFT} ${s.y(0)}H${RIGHT}`" />
        <template v-if="s.key === 'travel'">
          <rect
            v-if="limits.stop - limits.solid > 1"
            :x="LEFT"
            :y="limits.solid"
            :width="RIGHT - LEFT"
            :height="limits.stop - limits.solid"
            fill="url(#dots)" />
          <path class="tlim" :d="`M${LEFT} ${limits.solid}H${RIGHT}M${LEFT} ${limits.droop}H${RIGHT}`" />
          <path v-if="limits.was !== null" class="wasl" :d="`M${LEFT} ${limits.was}H${RIGHT}`" />
          <rect class="ld-tag" :x="tagX" :y="limits.solid - 8" width="16" height="16" />
          <text class="ld-tx" :x="tagX + 8" :y="limits.solid + 5">S</text>
          <rect class="ld-tag" :x="tagX" :y="limits.droop - 8" width="16" height="16" />
          <text class="ld-tx" :x="tagX + 8" :y="limits.droop + 5">D</text>
        </template>
        <path v-if="s.key === 'load'" class="off" :d="`M${LEFT} ${s.y(0)}H${RIGHT}`" />
        <path class="tw" :d="s.wasPath" />
        <path class="tn" :class="{ fact }" :d="s.nowPath" />
        <text class="bn" x="0" :y="s.top + 15">{{ s.words }}</text>
        <text v-if="!narrow" class="num" x="0" :y="s.top + 31">{{ s.small }}</text>
        <template v-if="!narrow">
          <text
            v-for="m in s.marks"
            :key="m.at"
            class="num"
            :x="LEFT - 5"
            :y="s.y(m.at) + (m.at > 0 ? 10 : -1)"
            text-anchor="end">
            {{ m.words }}
          </text>
        </template>
        <text class="rn" :class="{ fact }" :x="W" :y="s.top + s.height / 2 - 1" text-anchor="end">
          {{ tell(s, s.now[prove.at.value]) }}
        </text>
        <text class="rw" :x="W" :y="s.top + s.height / 2 + 16" text-anchor="end">
          {{ tell(s, s.was[prove.at.value]) }}
        </text>
        <circle class="dw" :cx="cursor" :cy="s.y(s.was[prove.at.value] ?? 0)" r="3.5" />
        <circle class="dn" :class="{ fact }" :cx="cursor" :cy="s.y(s.now[prove.at.value] ?? 0)" r="3.5" />
      </g>
      <path class="earth" :d="road.ground" />
      <path class="rl" :d="road.path" />
      <text v-if="!narrow" class="num" :x="W" :y="roadTop + 14" text-anchor="end">road, drawn</text>
      <text v-if="!narrow" class="num" :x="W" :y="roadTop + 29" text-anchor="end">{{ road.times }} times as high</text>
      <path class="cu" :d="`M${cursor} 24V${roadTop + roadHeight}`" />
      <g
        class="cursor"
        role="slider"
        tabindex="0"
        aria-label="Where on the road"
        aria-valuemin="0"
        :aria-valuemax="Math.round(length * 10) / 10"
        :aria-valuenow="Math.round((run.distance[prove.at.value] ?? 0) * 10) / 10"
        :aria-valuetext="where"
        @keydown="pressed">
        <rect :x="cursor - 22" :y="roadTop + roadHeight - 12" width="44" height="44" fill="transparent" />
        <path class="hand" :class="{ fact }" :d="`M${cursor} ${roadTop + roadHeight - 4}l9 8v12h-18v-12Z`" />
      </g>
      <text
        v-for="t in ticks"
        :key="`t${t.at}`"
        class="num"
        :class="{ under: Math.abs(x(t.at) - cursor - 60) < 74 }"
        :x="x(t.at)"
        :y="roadTop + roadHeight + 18"
        text-anchor="middle">
        {{ t.words }}{{ t === ticks.at(-1) ? ` ${one.written}` : '' }}
      </text>
      <text
        class="ct"
        :x="cursor > RIGHT - 130 ? cursor - 14 : cursor + 14"
        :y="roadTop + roadHeight + 18"
        :text-anchor="cursor > RIGHT - 130 ? 'end' : 'start'">
        {{ where }}
      </text>
    </svg>
    <p class="seen-not">{{ words }}</p>
    <div class="hands" :style="{ top: `${roadTop + 6}px` }">
      <button class="go" :aria-label="prove.playing.value ? 'Stop' : 'Play'" @click="prove.play()">
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path :d="prove.playing.value ? 'M4 3h4v14h-4ZM12 3h4v14h-4Z' : 'M5 2l12 8-12 8Z'" />
        </svg>
      </button>
      <button
        class="rate"
        :aria-pressed="prove.rate.value === 0.25"
        aria-label="1/4 speed"
        @click="prove.rate.value = prove.rate.value === 1 ? 0.25 : 1">
        1/4
      </button>
    </div>
  </div>
</template>

<style scoped>
.box { position: relative; width: 100%; contain: layout size; margin-top: 4px; } .chart { position: absolute; inset: 0; width: 100%; height: 100%; touch-action: pan-y; }
svg .kw, svg .num { font-size: var(--t-1); fill: var(--ink-2); } svg .kw.pl { fill: var(--plan); } .ba { stroke: var(--edge); fill: none; }
.bx { stroke: var(--rule); } .zv { stroke: var(--rule); } .mid { stroke: var(--edge); stroke-width: 0.75; } .off { stroke: var(--ink); }
.tw { fill: none; stroke: var(--ink); stroke-width: 1.1; stroke-linejoin: round; } .tn { fill: none; stroke: var(--plan); stroke-width: 2.1; stroke-linejoin: round; } .tn.fact { stroke: var(--ink); }
svg .bn { font-size: var(--t-2); fill: var(--ink); } svg .rn { font-size: var(--t-3); font-weight: 600; fill: var(--plan); } svg .rn.fact { fill: var(--ink); } svg .rw { font-size: var(--t-2); }
.tlim { stroke: var(--ink); stroke-width: 2.25; } .wasl { stroke: var(--ink); stroke-dasharray: 3 2.5; }
.earth { fill: var(--rule); opacity: 0.55; } .rl { fill: none; stroke: var(--ink); stroke-width: 1.5; } .cu { stroke: var(--ink); stroke-width: 1.5; }
.dn { fill: var(--plan); } .dn.fact { fill: var(--ink); } .dw { fill: var(--ground); stroke: var(--ink); stroke-width: 1.25; }
.cursor { cursor: ew-resize; } .hand { fill: var(--plan); } .hand.fact { fill: var(--ink); } svg .ct { font-size: var(--t-2); font-weight: 600; fill: var(--ink); } svg .under { opacity: 0; }
.hands { position: absolute; left: 0; display: flex; gap: 2px; } .go { width: 44px; height: 44px; background: var(--ink); display: grid; place-items: center; } .go path { fill: var(--ground); } .rate { min-width: 44px; height: 44px; border: 1px solid var(--edge); text-align: center; font-size: var(--t-3); } .rate[aria-pressed="true"] { background: var(--sheet); border: 2px solid var(--ink); font-weight: 600; }
@media (max-width: 620px) { .hands { position: static; padding-top: 4px; } .box { margin-bottom: 52px; } .hands { position: absolute; top: auto !important; bottom: -48px; } }
</style>
