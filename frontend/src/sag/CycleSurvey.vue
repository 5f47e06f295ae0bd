<script setup lang="ts">
import { computed, reactive } from 'vue'

import { airOf, coilOf, type EndName, type SideSetup, type SpringPart } from '@/api/client'
import FindingList from '@/components/FindingList.vue'
import DamageRows from '@/fit/DamageRows.vue'
import QuantityField from '@/components/QuantityField.vue'
import SurveyFiles from '@/components/SurveyFiles.vue'
import { meanOf, toleranceAt, valuesAt, type WalkRow, written } from '@/logic/walk'
import { foundAnew } from '@/logic/asFound'
import { toleranceOf } from '@/logic/tolerances'
import { boundsOf } from '@/units/read'

import SagTable from './SagTable.vue'
import { useDraft } from '@/composables/useDraft'

import { useSag } from './useSag'
import { ENDS } from './walk'

/** What is on a two-wheeler before anything is undone: conditions, weights, sag, springs or air as found. */
const { vehicle, units, setFound, about } = useSag()
const document_ = computed(() => vehicle.document.value!)
const conditions = computed(() => document_.value.surveys?.[0]?.conditions)
const TICKS = [
  { member: 'level_floor', words: 'level floor' },
  { member: 'pressures_set', words: 'tyre pressures set' },
  { member: 'rolled', words: 'rolled, brakes released, both ends bounced' },
] as const
const TEXTS = [
  { member: 'fuel', words: 'fuel, bags' },
  { member: 'ballast', words: 'who or what was on it' },
  { member: 'reference', words: 'the two points read from' },
] as const
const condition = (words: string, member: string, value: unknown): void =>
  vehicle.edit(words, [{ path: ['surveys', 0, 'conditions', member], value }])
const weight = (e: EndName) => ({
  row: {
    id: 'mass',
    words: 'weight',
    says: '',
    of: 'Reading.mass',
    ...boundsOf('Reading.mass'),
    quantity: 'mass',
    how: 'scales',
  } as WalkRow,
  place: e,
})
const found = (e: EndName) => document_.value.setups[0]!.sides![e]!
/** Number by number the spring found is put together; the plan that has none yet takes it over. */
const spring = (e: EndName, made: unknown): void =>
  vehicle.edit(
    `${e} spring as found`,
    foundAnew(document_.value, [e], 'spring', () => made as SideSetup['spring'], true),
  )
