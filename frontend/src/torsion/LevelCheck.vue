<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'

import { api, type IndexBench, type MoveRow, type Place, placeWords } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** What the level shows of the unloaded plate, typed, and what that says: right, or which mistake it is. */
const props = defineProps<{
  bench: IndexBench
  row: MoveRow
  place: Place
  load: string | null
  other: number | null
}>()
const vehicle = useVehicle()
const units = useUnits()
const reading = computed(() => vehicle.setup.value?.sides?.[props.place]?.plate_set ?? null)
const keep = (value: number | null): void =>
  vehicle.edit(`what the level showed, ${placeWords(props.place)}`, [
    { path: ['setups', vehicle.setupIndex.value, 'sides', props.place, 'plate_set'], value },
  ])
const { found } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (reading.value === null || !document || !setup) return null
  return api.POST('/api/index/check', {
    body: {
      document,
      setup: setup.id,
      place: props.place,
      load_state: props.load,
      inner: props.row.inner,
      outer: props.row.outer,
      reading: reading.value,
      other: props.other,
    },
  })
}, [reading, () => props.row, () => props.place, vehicle.report])
// how high it then stands, and how sure: asked a moment later, off the path of typing
const stands = ref<{ value: number; by: number; first: string } | null>(null)
const plate = computed(() => props.row.free_angle + (props.row.reachable ? (props.row.adjust ?? 0) : 0))
let wait: ReturnType<typeof setTimeout> | undefined
watch(
  [plate, () => props.place, () => props.load, vehicle.report],
  () => {
    clearTimeout(wait)
    const mine = [plate.value, props.place]
    wait = setTimeout(async () => {
      const [document, setup] = [vehicle.document.value, vehicle.setup.value]
      if (!document || !setup || vehicle.isFound.value) return void (stands.value = null)
      const { data } = await api
        .POST('/api/index/sure', {
          body: { document, setup: setup.id, place: props.place, load_state: props.load, free_angle: plate.value },
        })
        .catch(() => ({ data: undefined }))
      if (mine[0] === plate.value && mine[1] === props.place)
        stands.value = data
          ? { value: data.found.value, by: data.found.standard, first: data.found.shares?.[0]?.label ?? '' }
          : null
    }, 300)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(wait))
const said = computed(() => (reading.value === null ? [] : (found.value?.found ?? [])))
const deg = (v: number): string => units.show(v, 'rad', { decimals: 1 })
</script>

<template>
  <section class="check" aria-label="What the level shows">
    <div>
      <p class="quiet">last, level zeroed on the sill, laid on the unloaded plate</p>
      <p class="must">
        <b>{{ deg(row.free_angle) }}°</b>
        <span>good {{ deg(row.free_angle - bench.window) }} to {{ deg(row.free_angle + bench.window) }}</span>
      </p>
    </div>
    <QuantityField
      label="the level shows"
      strong
      of="SideSetup.plate_set"
      :decimals="1"
      hint="after the moves; kept and printed"
      :readonly="vehicle.isFound.value"
      :model-value="reading"
      @update:model-value="keep" />
    <div class="says" aria-live="polite">
      <p v-for="e in said.slice(0, 2)" :key="e.says">
        <b :class="e.verdict === 'good' ? 'good' : e.verdict === 'adjust' ? 'grade-note' : 'grade-stop'">{{
          e.verdict === 'good' ? 'Good' : e.verdict
        }}</b>
        {{ e.says }}
      </p>
    </div>
    <p v-if="stands" class="wide">
      Loaded{{ row.reachable ? ' and adjusted' : '' }} it stands at <b>{{ units.show(stands.value, 'm') }}</b> ±
      {{ units.show(stands.by, 'm', { unit: true, kind: 'fine length' }) }} hub to arch<span
        v-if="stands.first"
        class="quiet"
        >; most of that from {{ stands.first }}</span
      >.
    </p>
  </section>
</template>

<style scoped>
.check { display: grid; grid-template-columns: 232px 128px minmax(0, 1fr); gap: 18px; align-items: end; border-top: var(--l-mid) solid var(--ink); padding: 8px 0; }
.wide { grid-column: 1 / -1; font-size: var(--t-3); } .must { font-size: var(--t-3); } .must b { font-size: var(--t-5, 28px); color: var(--plan); margin-right: 10px; }
.says { font-size: var(--t-3); min-height: 48px; align-self: center; } .says b::first-letter { text-transform: uppercase; } .good { font-weight: 600; }
@media (max-width: 600px) { .check { grid-template-columns: 1fr; } }
</style>
