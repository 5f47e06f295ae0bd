<script setup lang="ts">
import { computed } from 'vue'

import { api, type EndName } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'

import { useSag } from './useSag'

/** One end over its whole travel: leverage, wheel rate and force at the wheel. */
const props = defineProps<{ end: EndName }>()
const { vehicle, units, mm, sags } = useSag()
const { found } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup ? api.POST('/api/sag/travel', { body: { document, setup: setup.id, end: props.end } }) : null
}, [vehicle.report, () => props.end])
const curve = computed(() => found.value?.curve ?? null)
const W = 220,
  H = 110
const chart = (key: 'leverage' | 'wheel_rate' | 'force') => {
  const points = curve.value!.points
  const values = points.map((p) => p[key])
  let [low, high] = [Math.min(...values), Math.max(...values)]
  if (key === 'force') low = 0
  const pad = (high - low) * 0.08 || Math.abs(high) * 0.05 || 1
  ;[low, high] = [low - (key === 'force' ? 0 : pad), high + pad]
  const whole = points.at(-1)!.travel
  const x = (z: number): number => 8 + (z / whole) * (W - 16)
  const y = (v: number): number => H - 6 - ((v - low) / (high - low)) * (H - 14)
  return {
    d: points.map((p, i) => `${i ? 'L' : 'M'}${x(p.travel).toFixed(1)} ${y(p[key]).toFixed(1)}`).join(''),
    first: values[0]!,
    last: values.at(-1)!,
    x,
    y,
    at: (z: number) => points[Math.min(points.length - 1, Math.round((z / whole) * (points.length - 1)))]!,
  }
}
const CHARTS = computed(() => [
  { key: 'leverage' as const, words: 'wheel / spring travel', show: (v: number) => v.toFixed(2) },
  {
    key: 'wheel_rate' as const,
    words: `wheel rate, ${units.unit('N/m').written}`,
    show: (v: number) => units.show(v, 'N/m'),
  },
  {
    key: 'force' as const,
    words: `force at the wheel, ${units.unit('N').written}`,
    show: (v: number) => units.show(v, 'N', { decimals: 0 }),
  },
])
const marks = computed(() => [sags(props.end)?.free_sag?.value, sags(props.end)?.rider_sag?.value])
</script>

<template>
  <section v-if="curve" class="curves" :aria-label="`${end} over its travel`">
    <h3 aria-level="2">
      {{ end === 'front' ? 'Front' : 'Rear' }} over its travel<span class="quiet"
        >, {{ mm(curve.points.at(-1)!.travel, 0) }} at the wheel, {{ mm(curve.stroke, 0) }} at the spring{{
          Math.abs(curve.progression ?? 0) > 0.005
            ? `; leverage ${curve.progression! > 0 ? 'falls' : 'rises'} by ${Math.abs(curve.progression! * 100).toFixed(0)} %`
            : ''
        }}</span
      >
    </h3>
    <div class="three">
      <figure v-for="c in CHARTS" :key="c.key">
        <figcaption>{{ c.words }}</figcaption>
        <svg
          :viewBox="`0 0 ${W} ${H}`"
          role="img"
          :aria-label="`${c.words}: ${c.show(chart(c.key).first)} extended, ${c.show(chart(c.key).last)} at full travel`">
          <path class="ax" :d="`M8 4V${H - 6}H${W - 8}`" />
          <path class="ln" :class="{ rear: end === 'rear' }" :d="chart(c.key).d" />
          <template v-for="(m, i) in marks" :key="i">
            <circle
              v-if="m != null && i === 0"
              class="ring"
              :cx="chart(c.key).x(m)"
              :cy="chart(c.key).y(chart(c.key).at(m)[c.key])"
              r="5" />
            <path
              v-else-if="m != null"
              class="wedge"
              :d="`M${chart(c.key).x(m)} ${chart(c.key).y(chart(c.key).at(m)[c.key])}l-6 -10h12z`" />
          </template>
        </svg>
        <p>
          <b>{{ c.show(chart(c.key).first) }}</b><b>{{ c.show(chart(c.key).last) }}</b>
        </p>
      </figure>
    </div>
  </section>
</template>

<style scoped>
.curves { border-top: var(--l-mid) solid var(--ink); margin-top: 14px; padding-top: 8px; } .three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 16px; } figure { margin: 0; } figcaption { color: var(--ink-2); } svg { width: 100%; height: auto; overflow: visible; } .ax { fill: none; stroke: var(--ink); stroke-width: 1.25; } .ln { fill: none; stroke: var(--ink); stroke-width: 2.25; } .ln.rear { stroke-dasharray: 7 4; } .ring { fill: var(--sheet); stroke: var(--ink); stroke-width: 2; } p { display: flex; justify-content: space-between; }
</style>
