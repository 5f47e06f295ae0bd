<script setup lang="ts">
import { computed } from 'vue'

import type { Place } from '@/api/client'
import TexturePatterns from '@/components/TexturePatterns.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import { commonRange, divisionFor, marksOf } from '@/stance/ladder'
import TravelLadder from '@/stance/TravelLadder.vue'

import { useProve } from './useProve'

/** Time spent along the travel beside each ladder, both wheels at the cursor, and how often a stop is met. */
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
const working = useWorking()
const FOUR: Partial<Record<Place, number>> = { front_left: 40, front_right: 134, rear_left: 302, rear_right: 396 }
const TWO: Partial<Record<Place, number>> = { front: 100, rear: 336 }
const TOP = 30
const BOTTOM = 236
const X = computed(() => (vehicle.places.value.length === 2 ? TWO : FOUR))
const run = computed(() => prove.run.value!)
const division = computed(() => divisionFor(units.unit('m').name, units.unit('m').factor))
const marks = computed(() =>
  Object.fromEntries(vehicle.places.value.map((p) => [p, marksOf(vehicle.shown.value?.corners[p])])),
)
const range = computed(() => commonRange(Object.values(marks.value), division.value.label))
const y = (mm: number): number =>
  TOP + ((range.value.top - mm) / (range.value.top - range.value.bottom)) * (BOTTOM - TOP)
const within = (mm: number): number => Math.min(range.value.top, Math.max(range.value.bottom, mm))
const scale = computed(() => {
  const step = division.value.label
  const made: number[] = []
  for (let n = Math.round(range.value.bottom / step) + 1; n * step < range.value.top + 1; n++)
    if (n) made.push(n * step)
  return made
})
const ladders = computed(() => {
  const { now, was } = run.value
  const most = Math.max(...[now, was].flatMap((d) => d.figures.travel.flatMap((h) => h.shares)), 1e-6)
  const hist = (h: (typeof now)['figures']['travel'][number], shift: number) =>
    h.shares.map((share, i) => ({
      at: (h.start + (i + 0.5) * h.width + shift) * 1000,
      half: h.width * 500,
      long: (36 * share) / most,
    }))
  return now.traces.wheels.map((w, i) => {
    const rides = was.rides[i] ?? 0
    const other = was.traces.wheels[i]!
    return {
      place: w.place,
      x: X.value[w.place]!,
      now: hist(now.figures.travel[i]!, 0),
      was: hist(was.figures.travel[i]!, rides),
      dot: (w.travel[prove.at.value] ?? 0) * 1000,
      ring: ((other.travel[prove.at.value] ?? 0) + rides) * 1000,
      ends: [w.travel_told.most * 1000, w.travel_told.least * 1000],
      ghost: rides * 1000,
    }
  })
})
const outline = (bins: { at: number; half: number; long: number }[], x: number): string =>
  bins
    .map(
      (b, i) =>
        `${i ? 'L' : 'M'}${x} ${y(b.at - b.half)}`.slice(0, i ? 0 : undefined) +
        `L${(x + b.long).toFixed(1)} ${y(b.at - b.half).toFixed(1)}L${(x + b.long).toFixed(1)} ${y(b.at + b.half).toFixed(1)}`,
    )
    .join('')
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const mark = computed(() => (run.value.assumed.length ? '~' : ''))
const endOf = (p: Place): 'front' | 'rear' => (p.startsWith('front') ? 'front' : 'rear')
const rows = computed(() => {
  const { now, was } = run.value
  const at = (p: Place) => [now.figures.ends.all![endOf(p)]!, was.figures.ends.all![endOf(p)]!] as const
  return [
    {
      words: 'stop met',
      unit: 'times',
      tell: (p: Place) => [`${mark.value}${at(p)[0].stop_times}`, `was ${at(p)[1].stop_times}`],
    },
    {
      words: 'off the ground',
      unit: 'ms',
      tell: (p: Place) => [
        `${mark.value}${Math.round(at(p)[0].air_time * 1000)}`,
        `was ${Math.round(at(p)[1].air_time * 1000)}`,
      ],
    },
    {
      words: 'damping',
      unit: 'of critical',
      tell: (p: Place) => {
        const [a, b] = [now.damping[endOf(p)]!, was.damping[endOf(p)]!]
        const by = a - b
        return [
          `${mark.value}${a.toFixed(2)}`,
          Math.abs(by) < 0.005 ? 'same' : `${by > 0 ? '+' : '−'}${Math.abs(by).toFixed(2)}`,
        ]
      },
    },
  ]
})
</script>

