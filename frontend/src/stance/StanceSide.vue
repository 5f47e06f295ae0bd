<script setup lang="ts">
import { computed } from 'vue'

import { endOf, type EndName } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import SideView from './SideView.vue'

/** The vehicle from the side: plan over as found, its rake, and how often larger the drop is drawn. */
const emit = defineEmits<{ ask: [path: string, title: string] }>()
const vehicle = useVehicle()
const units = useUnits()
const planned = computed(() => !vehicle.isFound.value)
const name = computed(() => vehicle.document.value?.vehicle.name ?? 'the vehicle')
const setupName = computed(() => vehicle.setup.value?.name ?? '')
/** Blue is for what is planned; what was found or is fitted is ink. */
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const two = computed(() => vehicle.places.value.length === 2)
const drop = computed(() => {
  const said = vehicle.shown.value?.steering
  if (two.value)
    return planned.value && said?.nose && said.tail
      ? { front: (said.nose.was ?? 0) - said.nose.value, rear: (said.tail.was ?? 0) - said.tail.value }
      : null
  if (!planned.value) return null
  const mean = (end: EndName): number | null => {
    const drops = vehicle.places.value
      .filter((p) => endOf(p) === end)
      .map((p) => vehicle.shown.value?.corners[p]?.drop?.value ?? null)
    return drops.includes(null) ? null : (drops as number[]).reduce((a, b) => a + b, 0) / drops.length
  }
  const [front, rear] = [mean('front'), mean('rear')]
  return front === null || rear === null ? null : { front, rear }
})
const times = computed(() => {
  const most = Math.max(Math.abs(drop.value?.front ?? 0), Math.abs(drop.value?.rear ?? 0))
  return most < 0.001 ? 1 : most < 0.03 ? 3 : most < 0.06 ? 2 : 1
})
/** Rake, trail and lean of a two-wheeler, each with what it was. */
const steering = computed(() => {
  const said = vehicle.shown.value?.steering
  if (!two.value || !said) return []
  const rows = [
    { key: 'rake', words: 'rake' },
    { key: 'trail', words: 'trail' },
    { key: 'lean_ridden', words: 'leans' },
  ] as const
  return rows.flatMap((r) => {
    const f = said[r.key]
    if (!f) return []
    const say = (v: number): string =>
      units.show(v, f.unit, { unit: f.unit === 'rad', decimals: f.unit === 'rad' ? 1 : 0 })
    const was = f.was != null && say(f.was) !== say(f.value) ? `, was ${say(f.was)}` : ''
    return [{ path: `steering.${r.key}`, words: r.words, now: (f.assumed ? '~' : '') + say(f.value), was }]
  })
})
const rake = computed(() => {
  const v = vehicle.shown.value?.vehicle
  const f = v?.rake ?? v?.rake_change
  if (!f) return null
  const say = (value: number): string => {
    const text = units.show(Math.abs(value), 'rad', { unit: true })
    return Math.abs(value) < 5e-5 ? 'level' : `${text} ${value > 0 ? 'nose down' : 'nose up'}`
  }
  const now = (f.assumed ? '~' : '') + say(f.value)
  if (!v?.rake) return planned.value ? { now: `${now} of change`, was: '', path: 'vehicle.rake_change' } : null
  return { now, was: f.was !== null && f.was !== undefined ? say(f.was) : '', path: 'vehicle.rake' }
})
</script>

<template>
  <div class="drawn side-box">
    <svg class="side" viewBox="0 0 464 186" role="group" :aria-label="`Side view of ${name}`">
      <g v-if="planned">
        <path d="M0 10h34" :stroke="fact ? 'var(--ink)' : 'var(--plan)'" stroke-width="2.250" />
        <text class="lab" :class="fact ? 'cor' : 'pl'" x="42" y="15">{{ setupName }}</text>
        <path class="el-found" d="M0 30h34" />
        <text class="lab" x="42" y="35">as found</text>
      </g>
      <g v-else>
        <path d="M0 10h34" stroke="var(--ink)" stroke-width="1.500" />
        <text class="cor" x="42" y="15">
          as found
          <tspan class="lab" font-weight="400">, as measured</tspan>
        </text>
      </g>
      <text v-for="(r, i) in steering" :key="r.path" class="lab" x="464" :y="15 + i * 19" text-anchor="end">
        {{ r.words }}
        <tspan
          class="cor ask"
          :class="{ pl: !fact }"
          role="button"
          tabindex="0"
          @click="emit('ask', r.path, r.words)"
          @keydown.enter="emit('ask', r.path, r.words)">
          {{ r.now }}
        </tspan>
        <tspan v-if="planned" class="was">{{ r.was }}</tspan>
      </text>
      <text v-if="rake && !two" class="lab" x="464" y="15" text-anchor="end">
        <tspan
          class="cor ask"
          :class="{ pl: !fact }"
          role="button"
          tabindex="0"
          @click="emit('ask', rake.path, 'Rake')"
          @keydown.enter="emit('ask', rake.path, 'Rake')">
          {{ rake.now }}
        </tspan>
        <tspan v-if="rake.was && planned" class="was">, was {{ rake.was }}</tspan>
      </text>
      <text
        v-if="drop && times > 1"
        class="num"
        :x="two ? 0 : 464"
        :y="two ? 50 : 35"
        :text-anchor="two ? 'start' : 'end'">
        drop drawn {{ times }} times
      </text>
      <text
        v-if="vehicle.outline.value && !vehicle.outline.value.own"
        class="num"
        :x="two ? 0 : 464"
        :y="two ? 70 : 35"
        :text-anchor="two ? 'start' : 'end'">
        usual measures until the wheelbase is known
      </text>
      <svg v-if="vehicle.outline.value" x="0" y="36" width="464" height="150" overflow="visible">
        <SideView
          :outline="vehicle.outline.value"
          :width="464"
          :height="148"
          :drop="drop"
          :times="times"
          :fact="fact"
          :rake="vehicle.document.value?.vehicle.ends?.front?.fork?.rake"
          :rider="two && !!vehicle.loadState.value" />
      </svg>
    </svg>
  </div>
</template>

<style scoped>
.side-box { height: clamp(120px, 0.3 * var(--room), 196px); }
@media (max-width: 1100px) { .side text, .side tspan { font-size: 1.3125rem; } .side .was { display: none; } .side-box { grid-area: 1 / 1; height: calc(var(--room) - var(--carry)); } }
@media (max-width: 600px) { .side-box { height: calc(0.4 * var(--across)); } }
</style>
