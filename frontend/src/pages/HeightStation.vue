<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type EndName, type Place, PLACES, placeWords, type SideSetup } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import WaitsFor from '@/components/WaitsFor.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import AfterFitting from '@/height/AfterFitting.vue'
import CollarDrawing from '@/height/CollarDrawing.vue'
import { toleranceOf } from '@/logic/tolerances'
import KitChart from '@/height/KitChart.vue'
import SeatStack from '@/height/SeatStack.vue'
import IndexBench from '@/torsion/IndexBench.vue'

/** Heights asked for, collars answered, and back; seats, clicks and alignment of this setup. */
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'height'))
const corner = (p: Place) => vehicle.report.value?.corners[p]
const side = (p: Place): SideSetup => vehicle.setup.value!.sides![p]!
const both = (p: Place): Place[] => (heights.together.value ? heights.moves(p) : [p])
/** Set one member on this corner, and on its mirror while both sides go together. */
function set(p: Place, words: string, member: string[], value: unknown): void {
  vehicle.edit(
    `${words}, ${heights.together.value ? p.split('_')[0] : placeWords(p)}`,
    both(p).map((q) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', q, ...member], value })),
  )
}
type SeatRow = {
  member: 'length' | 'hub_to_arch' | 'thread' | 'rule_at_zero' | 'permitted_low' | 'permitted_high' | 'pitch' | 'tilt'
  words: string
  /** As a screen reader tells it, before the corner. */
  label: string
  kind?: 'fine length'
  decimals?: number
}
const SEAT: SeatRow[] = [
  { member: 'length', words: 'seat length', label: 'seat length', kind: 'fine length' },
  { member: 'hub_to_arch', words: 'at hub to arch', label: 'seat length at hub to arch' },
  { member: 'thread', words: 'thread, all of it', label: 'thread' },
  {
    member: 'permitted_low',
    words: 'lowest permitted',
    label: 'lowest collar its maker permits',
    kind: 'fine length',
  },
  {
    member: 'permitted_high',
    words: 'highest permitted',
    label: 'highest collar its maker permits',
    kind: 'fine length',
  },
  { member: 'pitch', words: 'collar for one turn', label: 'collar for one turn', kind: 'fine length' },
  {
    member: 'rule_at_zero',
    words: 'rule, collar at its datum',
    label: 'rule reading at the datum',
    kind: 'fine length',
  },
  { member: 'tilt', words: 'seats out of parallel', label: 'seats out of parallel at ride', decimals: 1 },
]
function setSeat(p: Place, member: string, value: number | null, tolerance: number | null): void {
  vehicle.edit(
    `seat, ${placeWords(p)}`,
    both(p).map((q) => {
      const now = side(q).seat
      const droop = vehicle.document.value!.vehicle.ends![q.startsWith('front') ? 'front' : 'rear']!.limits?.droop
      const fresh = now ?? { hub_to_arch: droop ?? null }
      const tolerances = toleranceOf(now, member, tolerance)
      const path = ['setups', vehicle.setupIndex.value, 'sides', q, 'seat']
      return { path, value: { ...fresh, [member]: value, tolerances } }
    }),
  )
}
const DATUMS = ['bottom of the thread', 'top of the thread', 'as found', 'spring just touched', 'a fixed point']
/** What holds for the seats of the whole kit. */
function setAllSeats(words: string, members: object): void {
  vehicle.edit(
    words,
    coils.value.map((q) => ({
      path: ['setups', vehicle.setupIndex.value, 'sides', q, 'seat'],
      value: { ...side(q).seat, ...members },
    })),
  )
}
const setDatum = (datum: string): void => setAllSeats('datum of the collars', { datum })
function setClicks(p: Place, knob: 'rebound' | 'bump', value: number | null): void {
  const now = side(p)[knob]
  if (value === null) return set(p, `${knob} clicks`, [knob], null)
  if (Number.isInteger(value) && value >= 0)
    set(p, `${knob} clicks`, [knob], { counted_from: 'fully closed', ...now, count: value })
}
/** What this setup changes against as found, by length. */
const CHANGES = [
  { member: 'pads', words: 'pads put at the seat', label: 'pads put between spring and seat (taken out: −)' },
  { member: 'body', words: 'damper longer than told', label: 'damper longer (shorter: −) than as found or as told' },
  { member: 'top_mount', words: 'top mount thicker', label: 'top mount thicker (thinner: −) than as found' },
] as const
const takeBody = (p: Place): Promise<string | null> =>
  vehicle.act(`damper body, ${heights.together.value ? p.split('_')[0] : placeWords(p)}`, {
    act: 'take body',
    place: p,
    together: heights.together.value,
  })
const ENDS: EndName[] = ['front', 'rear']
const onBar = (e: EndName): boolean =>
  vehicle.document.value?.vehicle.ends?.[e]?.layout === 'torsion arm' &&
  !coilOf(vehicle.setup.value?.sides?.[e === 'front' ? 'front_left' : 'rear_left'])
const coils = computed(() => PLACES.filter((p) => !onBar(p.startsWith('front') ? 'front' : 'rear')))
/** What the heights wait for, where one is not known. */
const waiting = computed(() => ENDS.flatMap((e) => vehicle.report.value?.waits?.[`height ${e}`] ?? []))
const KNOBS = ['rebound', 'bump'] as const
const seatKnown = (p: Place): boolean => !!corner(p)?.seat_length
const vehicleFigures = computed(() => vehicle.report.value?.vehicle)
</script>

<template>
  <div class="bench-top">
    <h1>Height</h1>
    <span class="quiet">type a height, a collar, or a change: -20 from as found</span>
    <v-checkbox
      class="end"
      label="both sides together"
      :model-value="heights.together.value"
      @update:model-value="(v) => (heights.together.value = !!v)" />
  </div>
  <p v-if="vehicle.isFound.value" class="say">
    <b class="grade-look">Look</b> As found is what was measured. Take the plan in the heading to ask for heights.
  </p>
  <p v-if="waiting.length" class="say"><WaitsFor :waits="waiting" /></p>
  <template v-for="e in ENDS" :key="e"><IndexBench v-if="onBar(e)" :end="e" /></template>
  <div class="four">
    <section
      v-for="p in coils"
      :id="`height-${p}`"
      :key="p"
      class="corner"
      :class="p.endsWith('right') ? 'right' : 'left'"
      :aria-label="placeWords(p)">
      <CollarDrawing :corner="corner(p)" :side="side(p)" :fact="vehicle.setup.value?.stage !== 'plan'" />
      <div class="facts">
        <h3>{{ placeWords(p) }}</h3>
        <div class="pair">
          <QuantityField
            label="hub to arch"
            strong
            of="SideSetup.hub_to_arch"
            :clearable="false"
            :computed-value="side(p).set_by === 'collar'"
            :readonly="vehicle.isFound.value"
            :model-value="
              side(p).set_by !== 'collar' && !vehicle.isFound.value
                ? (side(p).hub_to_arch ?? corner(p)?.hub_to_arch?.value)
                : corner(p)?.hub_to_arch?.value
            "
            changes
            @change="(by) => heights.askChange(p, by)"
            @update:model-value="(v) => v !== null && heights.ask(p, v)" />
          <QuantityField
            label="collar"
            strong
            of="SideSetup.collar"
            kind="fine length"
            :clearable="false"
            :computed-value="side(p).set_by !== 'collar'"
            :readonly="vehicle.isFound.value || !seatKnown(p)"
            :model-value="corner(p)?.collar?.value"
            @update:model-value="(v) => v !== null && heights.askCollar(p, v)" />
        </div>
        <dl>
          <dt>collar, turns up</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.collar_turns"
              :path="`corners.${p}.collar_turns`"
              :title="`turns, ${placeWords(p)}`"
              :options="{ decimals: 1 }" />
          </dd>
          <template v-if="corner(p)?.collar_rule"
            ><dt>by rule</dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.collar_rule"
                :path="`corners.${p}.collar_rule`"
                :title="`collar by rule, ${placeWords(p)}`"
                :options="{ unit: true, kind: 'fine length' }" /></dd
          ></template>
          <dt>body</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.drop && { ...corner(p)!.drop!, value: -corner(p)!.drop!.value }"
              :path="`corners.${p}.drop`"
              :title="`body drop, ${placeWords(p)}`"
              :options="{ unit: true, signed: true }" />
          </dd>
          <dt>spring at ride</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.spring_length"
              :path="`corners.${p}.spring_length`"
              :title="`spring length, ${placeWords(p)}`"
              :options="{ unit: true, kind: 'fine length' }" />
          </dd>
          <dt>held at droop</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.held_at_droop"
              :path="`corners.${p}.held_at_droop`"
              :title="`held at droop, ${placeWords(p)}`"
              :options="{ unit: true, kind: 'fine length' }" />
          </dd>
          <template v-if="corner(p)?.reach_low && corner(p)?.reach_high"
            ><dt>
              kit reaches<small v-if="corner(p)!.hub_to_arch?.was != null"
                >drops {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_high!.value, 'm') }} to
                {{ units.show(corner(p)!.hub_to_arch!.was! - corner(p)!.reach_low!.value, 'm', { unit: true }) }}</small
              >
            </dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.reach_low"
                :path="`corners.${p}.reach_low`"
                :title="`lowest height of the kit, ${placeWords(p)}`" />
              to
              <AskFigure
                :figure="corner(p)!.reach_high"
                :path="`corners.${p}.reach_high`"
                :title="`highest height of the kit, ${placeWords(p)}`"
                :options="{ unit: true }" /></dd
          ></template>
          <template v-if="corner(p)?.body_change"
            ><dt>then the damper body, to hold the spring at droop</dt>
            <dd>
              <AskFigure
                :figure="corner(p)!.body_change"
                :path="`corners.${p}.body_change`"
                :title="`change of the body length, ${placeWords(p)}`"
                :options="{ unit: true, signed: true, kind: 'fine length' }" />
              <button
                v-if="!vehicle.isFound.value && Math.abs(corner(p)!.body_change!.value) > 5e-5"
                class="link taking"
                :aria-label="`take that length of the damper body, ${placeWords(p)}`"
                @click="takeBody(p)">
                take it
              </button>
            </dd></template
          >
          <dt>scale would show</dt>
          <dd>
            <AskFigure
              :figure="corner(p)?.mass"
              :path="`corners.${p}.mass`"
              :title="`weight, ${placeWords(p)}`"
              :options="{ unit: true, decimals: 0 }" />
          </dd>
        </dl>
      </div>
    </section>
  </div>
  <p v-if="vehicleFigures?.cross_fraction" class="say">
    Cross weight
    <AskFigure
      :figure="vehicleFigures.cross_fraction"
      path="vehicle.cross_fraction"
      title="cross weight"
      as-percent
      :options="{ decimals: 1 }" />, front
    <AskFigure
      :figure="vehicleFigures.front_fraction"
      path="vehicle.front_fraction"
      title="front share"
      as-percent
      :options="{ decimals: 1 }" />, left
    <AskFigure
      :figure="vehicleFigures.left_fraction"
      path="vehicle.left_fraction"
      title="left share"
      as-percent
      :options="{ decimals: 1 }" />. Heights, loads and collars come from the balance of the whole vehicle.
  </p>
  <FindingList :findings="findings" />
  <AfterFitting />
  <section id="settings" class="settings">
    <div class="seat-head">
      <h3>Seat of the spring</h3>
      <v-select
        label="collar counted up from"
        density="compact"
        :items="DATUMS"
        :model-value="side('front_left').seat?.datum ?? 'bottom of the thread'"
        @update:model-value="setDatum" />
      <v-checkbox
        v-if="PLACES.some((p) => side(p).seat?.rule_at_zero != null)"
        label="the rule's reading falls as the collar rises"
        :model-value="!!side('front_left').seat?.rule_falls"
        @update:model-value="(v) => setAllSeats('way the rule reads', { rule_falls: !!v })" />
    </div>
    <p class="small quiet">
      Damper at full length on the bench, or wheel hanging: the distance between the two seats, and hub to arch at which
      it holds. Without it Feder goes by the spring as found.
    </p>
    <table>
      <thead>
        <tr>
          <th></th>
          <th v-for="p in PLACES" :key="p">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in SEAT" :key="r.member">
          <th>{{ r.words }}</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`${r.label}, ${placeWords(p)}`"
              :of="`Seat.${r.member}`"
              :kind="r.kind"
              :decimals="r.decimals"
              :model-value="side(p).seat?.[r.member]"
              :tolerance="side(p).seat?.tolerances?.[r.member]"
              tolerant
              @update:model-value="(v, t) => setSeat(p, r.member, v, t)" />
          </td>
        </tr>
        <tr>
          <th>wheel further out</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`wheel further out than as found, ${placeWords(p)}`"
              of="SideSetup.spacer"
              :readonly="vehicle.isFound.value"
              :model-value="side(p).spacer"
              @update:model-value="(v) => set(p, 'wheel spacer', ['spacer'], v)" />
          </td>
        </tr>
        <template v-if="!vehicle.isFound.value">
          <tr v-for="c in CHANGES" :key="c.member">
            <th>{{ c.words }}</th>
            <td v-for="p in PLACES" :key="p">
              <QuantityField
                hide-label
                :label="`${c.label}, ${placeWords(p)}`"
                :of="`SideSetup.${c.member}`"
                kind="fine length"
                :model-value="side(p)[c.member]"
                @update:model-value="(v) => set(p, c.words, [c.member], v)" />
            </td>
          </tr>
        </template>
        <tr v-for="k in KNOBS" :key="k">
          <th>{{ k }} clicks</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`${k} clicks, ${placeWords(p)}`"
              of="Clicks.count"
              :decimals="0"
              :unit-text="side(p)[k]?.of ? `of ${side(p)[k]!.of}` : ''"
              :model-value="side(p)[k]?.count"
              @update:model-value="(v) => setClicks(p, k, v)" />
          </td>
        </tr>
        <tr>
          <th>tyre, cold</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`tyre pressure, ${placeWords(p)}`"
              of="SideSetup.tyre_pressure"
              :decimals="units.system.value === 'inch' ? 0 : 1"
              :model-value="side(p).tyre_pressure"
              @update:model-value="(v) => set(p, 'tyre pressure', ['tyre_pressure'], v)" />
          </td>
        </tr>
        <tr>
          <th>camber</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`camber, ${placeWords(p)}`"
              of="SideSetup.camber"
              :decimals="1"
              :model-value="side(p).camber"
              @update:model-value="(v) => set(p, 'camber', ['camber'], v)" />
          </td>
        </tr>
        <tr>
          <th>caster</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`caster, ${placeWords(p)}`"
              of="SideSetup.caster"
              :decimals="1"
              :model-value="side(p).caster"
              @update:model-value="(v) => set(p, 'caster', ['caster'], v)" />
          </td>
        </tr>
        <tr>
          <th>toe, one wheel, in +</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`toe, ${placeWords(p)}`"
              of="SideSetup.toe"
              kind="fine length"
              :model-value="side(p).toe"
              @update:model-value="(v) => set(p, 'toe', ['toe'], v)" />
          </td>
        </tr>
      </tbody>
    </table>
    <SeatStack />
    <KitChart v-if="!vehicle.isFound.value" />
    <p class="small quiet">
      Damper longer: by its body or another one; droop, solid and bump stop move with it, and where the body is shorter
      the tyre may be met first. Keep the thread engagement its maker wants; a charged damper is not opened. Wheel
      further out: spacer thickness, or less offset of the rim. It changes track and motion ratio; bolts and their
      torque as the vehicle's maker says.
    </p>
    <p class="small quiet">
      Clicks counted out from fully closed. Springs hold energy: unload them with the vehicle on stands and a proper
      compressor before a collar is turned off its thread.
    </p>
  </section>
