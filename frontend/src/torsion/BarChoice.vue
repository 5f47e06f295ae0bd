<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, barOf, type EndName, type Place, PLACES, type TorsionBarPart } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useVehicle } from '@/composables/useVehicle'

import BarFields from './BarFields.vue'
import OtherBars from './OtherBars.vue'

/** Bars at hand for this end: another diameter changes the rate, and with it the free angle for the same height. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const places = computed<Place[]>(() => PLACES.filter((p) => p.startsWith(props.end)))
const { found, asked } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup
    ? api.POST('/api/index', { body: { document, setup: setup.id, place: places.value[0]! } })
    : null
}, [vehicle.report, () => props.end])
const bars = computed(() => vehicle.document.value?.bars ?? [])
const fit = (part: TorsionBarPart): Promise<string | null> =>
  vehicle.act(`${props.end} bars ${part.code}`, { act: 'fit bar', end: props.end, part })
const remove = (part: TorsionBarPart): void =>
  vehicle.edit(`bar ${part.code} put away`, [{ path: ['bars'], value: bars.value.filter((b) => b.code !== part.code) }])
const beside = computed(() => vehicle.setup.value?.sides?.[places.value[0]!]?.beside ?? null)
const setBeside = (value: typeof beside.value): void =>
  vehicle.edit(
    `coil beside the ${props.end} bars`,
    places.value.map((p) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', p, 'beside'], value })),
  )
const setRate = (value: number | null): void =>
  setBeside(value === null ? null : { hold: 0, ...beside.value, rate: { ...beside.value?.rate, value } })
const replacing = ref(false)
const coil = ref<{ rate: number | null; free: number | null }>({ rate: null, free: null })
async function replace(): Promise<void> {
  const { rate, free } = coil.value
  if (rate === null) return
  await vehicle.act(`coilovers in place of the ${props.end} bars`, {
    act: 'coil for bar',
    end: props.end,
    rate,
    free_length: free,
  })
}
const code = ref('')
const fresh = ref<TorsionBarPart | null>(null)
const adding = ref(false)
const splined = computed(() => vehicle.document.value?.vehicle.ends?.[props.end]?.arm?.motion !== 'wishbone')
const named = computed(() => code.value.trim() || (fresh.value ? `bar ${(fresh.value.diameter * 1e3).toFixed(1)}` : ''))
function add(): void {
  if (!fresh.value) return
  const now = barOf(vehicle.setup.value?.sides?.[places.value[0]!])
  const whole = {
    ...fresh.value,
    inner_splines: fresh.value.inner_splines ?? now?.inner_splines ?? null,
    outer_splines: fresh.value.outer_splines ?? now?.outer_splines ?? null,
    code: named.value,
  }
  vehicle.edit(`bar ${whole.code} at hand`, [{ path: ['bars'], value: [...bars.value, whole] }])
  fresh.value = null
  code.value = ''
  adding.value = false
}
</script>

<template>
  <section class="choice" aria-label="Bars at hand">
    <p v-if="!asked" class="quiet" role="status">Trying the bars…</p>
    <template v-else>
      <OtherBars :bars="found?.others ?? []" :movable="!vehicle.isFound.value" @fit="fit" @remove="remove" />
      <p v-if="!bars.length" class="say">
        No bars are at hand yet: type the one that is fitted and those that could be.
      </p>
    </template>
    <button v-if="!adding" class="link" @click="adding = true">type in another bar</button>
    <form v-else class="add" @submit.prevent="add">
      <label>its code <input v-model="code" maxlength="80" :placeholder="named" /></label>
      <BarFields
        :part="fresh"
        :draft-key="`${vehicle.id} ${end} new bar`"
        :code="named || 'bar'"
        :splined="splined"
        @change="(p) => (fresh = p)" />
      <button class="act" type="submit" :disabled="!fresh">Keep it at hand</button>
      <button class="link" type="button" @click="adding = false">close</button>
    </form>
    <div class="beside">
      <QuantityField
        label="coil on the damper beside the bar"
        of="CoilBeside.rate"
        hint="blank: none"
        :readonly="vehicle.isFound.value"
        :model-value="beside?.rate.value"
        @update:model-value="setRate" />
      <QuantityField
        v-if="beside"
        label="pressed at full droop by"
        of="CoilBeside.hold"
        kind="fine length"
        :readonly="vehicle.isFound.value"
        :model-value="beside.hold ?? 0"
        @update:model-value="(v) => setBeside({ ...beside!, hold: v ?? 0 })" />
    </div>
    <form v-if="replacing" class="add" @submit.prevent="replace">
      <div class="beside">
        <QuantityField
          label="rate of the coilover"
          of="SpringPart.rate"
          :model-value="coil.rate"
          @update:model-value="(v) => (coil.rate = v)" /><QuantityField
          label="free length"
          of="SpringPart.free_length"
          :model-value="coil.free"
          @update:model-value="(v) => (coil.free = v)" />
      </div>
      <button class="act" type="submit" :disabled="coil.rate === null">Bars out, coilovers in</button>
      <button class="link" type="button" @click="replacing = false">close</button>
    </form>
    <button v-else class="link" :disabled="vehicle.isFound.value" @click="replacing = true">
      a coilover in place of bar and damper
    </button>
    <p class="small quiet">
      A thicker bar is stiffer and needs less twist for the same load: rate and free plate angle change together. Bars
      are handed and set one way; left stays left.
    </p>
  </section>
</template>

<style scoped>
.beside { display: grid; grid-template-columns: 240px 200px; gap: 16px; margin: 8px 0; align-items: start; } .say { font-size: var(--t-3); } .add { border-top: 1px solid var(--rule); padding: 8px 0; display: grid; gap: 8px; justify-items: start; max-width: 460px; } .add > :deep(.barf) { width: 100%; }
label { display: grid; color: var(--ink-2); font-size: var(--t-1); } input { font: inherit; font-size: var(--t-3); height: 38px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; }
</style>
