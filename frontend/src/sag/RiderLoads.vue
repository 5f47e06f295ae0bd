<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type Report } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { freshState, itemSet, type LoadItem, statesWith } from '@/springs/loads'

import { useSag } from './useSag'
import { ENDS } from './walk'
import { vRoving } from '@/logic/roving'

/** Who and what rides: solo, two-up, luggage; sag, lean and axle loads in each. */
const { vehicle, units } = useSag()
const document_ = computed(() => vehicle.document.value!)
const states = computed(() => document_.value.loads ?? [])
const index = ref(0)
const state = computed(() => states.value[Math.min(index.value, states.value.length - 1)] ?? null)
const at = computed(() => (state.value ? states.value.indexOf(state.value) : 0))
const base = computed(() => document_.value.vehicle.wheelbase?.value ?? null)
const setItem = (i: number, values: Partial<LoadItem>): void =>
  vehicle.edit(state.value?.items?.[i]?.name ?? 'load', itemSet(document_.value, at.value, i, values))
const setItems = (words: string, items: LoadItem[]): void =>
  vehicle.edit(
    words,
    statesWith(document_.value, (all) => all.map((s, i) => (i === at.value ? { ...s, items } : s))),
  )
const fresh = ref<{ name: string; mass: number | null; x: number | null }>({ name: '', mass: null, x: null })
function add(): void {
  const { name, mass, x } = fresh.value
  const words = name.trim() || (state.value?.items?.length ? 'luggage' : 'rider in kit')
  if (mass === null || !state.value) return
  setItems(`${words} carried`, [...(state.value.items ?? []), { name: words, mass, x, y: null }])
  fresh.value = { name: '', mass: null, x: null }
}
function addState(): void {
  const made = freshState(document_.value)
  vehicle.edit(
    'load state',
    statesWith(document_.value, (all) => [...all, made]),
  )
  index.value = states.value.length - 1
}
const rename = (name: string): void => {
  if (name.trim())
    vehicle.edit(
      'name of the load state',
      statesWith(document_.value, (all) =>
        all.map((s, i) => (i === at.value ? { ...s, name: name.trim().slice(0, 80) } : s)),
      ),
    )
}
const remove = (): void =>
  vehicle.edit(
    `load state ${state.value?.name ?? ''} removed`,
    statesWith(document_.value, (all) => all.filter((_, i) => i !== at.value)),
  )
const said = computed(() => vehicle.report.value?.steering)
/** Rider and seat by the sags, to the tenth of a kilogram and the millimetre. */
const bySags = computed(() =>
  said.value?.rider_at && said.value.rider_by_sags
    ? {
        mass: Math.round(said.value.rider_by_sags.value * 10) / 10,
        x: Math.round(said.value.rider_at.value * 1000) / 1000,
      }
    : null,
)
function takeSags(): void {
  const items = state.value?.items ?? []
  const rider = { name: items[0]?.name ?? 'rider in kit', mass: bySags.value!.mass, x: bySags.value!.x, y: null }
  setItems('rider by the sags', [rider, ...items.slice(1)])
}
const reports = ref<{ id: string; name: string; report: Report }[]>([])
let asked = 0
watch(
  [vehicle.report, states],
  async () => {
    const mine = ++asked
    const setup = vehicle.setup.value
    if (!setup) return
    const made = await Promise.all(
      states.value
        .filter((s) => s.items?.length)
        .map(async (s) => ({
          id: s.id,
          name: s.name,
          report: (
            await api
              .POST('/api/evaluate', {
                body: { document: document_.value, setup: setup.id, load_state: s.id, against: null },
              })
              .catch(() => ({ data: undefined }))
          ).data?.report,
        })),
    )
    if (mine === asked)
      reports.value = made.filter((m): m is { id: string; name: string; report: Report } => !!m.report)
  },
  { immediate: true },
)
const COLUMNS = [
  { key: 'lean_ridden', words: 'leans in a bend' },
  { key: 'seat_height', words: 'seat' },
  { key: 'rake', words: 'rake' },
] as const
</script>

