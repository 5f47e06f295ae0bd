<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, endOf, type Place, PLACES, placeWords, type SideSetup, type StopBench } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import DamperChoice from '@/dampers/DamperChoice.vue'
import { sentence } from '@/logic/sentence'
import TravelDrawing from '@/travel/TravelDrawing.vue'
import { vRoving } from '@/logic/roving'

/** How far a corner may go until stop, tyre, metal or coils end it; the bump stop's cut and packers. */
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const working = useWorking()
const place = ref<Place>('front_left')
const corner = computed(() => vehicle.report.value?.corners[place.value])
const side = (p: Place): SideSetup => vehicle.setup.value!.sides![p]!
const end = computed(() => vehicle.document.value!.vehicle.ends![endOf(place.value)]!)
const ends_ = computed(() => {
  const e = vehicle.report.value?.ends[endOf(place.value)]
  return e?.lower_arm_angle ? e : null
})
// the stop's own bench: where it is touched and hard at any length, and what packers allow
const bench = useAnswer(
  (signal) => {
    const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
    return document && setup ? api.POST('/api/stop', { body: { document, setup, place: place.value }, signal }) : null
  },
  [vehicle.report, place],
)
const stop = computed(() => {
  const found = bench.found.value?.bench
  return found?.place === place.value ? found : null
})
const packerNow = (): number => side(place.value).stop?.packer ?? 0
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const movable = computed(() => !vehicle.isFound.value && !!stop.value)
const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1)
const flagged = (p: Place): boolean =>
  (vehicle.report.value?.findings ?? []).some(
    (f) => f.station === 'travel' && f.grade !== 'note' && (f.place === p || f.place === endOf(p)),
  )
const findings = computed(() =>
  (vehicle.report.value?.findings ?? []).filter(
    (f) =>
      f.station === 'travel' && (f.place === 'vehicle' || f.place === place.value || f.place === endOf(place.value)),
  ),
)

