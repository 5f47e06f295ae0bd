<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

import { type CornerReport, type Figure, type Place, PLACES, placeWords } from '@/api/client'
import TexturePatterns from '@/components/TexturePatterns.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'

import { commonRange, divisionFor, marksOf } from './ladder'
import SideView from './SideView.vue'
import TravelLadder from './TravelLadder.vue'

/** The stance: what the vehicle will do, always in sight. */
const vehicle = useVehicle()
const working = useWorking()
const heights = useHeights()
const units = useUnits()
const router = useRouter()

const X: Record<Place, number> = { front_left: 40, front_right: 134, rear_left: 302, rear_right: 396 }
const TOP = 74
const BOTTOM = 290

const report = computed(() => vehicle.report.value)
const corner = (place: Place): CornerReport | undefined => report.value?.corners[place]
const planned = computed(() => !vehicle.isFound.value)
/** Blue is for what is planned; what was found or is fitted is ink. */
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const drop = computed(() => {
  if (!planned.value) return null
  const mean = (a: Place, b: Place): number | null => {
    const [p, q] = [corner(a)?.drop, corner(b)?.drop]
    return p && q ? (p.value + q.value) / 2 : null
  }
  const front = mean('front_left', 'front_right')
  const rear = mean('rear_left', 'rear_right')
  return front === null || rear === null ? null : { front, rear }
})
const times = computed(() => {
  const most = Math.max(Math.abs(drop.value?.front ?? 0), Math.abs(drop.value?.rear ?? 0))
  return most < 0.001 ? 1 : most < 0.03 ? 3 : most < 0.06 ? 2 : 1
})

// While a wedge is dragged, scale and limits stand as they were when it was taken up.
const held = reactive<{ place: Place | null; offset: number }>({ place: null, offset: 0 })
const frozen = ref<Record<string, CornerReport> | null>(null)
const shown = (place: Place): CornerReport | undefined => (frozen.value ? frozen.value[place] : corner(place))
const marks = computed(() => Object.fromEntries(PLACES.map((p) => [p, marksOf(shown(p))])) as Record<Place, ReturnType<typeof marksOf>>)
const division = computed(() => divisionFor(units.unit('m').name, units.unit('m').factor))
const range = ref(commonRange([]))
watch([marks, division], ([m, d]) => { if (!held.place) range.value = commonRange(Object.values(m), d.label) }, { immediate: true })
const y = (mm: number): number => TOP + ((range.value.top - mm) / (range.value.top - range.value.bottom)) * (BOTTOM - TOP)
const scale = computed(() => {
  const out: number[] = []
  const step = division.value.label
  for (let n = Math.round(range.value.bottom / step) + 1; n * step < range.value.top + 1; n++) if (n) out.push(n * step)
  return out
})

function move(place: Place, travel: number, done: boolean): void {
  if (!held.place) {
    frozen.value = { ...report.value!.corners }
    held.place = place
    heights.begin()
  }
  held.offset = travel
  heights.shift(place, travel / 1000)
  if (done) {
    held.place = null
    held.offset = 0
    frozen.value = null
    heights.end()
  }
}
function step(place: Place, travel: number): void {
  heights.begin()
  heights.shift(place, travel / 1000)
  heights.end()
}
const offsetOf = (place: Place): number => (held.place && heights.moves(held.place).includes(place) ? held.offset : 0)
const ghost = (place: Place): number | null => {
  const travel = shown(place)?.wheel_travel
  return planned.value && travel ? -travel.value * 1000 : null
}
function openHeight(place: Place): void {
  void router.push({ path: `/vehicle/${vehicle.id}/height`, hash: `#height-${place}` })
}

const change = (f: Figure | null | undefined, options: Parameters<typeof units.show>[2]): string =>
  f && f.was !== null && f.was !== undefined ? units.show(f.value - f.was, f.unit, { ...options, signed: true }) : ''
interface Row {
  key: 'wheel_rate' | 'frequency' | 'damping_ratio'
  words: string
  unit: string
}
const rows = computed<Row[]>(() => [
  { key: 'wheel_rate', words: 'wheel rate', unit: units.unit('N/m').written },
  { key: 'frequency', words: 'frequency', unit: vehicle.document.value?.brief?.frequency_basis === 'with tyre' ? 'Hz, with tyre' : 'Hz' },
  { key: 'damping_ratio', words: 'damping', unit: 'of critical' },
])
const flagged = (place: Place, key: string): boolean =>
  (report.value?.findings ?? []).some((f) => f.grade !== 'note' && f.place === place && ((key === 'height' && f.station === 'height') || (key === 'survey' && f.station === 'survey')))