<template>
  <div v-roving class="states" role="tablist" aria-label="Load states">
    <button v-for="(l, i) in states" :key="l.id" class="tab" role="tab" :aria-selected="i === at" @click="index = i">
      {{ l.name }}</button><button class="act" @click="addState">New load state</button>
  </div>
  <template v-if="state">
    <div class="named">
      <input
        :value="state.name"
        maxlength="80"
        aria-label="Name of this load state"
        @change="rename(($event.target as HTMLInputElement).value)" /><button class="link" @click="remove">
        remove
      </button>
      <button v-if="bySags && at === 0" class="link" @click="takeSags">
        take the rider from the sags: {{ units.show(bySags.mass, 'kg', { unit: true, decimals: 1 }) }},
        {{ units.show(bySags.x, 'm', { unit: true }) }} behind the front axle
      </button>
    </div>
    <div v-for="(item, i) in state.items ?? []" :key="i" class="item">
      <input
        :value="item.name"
        maxlength="80"
        :aria-label="`name of thing ${i + 1}`"
        @change="setItem(i, { name: ($event.target as HTMLInputElement).value.trim() || item.name })" /><QuantityField
        :label="`mass of ${item.name}`"
        of="LoadItem.mass"
        :decimals="0"
        :clearable="false"
        :model-value="item.mass"
        @update:model-value="(v) => v !== null && setItem(i, { mass: v })" /><QuantityField
        :label="`${item.name}, behind the front axle`"
        of="LoadItem.x"
        :estimated="item.x == null"
        :model-value="item.x ?? bySags?.x ?? (base ?? 1.4) / 2"
        @update:model-value="(v) => setItem(i, { x: v })" /><button
        class="link"
        :aria-label="`take ${item.name} out`"
        @click="
          setItems(
            `${item.name} taken out`,
            (state.items ?? []).filter((_, k) => k !== i),
          )
        ">
        take out
      </button>
    </div>
    <form class="item" @submit.prevent="add">
      <input
        v-model="fresh.name"
        maxlength="80"
        :placeholder="state.items?.length ? 'pillion, bags' : 'rider in kit'"
        aria-label="name of another thing" /><QuantityField
        v-model="fresh.mass"
        label="its mass"
        of="LoadItem.mass"
        :decimals="0" /><QuantityField
        v-model="fresh.x"
        label="behind the front axle"
        of="LoadItem.x"
        hint="blank: by the sags, or the middle, ~" /><button
        class="link"
        type="submit"
        :disabled="fresh.mass === null">
        carry it
      </button>
    </form>
  </template>
  <table v-if="reports.length" class="plan" aria-label="Every load state">
    <thead>
      <tr>
        <th><TermWord words="state" /></th>
        <th>all, {{ units.unit('kg').written }}</th>
        <th v-for="e in ENDS" :key="e">{{ e }} sag, {{ units.unit('m').written }}</th>
        <th v-for="e in ENDS" :key="`l${e}`">left, {{ e }}</th>
        <th v-for="c in COLUMNS" :key="c.key">{{ c.words }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in reports" :key="r.id">
        <td>{{ r.name }}</td>
        <td>
          <AskFigure
            :figure="r.report.vehicle.total_mass"
            path="vehicle.total_mass"
            :title="`all, ${r.name}`"
            :options="{ decimals: 0 }"
            :at="{ load: r.id }" />
        </td>
        <td v-for="e in ENDS" :key="e">
          <AskFigure
            :figure="r.report.sags?.[e]?.rider_sag_along"
            :path="`sags.${e}.rider_sag_along`"
            :title="`rider sag, ${e}, ${r.name}`"
            :options="{ decimals: 1 }"
            :at="{ load: r.id }" />
        </td>
        <td v-for="e in ENDS" :key="`l${e}`">
          <AskFigure
            :figure="r.report.corners[e]?.bump_travel"
            :path="`corners.${e}.bump_travel`"
            :title="`travel left, ${e}, ${r.name}`"
            :options="{ decimals: 0 }"
            :at="{ load: r.id }" />
        </td>
        <td v-for="c in COLUMNS" :key="c.key">
          <AskFigure
            :figure="r.report.steering?.[c.key]"
            :path="`steering.${c.key}`"
            :title="`${c.words}, ${r.name}`"
            :options="{ decimals: c.key === 'seat_height' ? 0 : 1, unit: true }"
            :at="{ load: r.id }" />
        </td>
      </tr>
    </tbody>
  </table>
  <p class="small quiet">
    Sags as they are read. Gross and axle limits are on the plate and are the law; strap luggage low and near the
    middle.
  </p>
</template>

<style scoped>
.states { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; border-bottom: 1px solid var(--rule); } .tab { min-height: 44px; padding: 0 10px; font-size: var(--t-3); border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; } .states .act { margin-left: auto; }
.named { display: flex; flex-wrap: wrap; gap: 16px; align-items: center; } input { font: inherit; font-size: var(--t-3); height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; min-width: 0; } .item { display: grid; grid-template-columns: minmax(0, 1.3fr) 120px 190px 80px; gap: 12px; align-items: end; padding: 3px 0; }
.plan { width: 100%; border-collapse: collapse; margin-top: 12px; border-top: var(--l-mid) solid var(--ink); } .plan th { font-weight: 400; color: var(--ink-2); text-align: right; padding: 3px 6px; line-height: 1.1; } .plan td { text-align: right; border-top: 1px solid var(--rule); padding: 4px 6px; font-size: var(--t-3); } .plan th:first-child, .plan td:first-child { text-align: left; }
@media (max-width: 760px) { .item { grid-template-columns: 1fr 1fr; } }
</style>