function setCoil(
  e: EndName,
  member: 'rate' | 'free_length' | 'inside_diameter' | 'solid_length',
  value: number | null,
  tolerance: number | null = null,
): void {
  const now = coilOf(found(e))
  if (member === 'rate' && value === null) {
    // the lengths wait for another rate
    coilDraft[e].park({
      free_length: now?.free_length,
      inside_diameter: now?.inside_diameter,
      solid_length: now?.solid_length,
    })
    return spring(e, null)
  }
  if (member === 'rate')
    return spring(e, {
      kind: 'coil',
      code: 'as found',
      ...(now ? {} : coilDraft[e].take()),
      ...now,
      rate: { how: 'maker', ...now?.rate, value: value!, tolerance },
    } satisfies SpringPart)
  if (now) spring(e, { ...now, [member]: value, tolerances: toleranceOf(now, member, tolerance) })
  else coilDraft[e].park({ [member]: value })
}
const LENGTHS = ['free_length', 'inside_diameter', 'solid_length'] as const
const coilDraft = {
  front: useDraft(`${vehicle.id} front coil as found`, LENGTHS),
  rear: useDraft(`${vehicle.id} rear coil as found`, LENGTHS),
}
const AIR = [
  { member: 'area', words: 'piston area' },
  { member: 'volume', words: 'chamber, extended, no spacers' },
  { member: 'travel', words: 'stroke of the damper' },
  { member: 'spacer_volume', words: 'volume of one spacer' },
  { member: 'negative_area', words: 'negative area' },
  { member: 'negative_volume', words: 'negative chamber' },
  { member: 'equalise_at', words: 'chambers meet at' },
] as const
// an air spring stands in the document once area, chamber and stroke are all told, a negative chamber once both of its
// numbers are; until then they wait
const CHAMBER = ['area', 'volume', 'travel', 'spacers', 'spacer_volume', 'equalise_at'] as const
const NEGATIVE = ['negative_area', 'negative_volume'] as const
const chamberDraft = {
  front: useDraft(`${vehicle.id} front air as found`, [...CHAMBER, ...NEGATIVE]),
  rear: useDraft(`${vehicle.id} rear air as found`, [...CHAMBER, ...NEGATIVE]),
}
const wantsAir = reactive<Record<EndName, boolean>>({ front: false, rear: false })
const air = (e: EndName): Record<string, number | null | undefined> | null => {
  const now = airOf(found(e)) as Record<string, number | null> | null
  const kept = Object.fromEntries([...CHAMBER, ...NEGATIVE].map((m) => [m, chamberDraft[e].get(m)]))
  if (now) return { ...kept, ...Object.fromEntries(Object.entries(now).filter(([, v]) => v !== null)) }
  return wantsAir[e] || Object.values(kept).some((v) => v !== null) ? kept : null
}
function setAir(e: EndName, member: string, value: number | null): void {
  const all: Record<string, number | null | undefined> = { ...air(e), [member]: value }
  chamberDraft[e].take()
  chamberDraft[e].park(all)
  const whole = all.area && all.volume && all.travel
  const negative = NEGATIVE.every((m) => all[m] != null)
  if (!whole) return airOf(found(e)) ? spring(e, null) : undefined
  chamberDraft[e].take()
  if (!negative) chamberDraft[e].park({ negative_area: all.negative_area, negative_volume: all.negative_volume })
  const part = airOf(found(e))
  spring(e, {
    kind: 'air',
    code: part?.code ?? 'as found',
    note: part?.note ?? '',
    area: all.area,
    volume: all.volume,
    travel: all.travel,
    spacers: all.spacers ?? 0,
    spacer_volume: all.spacer_volume ?? 0,
    equalise_at: all.equalise_at ?? 0,
    negative_area: negative ? all.negative_area : null,
    negative_volume: negative ? all.negative_volume : null,
  })
}
/** What an air spring still waits for, in words. */
const airWaits = (e: EndName): string => {
  const all = air(e)
  if (!all) return ''
  const rest = AIR.slice(0, 3).filter((f) => !all[f.member])
  if (rest.length)
    return `Counts once ${rest.map((f) => f.words).join(' and ')} ${rest.length > 1 ? 'are' : 'is'} typed.`
  const half = NEGATIVE.filter((m) => all[m] == null)
  return half.length === 1 ? 'The negative chamber counts once both of its numbers are typed.' : ''
}
function kind(e: EndName, to: 'coil' | 'air'): void {
  if (to === 'air') wantsAir[e] = true
  if (to === 'coil' && air(e)) {
    wantsAir[e] = false
    chamberDraft[e].take()
    if (airOf(found(e))) spring(e, null)
  }
}
const isFork = (e: EndName): boolean => about(e)?.layout === 'fork'
const pair = (e: EndName): boolean => (isFork(e) && about(e)?.fork?.legs !== 1) || about(e)?.layout === 'twin shock'
function setSecond(e: EndName, value: number | null): void {
  const now = coilOf(found(e))
  if (now)
    setFound(e, 'second spring', {
      second_spring: value === null ? null : { ...now, code: 'other leg', rate: { how: 'maker', value } },
    })
}
const ready = computed(() => TICKS.every((t) => conditions.value?.[t.member]))
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'survey'))
</script>

