<script setup lang="ts">
import { ref, watch } from 'vue'

import { api, type AirRow, type EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useAnswer } from '@/composables/useAnswer'

import { useSag } from './useSag'
import { boundsOf } from '@/units/read'

/** An air spring by its volume spacers: pressure for the sag wanted, and how hard the end of the stroke is. */
const props = defineProps<{ end: EndName }>()
const { vehicle, units, side, mm, pumped, set, sags } = useSag()
const { found, trouble } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup ? api.POST('/api/sag/air', { body: { document, setup: setup.id, end: props.end } }) : null
}, [vehicle.report, () => props.end])
async function take(r: AirRow): Promise<void> {
  if (r.pressure == null) return
  await vehicle.act(`${r.spacers} spacers, ${props.end}`, {
    act: 'take air',
    end: props.end,
    spacers: r.spacers,
    pressure: r.pressure,
  })
}
const force = (v: number | null | undefined): string => (v == null ? '–' : units.show(v, 'N', { decimals: 0 }))
// the same chamber ridden elsewhere
const at = ref({ temperature: 20, new_temperature: 5, altitude: 200, new_altitude: 1800 })
const there = ref<number | null>(null)
const pressure = () => side(props.end).pressure ?? sags(props.end)?.wanted_pressure?.value ?? null
watch(
  [at, vehicle.report, () => props.end],
  async () => {
    const now = pressure()
    if (now === null) return void (there.value = null)
    const { data } = await api
      .POST('/api/sag/elsewhere', { body: { pressure: now, ...at.value } })
      .catch(() => ({ data: undefined }))
    there.value = data?.pressure ?? null
  },
  { deep: true, immediate: true },
)
const FIELDS = [
  { key: 'temperature', words: 'pumped at', unit: '°C', ...boundsOf('Air.temperature') },
  { key: 'altitude', words: 'and at', unit: 'm over the sea', ...boundsOf('Air.altitude') },
  { key: 'new_temperature', words: 'ridden at', unit: '°C', ...boundsOf('Air.temperature') },
  { key: 'new_altitude', words: 'and at', unit: 'm over the sea', ...boundsOf('Air.altitude') },
] as const
function typed(key: (typeof FIELDS)[number]['key'], text: string, low: number, high: number): void {
  const value = Number(text.replace(',', '.'))
  if (text.trim() && Number.isFinite(value) && value >= low && value <= high) at.value = { ...at.value, [key]: value }
}
</script>

<template>
  <section class="air" :aria-label="`Air, ${end}`">
    <h3 aria-level="2">{{ end === 'front' ? 'Front' : 'Rear' }} air, by volume spacers</h3>
    <div class="set">
      <QuantityField
        label="pressure, wheel off the floor"
        strong
        of="SideSetup.pressure"
        :decimals="units.unit('Pa').name === 'psi' ? 0 : 1"
        :readonly="vehicle.isFound.value"
        :model-value="side(end).pressure"
        @update:model-value="(v) => set(end, 'pressure', { set_by: 'pressure', pressure: v })" />
      <p v-if="side(end).pressure" class="quiet">
        The pump shows {{ pumped(side(end).pressure!) }}. Screwing it on and off costs a little of it; pump last to the
        mark, and cycle the wheel so that the chambers equalise.
      </p>
    </div>
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <table v-if="found?.rows.length" aria-label="Volume spacers">
      <thead>
        <tr>
          <th><TermWord words="spacers" /></th>
          <th><TermWord words="pressure for the sag" /></th>
          <th><TermWord words="bike alone" /></th>
          <th>wheel rate, half-way, {{ units.unit('N/m').written }}</th>
          <th><TermWord words="at full travel, slow" /></th>
          <th><TermWord words="in a fast stroke" /></th>
          <th><TermWord words="times the rider" /></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in found.rows" :key="r.spacers" :class="{ sel: r.chosen }">
          <td>
            <button
              class="pick"
              :disabled="vehicle.isFound.value || r.pressure === null"
              :aria-pressed="r.chosen"
              @click="take(r)">
              {{ r.spacers }}
            </button>
          </td>
          <td>{{ r.pressure === null ? 'no pressure does' : pumped(r.pressure!) }}</td>
          <td>{{ mm(r.free_sag) }}</td>
          <td>{{ r.middle_rate == null ? '–' : units.show(r.middle_rate, 'N/m') }}</td>
          <td>{{ force(r.slow) }}</td>
          <td>{{ force(r.fast) }}</td>
          <td>
            <b>{{ r.times?.toFixed(1) ?? '–' }}</b>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">
      Forces at the wheel, {{ units.unit('N').written }}. More spacers: the same sag, a harder end. Bangs through: one
      more; never uses its last part: one less. Air keeps its heat in a fast stroke (n = 1.3), not while sag is read (n
      = 1).
    </p>
    <div class="else">
      <span v-for="f in FIELDS" :key="f.key"
        ><label :for="`${end}-${f.key}`">{{ f.words }}</label
        ><input
          :id="`${end}-${f.key}`"
          :value="at[f.key]"
          inputmode="text"
          @input="typed(f.key, ($event.target as HTMLInputElement).value, f.low, f.high)" />
        {{ f.unit }}</span
      ><b v-if="there !== null">then the gauge shows {{ pumped(there) }}</b>
    </div>
    <p class="small quiet">
      <b class="grade-look">Look</b> Let all air out, and cycle the wheel, before an air spring or its shaft is opened;
      a gas-charged damper belongs with a licensed workshop.
    </p>
  </section>
</template>

<style scoped>
.air { border-top: var(--l-mid) solid var(--ink); padding-top: 8px; margin-top: 10px; } .set { display: grid; grid-template-columns: 220px 1fr; gap: 16px; align-items: end; }
table { width: 100%; border-collapse: collapse; margin-top: 8px; } th { font-weight: 400; color: var(--ink-2); text-align: right; padding: 2px 6px; line-height: 1.1; } td { text-align: right; padding: 2px 6px; border-top: 1px solid var(--rule); font-size: var(--t-3); } th:first-child, td:first-child { text-align: left; } .sel td { background: var(--plan-tint); } .pick { min-height: 44px; min-width: 44px; text-align: left; font-weight: 600; }
.else { display: flex; flex-wrap: wrap; gap: 4px 14px; align-items: center; margin: 6px 0; } .else label { color: var(--ink-2); margin-right: 6px; } .else input { font: inherit; width: 64px; height: 38px; text-align: right; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; }
</style>
