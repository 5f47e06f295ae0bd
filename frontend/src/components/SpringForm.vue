<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'

import { api, messageOf, type SpringPart } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

import QuantityField from './QuantityField.vue'

/** A spring typed in: by rate, or by its wire; it goes on the shelf too. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; added: [part: SpringPart] }>()
const empty = () => ({ code: '', rate: null as number | null, free: null as number | null, inside: null as number | null, wire: null as number | null, coils: null as number | null, solid: null as number | null })
const units = useUnits()
const form = reactive(empty())
const trouble = ref('')
const fromWire = ref<{ rate: number; solid: number } | null>(null)
watch(() => props.open, (now) => { if (now) { Object.assign(form, empty()); trouble.value = ''; fromWire.value = null } })

let asked = 0
watch(() => [form.wire, form.inside, form.coils], async ([wire, inside, coils]) => {
  const mine = ++asked
  fromWire.value = null
  if (!wire || !inside || !coils) return
  const response = await fetch('/api/calc/coil_rate', { method: 'POST', body: JSON.stringify({ wire_diameter: wire, mean_diameter: inside + wire, active_coils: coils }) }).catch(() => null)
  if (!response?.ok || mine !== asked) return
  const body = (await response.json()) as { results: Record<'rate' | 'solid_length', { value: number }> }
  fromWire.value = { rate: body.results.rate.value, solid: body.results.solid_length.value }
})
const rate = computed(() => form.rate ?? fromWire.value?.rate ?? null)
const ready = computed(() => form.code.trim() && rate.value !== null)
async function add(): Promise<void> {
  if (!ready.value) return
  const part: SpringPart = {
    kind: 'coil', code: form.code.trim(), rate: { value: rate.value!, how: form.rate === null ? 'wire' : 'maker' }, free_length: form.free, inside_diameter: form.inside,
    wire_diameter: form.wire, active_coils: form.coils, solid_length: form.solid ?? fromWire.value?.solid ?? null,
  }
  const { data, error } = await api.POST('/api/shelf', { body: part }).catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) emit('added', data.parts[0]!.part)
  else trouble.value = messageOf(error)
}
</script>

<template>
  <v-dialog :model-value="open" max-width="620" @update:model-value="emit('close')">
    <v-card class="pa-6">
      <form data-fields @submit.prevent="add">
        <h2>A spring typed in</h2>
        <p class="quiet">The rate, or wire, inside diameter and coils to work it out. It goes on the shelf.</p>
        <div class="code"><label for="s-code" class="small quiet">its name or code</label><input id="s-code" v-model="form.code" maxlength="80" autocomplete="off" /></div>
        <div class="grid">
          <QuantityField v-model="form.rate" label="rate" si="N/m" strong :low="500" :high="1e7" :hint="form.rate === null && fromWire ? 'from the wire, as below' : undefined" />
          <QuantityField v-model="form.free" label="free length" si="m" :low="0.02" :high="2" />
          <QuantityField v-model="form.inside" label="inside diameter" si="m" :decimals="1" :low="0.01" :high="0.5" />
          <QuantityField v-model="form.wire" label="wire diameter" si="m" kind="fine length" :low="0.001" :high="0.06" />
          <QuantityField v-model="form.coils" label="active coils" si="" :decimals="2" :low="0.5" :high="60" />
          <QuantityField v-model="form.solid" label="solid length" si="m" :low="0.005" :high="1" :hint="form.solid === null && fromWire ? 'from the wire, as below' : undefined" />
        </div>
        <p v-if="fromWire" class="mt-3">From the wire: {{ units.show(fromWire.rate, 'N/m', { unit: true }) }}, solid at {{ units.show(fromWire.solid, 'm', { unit: true }) }} (closed and ground ends).</p>
        <p v-if="trouble" class="grade-stop mt-2" role="alert">{{ trouble }}</p>
        <div class="acts"><button class="act go" type="submit" :disabled="!ready">Put it on the shelf</button><button class="act" type="button" @click="emit('close')">Close</button></div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px 16px; margin-top: 12px; align-items: start; }
.code { display: grid; margin-top: 10px; }
.code input { font: inherit; font-size: var(--t-3); height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; outline: 0; }
.code input:focus { border-bottom: 3px solid var(--ink); }
.acts { display: flex; gap: 10px; margin-top: 18px; }
</style>
