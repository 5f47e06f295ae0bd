<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type Place, PLACES, placeWords, type SideSetup } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { toleranceOf } from '@/logic/tolerances'

import KitChart from './KitChart.vue'
import SeatStack from './SeatStack.vue'

/** Seats, what a setup changes by length, clicks, pressures and alignment, corner by corner. */
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const side = (p: Place): SideSetup => vehicle.setup.value!.sides![p]!
const onBar = (p: Place): boolean =>
  vehicle.document.value?.vehicle.ends?.[p.startsWith('front') ? 'front' : 'rear']?.layout === 'torsion arm' &&
  !coilOf(vehicle.setup.value?.sides?.[p])
const coils = computed(() => PLACES.filter((p) => !onBar(p)))
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
const KNOBS = ['rebound', 'bump'] as const
type WheelRow = {
  member: 'tyre_pressure' | 'camber' | 'caster' | 'toe'
  words: string
  label: string
  kind?: 'fine length'
  decimals?: () => number
}
const WHEEL: WheelRow[] = [
  {
    member: 'tyre_pressure',
    words: 'tyre, cold',
    label: 'tyre pressure',
    decimals: () => (units.system.value === 'inch' ? 0 : 1),
  },
  { member: 'camber', words: 'camber', label: 'camber', decimals: () => 1 },
  { member: 'caster', words: 'caster', label: 'caster', decimals: () => 1 },
  { member: 'toe', words: 'toe, one wheel, in +', label: 'toe', kind: 'fine length' },
]
</script>

<template>
  <section id="settings" class="settings">
    <div class="seat-head">
      <h3 aria-level="2">Seat of the spring</h3>
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
    <table class="by-corner">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th v-for="p in PLACES" :key="p">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in SEAT" :key="r.member">
          <th><TermWord :words="r.words" /></th>
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
          <th><TermWord words="wheel further out" /></th>
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
        <tr v-for="w in WHEEL" :key="w.member">
          <th>{{ w.words }}</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`${w.label}, ${placeWords(p)}`"
              :of="`SideSetup.${w.member}`"
              :kind="w.kind"
              :decimals="w.decimals?.()"
              :model-value="side(p)[w.member]"
              @update:model-value="(v) => set(p, w.label, [w.member], v)" />
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
.seat-head { display: grid; grid-template-columns: 1fr 220px auto; gap: 16px; align-items: end; }
@media (max-width: 620px) { .seat-head { grid-template-columns: 1fr; } }
.settings { margin-top: 20px; border-top: 1.5px solid var(--ink); padding-top: 10px; }
table { width: 100%; border-collapse: collapse; table-layout: fixed; margin: 8px 0; }
th { text-align: left; font-weight: 400; padding: 4px 8px 4px 0; line-height: 1.2; } thead th { font-weight: 600; text-align: right; padding-right: 6px; } thead th:first-child { width: 132px; }
td { padding: 3px 4px; }
</style>