<template>
  <div class="drawn ladders-box">
    <svg
      class="ladders"
      viewBox="0 0 464 456"
      preserveAspectRatio="xMidYMin meet"
      role="group"
      aria-label="Travel of each wheel over the road">
      <TexturePatterns />
      <g v-for="mm in scale" :key="mm">
        <path class="grid" :d="`M0 ${y(mm)}H196M252 ${y(mm)}H464`" />
        <text class="num" x="224" :y="y(mm) + 5" text-anchor="middle">
          {{ mm > 0 ? '+' : '' }}{{ division.write(mm) }}
        </text>
      </g>
      <path class="zero" :class="{ fact }" :d="`M0 ${y(0)}H200M248 ${y(0)}H464`" />
      <text class="cor" :class="{ pl: !fact }" x="224" :y="y(0) + 5.5" text-anchor="middle">ride</text>
      <g v-for="l in ladders" :key="l.place">
        <text class="cor" :x="l.x" y="14" text-anchor="middle">{{ l.place.replace('_', ' ') }}</text>
        <path
          v-for="b in l.now"
          :key="b.at"
          class="hn"
          :class="{ fact }"
          :d="`M${l.x + 14} ${y(within(b.at + b.half)).toFixed(1)}h${b.long.toFixed(1)}V${(y(within(b.at - b.half)) - 0.6).toFixed(1)}h${(-b.long).toFixed(1)}Z`" />
        <path class="hw" :d="outline(l.was, l.x + 14)" />
        <TravelLadder
          :x="l.x"
          :top="TOP"
          :bottom="BOTTOM"
          :range="range"
          :marks="marks[l.place]!"
          :division="division"
          :place="l.place"
          @ask="(p, what, words) => working.ask(`corners.${p}.${what}`, words, { load: vehicle.loadState.value })" />
        <path v-for="e in l.ends" :key="e" class="xe" :class="{ fact }" :d="`M${l.x - 21} ${y(within(e))}h8`" />
        <text
          v-for="e in l.ends"
          :key="`t${e}`"
          class="xt"
          :class="{ fact }"
          :x="l.x - 23"
          :y="y(within(e)) + 5"
          text-anchor="end">
          {{ e > 0 ? '+' : '' }}{{ division.write(e) }}
        </text>
        <path class="ghost" :d="`M${l.x - 29} ${y(within(l.ghost)) - 8}v16l15-8Z`" />
        <path class="wedge" :class="{ fact }" :d="`M${l.x - 31} ${y(0) - 9}v18l17-9Z`" />
        <circle class="df" :cx="l.x" :cy="y(within(l.ring))" r="4.5" />
        <circle class="dp" :class="{ fact }" :cx="l.x" :cy="y(within(l.dot))" r="5" />
      </g>
      <g v-for="(r, i) in rows" :key="r.words">
        <text class="lab" x="218" :y="282 + i * 44" text-anchor="middle">{{ r.words }}</text>
        <text class="unit" x="218" :y="299 + i * 44" text-anchor="middle">{{ r.unit }}</text>
        <template v-for="l in ladders" :key="l.place">
          <text class="big" :x="l.x" :y="285 + i * 44" text-anchor="middle">{{ r.tell(l.place)[0] }}</text>
          <text class="chg" :x="l.x" :y="302 + i * 44" text-anchor="middle">{{ r.tell(l.place)[1] }}</text>
        </template>
      </g>
      <rect class="hn" :class="{ fact }" x="0" y="404" width="22" height="13" />
      <text class="unit" x="29" y="415">time spent there</text>
      <path class="hw" d="M140 417v-13h22v13" />
      <text class="unit" x="169" y="415">the other</text>
      <circle class="dp" :class="{ fact }" cx="245" cy="411" r="5" />
      <circle class="df" cx="260" cy="411" r="4.5" />
      <text class="unit" x="272" y="415">wheel at the cursor</text>
      <text v-if="run.assumed.length" class="unit" x="0" y="438">
        ~ rests on what is assumed, told under the verdict
      </text>
    </svg>
  </div>
</template>

<style scoped>
.ladders-box { height: calc(var(--room) - clamp(120px, 0.3 * var(--room), 196px) - var(--carry) - 12px); margin-top: 12px; }
@media (max-width: 1100px) { .ladders-box { height: calc(0.98 * var(--across)); } }
.hn { fill: var(--plan); } .hn.fact { fill: var(--ink-2); } .hw { fill: none; stroke: var(--ink); stroke-width: 1; }
.xe { stroke: var(--plan); stroke-width: 2.25; } .xe.fact { stroke: var(--ink); } svg .xt { font-weight: 600; fill: var(--plan); } svg .xt.fact { fill: var(--ink); }
.dp { fill: var(--plan); } .dp.fact { fill: var(--ink); } .df { fill: var(--ground); stroke: var(--ink); stroke-width: 1.25; }
</style>
