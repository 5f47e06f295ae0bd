<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'

import {
  barOf,
  coilOf,
  leafOf,
  type Place,
  PLACES,
  placeWords,
  type Reading,
  type SpringPart,
  type TorsionBarPart,
} from '@/api/client'
import FindingList from '@/components/FindingList.vue'
import DamageRows from '@/fit/DamageRows.vue'
import QuantityField from '@/components/QuantityField.vue'
import SurveyFiles from '@/components/SurveyFiles.vue'
import SurveyWalk from '@/components/SurveyWalk.vue'
import TermWord from '@/components/TermWord.vue'
import { useDraft } from '@/composables/useDraft'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { meanOf, toleranceAt, valuesAt, type WalkStep, written } from '@/logic/walk'
import { boundsOf } from '@/units/read'
import { foundAnew } from '@/logic/asFound'
import { toleranceOf } from '@/logic/tolerances'
import LeafFields from '@/springs/LeafFields.vue'
import BarFields from '@/torsion/BarFields.vue'

/** What is on the vehicle, before anything is undone. */
const vehicle = useVehicle()
const units = useUnits()
const survey = computed(() => vehicle.document.value!.surveys?.[0])
const conditions = computed(() => survey.value?.conditions)
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'survey'))

const route = useRoute()
const walking = ref(route.query.walk === '1')
const begun = ref(false)
const ticked = computed(() => TICKS.every((t) => conditions.value?.[t.member]))
const ready = computed(() => begun.value || (ticked.value && (survey.value?.readings?.length ?? 0) > 0))

type What = Reading['quantity']
const ROWS: { what: What; words: string; says: string; of: string; how: Reading['how']; anchor?: string }[] = [
  {
    what: 'mass',
    words: 'weight',
    says: 'scale under the wheel',
    of: 'Survey.mass',
    how: 'scales',
    anchor: 'weights',
  },
  {
    what: 'hub_to_arch',
    words: 'hub to arch',
    says: 'wheel centre straight up to the lip; no body: to a mark above',
    of: 'Survey.hub_to_arch',
    how: 'tape',
    anchor: 'heights',
  },
  {
    what: 'floor_to_arch',
    words: 'floor to arch',
    says: 'through the hub to the lower edge of the lip',
    of: 'Survey.floor_to_arch',
    how: 'tape',
  },
  {
    what: 'sill',
    words: 'sill off floor',
    says: 'at the axle line or jacking notch, for the rake',
    of: 'Survey.sill',
    how: 'tape',
  },
]
const readings = computed(() => survey.value?.readings ?? [])
const step = (place: Place, row: (typeof ROWS)[number]): WalkStep => ({
  place,
  row: { id: row.what, quantity: row.what, ...row, ...boundsOf(row.of) },
})
const estimated = (what: What): boolean => readings.value.some((r) => r.quantity === what && r.how === 'estimated')

/** Repeats are shown as their mean; a number typed over it stands instead of all of them. */
function setReading(place: Place, row: (typeof ROWS)[number], next: number | null, tolerance: number | null): void {
  const at = step(place, row)
  if (estimated(row.what)) at.row.how = 'estimated' // until the row's mark is taken off
  const changes = written(vehicle.document.value!, at, next, false, undefined, tolerance)
  vehicle.edit(`${row.words}, ${placeWords(place)}`, changes)
}
function markEstimated(row: (typeof ROWS)[number], on: boolean): void {
  const list = readings.value.map((r) =>
    r.quantity === row.what ? { ...r, how: on ? ('estimated' as const) : row.how } : r,
  )
  vehicle.edit(`${row.words}, how it was got`, [{ path: ['surveys', 0, 'readings'], value: list }])
}
const setCondition = (member: string, next: unknown): void =>
  vehicle.edit('conditions', [{ path: ['surveys', 0, 'conditions', member], value: next }])
