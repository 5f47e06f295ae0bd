<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'

import { api, messageOf, type Place, placeWords } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

import type { Columns } from './useRecordings'

/** Which column of a file is which wheel, its time, and how its sensors count: seen before anything is read. */
const props = defineProps<{ file: string; name: string }>()
const emit = defineEmits<{ read: [setup: string, columns: Columns]; close: [] }>()
const vehicle = useVehicle()
const head = ref<{ columns: { name: string; unit: string }[]; sample: string[][] } | null>(null)
const trouble = ref('')
const told = reactive<Columns>({
  places: {},
  time: null,
  rate: 200,
  unit: 'mm',
  time_unit: 's',
  bump_positive: true,
  from_standing: false,
})
const setup = ref(vehicle.setup.value?.id ?? '')
onMounted(async () => {
  const two_wheels = vehicle.places.value.length === 2
  const { data, error } = await api
    .GET('/api/recordings/files/{file}/preview', { params: { path: { file: props.file }, query: { two_wheels } } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (!data) return void (trouble.value = messageOf(error))
  head.value = data
  told.places = { ...(data.places as Partial<Record<Place, number>>) }
  told.time = data.time
  const unit = data.time === null ? '' : data.columns[data.time]!.unit
  if (unit === 'ms') told.time_unit = 'ms'
  const first = Object.values(told.places)[0]
  if (first !== undefined && ['mm', 'cm', 'in', 'm'].includes(data.columns[first]!.unit))
    told.unit = data.columns[first]!.unit
})
const as = computed(() => (i: number): string => {
  if (told.time === i) return 'time'
  return Object.entries(told.places).find(([, at]) => at === i)?.[0] ?? ''
})
function choose(i: number, what: string): void {
  if (told.time === i) told.time = null
  for (const p of Object.keys(told.places) as Place[]) if (told.places[p] === i) delete told.places[p]
  if (what === 'time') told.time = i
  else if (what) told.places[what as Place] = i
}
const ready = computed(() => Object.keys(told.places).length > 0)
</script>

<template>
  <section class="columns" aria-label="Columns of the file">
    <h2>{{ name }}</h2>
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <template v-if="head">
      <div class="wide">
        <table>
          <thead>
            <tr>
              <th v-for="(c, i) in head.columns" :key="i" scope="col">
                {{ c.name }}{{ c.unit ? `, ${c.unit}` : '' }}
                <select
                  :aria-label="`column ${c.name} is`"
                  :value="as(i)"
                  @change="choose(i, ($event.target as HTMLSelectElement).value)">
                  <option value="">not read</option>
                  <option value="time">time</option>
                  <option v-for="p in vehicle.places.value" :key="p" :value="p">{{ placeWords(p) }}</option>
                </select>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, k) in head.sample" :key="k">
              <td v-for="(cell, i) in row" :key="i" :class="{ quiet: !as(i) }">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="how">
        <label
          >travel in
          <select v-model="told.unit">
            <option v-for="u in ['mm', 'cm', 'm', 'in']" :key="u">{{ u }}</option>
          </select></label
        >
        <label v-if="told.time !== null"
          >time in
          <select v-model="told.time_unit">
            <option>s</option>
            <option>ms</option>
          </select></label
        >
        <label v-else>readings a second <input v-model.number="told.rate" type="number" min="10" max="100000" /></label>
        <label><input v-model="told.bump_positive" type="checkbox" class="box" /> larger is further in bump</label>
        <label
          ><input v-model="told.from_standing" type="checkbox" class="box" /> counted from where the wheels stand</label
        >
        <label
          >driven with
          <select v-model="setup">
            <option v-for="s in vehicle.document.value?.setups" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
      </div>
      <p v-if="!told.from_standing" class="quiet small">
        Where the wheels stand is read from the first two seconds: the vehicle stands still in them. Travel is the
        wheel’s, not the damper’s.
      </p>
      <p class="acts">
        <button
          class="act go"
          :disabled="!ready"
          @click="emit('read', setup, { ...told, rate: told.time === null ? told.rate : null })">
          Read it</button
        ><button class="act" @click="emit('close')">Not now</button>
      </p>
    </template>
    <p v-else-if="!trouble" class="quiet" role="status">Looking at its head…</p>
  </section>
</template>

<style scoped>
.columns { border-top: 1.5px solid var(--ink); padding-top: 8px; margin-top: 10px; } .wide { overflow-x: auto; } table { border-collapse: collapse; } th, td { text-align: right; font-weight: 400; padding: 4px 12px 4px 0; white-space: nowrap; } th { vertical-align: bottom; font-weight: 600; } td { border-top: 1px solid var(--rule); } select, input[type="number"] { font: inherit; color: var(--ink); background: var(--sheet); border: 0; border-bottom: 1.5px solid var(--edge); min-height: 44px; } th select { display: block; width: 100%; min-width: 108px; } input[type="number"] { width: 90px; }
.how { display: flex; flex-wrap: wrap; gap: 4px 24px; margin-top: 8px; } .how label { min-height: 44px; display: inline-flex; align-items: center; gap: 8px; } .acts { display: flex; gap: 12px; margin-top: 8px; }
</style>
