<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { computed, onMounted, ref } from 'vue'

import type { EndName } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { traceOf } from './trace'
import { useProve } from './useProve'

/** Comfort and grip of both setups from 10 to 160 km/h over the same road. */
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
onMounted(() => prove.askSpeeds())
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const W = computed(() => Math.max(300, Math.round(width.value) || 700))
const H = 220
const rows = computed(() => prove.speeds.value)
const CHARTS = [
  { key: 'comfort', words: 'Comfort', unit: 'weighted acceleration, m/s²', of: 0 },
  { key: 'grip', words: 'Grip', unit: 'swing of the tyre load, % of rest', of: 1 },
] as const
const x = computed(() =>
  scaleLinear()
    .domain([0, 160 / 3.6])
    .range([44, W.value - 12]),
)
const charts = computed(() =>
  CHARTS.map((c) => {
    const scale = c.of ? 100 : 1
    const value = (r: (typeof rows.value)[number], which: 'now' | 'was', end: EndName): number =>
      (r[which][end] as unknown as number[])[c.of]! * scale
    const most = Math.max(
      0.01,
      ...rows.value.flatMap((r) =>
        (['now', 'was'] as const).flatMap((w) => (['front', 'rear'] as const).map((e) => value(r, w, e))),
      ),
    )
    const y = scaleLinear()
      .domain([0, most])
      .nice(4)
      .range([H - 26, 10])
    return {
      ...c,
      ticks: y.ticks(4),
      y,
      lines: (['was', 'now'] as const).flatMap((w) =>
        (['front', 'rear'] as const).map((e) => ({
          key: w + e,
          which: w,
          end: e,
          d: traceOf(
            rows.value.map((r) => r.speed),
            rows.value.map((r) => value(r, w, e)),
            x.value,
            y,
          ),
        })),
      ),
    }
  }),
)
const speeds = computed(() => [20, 40, 60, 80, 100, 120, 140, 160].map((v) => v / 3.6))
const speed = (v: number): string => units.show(v, 'm/s', { decimals: 0 })
const name = (id?: string): string => vehicle.document.value?.setups.find((s) => s.id === id)?.name ?? ''
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
</script>

<template>
  <div ref="box">
    <p v-if="!rows.length" class="quiet mt-2" role="status">Driving at sixteen speeds…</p>
    <template v-else>
      <p class="small quiet mt-2 key">
        <svg width="26" height="8" aria-hidden="true"><path class="now" :class="{ fact }" d="M0 4H26" /></svg
        >{{ name(prove.run.value?.now.setup) }}
        <svg width="26" height="8" aria-hidden="true"><path class="was" d="M0 4H26" /></svg
        >{{ name(prove.run.value?.was.setup) }}; rear dashed
      </p>
      <figure v-for="c in charts" :key="c.key">
        <figcaption>
          <b>{{ c.words }}</b> <span class="small quiet">{{ c.unit }}</span>
        </figcaption>
        <svg
          :viewBox="`0 0 ${W} ${H}`"
          :width="W"
          :height="H"
          role="img"
          :aria-label="`${c.words} over speed, both setups, front and rear`">
          <g v-for="t in c.ticks" :key="t">
            <path class="grid" :d="`M44 ${c.y(t)}H${W - 12}`" />
            <text class="num" x="38" :y="c.y(t) + 5" text-anchor="end">{{ t }}</text>
          </g>
          <text v-for="v in speeds" :key="v" class="num" :x="x(v)" :y="H - 6" text-anchor="middle">{{ speed(v) }}</text>
          <path class="here" :d="`M${x(prove.proving.value.speed)} 10V${H - 26}`" />
          <path v-for="l in c.lines" :key="l.key" :class="[l.which, l.end, { fact }]" :d="l.d" />
        </svg>
      </figure>
      <p class="small quiet">
        Speeds in {{ units.unit('m/s').written }}; where the road lasts longer than a minute nothing is driven.
      </p>
    </template>
  </div>
</template>

<style scoped>
figure { margin: 10px 0 0; } .key { display: flex; gap: 8px; align-items: center; } .grid { stroke: var(--rule); } svg .num { font-size: var(--t-1); fill: var(--ink-2); }
.now, .was { fill: none; stroke: var(--ink); stroke-width: 1.2; } .now { stroke: var(--plan); stroke-width: 2.25; } .now.fact { stroke: var(--ink); } .rear { stroke-dasharray: 7 4; } .here { stroke: var(--edge); stroke-dasharray: 2 3; }
</style>