const TICKS = [
  { member: 'level_floor', words: 'Level floor' },
  { member: 'pressures_set', words: 'Tyre pressures set' },
  { member: 'rolled', words: 'Rolled back and forth' },
] as const
const TEXTS = [
  { member: 'ballast', words: 'Who or what is aboard' },
  { member: 'fuel', words: 'Fuel' },
  { member: 'reference', words: 'Where heights are read from' },
] as const

// the springs as found, left and right alike
const END_PLACES = { front: ['front_left', 'front_right'], rear: ['rear_left', 'rear_right'] } as const
const found = (end: 'front' | 'rear') => vehicle.document.value!.setups[0]!.sides![END_PLACES[end][0]]!
// a free length typed before the rate waits for it
const lengthDraft = {
  front: useDraft(`${vehicle.id} front spring as found`, ['free_length'] as const),
  rear: useDraft(`${vehicle.id} rear spring as found`, ['free_length'] as const),
}
function setFound(
  end: 'front' | 'rear',
  member: 'rate' | 'free_length' | 'collar',
  next: number | null,
  tolerance: number | null = null,
): void {
  const now = coilOf(found(end))
  if (member === 'free_length' && !found(end).spring) return lengthDraft[end].park({ free_length: next })
  if (member === 'rate' && next === null) lengthDraft[end].park({ free_length: now?.free_length })
  const parked = member === 'rate' && next !== null && !now ? lengthDraft[end].take() : {}
  const collar = END_PLACES[end].map((place) => ({ path: ['setups', 0, 'sides', place, 'collar'], value: next }))
  const changes =
    member === 'collar'
      ? collar
      : foundAnew(vehicle.document.value!, END_PLACES[end], 'spring', (_, side) => {
          const part = coilOf(side)
          if (member === 'free_length')
            return part && { ...part, free_length: next, tolerances: toleranceOf(part, 'free_length', tolerance) }
          const fresh = part ?? { kind: 'coil', code: `as found, ${end}`, free_length: parked.free_length ?? null }
          const rate = { ...part?.rate, value: next!, tolerance }
          return next === null ? null : ({ ...fresh, rate } as SpringPart)
        })
  vehicle.edit(`${end} spring as found`, changes)
}
const leaves = reactive<Record<'front' | 'rear', boolean>>({ front: false, rear: false })
const onLeaves = (end: 'front' | 'rear'): boolean => !!leafOf(found(end)) || (leaves[end] && !found(end).spring)
/** Leaves in the place of the coils that were told, or back: what was told of the other kind is let go. */
function setLeaves(end: 'front' | 'rear', on: boolean): void {
  leaves[end] = on
  if (found(end).spring)
    vehicle.edit(
      `${end} springs as found`,
      foundAnew(vehicle.document.value!, END_PLACES[end], 'spring', () => null),
    )
}
const onBar = (end: 'front' | 'rear'): boolean => vehicle.document.value!.vehicle.ends?.[end]?.layout === 'torsion arm'
const splined = (end: 'front' | 'rear'): boolean =>
  vehicle.document.value!.vehicle.ends?.[end]?.arm?.motion !== 'wishbone'
/** The bar as found on both sides; one that was never at hand yet is put with the bars at hand. */
function setBar(end: 'front' | 'rear', part: TorsionBarPart | null): void {
  const bars = vehicle.document.value!.bars ?? []
  const was = barOf(found(end))
  const kept = bars.filter((b) => b.code !== was?.code)
  vehicle.edit(`${end} torsion bars as found`, [
    ...foundAnew(vehicle.document.value!, END_PLACES[end], 'spring', (place) =>
      part ? { ...part, handed: part.handed ? (place.endsWith('left') ? 'left' : 'right') : null } : null,
    ),
    { path: ['bars'], value: part ? [...kept, { ...part, handed: null }] : kept },
  ])
}
</script>