const heightOf = (place: Place): Figure | null | undefined => corner(place)?.floor_to_arch ?? corner(place)?.hub_to_arch
const heightKey = computed(() => (corner('front_left')?.floor_to_arch ? 'floor_to_arch' : 'hub_to_arch'))
const rake = computed(() => {
  const v = report.value?.vehicle
  const f = v?.rake ?? v?.rake_change
  if (!f) return null
  const say = (value: number): string => {
    const text = units.show(Math.abs(value), 'rad', { unit: true })
    return Math.abs(value) < 5e-5 ? 'level' : `${text} ${value > 0 ? 'nose down' : 'nose up'}`
  }
  if (!v?.rake) return planned.value ? { now: `${say(f.value)} of change`, was: '', path: 'vehicle.rake_change' } : null
  return { now: say(f.value), was: f.was !== null && f.was !== undefined ? say(f.was) : '', path: 'vehicle.rake' }
})
const anyAssumed = computed(() => PLACES.some((p) => rows.value.some((r) => corner(p)?.[r.key]?.assumed)))
const fontFor = (text: string): string => (text.length > 6 ? 'font-size:18px' : '')
</script>

<template>
  <aside class="stance" aria-label="Stance">
    <svg class="side" viewBox="0 0 464 186" role="img" :aria-label="`Side view of ${vehicle.document.value?.vehicle.name ?? 'the vehicle'}`">
      <g v-if="planned">
        <path d="M0 10h34" :stroke="fact ? 'var(--ink)' : 'var(--plan)'" stroke-width="2.250" />
        <text class="lab" :class="fact ? 'cor' : 'pl'" x="42" y="15">{{ vehicle.setup.value?.name }}</text>
        <path class="el-found" d="M0 30h34" /><text class="lab" x="42" y="35">as found</text>
      </g>
      <g v-else><path d="M0 10h34" stroke="var(--ink)" stroke-width="1.500" /><text class="cor" x="42" y="15">as found<tspan class="lab" font-weight="400">, as measured</tspan></text></g>
      <text v-if="rake" class="lab" x="464" y="15" text-anchor="end"><tspan class="cor ask" :class="{ pl: !fact }" role="button" tabindex="0" @click="working.ask(rake.path, 'Rake')" @keydown.enter="working.ask(rake.path, 'Rake')">{{ rake.now }}</tspan><tspan v-if="rake.was && planned" class="was">, was {{ rake.was }}</tspan></text>
      <text v-if="drop && times > 1" class="num" x="464" y="35" text-anchor="end">drop drawn {{ times }} times</text>
      <text v-if="vehicle.outline.value && !vehicle.outline.value.own" class="num" x="464" y="35" text-anchor="end">usual measures until the wheelbase is known</text>
      <svg v-if="vehicle.outline.value" x="0" y="36" width="464" height="150" overflow="visible">
        <SideView :outline="vehicle.outline.value" :width="464" :height="148" :drop="drop" :times="times" :fact="fact" />
      </svg>
    </svg>
    <svg class="ladders" viewBox="0 0 464 456" role="group" aria-label="Travel ladders of the four corners">
      <TexturePatterns />
      <g v-for="p in PLACES" :key="p">
        <text class="cor" :x="X[p]" y="14" text-anchor="middle">{{ placeWords(p) }}</text>
        <text v-if="heightOf(p)" class="big ask" :x="X[p]" y="37" text-anchor="middle" role="button" tabindex="0"
          @click="working.ask(`corners.${p}.${heightKey}`, `Height, ${placeWords(p)}`)" @keydown.enter="working.ask(`corners.${p}.${heightKey}`, `Height, ${placeWords(p)}`)">{{ units.show(heightOf(p)!.value, 'm') }}</text>
        <text v-else class="none" :x="X[p]" y="37" text-anchor="middle">–</text>
        <g v-if="flagged(p, 'height') || flagged(p, 'survey')" :transform="`translate(${X[p] - 40} 22)`"><path class="fl-s" d="M0 14V0" /><path class="fl-f" d="M0 0l10 3.500-10 3.500z" /></g>
        <text class="chg" :x="X[p]" y="56" text-anchor="middle">{{ change(heightOf(p), {}) }}</text>
      </g>
      <text class="lab" x="224" y="32" text-anchor="middle">{{ heightKey === 'floor_to_arch' ? 'floor to arch' : 'hub to arch' }}</text>
      <text class="unit" x="224" y="50" text-anchor="middle">{{ units.unit('m').written }}</text>
      <g v-for="mm in scale" :key="mm">
        <path class="grid" :d="`M0 ${y(mm)}H196M252 ${y(mm)}H464`" />
        <text class="num" x="224" :y="y(mm) + 5" text-anchor="middle">{{ mm > 0 ? '+' : '' }}{{ division.write(mm) }}</text>
      </g>
      <path class="zero" :class="{ fact }" :d="`M0 ${y(0)}H200M248 ${y(0)}H464`" />
      <text class="cor" :class="{ pl: !fact }" x="224" :y="y(0) + 5.500" text-anchor="middle">ride</text>
      <TravelLadder v-for="p in PLACES" :key="p" :x="X[p]" :top="TOP" :bottom="BOTTOM" :range="range" :marks="marks[p]" :division="division" :ghost="ghost(p)"
        :movable="planned && !!corner(p)?.hub_to_arch" :fact="fact" :label="placeWords(p)" :offset="offsetOf(p)"
        :height-text="`${placeWords(p)}: ${units.show(heightOf(p)?.value, 'm', { unit: true })}`"
        @move="(t, done) => move(p, t, done)" @step="(t) => step(p, t)" @open="openHeight(p)" @ask="(what, words) => working.ask(`corners.${p}.${what}`, `${words}, ${placeWords(p)}`)" />
      <g v-for="(row, i) in rows" :key="row.key" :transform="`translate(0 ${326 + i * 42})`">
        <text class="lab" x="224" y="0" text-anchor="middle">{{ row.words }}</text>
        <text class="unit" x="224" y="17" text-anchor="middle">{{ row.unit }}</text>
        <g v-for="p in PLACES" :key="p">
          <template v-if="corner(p)?.[row.key]">
            <text class="big ask" :x="X[p]" y="2" text-anchor="middle" role="button" tabindex="0" :style="fontFor(units.show(corner(p)![row.key]!.value, corner(p)![row.key]!.unit))"
              @click="working.ask(`corners.${p}.${row.key}`, `${row.words}, ${placeWords(p)}`)" @keydown.enter="working.ask(`corners.${p}.${row.key}`, `${row.words}, ${placeWords(p)}`)">{{ corner(p)![row.key]!.assumed ? '~' : '' }}{{ units.show(corner(p)![row.key]!.value, corner(p)![row.key]!.unit) }}</text>
            <text class="chg" :x="X[p]" y="19" text-anchor="middle">{{ change(corner(p)![row.key], {}) }}</text>
          </template>
          <text v-else class="none" :x="X[p]" y="2" text-anchor="middle">–</text>
        </g>
      </g>
      <g transform="translate(0 452)">
        <rect x="0" y="-12" width="22" height="14" fill="url(#dots)" stroke="var(--ink-2)" /><text class="num" x="29" y="0">stop squeezed</text>
        <rect x="124" y="-12" width="22" height="14" fill="url(#hatch)" stroke="var(--ink-2)" /><text class="num" x="153" y="0">out of reach</text>
        <text v-if="anyAssumed" class="num" x="464" y="0" text-anchor="end">~ rests on an estimate</text>
      </g>
    </svg>
  </aside>
</template>

<style scoped>
.stance { display: flex; flex-direction: column; gap: 10px; }
.side { flex: 0 1 196px; width: 100%; min-height: 120px; }
.ladders { flex: 1 1 auto; width: 100%; min-height: 0; }
@media (max-width: 1100px) {
  .stance { flex-direction: row; align-items: stretch; gap: 20px; overflow: hidden; }
  .side text, .side tspan { font-size: 21px; }
  .side .was { display: none; }
  .side { flex: 1 1 38%; min-width: 0; height: 100%; }
  .ladders { flex: 1 1 62%; min-width: 0; height: 100%; }
}
@media (max-width: 600px) { .stance { flex-direction: column; overflow: auto; } .side { flex: none; height: auto; } .ladders { flex: none; height: auto; } }
</style>
