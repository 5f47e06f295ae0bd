<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'

import { api, coilOf, type EndName, type Figure, placeWords, type SpringPart } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import LoadDrawing from './LoadDrawing.vue'
import { freshState, itemSet, type LoadItem, overBy, statesWith } from './loads'
import LoadItems from './LoadItems.vue'
import LoadBands from './LoadBands.vue'
import LoadRanks from './LoadRanks.vue'
import SpringHead from './SpringHead.vue'
import { vRoving } from '@/logic/roving'

/** What is carried, drawn from above; every load state against plate, height, frequency and stops. */
const vehicle = useVehicle()
const units = useUnits()
const document_ = computed(() => vehicle.document.value!)
const states = computed(() => document_.value.loads ?? [])
const index = ref(0)
const state = computed(() => states.value[index.value] ?? null)
const chosen = ref<number | null>(null)
watch(
  () => states.value.length,
  (n) => {
    if (index.value >= n) index.value = Math.max(0, n - 1)
  },
)
watch(index, () => (chosen.value = null))

const { found, trouble } = useAnswer(() => {
  const setup = vehicle.setup.value
  return setup ? api.POST('/api/loads', { body: { document: document_.value, setup: setup.id } }) : null
}, [vehicle.report])
const rows = computed(() => found.value?.rows ?? [])
const row = computed(() => rows.value.find((r) => r.id === state.value?.id))
// the shelf under every load is asked about when the hand has come to rest
const rested = ref(0)
let wait: ReturnType<typeof setTimeout> | undefined
watch(
  vehicle.report,
  () => {
    clearTimeout(wait)
    wait = setTimeout(() => (rested.value += 1), 350)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(wait))
const end = ref<EndName>('rear')
const ranked = useAnswer(() => {
  const setup = vehicle.setup.value
  return setup && states.value.length
    ? api.POST('/api/loads/rank', {
        body: { document: document_.value, setup: setup.id, end: end.value, load_state: state.value?.id ?? null },
      })
    : null
}, [rested, end, () => state.value?.id])

const about = computed(() => document_.value.vehicle)
const wheelbase = computed(() => about.value.wheelbase?.value ?? null)
const tracks = computed<[number, number]>(() => [
  about.value.ends?.front?.track ?? about.value.ends?.rear?.track ?? 1.4,
  about.value.ends?.rear?.track ?? about.value.ends?.front?.track ?? 1.4,
])
const overhangs = computed<[number, number]>(() => [
  about.value.front_overhang ?? 0.75,
  about.value.rear_overhang ?? 0.75,
])
const pair = (v: number[] | null | undefined): [number, number] | null => (v && v.length === 2 ? [v[0]!, v[1]!] : null)
const centres = computed(() => ({ weighed: pair(rows.value[0]?.centre), loaded: pair(row.value?.centre) }))

function addState(): void {
  const fresh = freshState(document_.value)
  vehicle.edit(
    'load state',
    statesWith(document_.value, (all) => [...all, fresh]),
  )
  index.value = states.value.length - 1
}
function rename(name: string): void {
  if (name.trim())
    vehicle.edit(
      'name of the load state',
      statesWith(document_.value, (all) =>
        all.map((s, i) => (i === index.value ? { ...s, name: name.trim().slice(0, 80) } : s)),
      ),
    )
}
function removeState(): void {
  vehicle.edit(
    `load state ${state.value?.name ?? ''} removed`,
    statesWith(document_.value, (all) => all.filter((_, i) => i !== index.value)),
  )
}
let moving = false
function move(item: number, x: number, y: number, done: boolean): void {
  if (!moving) vehicle.beginGesture()
  moving = !done
  vehicle.edit(
    `place of ${state.value?.items?.[item]?.name ?? 'the load'}`,
    itemSet(document_.value, index.value, item, { x, y }),
  )
  if (done) vehicle.endGesture()
}
const setItem = (item: number, values: Partial<LoadItem>): void =>
  vehicle.edit(`${state.value?.items?.[item]?.name ?? 'load'}`, itemSet(document_.value, index.value, item, values))
const setItems = (words: string, items: LoadItem[]): void =>
  vehicle.edit(
    words,
    statesWith(document_.value, (all) => all.map((s, i) => (i === index.value ? { ...s, items } : s))),
  )
function setPlate(member: 'gross' | 'front_axle' | 'rear_axle', value: number | null): void {
  vehicle.edit('plate', [{ path: ['vehicle', 'plate', member], value }])
}
function fit(part: SpringPart): void {
  vehicle.edit(
    `${end.value} spring`,
    (['left', 'right'] as const).map((side) => ({
      path: ['setups', vehicle.setupIndex.value, 'sides', `${end.value}_${side}`, 'spring'],
      value: part,
    })),
  )
}
const over = (f: Figure | null | undefined, limit: number | null | undefined): number | null => overBy(f?.value, limit)
const mass = (v: number | null | undefined): string => units.show(v, 'kg', { decimals: 0 })
const findings = computed(() =>
  (vehicle.shown.value?.findings ?? []).filter((f) =>
    ['plate_exceeded', 'load_band_exceeded', 'rests_on_stop', 'spring_too_soft', 'cannot_stand'].includes(f.rule),
  ),
)
const carried = computed(() =>
  vehicle.loadState.value
    ? `with ${states.value.find((l) => l.id === vehicle.loadState.value)?.name ?? ''}`
    : undefined,
)
</script>

<template>
  <SpringHead view="loads"><button class="act" @click="addState">New load state</button></SpringHead>
  <FindingList :findings="findings" :of="carried" />
  <template v-if="!states.length">
    <p class="say">
      What this vehicle is to carry decides its springs: name a state, put each thing at its place, and see heights,
      frequency, travel and axle loads in each.
    </p>
  </template>
  <template v-else>
    <div v-roving class="states" role="tablist" aria-label="Load states">
      <button
        v-for="(l, i) in states"
        :key="l.id"
        class="tab"
        role="tab"
        :aria-selected="i === index"
        @click="index = i">
        {{ l.name }}
      </button>
      <input
        v-if="state"
        class="named"
        :value="state.name"
        maxlength="80"
        aria-label="Name of this load state"
        @change="rename(($event.target as HTMLInputElement).value)" />
      <button class="link" @click="removeState">remove</button>
    </div>
    <LoadDrawing
      v-if="wheelbase && state"
      :items="state.items ?? []"
      :wheelbase="wheelbase"
      :overhangs="overhangs"
      :tracks="tracks"
      :centres="centres"
      :chosen="chosen"
      @choose="(i) => (chosen = i)"
      @move="move" />
    <p v-else class="say">
      The drawing from above waits for the
      <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry`">wheelbase</router-link>.
    </p>
    <LoadItems
      v-if="state"
      :items="state.items ?? []"
      :chosen="chosen"
      :middle="(wheelbase ?? 2.4) / 2"
      @choose="(i) => (chosen = i)"
      @set="setItem"
      @all="setItems" />
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <table class="plan" aria-label="Every load state">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th><TermWord words="all" /></th>
          <th colspan="5" class="g mid"><TermWord words="front" /></th>
          <th colspan="5" class="g mid"><TermWord words="rear" /></th>
        </tr>
        <tr class="sub">
          <th><TermWord words="state" /></th>
          <th>{{ units.unit('kg').written }}</th>
          <template v-for="e in 2" :key="e"
            ><th class="g"><TermWord words="axle" /></th>
            <th><TermWord words="height" /></th>
            <th>Hz</th>
            <th><TermWord words="to stop" /></th>
            <th><TermWord words="to limit" /></th
          ></template>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.id ?? ''" :class="{ here: r.id === state?.id }">
          <td class="w">{{ r.name }}</td>
          <td :class="{ over: over(r.total_mass, r.gross_limit) !== null }">
            <AskFigure
              :figure="r.total_mass"
              path="vehicle.total_mass"
              :title="`total mass, ${r.name}`"
              :options="{ decimals: 0 }"
              :at="{ load: r.id }" /><small v-if="over(r.total_mass, r.gross_limit) !== null"
              >{{ mass(over(r.total_mass, r.gross_limit)) }} over</small
            >
          </td>
          <template v-for="e in r.ends" :key="e.end">
            <td class="g" :class="{ over: over(e.axle_mass, e.axle_limit) !== null }">
              <AskFigure
                :figure="e.axle_mass"
                :path="`ends.${e.end}.axle_mass`"
                :title="`mass on the ${e.end} axle, ${r.name}`"
                :options="{ decimals: 0 }"
                :at="{ load: r.id }" /><small v-if="over(e.axle_mass, e.axle_limit) !== null"
                >{{ mass(over(e.axle_mass, e.axle_limit)) }} over</small
              >
            </td>
            <td>
              <AskFigure
                :figure="e.hub_to_arch"
                :path="`ends.${e.end}.hub_to_arch`"
                :title="`hub to arch, ${e.end}, ${r.name}`"
                :at="{ load: r.id }" /><small v-if="r.id !== null && e.change">{{
                units.show(e.change.value, 'm', { signed: true })
              }}</small>
            </td>
            <td>
              <AskFigure
                :figure="e.frequency"
                :path="`ends.${e.end}.frequency`"
                :title="`${e.end} frequency, ${r.name}`"
                :at="{ load: r.id }" />
            </td>
            <td :class="{ over: (e.stop?.value ?? 0) < 0 }">
              <AskFigure
                :figure="e.stop"
                :path="`corners.${e.stop_at}.stop`"
                :title="`travel to the stop, ${placeWords(e.stop_at ?? '')}, ${r.name}`"
                :at="{ load: r.id }" /><small v-if="(e.stop?.value ?? 0) < 0">squeezed</small>
            </td>
            <td>
              <AskFigure
                :figure="e.bump_travel"
                :path="`corners.${e.limit_at}.bump_travel`"
                :title="`bump travel, ${placeWords(e.limit_at ?? '')}, ${r.name}`"
                :at="{ load: r.id }" /><small v-if="e.first_limit">{{
                { T: 'tyre', S: 'damper', B: 'coils', H: 'stop hard' }[e.first_limit]
              }}</small>
            </td>
          </template>
        </tr>
      </tbody>
    </table>
    <p v-for="r in rows.filter((q) => q.trouble)" :key="`t${r.id}`" class="grade-stop">{{ r.name }}: {{ r.trouble }}</p>
    <details class="plate" :open="!about.plate?.gross">
      <summary>Limits on the plate</summary>
      <div class="three">
        <QuantityField
          label="gross"
          of="Plate.gross"
          :decimals="0"
          :model-value="about.plate?.gross"
          @update:model-value="(v) => setPlate('gross', v)" />
        <QuantityField
          label="front axle"
          of="Plate.front_axle"
          :decimals="0"
          :model-value="about.plate?.front_axle"
          @update:model-value="(v) => setPlate('front_axle', v)" />
        <QuantityField
          label="rear axle"
          of="Plate.rear_axle"
          :decimals="0"
          :model-value="about.plate?.rear_axle"
          @update:model-value="(v) => setPlate('rear_axle', v)" />
      </div>
    </details>
    <LoadRanks
      :found="ranked.found.value"
      :trouble="ranked.trouble.value"
      :asked="ranked.asked.value"
      :end="end"
      :state="state?.name ?? ''"
      :states="rows.map((r) => r.name)"
      :now="coilOf(vehicle.setup.value?.sides?.[`${end}_left`])?.code ?? ''"
      :movable="!vehicle.isFound.value"
      @end="(e) => (end = e)"
      @fit="fit" />
    <LoadBands :found="ranked.found.value" :end="end" :states="rows.map((r) => r.name)" />
  </template>
  <p class="small quiet mt-3">
    Plate limits are the law; springs do not raise them. Lash the load before it is driven.
  </p>
</template>

<style scoped>
.say { font-size: var(--t-3); margin: 8px 0; max-width: 640px; }
.states { display: flex; align-items: center; gap: 4px 12px; flex-wrap: wrap; border-bottom: 1px solid var(--rule); margin-bottom: 8px; }
.tab { min-height: 44px; padding: 0 10px; font-size: var(--t-3); border-bottom: 3px solid transparent; white-space: nowrap; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.named { font: inherit; height: 36px; width: 180px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; margin-left: auto; outline: 0; } .named:focus { border-bottom: 3px solid var(--ink); }
.plan { width: 100%; border-collapse: collapse; margin-top: 10px; border-top: var(--l-mid) solid var(--ink); }
.plan th { font-weight: 400; color: var(--ink-2); text-align: right; padding: 3px 6px; font-size: var(--t-1); } .plan thead tr:first-child th { font-size: var(--t-2); } .plan th:first-child, .plan .w { text-align: left; }
.plan td { text-align: right; padding: 5px 6px; border-top: 1px solid var(--rule); font-size: var(--t-3); vertical-align: top; white-space: nowrap; } .plan .w { white-space: normal; max-width: 130px; line-height: 1.15; }
.plan small { display: block; font-size: var(--t-1); line-height: 1.1; color: var(--ink-2); } .plan .over, .plan .over small { color: var(--stop); font-weight: 600; }
.plan .g { padding-left: 12px; } .plan thead .mid { text-align: center; border-bottom: 1px solid var(--rule); } .plan .here td { background: var(--vellum); } .plan .here .w { font-weight: 600; }
.plate summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; text-decoration: underline; text-underline-offset: 3px; list-style: none; }
.three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; padding-bottom: 8px; }
</style>