function setStop(length: number, packer: number): void {
  const all = heights.together.value ? heights.moves(place.value) : [place.value]
  vehicle.edit(
    `bump stop, ${endOf(place.value)}`,
    all.map((p) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', p, 'stop'], value: { length, packer } })),
  )
}
let cutting = false
function cut(length: number, done: boolean): void {
  if (!cutting) vehicle.beginGesture()
  cutting = !done
  if (length !== side(place.value).stop?.length) setStop(length, packerNow())
  if (done) vehicle.endGesture()
}
function typeLength(value: number | null): void {
  if (value !== null) setStop(value, packerNow())
}
type PackerRow = NonNullable<StopBench['packers']>[number]
const packers = computed<PackerRow[]>(() => stop.value?.packers ?? [])
const most = computed(() => Math.max(0.04, ...packers.value.map((p) => p.longest), stop.value?.supplied ?? 0))
const across = (v: number): number => (Math.min(most.value, Math.max(0, v)) / most.value) * 150
const room = (r: PackerRow): string => (r.works ? `${units.show(r.longest - r.shortest, 'm')} room` : 'none works')
const takePacker = (r: PackerRow): void =>
  void (!vehicle.isFound.value && setStop(Math.round(r.take * 2000) / 2000, r.packer))
const headline = computed(() => {
  const s = stop.value
  return s?.says ? { grade: s.grade, text: sentence(s.says, s.numbers ?? {}, units.system.value) } : null
})
const trimToFit = (): void => void (stop.value?.trim != null && setStop(stop.value.trim, stop.value.packer))
</script>

<template>
  <div class="bench-top">
    <h1>Travel</h1>
    <div v-roving class="end tabs" role="tablist" aria-label="Which corner">
      <button v-for="p in PLACES" :key="p" class="tab" role="tab" :aria-selected="p === place" @click="place = p">
        <svg v-if="flagged(p)" width="14" height="16" viewBox="-2 -14 18 22" aria-hidden="true">
          <path class="fl-f" d="M0 6V-12l14 5-14 5" /></svg
        >{{ capital(placeWords(p)) }}
      </button>
    </div>
  </div>
  <FindingList :findings="findings" :stations="['travel']" />
  <p v-if="headline" class="say">
    <b v-if="headline.grade" :class="`grade-${headline.grade}`">Stop </b>{{ headline.text }}
    <button v-if="stop?.trim != null && movable" class="link" @click="trimToFit">cut to fit</button>
  </p>
  <p v-else-if="!end.bump_stop" class="say">
    Type the bump stop, the shaft that shows and the height it was read at under
    <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry#stop-${endOf(place)}`">Geometry</router-link>;
    limits are shown as far as they are known.
  </p>
  <p v-else-if="!corner?.contact" class="say">
    How long the stop may be follows once
    <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry#limits-${endOf(place)}`"
      >hub to arch at tyre contact</router-link
    >
    is known.
  </p>
  <div v-if="corner" class="split">
    <TravelDrawing
      :corner="corner"
      :stop="stop"
      :movable="movable"
      :fact="fact"
      :label="placeWords(place)"
      @cut="cut"
      @ask="(key, words) => working.ask(`corners.${place}.${key}`, `${words}, ${placeWords(place)}`)" />
    <div class="facts">
      <div v-if="stop" class="cutto">
        <span>cut to</span
        ><QuantityField
          label="length of the bump stop"
          hide-label
          strong
          of="StopTrim.length"
          kind="fine length"
          :high="stop.supplied"
          :beyond="`it comes ${units.show(stop.supplied, 'm', { unit: true })} long; another stop is chosen in Geometry`"
          :clearable="false"
          :readonly="!movable"
          :model-value="stop.length"
          @update:model-value="typeLength" /><span class="quiet"
          >of {{ units.show(stop.supplied, 'm', { unit: true }) }}</span
        >
      </div>
      <dl>
        <dt>gap at ride</dt>
        <dd>
          <AskFigure
            :figure="corner.stop_gap"
            :path="`corners.${place}.stop_gap`"
            title="gap of the bump stop"
            :options="{ unit: true }" /><small v-if="corner.stop"
            >{{ corner.stop.assumed ? '~' : '' }}{{ units.show(corner.stop.value, 'm') }} at the wheel</small
          >
        </dd>
        <dt v-if="stop">squeezes by</dt>
        <dd v-if="stop">
          <b>{{ stop.squeeze_told ? '' : '~' }}{{ units.show(stop.squeeze, 'm', { unit: true }) }}</b
          ><small
            >hard at {{ stop.squeeze_told && !corner.stop_gap?.assumed ? '' : '~'
            }}{{ units.show(stop.hard, 'm', { signed: true }) }}</small
          >
        </dd>
        <dt v-if="corner.contact && stop?.tyre_after != null">tyre after that</dt>
        <dd v-if="corner.contact && stop?.tyre_after != null">
          <b
            >{{ stop.squeeze_told && !corner.contact.assumed && !corner.stop_gap?.assumed ? '' : '~'
            }}{{ units.show(stop.tyre_after, 'm', { unit: true }) }}</b
          >
        </dd>
        <dt>met in a corner of</dt>
        <dd>
          <template v-if="corner.stop_cornering"
            ><span class="one"
              ><AskFigure
                :figure="corner.stop_cornering"
                :path="`corners.${place}.stop_cornering`"
                title="cornering at which the stop is met"
                :options="{ decimals: 2 }" />
              g</span
            ></template
          ><span v-else class="quiet small">needs heights of roll centres and centre of gravity</span>
        </dd>
        <dt>{{ endOf(place) === 'front' ? 'met in braking of' : 'met driving off at' }}</dt>
        <dd>
          <template v-if="corner.stop_braking"
            ><span class="one"
              ><AskFigure
                :figure="corner.stop_braking"
                :path="`corners.${place}.stop_braking`"
                title="braking at which the stop is met"
                :options="{ decimals: 2 }" />
              g</span
            ></template
          ><span v-else>–</span>
        </dd>
        <dt>lost to the drop</dt>
        <dd>
          <AskFigure
            :figure="corner.lost_fraction"
            :path="`corners.${place}.lost_fraction`"
            title="bump travel lost to the drop"
            as-percent /><small v-if="corner.bump_travel"
            >{{ corner.bump_travel.assumed ? '~' : ''
            }}{{ units.show(corner.bump_travel.value, 'm', { unit: true }) }} left</small
          >
        </dd>
      </dl>
      <dl v-if="ends_">
        <dt>lower arm, outer end up</dt>
        <dd>
          <AskFigure
            :figure="ends_.lower_arm_angle"
            :path="`ends.${endOf(place)}.lower_arm_angle`"
            title="angle of the lower arm"
            :options="{ unit: true, signed: true, decimals: 1 }" /><small
            v-if="(ends_.joint_spacer?.value ?? 0) > 0.0005"
            >level with {{ units.show(ends_.joint_spacer!.value, 'm', { unit: true }) }} at the ball joint</small
          >
        </dd>
      </dl>
      <div v-if="packers.length" class="packers" role="radiogroup" aria-label="Packer under the stop">
        <p class="quiet">packer, and the stops that work</p>
        <button
          v-for="r in packers"
          :key="r.packer"
          class="packer"
          role="radio"
          :aria-checked="Math.abs(r.packer - (stop?.packer ?? 0)) < 1e-4"
          :disabled="!movable"
          @click="takePacker(r)">
          <span
            ><b>{{ r.packer ? units.show(r.packer, 'm', { unit: true }) : 'none' }}</b
            ><small :class="{ 'grade-stop': !r.works }">{{ room(r) }}</small></span
          >
          <svg width="166" height="34" viewBox="-8 0 166 34" aria-hidden="true">
            <path class="scale" d="M0 26H150" />
            <path v-for="t in 5" :key="t" class="scale" :d="`M${((t - 1) * 150) / 4} 26v-4`" />
            <rect
              v-if="r.works"
              class="ok"
              :x="across(r.shortest)"
              y="12"
              :width="Math.max(2, across(r.longest) - across(r.shortest))"
              height="14" />
            <path
              v-if="stop && Math.abs(r.packer - stop.packer) < 1e-4"
              class="now"
              :d="`M${across(stop.length)} 11l-6 -10h12z`" />
          </svg>
        </button>
      </div>
      <v-checkbox
        label="both sides together"
        :model-value="heights.together.value"
        @update:model-value="(v) => (heights.together.value = !!v)" />
    </div>
  </div>
  <DamperChoice v-if="corner" :place="place" />
  <p class="small quiet mt-3">
    Unload the spring before a stop is cut or changed; a damper under gas extends by itself. Stops and packers as the
    maker of the damper permits.
  </p>
</template>

<style scoped>
.tabs { display: flex; } .tab { height: 44px; padding: 0 12px; display: flex; gap: 6px; align-items: center; border-bottom: 3px solid transparent; white-space: nowrap; font-size: var(--t-3); } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.say { font-size: var(--t-3); margin: 4px 0; min-height: 32px; }
.split { display: grid; grid-template-columns: minmax(0, 1fr) 232px; gap: 20px; align-items: start; }
.split :deep(.travel-box) { max-height: calc(100dvh - 290px); min-height: 360px; }
.facts { min-width: 0; }
.cutto { display: grid; grid-template-columns: auto 96px auto; gap: 8px; align-items: center; padding-bottom: 6px; border-bottom: 1px solid var(--rule); font-size: var(--t-3); }
dl { display: grid; grid-template-columns: 1fr auto; margin: 0; } dt { color: var(--ink-2); padding: 5px 0; border-bottom: 1px solid var(--rule); line-height: 1.2; align-self: stretch; display: flex; align-items: center; }
dd { margin: 0; text-align: right; padding: 3px 0; border-bottom: 1px solid var(--rule); font-weight: 600; font-size: var(--t-3); display: grid; justify-items: end; } dd small { font-weight: 400; font-size: var(--t-1); color: var(--ink-2); }
.one { white-space: nowrap; }
.packers { margin-top: 8px; } .packer { width: 100%; min-height: 44px; display: flex; justify-content: space-between; align-items: center; padding: 2px 6px; border: 1px solid transparent; } .packer span { display: grid; line-height: 1.1; } .packer small { font-size: var(--t-1); color: var(--ink-2); }
.packer[aria-checked="true"] { background: var(--plan-tint); } .packer:disabled { cursor: default; }
.scale { stroke: var(--ink); stroke-width: 1; fill: none; } .ok { fill: var(--plan-tint); stroke: var(--plan); stroke-width: 2; } .now { fill: var(--plan); }
@media (max-width: 620px) { .split.split { grid-template-columns: minmax(0, 1fr); } }
@media (max-width: 820px) { .split { grid-template-columns: minmax(0, 1.3fr) 232px; } }
</style>
