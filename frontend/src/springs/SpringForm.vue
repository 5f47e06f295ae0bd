<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'

import { api, messageOf, type ShelfPart, type SpringPart } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'

import { toleranceOf } from '@/logic/tolerances'

import { readBench } from './bench'
import { vRoving } from '@/logic/roving'

/** A spring typed in: by its rate, its wire, or the readings of a bench; it goes on the shelf too. */
type Way = 'maker' | 'wire' | 'bench'
/** `part` is one of the shelf that is put right; setups that hold a copy keep it. */
const props = defineProps<{ open: boolean; part?: ShelfPart | null }>()
const emit = defineEmits<{ close: []; added: [part: SpringPart] }>()
type Number_ = number | null
const empty = () => ({
  code: '',
  rate: null as Number_,
  rateTolerance: null as Number_,
  freeTolerance: null as Number_,
  free: null as Number_,
  inside: null as Number_,
  wire: null as Number_,
  coils: null as Number_,
  solid: null as Number_,
  drop: null as Number_,
  load: null as Number_,
  addedFrom: null as Number_,
  addedTo: null as Number_,
  bench: '',
  curve: false,
})
/** The form filled with the part that is put right. */
function told(): Partial<ReturnType<typeof empty>> {
  const p = props.part?.part
  if (!p) return {}
  return {
    code: p.code,
    rate: p.rate.value,
    rateTolerance: p.rate.tolerance ?? null,
    free: p.free_length ?? null,
    freeTolerance: p.tolerances?.free_length ?? null,
    inside: p.inside_diameter ?? null,
    wire: p.wire_diameter ?? null,
    coils: p.active_coils ?? null,
    solid: p.solid_length ?? null,
    drop: p.quoted_drop ?? null,
    load: p.most_load ?? null,
    addedFrom: p.added_from ?? null,
    addedTo: p.added_to ?? null,
  }
}
const WAYS: { id: Way; words: string }[] = [
  { id: 'maker', words: 'Its rate is known' },
  { id: 'wire', words: 'From its wire' },
  { id: 'bench', words: 'Pressed on a bench' },
]
const units = useUnits()
const way = ref<Way>('maker')
const form = reactive(empty())
const trouble = ref('')
const worked = ref<Record<string, number> | null>(null)
const refused = ref('')
watch(
  () => props.open,
  (now) => {
    if (now) {
      Object.assign(form, empty(), told())
      way.value = 'maker'
      trouble.value = ''
      worked.value = null
      refused.value = ''
    }
  },
)

const bench = computed(() => readBench(form.bench, units.unit('m').factor, units.unit('N').factor))
const question = computed<{ name: string; body: Record<string, unknown> } | null>(() => {
  if (way.value === 'wire')
    return form.wire && form.inside && form.coils
      ? {
          name: 'coil_rate',
          body: { wire_diameter: form.wire, mean_diameter: form.inside + form.wire, active_coils: form.coils },
        }
      : null
  if (way.value === 'bench')
    return bench.value.pairs.length >= 3 && !bench.value.wrong.length
      ? { name: 'measured_rate', body: { points: bench.value.pairs } }
      : null
  return null
})
let mine = 0
watch(question, async (now) => {
  const asked = ++mine
  worked.value = null
  refused.value = ''
  if (!now) return
  const response = await fetch(`/api/calc/${now.name}`, { method: 'POST', body: JSON.stringify(now.body) }).catch(
    () => null,
  )
  if (!response || asked !== mine) return
  const body = (await response.json()) as { results?: Record<string, { value: number }>; error?: { message: string } }
  if (body.results) worked.value = Object.fromEntries(Object.entries(body.results).map(([k, v]) => [k, v.value]))
  else refused.value = body.error?.message ?? ''
})
const rate = computed(() => (way.value === 'maker' ? form.rate : (worked.value?.rate ?? null)))
const ready = computed(() => !!form.code.trim() && rate.value !== null)
function read(event: Event): void {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) void file.text().then((text) => (form.bench = text))
}
async function add(): Promise<void> {
  if (!ready.value) return
  const was = props.part?.part
  const same = was && way.value === 'maker' && form.rate === was.rate.value
  const part: SpringPart = {
    ...was,
    kind: 'coil',
    code: form.code.trim(),
    rate: {
      value: rate.value!,
      how: same ? was.rate.how : way.value,
      tolerance: way.value === 'maker' ? form.rateTolerance : null,
    },
    tolerances: toleranceOf(null, 'free_length', form.freeTolerance),
    free_length: form.free,
    inside_diameter: form.inside,
    wire_diameter: form.wire,
    active_coils: form.coils,
    solid_length: form.solid ?? (way.value === 'wire' ? (worked.value?.solid_length ?? null) : null),
    quoted_drop: form.drop,
    added_from: form.addedFrom,
    added_to: form.addedTo,
    most_load: form.load,
    points: way.value === 'bench' ? (form.curve ? bench.value.pairs : null) : same ? was.points : null,
  }
  const sent = props.part
    ? api.PUT('/api/shelf/{part_id}', { params: { path: { part_id: props.part.id } }, body: part })
    : api.POST('/api/shelf', { body: part })
  const { data, error } = await sent.catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) emit('added', data.parts[0]!.part)
  else trouble.value = messageOf(error)
}
</script>