<template>
  <div class="bench-top">
    <h1>Survey</h1>
    <span class="quiet">as found, before anything is turned</span
    ><router-link class="act end" :to="`/vehicle/${vehicle.id}/walk`">read it on a phone</router-link>
  </div>
  <FindingList :findings="findings" :stations="['survey']" />
  <div class="ticks">
    <v-checkbox
      v-for="t in TICKS"
      :key="t.member"
      :label="t.words"
      :model-value="!!conditions?.[t.member]"
      @update:model-value="(v) => condition(t.words, t.member, !!v)" />
  </div>
  <p v-if="!ready" class="quiet">Tick these first: a sag read on a slope or on soft tyres says nothing.</p>
  <SagTable />
  <div class="ends">
    <section v-for="e in ENDS" :id="e === 'front' ? 'as-found' : undefined" :key="e" :aria-label="`${e} as found`">
      <h3 aria-level="2">{{ e === 'front' ? 'Front' : 'Rear' }} as found</h3>
      <QuantityField
        :label="`scale under the ${e} wheel, or blank`"
        strong
        of="Reading.mass"
        :at="`mass ${e}`"
        :decimals="1"
        :model-value="meanOf(valuesAt(document_, weight(e)))"
        :tolerance="toleranceAt(document_, weight(e))"
        tolerant
        @update:model-value="
          (v, t) => vehicle.edit(`weight, ${e}`, written(document_, weight(e), v, false, undefined, t))
        " />
      <div class="kinds" role="radiogroup" :aria-label="`${e} spring is`">
        <button
          v-for="k in ['coil', 'air'] as const"
          :key="k"
          class="tab"
          role="radio"
          :aria-checked="!!air(e) === (k === 'air')"
          @click="kind(e, k)">
          {{ k === 'coil' ? 'coil' : 'air' }}
        </button>
      </div>
      <template v-if="air(e)">
        <div class="two">
          <QuantityField
            label="pressure, wheel off the floor"
            strong
            of="SideSetup.pressure"
            :at="`air ${e}`"
            :decimals="units.unit('Pa').name === 'psi' ? 0 : 1"
            :model-value="found(e).pressure"
            @update:model-value="(v) => setFound(e, 'pressure', { pressure: v })" /><QuantityField
            label="spacers in it"
            of="AirSpringPart.spacers"
            :decimals="0"
            unit-text=""
            :model-value="air(e)!.spacers"
            @update:model-value="(v) => setAir(e, 'spacers', v === null ? 0 : Math.round(v))" />
        </div>
        <div class="two">
          <QuantityField
            v-for="a in AIR"
            :key="a.member"
            :label="a.words"
            :of="`AirSpringPart.${a.member}`"
            :model-value="air(e)![a.member]"
            @update:model-value="(v) => setAir(e, a.member, v)" />
        </div>
        <p v-if="airWaits(e)" class="small quiet" role="status">{{ airWaits(e) }}</p>
        <p class="small quiet">Chamber measures from the maker's table. Area and volume may be typed as cm2 and cm3.</p>
      </template>
      <div v-else class="two">
        <QuantityField
          :label="pair(e) ? 'rate of one spring' : 'spring rate'"
          strong
          of="SpringPart.rate"
          :model-value="coilOf(found(e))?.rate.value"
          :tolerance="coilOf(found(e))?.rate.tolerance"
          tolerant
          @update:model-value="(v, t) => setCoil(e, 'rate', v, t)" />
        <QuantityField
          :label="isFork(e) ? 'cap screwed in' : 'collar from just touching'"
          of="SideSetup.collar"
          kind="fine length"
          :hint="isFork(e) ? 'where it stands now' : 'the preload; blank: a usual one is taken, ~'"
          :model-value="found(e).collar"
          @update:model-value="(v) => setFound(e, isFork(e) ? 'cap' : 'preload', { collar: v })" />
        <QuantityField
          v-if="isFork(e)"
          label="springs pressed, extended"
          of="SideSetup.preload"
          kind="fine length"
          hint="without scales; blank: a usual one, ~"
          :model-value="found(e).preload"
          @update:model-value="(v) => setFound(e, 'preload', { preload: v })" />
        <QuantityField
          label="free length, if known"
          of="SpringPart.free_length"
          :model-value="coilOf(found(e))?.free_length ?? coilDraft[e].get('free_length')"
          :tolerance="coilOf(found(e))?.tolerances?.free_length"
          :tolerant="!!coilOf(found(e))"
          @update:model-value="(v, t) => setCoil(e, 'free_length', v, t)" />
        <QuantityField
          label="inside diameter"
          of="SpringPart.inside_diameter"
          kind="fine length"
          :model-value="coilOf(found(e))?.inside_diameter ?? coilDraft[e].get('inside_diameter')"
          @update:model-value="(v) => setCoil(e, 'inside_diameter', v)" />
        <QuantityField
          v-if="pair(e)"
          label="other spring, where it differs"
          of="SpringPart.rate"
          :model-value="found(e).second_spring?.rate.value"
          @update:model-value="(v) => setSecond(e, v)" />
      </div>
    </section>
  </div>
  <SurveyFiles />
  <section class="three">
    <v-text-field
      v-for="t in TEXTS"
      :key="t.member"
      :label="t.words"
      :model-value="conditions?.[t.member]"
      maxlength="300"
      @update:model-value="(v: string) => condition(t.words, t.member, v)" />
  </section>
  <DamageRows />
</template>

<style scoped>
.ticks { display: flex; gap: 8px 28px; flex-wrap: wrap; margin: 4px 0 6px -8px; } .ends { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 32px; margin-top: 12px; border-top: var(--l-mid) solid var(--ink); padding-top: 8px; } .ends > section { display: grid; gap: 8px; align-content: start; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; align-items: end; } .three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; margin-top: 14px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
@media (max-width: 760px) { .ends, .three { grid-template-columns: 1fr; } }
</style>
