<script setup lang="ts">
import { computed, ref } from 'vue'

import { type DamperPart, type EndName, messageOf, type Place } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'

import { useBenches } from './useBenches'

/** What is known of a damper's curve: measured rows by click, an assumed family, or one coefficient. */
const props = defineProps<{ end: EndName; place: Place; both: boolean }>()
const vehicle = useVehicle()
const units = useUnits()
const own = computed(() => vehicle.setup.value!.sides![props.place]!.damper ?? null)
const found = computed(() => vehicle.document.value!.setups[0]!.sides![props.place]!.damper ?? null)
const part = computed<DamperPart | null>(() => own.value ?? found.value)
const index = computed(() => (own.value ? vehicle.setupIndex.value : 0))
const places = computed<Place[]>(() =>
  props.both ? [`${props.end}_left` as Place, `${props.end}_right` as Place] : [props.place],
)
/** The damper put right where it is told: in this setup, or as found for every setup that keeps it. */
function put(words: string, members: Partial<DamperPart>): void {
  if (!part.value) return
  const made = { ...part.value, ...members } as DamperPart
  vehicle.edit(
    `${words}, ${props.end}`,
    places.value.map((p) => ({ path: ['setups', index.value, 'sides', p, 'damper'], value: made })),
  )
}
const SHARES = ['rebound_shut', 'rebound_open', 'bump_shut', 'bump_open'] as const
const WORDS = {
  rebound_shut: 'rebound, shut',
  rebound_open: 'rebound, open',
  bump_shut: 'bump, shut',
  bump_open: 'bump, open',
}
const draft = useDraft(`${vehicle.id} ${props.place} family`, SHARES)
function setShare(member: (typeof SHARES)[number], value: number | null): void {
  const now = part.value?.family
  if (now) {
    if (value === null) {
      draft.park({ ...Object.fromEntries(SHARES.map((m) => [m, now[m]])), [member]: null })
      return put('family curve', { family: null })
    }
    return put('family curve', { family: { ...now, [member]: value } })
  }
  const whole = draft.put(member, value)
  if (whole) put('family curve', { family: { ...whole, knee: 0.12, high_share: 0.3, tolerances: {} } })
}
const setFamily = (member: 'knee' | 'high_share', value: number | null): void =>
  void (
    part.value?.family &&
    value !== null &&
    put('family curve', { family: { ...part.value.family, [member]: value } })
  )
const file = ref<HTMLInputElement | null>(null)
const trouble = ref('')
const faults = ref<{ place: string; message: string }[]>([])
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  const answer = await fetch('/api/curves', { method: 'POST', body: await chosen.arrayBuffer() }).catch(() => null)
  const body = (await answer?.json().catch(() => null)) as {
    rows?: DamperPart['rows']
    error?: { message: string; faults: { place: string; message: string }[] }
  } | null
  trouble.value = answer?.ok ? '' : messageOf(body)
  faults.value = answer?.ok ? [] : (body?.error?.faults ?? [])
  if (answer?.ok && body?.rows) put('measured curves', { rows: [...(part.value?.rows ?? []), ...body.rows] })
}
const clicksOf = (row: NonNullable<DamperPart['rows']>[number]): string =>
  (['rebound', 'bump', 'high_bump', 'both'] as const)
    .filter((k) => row[k] != null)
    .map((k) => `${k.replace('_', '-speed ')} ${row[k]}`)
    .join(', ') || 'no clicks told'
const span = (row: NonNullable<DamperPart['rows']>[number]): string => {
  const v = row.points.map((p) => p[0]!)
  const at = (speed: number): string => units.show(speed, 'm/s', { kind: 'damper speed', decimals: 3 })
  return `${row.points.length} points, ${at(Math.min(...v))} to ${at(Math.max(...v))} ${units.unit('m/s', 'damper speed').written}`
}
const benches = useBenches()
const doubts = (i: number) => (benches.of(props.end)?.doubts ?? []).filter((d) => d.row === i)
const out = (i: number): void => put('measured curves', { rows: part.value!.rows!.filter((_, k) => k !== i) })
</script>

<template>
  <div v-if="part" class="curves">
    <h3 aria-level="2">Measured curves</h3>
    <table v-if="part.rows?.length">
      <tbody>
        <tr v-for="(r, i) in part.rows" :key="i">
          <td>
            <b>{{ clicksOf(r) }}</b>
          </td>
          <td>
            {{ span(r) }}
            <small v-for="d in doubts(i)" :key="d.text" class="doubt"
              ><b class="grade-look">Look</b> {{ sentence(d.text, d.numbers, units.system.value) }}</small
            >
          </td>
          <td class="r">
            <button class="link" :aria-label="`take curve ${i + 1} out, ${end}`" @click="out(i)">take out</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="small quiet">None yet.</p>
    <p class="small quiet">
      A CSV file: velocity first, then a column of force for each setting, named by its clicks ("rebound 4 bump 11").
      Bare numbers are mm/s and N; a head may say in/s or lbf. Closing is positive; take gas push off.
    </p>
    <button class="act" @click="file?.click()">Curves from CSV</button
    ><input
      ref="file"
      type="file"
      accept=".csv,text/csv"
      class="seen-not"
      :aria-label="`curves file, ${end}`"
      @change="read" />
    <div v-if="trouble" class="grade-stop" role="alert">
      <p>{{ trouble }}</p>
      <ul v-if="faults.length > 1">
        <li v-for="f in faults.slice(0, 12)" :key="f.place + f.message">{{ f.place }}: {{ f.message }}</li>
      </ul>
    </div>
    <h3 aria-level="2">Or an assumed family, marked ~</h3>
    <p class="small quiet">
      Coefficient below the knee with each knob shut and open, even steps between; beyond the knee the share of that
      slope.<template v-if="part.rows?.length"> Measured curves stand before it.</template>
    </p>
    <div class="grid">
      <QuantityField
        v-for="m in SHARES"
        :key="m"
        :label="WORDS[m]"
        :of="`Family.${m}`"
        :decimals="0"
        :model-value="part.family?.[m] ?? draft.get(m)"
        @update:model-value="(v) => setShare(m, v)" />
      <QuantityField
        v-if="part.family"
        label="knee"
        of="Family.knee"
        kind="damper speed"
        :decimals="2"
        :clearable="false"
        :model-value="part.family.knee"
        @update:model-value="(v) => setFamily('knee', v)" />
      <QuantityField
        v-if="part.family"
        label="share beyond it"
        of="Family.high_share"
        :decimals="2"
        :clearable="false"
        :model-value="part.family.high_share"
        @update:model-value="(v) => setFamily('high_share', v)" />
    </div>
    <p v-if="!part.rows?.length && !part.family && part.coefficient" class="small">
      One coefficient is told: {{ units.show(part.coefficient.value, 'N*s/m', { unit: true }) }}, the same at every
      click.
    </p>
  </div>
</template>

<style scoped>
.curves { display: grid; gap: 6px; justify-items: start; padding-bottom: 12px; } h3 { margin: 8px 0 0; } table { width: 100%; border-collapse: collapse; } td { border-top: 1px solid var(--rule); height: 44px; } .r { text-align: right; } .doubt { display: block; line-height: 1.2; }
.grid { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 8px 12px; align-items: end; width: 100%; } @media (max-width: 620px) { .grid { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } }
</style>
