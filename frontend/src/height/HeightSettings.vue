<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type EndName, type Place, PLACES, placeWords, type SideSetup } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import FoldedRow from '@/components/FoldedRow.vue'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { toleranceOf } from '@/logic/tolerances'

import CollarDrawing from './CollarDrawing.vue'
import CornerTable from './CornerTable.vue'
import KitChart from './KitChart.vue'
import SeatStack from './SeatStack.vue'

/** Seats, what a setup changes by length, clicks, pressures and alignment: folded, each with its state in one line. */
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const side = (p: Place): SideSetup => vehicle.setup.value!.sides![p]!
const onBar = (p: Place): boolean =>
  vehicle.document.value?.vehicle.ends?.[p.startsWith('front') ? 'front' : 'rear']?.layout === 'torsion arm' &&
  !coilOf(vehicle.setup.value?.sides?.[p])
const coils = computed(() => PLACES.filter((p) => !onBar(p)))
/** A corner and its mirror while both sides go together and hold the same: what differs was meant to. */
const both = (p: Place, of: (s: SideSetup) => unknown): Place[] => {
  const told = (q: Place): string => JSON.stringify(of(side(q)) ?? null)
  return heights.moves(p).filter((q) => told(q) === told(p))
}
const inside = (s: SideSetup, member: string[]): unknown =>
  member.reduce<unknown>((at, name) => (at as Record<string, unknown> | null | undefined)?.[name], s)