<template>
  <div class="bench-top">
    <h1>Survey</h1>
    <span class="quiet">as found, before anything is undone</span>
    <button class="act" :class="{ go: !walking }" @click="walking = !walking">
      {{ walking ? 'Table' : 'Walk round' }}
    </button>
    <label class="end date"
      ><span class="small quiet">measured on</span>
      <input
        type="date"
        :value="survey?.date ?? ''"
        @change="
          vehicle.edit('date of the survey', [
            { path: ['surveys', 0, 'date'], value: ($event.target as HTMLInputElement).value || null },
          ])
        "
    /></label>
  </div>
  <FindingList :findings="findings" :stations="['survey']" />
  <section v-if="walking && !ready" class="before">
    <h2>First</h2>
    <v-checkbox
      v-for="t in TICKS"
      :key="t.member"
      :label="t.words"
      :model-value="!!conditions?.[t.member]"
      @update:model-value="(v) => setCondition(t.member, !!v)" />
    <div class="three texts">
      <v-text-field
        v-for="t in TEXTS"
        :key="t.member"
        :label="t.words"
        :model-value="conditions?.[t.member]"
        maxlength="300"
        @update:model-value="(v: string) => setCondition(t.member, v)" />
    </div>
    <p class="small quiet mt-2">
      Heights read on a slope, at other pressures or before rolling can be off by more than the change planned.
    </p>
    <button class="act go mt-3" autofocus @click="begun = true">{{ ticked ? 'Begin' : 'Begin all the same' }}</button>
  </section>
  <SurveyWalk v-else-if="walking" @close="walking = false" />
  <template v-else>
    <div class="ticks">
      <v-checkbox
        v-for="t in TICKS"
        :key="t.member"
        :label="t.words"
        :model-value="!!conditions?.[t.member]"
        @update:model-value="(v) => setCondition(t.member, !!v)" />
    </div>
    <table class="walk by-corner">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th v-for="p in PLACES" :key="p" scope="col">{{ placeWords(p) }}</th>
          <th class="est"><TermWord words="estimate" /></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in ROWS" :id="row.anchor" :key="row.what">
          <th scope="row">
            <b>{{ row.words }}</b><span>{{ row.says }}</span>
          </th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              :label="`${row.words}, ${placeWords(p)}`"
              hide-label
              strong
              :of="row.of"
              :at="`${row.what} ${p}`"
              :estimated="estimated(row.what)"
              :model-value="meanOf(valuesAt(vehicle.document.value!, step(p, row)))"
              :tolerance="toleranceAt(vehicle.document.value!, step(p, row))"
              tolerant
              @update:model-value="(v, t) => setReading(p, row, v, t)" />
          </td>
          <td class="est">
            <v-checkbox
              :aria-label="`${row.words} is an estimate`"
              :model-value="estimated(row.what)"
              :disabled="!readings.some((r) => r.quantity === row.what)"
              @update:model-value="(v) => markEstimated(row, !!v)" />
          </td>
        </tr>
      </tbody>
    </table>
    <SurveyFiles />
    <section id="as-found" class="found">
      <div v-for="end in ['front', 'rear'] as const" :key="end">
        <h3 aria-level="2">
          {{ end === 'front' ? 'Front' : 'Rear' }} {{ onBar(end) ? 'torsion bars' : 'spring' }} as found
        </h3>
        <template v-if="onBar(end)">
          <BarFields
            :part="barOf(found(end))"
            :draft-key="`${vehicle.id} ${end} bar`"
            :code="`as found, ${end}`"
            :splined="splined(end)"
            @change="(p) => setBar(end, p)" />
          <div class="three">
            <QuantityField
              v-for="p in END_PLACES[end]"
              :key="p"
              :label="`free plate reads, ${placeWords(p)}`"
              of="SideSetup.free_angle"
              :at="`plate ${p}`"
              :decimals="1"
              hint="if read before anything was moved"
              :model-value="vehicle.document.value!.setups[0]!.sides![p]!.free_angle"
              @update:model-value="
                (v) =>
                  vehicle.edit(`free plate as read, ${placeWords(p)}`, [
                    { path: ['setups', 0, 'sides', p, 'free_angle'], value: v },
                  ])
              " />
          </div>
        </template>
        <v-checkbox
          v-if="!onBar(end) && vehicle.document.value!.vehicle.ends?.[end]?.layout === 'live axle'"
          label="on leaf springs"
          density="compact"
          :model-value="onLeaves(end)"
          @update:model-value="(v) => setLeaves(end, !!v)" />
        <LeafFields v-if="!onBar(end) && onLeaves(end)" :end="end" />
        <div v-else-if="!onBar(end)" class="three">
          <QuantityField
            label="rate"
            of="SpringPart.rate"
            :model-value="coilOf(found(end))?.rate.value"
            :tolerance="coilOf(found(end))?.rate.tolerance"
            tolerant
            @update:model-value="(v, t) => setFound(end, 'rate', v, t)" />
          <QuantityField
            label="free length"
            of="SpringPart.free_length"
            :model-value="coilOf(found(end))?.free_length ?? lengthDraft[end].get('free_length')"
            :tolerance="coilOf(found(end))?.tolerances?.free_length"
            :tolerant="!!coilOf(found(end))"
            @update:model-value="(v, t) => setFound(end, 'free_length', v, t)" />
          <QuantityField
            label="collar up from its datum"
            of="SideSetup.collar"
            kind="fine length"
            :model-value="found(end).collar"
            @update:model-value="(v) => setFound(end, 'collar', v)" />
        </div>
      </div>
    </section>
    <section class="three texts">
      <div v-for="t in TEXTS" :key="t.member">
        <v-text-field
          :label="t.words"
          :model-value="conditions?.[t.member]"
          maxlength="300"
          @update:model-value="(v: string) => setCondition(t.member, v)" />
      </div>
    </section>
    <DamageRows />
    <p class="small quiet mt-4">
      Vehicle on a level floor, wheels chocked. Shown in {{ units.unit('m').written }} and
      {{ units.unit('kg').written }}; type any unit, such as 25 5/8 in or 305 kg.
    </p>
  </template>