<template>
  <v-dialog aria-label="A spring" :model-value="open" max-width="660" @update:model-value="emit('close')">
    <v-card class="pa-6">
      <form data-fields @submit.prevent="add">
        <h2>{{ part ? `${part.part.code}, put right` : 'A spring typed in' }}</h2>
        <div v-roving class="ways" role="tablist" aria-label="How its rate is known">
          <button
            v-for="w in WAYS"
            :key="w.id"
            type="button"
            class="tab"
            role="tab"
            :aria-selected="w.id === way"
            @click="way = w.id">
            {{ w.words }}
          </button>
        </div>
        <div class="code">
          <label for="s-code" class="small quiet">its name or code</label
          ><input id="s-code" v-model="form.code" maxlength="80" autocomplete="off" />
        </div>
        <div v-if="way === 'bench'" class="pressed">
          <label for="s-bench" class="small quiet"
            >squeeze in {{ units.unit('m').written }} from its free length, force in {{ units.unit('N').written }}, one
            pair a line</label
          >
          <textarea
            id="s-bench"
            v-model="form.bench"
            rows="6"
            spellcheck="false"
            placeholder="10, 252&#10;20, 503&#10;30, 757"></textarea>
          <label class="link file"
            >read a CSV file<input type="file" accept=".csv,.txt,text/csv" class="seen-not" @change="read"
          /></label>
          <v-checkbox v-model="form.curve" label="its rate rises as it is squeezed: keep the curve" />
          <p v-if="bench.wrong.length" class="grade-stop">Not two numbers: {{ bench.wrong.slice(0, 3).join('; ') }}</p>
          <p v-else-if="bench.pairs.length && bench.pairs.length < 3" class="quiet">Three pairs or more.</p>
        </div>
        <div class="grid">
          <QuantityField
            v-if="way === 'maker'"
            :model-value="form.rate"
            :tolerance="form.rateTolerance"
            label="rate"
            of="SpringPart.rate"
            strong
            tolerant
            @update:model-value="(v, t) => ([form.rate, form.rateTolerance] = [v, t])" />
          <QuantityField
            :model-value="form.free"
            :tolerance="form.freeTolerance"
            label="free length"
            of="SpringPart.free_length"
            tolerant
            @update:model-value="(v, t) => ([form.free, form.freeTolerance] = [v, t])" />
          <QuantityField v-model="form.inside" label="inside diameter" of="SpringPart.inside_diameter" :decimals="1" />
          <QuantityField v-model="form.wire" label="wire diameter" of="SpringPart.wire_diameter" kind="fine length" />
          <QuantityField v-model="form.coils" label="active coils" of="SpringPart.active_coils" :decimals="2" />
          <QuantityField
            v-model="form.solid"
            label="solid length"
            of="SpringPart.solid_length"
            :hint="
              form.solid === null && way === 'wire' && worked?.solid_length ? 'from the wire, as below' : undefined
            " />
          <QuantityField
            v-model="form.drop"
            label="drop its maker quotes"
            of="SpringPart.quoted_drop"
            hint="lowering springs; none for others" />
          <QuantityField
            v-model="form.addedFrom"
            label="added load, from"
            of="SpringPart.added_from"
            hint="load springs: on one spring, above empty" />
          <QuantityField v-model="form.addedTo" label="added load, to" of="SpringPart.added_to" />
          <QuantityField v-model="form.load" label="most force it may bear" of="SpringPart.most_load" />
        </div>
        <p v-if="worked && way === 'wire'" class="mt-3">
          From the wire: <b>{{ units.show(worked.rate, 'N/m', { unit: true }) }}</b>, solid at
          {{ units.show(worked.solid_length, 'm', { unit: true }) }} (closed and ground ends).
        </p>
        <p v-if="worked && way === 'bench'" class="mt-3">
          Middle of the range, {{ bench.pairs.length }} pairs:
          <b>{{ units.show(worked.rate, 'N/m', { unit: true }) }}</b> ± {{ units.show(worked.standard_error, 'N/m') }},
          r² {{ worked.r_squared?.toFixed(4) }}. A good bench reads above 0.999; below, take it again or keep the curve.
        </p>
        <p v-if="refused" class="grade-stop mt-2">{{ refused }}</p>
        <p v-if="trouble" class="grade-stop mt-2" role="alert">{{ trouble }}</p>
        <div class="acts">
          <button class="act go" type="submit" :disabled="!ready">
            {{ part ? 'Keep it so' : 'Put it on the shelf' }}</button><button
            class="act"
            type="button"
            @click="emit('close')">
            Close
          </button>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.ways { display: flex; border-bottom: 1px solid var(--rule); margin-top: 4px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.grid { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px 16px; margin-top: 12px; align-items: start; }
.code, .pressed { display: grid; margin-top: 10px; }
.code input, textarea { font: inherit; font-size: var(--t-3); border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 4px 6px; outline: 0; } .code input { height: 40px; }
.code input:focus, textarea:focus { border-bottom: 3px solid var(--ink); } .file { cursor: pointer; } .file:focus-within { outline: 3px solid var(--ink); }
.acts { display: flex; gap: 10px; margin-top: 18px; }
</style>
