<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'

import { api, type DamperPart, messageOf, type ShelfDamper } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import { damperOf, filled, KNOB_WORDS, KNOBS, missing } from './form'

/** A damper typed in or put right. It goes on the shelf, unless it is told of a vehicle alone (`keep`). */
const props = defineProps<{ open: boolean; part?: ShelfDamper | null; told?: DamperPart | null; keep?: boolean }>()
const emit = defineEmits<{ close: []; added: [part: DamperPart] }>()
const was = computed(() => props.part?.part ?? props.told ?? null)
const form = reactive(filled())
const trouble = ref('')
watch(
  () => props.open,
  (now) => {
    if (!now) return
    Object.assign(form, filled(was.value))
    trouble.value = ''
  },
)
const needs = computed(() => missing(form))
async function add(): Promise<void> {
  if (needs.value) return void (trouble.value = needs.value)
  const part = damperOf(form, was.value)
  if (props.keep) return void emit('added', part)
  const sent = props.part
    ? api.PUT('/api/dampers/{part_id}', { params: { path: { part_id: props.part.id } }, body: part })
    : api.POST('/api/dampers', { body: part })
  const { data, error } = await sent.catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) emit('added', data.parts[0]!.part)
  else trouble.value = messageOf(error)
}
const LENGTHS = [
  { member: 'extended', words: 'extended', hint: 'mount to mount, pulled out' },
  { member: 'shut', words: 'shut', hint: 'pushed in, no stop' },
] as const
const BODY = [
  { member: 'body', words: 'body, as told', hint: 'where it can be turned' },
  { member: 'body_least', words: 'its shortest' },
  { member: 'body_most', words: 'its longest' },
  { member: 'engaged', words: 'thread engaged so' },
  { member: 'least_engaged', words: 'least engaged', hint: 'as its maker wants' },
] as const
const CARRIES = [
  { value: 'not told', title: 'not told' },
  { value: 'yes', title: 'meant to carry a spring' },
  { value: 'no', title: 'a damper alone' },
]
const FROM = ['fully closed', 'fully open']
</script>

<template>
  <v-dialog aria-label="A damper" :model-value="open" max-width="720" @update:model-value="emit('close')">
    <v-card class="pa-6 form">
      <form data-fields @submit.prevent="add">
        <h2>{{ was ? `${was.code}, put right` : 'A damper typed in' }}</h2>
        <div class="grid">
          <div class="text wide">
            <label for="d-code" class="small quiet">its name or code</label
            ><input id="d-code" v-model="form.code" maxlength="80" autocomplete="off" />
          </div>
          <div class="text">
            <label for="d-mounts" class="small quiet">lengths taken between</label
            ><input id="d-mounts" v-model="form.mounts" maxlength="80" autocomplete="off" placeholder="eye to eye" />
          </div>
          <QuantityField
            v-for="l in LENGTHS"
            :key="l.member"
            v-model="form[l.member]"
            :label="l.words"
            :of="`DamperPart.${l.member}`"
            :hint="l.hint" />
          <v-select v-model="form.carries" label="its mounts" :items="CARRIES" density="compact" />
          <QuantityField
            v-for="l in BODY"
            :key="l.member"
            v-model="form[l.member]"
            :label="l.words"
            :of="`DamperPart.${l.member}`"
            :hint="'hint' in l ? l.hint : undefined" />
          <QuantityField v-model="form.rod_diameter" label="rod" of="DamperPart.rod_diameter" kind="fine length" />
          <QuantityField v-model="form.gas_pressure" label="gas pressure" of="DamperPart.gas_pressure" />
          <QuantityField v-model="form.coefficient" label="coefficient, or blank" of="DamperPart.coefficient" />
          <QuantityField
            v-model="form.stop_length"
            label="its bump stop"
            of="DamperStop.length"
            kind="fine length"
            hint="blank: the one found" />
          <QuantityField
            v-model="form.stop_shaft"
            label="shaft that shows, extended"
            of="DamperStop.shaft"
            kind="fine length" />
          <QuantityField
            v-for="k in KNOBS"
            :key="k"
            v-model="form[k]"
            :label="KNOB_WORDS[k]"
            of="Knob.clicks"
            :decimals="0" />
          <v-select v-model="form.from" label="clicks counted from" :items="FROM" density="compact" />
          <div class="text wide">
            <label for="d-note" class="small quiet">note</label
            ><input id="d-note" v-model="form.note" maxlength="2000" autocomplete="off" />
          </div>
        </div>
        <p class="small quiet mt-3">
          Measure both lengths between the same two points as on the damper found, by hand: a charged damper pushes
          itself out, and is not opened.
        </p>
        <p v-if="trouble" class="grade-stop mt-2" role="alert">{{ trouble }}</p>
        <div class="acts">
          <button class="act go" type="submit">
            {{ keep ? 'It stands here' : was ? 'Keep it so' : 'Put it on the shelf' }}</button><button
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
.grid { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 12px 16px; margin-top: 12px; align-items: start; }
.form { max-height: 94dvh; overflow-y: auto; } .grid :deep(.v-select) { align-self: start; padding-top: 6px; }
.text { display: grid; } .wide { grid-column: span 2; }
.text input { font: inherit; font-size: var(--t-3); height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 4px 6px; outline: 0; min-width: 0; }
.text input:focus { border-bottom: 3px solid var(--ink); }
.acts { display: flex; gap: 10px; margin-top: 18px; }
@media (max-width: 600px) { .grid { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } }
</style>