</template>

<style scoped>
.ticks { display: flex; gap: 8px 28px; flex-wrap: wrap; margin: 4px 0 6px -8px; }
.date input { font: inherit; color: inherit; background: var(--sheet); border: 0; border-bottom: 1.5px solid var(--edge); height: 36px; padding: 0 6px; color-scheme: inherit; }
.walk { width: 100%; border-collapse: collapse; border-top: 1.5px solid var(--ink); table-layout: fixed; }
.walk thead th { font-weight: 600; text-align: right; padding: 8px 8px 4px; }
.walk thead th:first-child { width: 168px; }
.walk .est { width: 74px; text-align: center; font-weight: 400; color: var(--ink-2); font-size: var(--t-1); }
.walk .est :deep(.v-selection-control) { justify-content: center; }
.walk tbody th { text-align: left; font-weight: 400; padding: 8px 8px 8px 0; border-top: 1px solid var(--rule); line-height: 1.15; vertical-align: top; }
.walk tbody th b { font-weight: 600; display: block; font-size: var(--t-3); }
.walk tbody th span { font-size: var(--t-1); color: var(--ink-2); }
.walk td { padding: 6px 4px; border-top: 1px solid var(--rule); vertical-align: top; }
.found { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 32px; margin-top: 18px; }
.before { border-top: 1.5px solid var(--ink); padding-top: 12px; } .before :deep(.v-label) { font-size: var(--t-4); }
.three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; align-items: end; }
.texts { margin-top: 16px; }
@media (max-width: 820px) { .walk thead th:first-child { width: 120px; } }
@media (max-width: 600px) {
  .walk thead th:first-child { width: 78px; }
  .walk .est { width: 48px; overflow-wrap: anywhere; }
  .walk td { padding: 6px 2px; }
  .found { grid-template-columns: 1fr; }
}
</style>