/** Set one member on this corner, and on its mirror while both sides go together. */
function set(p: Place, words: string, member: string[], value: unknown): void {
  const places = both(p, (s) => inside(s, member))
  vehicle.edit(
    `${words}, ${places.length > 1 ? p.split('_')[0] : placeWords(p)}`,
    places.map((q) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', q, ...member], value })),
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
    both(p, (s) => inside(s, ['seat', member])).map((q) => {
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
  { member: 'spacer', words: 'wheel further out', label: 'wheel further out than as found' },
] as const
const KNOBS = ['rebound', 'bump'] as const
type Knob = (typeof KNOBS)[number]
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
    decimals: () => (units.unit('Pa').name === 'psi' ? 0 : 1),
  },
  { member: 'camber', words: 'camber', label: 'camber', decimals: () => 1 },
  { member: 'caster', words: 'caster', label: 'caster', decimals: () => 1 },
  { member: 'toe', words: 'toe, one wheel, in +', label: 'toe', kind: 'fine length' },
]
/** Whether both sides of each axle hold the same of these. */
const alike = (of: (s: SideSetup) => unknown): boolean =>
  (['front', 'rear'] as const).every(
    (e) => JSON.stringify(of(side(`${e}_left`)) ?? null) === JSON.stringify(of(side(`${e}_right`)) ?? null),
  )
const one = (value: number | null | undefined, si: string, kind?: 'fine length'): string | null =>
  value == null ? null : units.show(value, si, { kind }).replace(/[.,]0$/, '')
/** The state of an end in one line; unlike sides say so. */
function state(e: EndName, of: (s: SideSetup) => unknown, words: (s: SideSetup) => (string | null | false)[]): string {
  const [left, right] = [side(`${e}_left`), side(`${e}_right`)]
  if (JSON.stringify(of(left) ?? null) !== JSON.stringify(of(right) ?? null)) return 'left and right differ'
  return words(left).filter(Boolean).join(', ') || 'not told'
}
const seatState = (e: EndName): string =>
  state(
    e,
    (s) => [s.seat, s.stack],
    (s) => {
      const [seat, between] = [s.seat, s.stack ?? []]
      const told = [
        one(seat?.length, 'm', 'fine length'),
        seat?.thread != null && `thread ${one(seat.thread, 'm')}`,
        seat?.pitch != null && `pitch ${one(seat.pitch, 'm', 'fine length')}`,
      ]
      return [...told, ...between.map((x) => x.name)]
    },
  )
const CHANGED = (s: SideSetup): unknown => CHANGES.map((c) => s[c.member] ?? null)
const changeState = (e: EndName): string => {
  const said = state(e, CHANGED, (s) =>
    CHANGES.map((c) => (s[c.member] ? `${c.words} ${one(s[c.member], 'm', 'fine length')}` : null)),
  )
  return said === 'not told' ? 'as found' : said
}
const KNOBBED = (s: SideSetup): unknown => KNOBS.map((k) => s[k]?.count ?? null)
const clickState = (e: EndName): string =>
  state(e, KNOBBED, (s) => KNOBS.map((k) => (s[k] ? `${k} ${s[k]!.count}${s[k]!.of ? ` of ${s[k]!.of}` : ''}` : null)))
const WHEELED = (s: SideSetup): unknown => WHEEL.map((w) => s[w.member] ?? null)
const wheelState = (e: EndName): string =>
  state(e, WHEELED, (s) => [
    s.tyre_pressure != null && units.show(s.tyre_pressure, 'Pa', { unit: true }),
    s.camber != null && `camber ${units.show(s.camber, 'rad', { decimals: 1, unit: true })}`,
    s.caster != null && `caster ${units.show(s.caster, 'rad', { decimals: 1, unit: true })}`,
    s.toe != null && `toe ${one(s.toe, 'm', 'fine length')}`,
  ])
const CHANGE_ROWS = CHANGES.map((c) => ({ key: c.member, words: c.words }))
const KNOB_ROWS = KNOBS.map((k) => ({ key: k, words: `${k} clicks` }))
const SEAT_ROWS = SEAT.map((r) => ({ key: r.member, words: r.words }))
const WHEEL_ROWS = WHEEL.map((w) => ({ key: w.member, words: w.words }))
const seatRow = (key: string): SeatRow => SEAT.find((r) => r.member === key)!
const changeRow = (key: string): (typeof CHANGES)[number] => CHANGES.find((c) => c.member === key)!
const wheelRow = (key: string): WheelRow => WHEEL.find((w) => w.member === key)!
const seatless = computed(() => coils.value.some((p) => side(p).seat?.length == null && !side(p).seat?.chart?.length))
</script>

<template>
  <section id="settings" class="settings" aria-label="settings">
    <FoldedRow
      id="seat"
      title="Seat of the spring"
      :front="seatState('front')"
      :rear="seatState('rear')"
      :open="seatless && !vehicle.isFound.value">
      <div class="seat-head">
        <p class="small quiet">
          Damper at full length on the bench, or wheel hanging: the distance between the two seats, and hub to arch at
          which it holds. Without it Feder goes by the spring as found.
        </p>
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
      <div class="seats">
        <div>
          <CornerTable v-slot="{ row, place, where }" :rows="SEAT_ROWS" :alike="alike((s) => s.seat)">
            <QuantityField
              hide-label
              :label="`${seatRow(row.key).label}, ${where}`"
              :of="`Seat.${row.key}`"
              :kind="seatRow(row.key).kind"
              :decimals="seatRow(row.key).decimals"
              :model-value="side(place).seat?.[seatRow(row.key).member]"
              :tolerance="side(place).seat?.tolerances?.[row.key]"
              tolerant
              @update:model-value="(v, t) => setSeat(place, row.key, v, t)" />
          </CornerTable>
        </div>
        <div v-if="heights.together.value" class="drawn">
          <CollarDrawing
            v-for="p in coils.filter((c) => c.endsWith('left'))"
            :key="p"
            :corner="vehicle.report.value?.corners[p]"
            :side="side(p)"
            :fact="vehicle.setup.value?.stage !== 'plan'" />
        </div>
      </div>
      <SeatStack />
      <KitChart v-if="!vehicle.isFound.value" />
      <p class="small quiet">
        Springs hold energy: unload them with the vehicle on stands and a proper compressor before a collar is turned
        off its thread.
      </p>
    </FoldedRow>
    <FoldedRow
      v-if="!vehicle.isFound.value"
      id="lengths"
      title="Lengths and spacers"
      :front="changeState('front')"
      :rear="changeState('rear')">
      <CornerTable v-slot="{ row, place, where }" :rows="CHANGE_ROWS" :alike="alike(CHANGED)">
        <QuantityField
          hide-label
          :label="`${changeRow(row.key).label}, ${where}`"
          :of="`SideSetup.${row.key}`"
          :kind="row.key === 'spacer' ? undefined : 'fine length'"
          :model-value="side(place)[changeRow(row.key).member]"
          @update:model-value="(v) => set(place, changeRow(row.key).words, [row.key], v)" />
      </CornerTable>
      <p class="small quiet">
        Damper longer: by its body or another one; droop, solid and bump stop move with it, and where the body is
        shorter the tyre may be met first. Keep the thread engagement its maker wants; a charged damper is not opened.
        Wheel further out: spacer thickness, or less offset of the rim. It changes track and motion ratio; bolts and
        their torque as the vehicle's maker says.
      </p>
    </FoldedRow>
    <FoldedRow id="clicks" title="Clicks" :front="clickState('front')" :rear="clickState('rear')">
      <CornerTable v-slot="{ row, place, where }" :rows="KNOB_ROWS" :alike="alike(KNOBBED)">
        <QuantityField
          hide-label
          :label="`${row.key} clicks, ${where}`"
          of="Clicks.count"
          :decimals="0"
          :unit-text="side(place)[row.key as Knob]?.of ? `of ${side(place)[row.key as Knob]!.of}` : ''"
          :model-value="side(place)[row.key as Knob]?.count"
          @update:model-value="(v) => setClicks(place, row.key as Knob, v)" />
      </CornerTable>
      <p class="small quiet">Counted out from fully closed.</p>
    </FoldedRow>
    <FoldedRow id="wheels" title="Tyres and alignment" :front="wheelState('front')" :rear="wheelState('rear')">
      <CornerTable v-slot="{ row, place, where }" :rows="WHEEL_ROWS" :alike="alike(WHEELED)">
        <QuantityField
          hide-label
          :label="`${wheelRow(row.key).label}, ${where}`"
          :of="`SideSetup.${row.key}`"
          :kind="wheelRow(row.key).kind"
          :decimals="wheelRow(row.key).decimals?.()"
          :model-value="side(place)[wheelRow(row.key).member]"
          @update:model-value="(v) => set(place, wheelRow(row.key).label, [row.key], v)" />
      </CornerTable>
    </FoldedRow>
  </section>
</template>

<style scoped>
.seat-head { display: grid; grid-template-columns: minmax(0, 1fr) 200px; gap: 4px 16px; align-items: end; }
.seats { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 16px; align-items: center; } .drawn { display: flex; gap: 4px; }
.settings { margin-top: 8px; border-bottom: 1px solid var(--rule); }
@media (max-width: 620px) { .seat-head, .seats { grid-template-columns: minmax(0, 1fr); } .drawn { display: none; } }
</style>