</template>

<style scoped>
.taking { margin-left: 10px; }
.four { display: grid; grid-template-columns: 1fr 1fr; border-top: 1.5px solid var(--ink); }
.corner { display: grid; grid-template-columns: 92px minmax(0, 1fr); gap: 12px; padding: 10px 0; border-bottom: 1px solid var(--rule); }
.corner.right { padding-left: 18px; border-left: 1px solid var(--rule); } .corner.left { padding-right: 18px; }
@media (max-width: 620px) { .four { grid-template-columns: minmax(0, 1fr); } .corner.right { padding-left: 0; border-left: 0; } .corner.left { padding-right: 0; } }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 10px; }
dl { display: grid; grid-template-columns: 1fr auto; margin: 6px 0 0; align-items: baseline; }
dt { color: var(--ink-2); } dt small { display: block; font-size: var(--t-1); line-height: 1.1; } dd { margin: 0; text-align: right; font-weight: 500; }
.say { margin: 8px 0; font-size: var(--t-3); }
.seat-head { display: grid; grid-template-columns: 1fr 220px auto; gap: 16px; align-items: end; }
@media (max-width: 620px) { .seat-head { grid-template-columns: 1fr; } }
.settings { margin-top: 20px; border-top: 1.5px solid var(--ink); padding-top: 10px; }
table { width: 100%; border-collapse: collapse; table-layout: fixed; margin: 8px 0; }
th { text-align: left; font-weight: 400; padding: 4px 8px 4px 0; line-height: 1.2; } thead th { font-weight: 600; text-align: right; padding-right: 6px; } thead th:first-child { width: 132px; }
td { padding: 3px 4px; }
</style>
