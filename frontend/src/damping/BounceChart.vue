<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

import type { RunShown } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** One let-go: readings as dots, the swing that fits them, and the same let-go of a sound damper. "Let go" can be dragged. */
const props = defineProps<{
  run: RunShown
  kind: 'height' | 'acceleration'
  ratio: string
  sound: string
  film: number[] | null
}>()
const emit = defineEmits<{ release: [at: number] }>()
const units = useUnits()
const [H, LEFT, TOP, FOOT] = [226, 44, 26, 22]
const [FROM, TO] = [-1.8, 2.6]
const svg = ref<SVGSVGElement | null>(null)
const { width } = useElementSize(svg)
const W = computed(() => Math.max(300, width.value || 560))
const si = computed(() => (props.kind === 'height' ? 'm' : 'm/s^2'))
const dragged = ref<number | null>(null)
const whole = computed(() => props.run.sound ?? [])
const fitted = computed(() => props.run.fitted ?? [])
const seen = computed(() =>
  props.run.times.map((t, i) => [t, props.run.readings[i]!]).filter(([t]) => t! >= FROM && t! <= TO),
)
const span = computed(() => {
  const all = [...seen.value, ...whole.value].map((p) => p[1]!)
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const room = Math.max((high - low) * 0.12, 1e-3)
  return [low - room, high + room] as const
})
const x = (t: number): number => LEFT + ((t - FROM) / (TO - FROM)) * (W.value - LEFT - 8)
const y = (v: number): number => TOP + ((span.value[1] - v) / (span.value[1] - span.value[0])) * (H - TOP - FOOT)
const path = (points: number[][]): string =>
  points
    .filter(([t]) => t! <= TO)
    .map(([t, v], i) => `${i ? 'L' : 'M'}${x(t!).toFixed(1)} ${y(v!).toFixed(1)}`)
    .join('')
const steps = computed(() => {
  const one = units.unit(si.value).factor
  const wide = span.value[1] - span.value[0]
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].map((s) => s * one).find((s) => wide / s <= 7) ?? wide
  const made: number[] = []
  for (let v = Math.ceil(span.value[0] / step) * step; v < span.value[1]; v += step) made.push(v)
  return made
})
const lag = computed(() => props.run.times[1]! - props.run.times[0]!)
const at = computed(() => dragged.value ?? 0)
function moved(event: PointerEvent): void {
  if (dragged.value === null) return
  const box = svg.value!.getBoundingClientRect()
  const t = FROM + (((event.clientX - box.left) / box.width) * W.value - LEFT) / ((W.value - LEFT - 8) / (TO - FROM))
  dragged.value = Math.min(TO - 0.5, Math.max(Math.max(FROM, props.run.times[0]!), t))
}
function taken(event: PointerEvent): void {
  ;(event.target as Element).setPointerCapture(event.pointerId)
  dragged.value = 0
}
function letGo(): void {
  const by = dragged.value
  dragged.value = null
  if (by) emit('release', props.run.release + by)
}
function key(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -10, PageUp: 10 }[event.key]
  if (!by) return
  event.preventDefault()
  emit('release', props.run.release + by * lag.value)
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${W} ${H}`"
    class="chart"
    @pointermove="moved"
    @pointerup="letGo"
    @pointercancel="dragged = null">
    <g aria-hidden="true">
      <template v-for="v in steps" :key="v">
        <path class="grid" :d="`M${LEFT} ${y(v)}H${W - 8}`" />
        <text class="t" :x="LEFT - 6" :y="y(v) + 5" text-anchor="end">
          {{ units.show(v, si, { decimals: kind === 'height' ? units.unit('m').decimals : 1 }) }}
        </text>
      </template>
      <path class="axis" :d="`M${LEFT} ${TOP - 6}V${H - FOOT}H${W - 8}`" />
      <template v-for="t in [-1, 0, 1, 2]" :key="`s${t}`">
        <path class="axis" :d="`M${x(t)} ${H - FOOT}v4`" />
        <text class="t" :x="x(t)" :y="H - 4" text-anchor="middle">{{ t < 0 ? '−1' : t }}</text>
      </template>
      <text class="t" :x="W - 10" :y="H - 4" text-anchor="end">s</text>
      <text class="t" :x="W - 10" :y="H - FOOT - 6" text-anchor="end">
        {{ kind === 'height' ? `floor to arch, ${units.unit('m').written}` : 'acceleration, m/s²' }}
      </text>
      <path v-if="run.rest != null" class="rest" :d="`M${LEFT} ${y(run.rest)}H${W - 8}`" />
      <circle v-for="p in seen" :key="p[0]" class="read" :cx="x(p[0]!)" :cy="y(p[1]!)" r="1.5" />
      <path v-if="whole.length" class="sound" :d="path(whole)" />
      <path v-if="fitted.length" class="fit" :d="path(fitted)" />
      <text v-if="run.ratio != null" class="t strong halo" :x="x(0.75)" :y="TOP + 4">measured {{ ratio }}</text>
      <text v-if="whole.length" class="t halo" :x="x(0.75)" :y="TOP + 24">- - a sound one {{ sound }}</text>
      <circle v-for="(v, i) in film ?? []" :key="i" class="film" :cx="x(i / (run.frequency ?? 1.4))" :cy="y(v)" r="5" />
    </g>
    <g
      class="let-go"
      role="slider"
      tabindex="0"
      aria-label="let go"
      :aria-valuenow="Number(run.release.toFixed(2))"
      :aria-valuetext="`${run.release.toFixed(2)} s`"
      @pointerdown="taken"
      @keydown="key">
      <path class="line" :d="`M${x(at)} ${TOP - 6}V${H - FOOT}`" />
      <path class="grip" :d="`M${x(at) - 11} 0h22v16l-11 10l-11 -10z`" />
      <path class="ridge" :d="`M${x(at) - 3} 5v9M${x(at) + 3} 5v9`" />
      <rect :x="x(at) - 22" y="0" width="44" :height="H - FOOT" fill="transparent" />
      <text class="t word" :x="x(at) + 16" y="14">let go</text>
    </g>
  </svg>
</template>

<style scoped>
.chart { width: 100%; height: 226px; touch-action: pan-y; display: block; overflow: visible; }
.t { font-size: .875rem; fill: var(--ink-2); } .strong { fill: var(--ink); font-weight: 600; } .halo { paint-order: stroke; stroke: var(--ground); stroke-width: 5px; stroke-linejoin: round; } .word { fill: var(--plan); font-weight: 600; font-size: 1rem; }
.grid { stroke: var(--rule); fill: none; } .axis { stroke: var(--ink); stroke-width: 1.25; fill: none; } .rest { stroke: var(--ink); fill: none; stroke-width: 1; }
.read { fill: var(--ink-2); } .fit { stroke: var(--ink); stroke-width: 2.25; fill: none; } .sound { stroke: var(--ink); stroke-width: 1.25; stroke-dasharray: 3 2.5; fill: none; } .film { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.let-go { cursor: ew-resize; touch-action: none; } .line { stroke: var(--plan); stroke-width: 2.25; } .grip { fill: var(--plan); } .ridge { stroke: var(--on-plan); stroke-width: 2; }
.let-go:focus-visible { outline: none; } .let-go:focus-visible .grip { stroke: var(--ink); stroke-width: 3; }
</style>
