<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'

import { api, type InstrumentKind } from '@/api/client'

import { KINDS } from './kinds'
import type { useInstruments } from './useInstruments'

/** Connect an instrument: its kind, where it is, and how it speaks if it has a way of its own. */
const props = defineProps<{ kind: InstrumentKind | null; instruments: ReturnType<typeof useInstruments> }>()
const emit = defineEmits<{ close: [] }>()
const told = reactive({ kind: props.kind ?? ('scales' as InstrumentKind), url: '', baud: 9600, pattern: '' })
const ports = ref<{ port: string; says: string }[]>([])
const bauds = ref<number[]>([9600])
onMounted(async () => {
  const { data } = await api.GET('/api/instruments/ports').catch(() => ({ data: undefined }))
  if (!data) return
  ports.value = data.ports
  bauds.value = data.bauds
})
const trouble = ref('')
async function connect(): Promise<void> {
  if (await props.instruments.connect({ ...told })) emit('close')
  else trouble.value = props.instruments.trouble.value
}
</script>

<template>
  <v-dialog :model-value="true" max-width="560" aria-label="Connect an instrument" @update:model-value="emit('close')">
    <v-card class="pa-6">
      <h2>Connect an instrument</h2>
      <form class="mt-3" @submit.prevent="connect">
        <label
          ><span>kind</span
          ><select v-model="told.kind">
            <option v-for="k in KINDS" :key="k.kind" :value="k.kind">{{ k.words }}</option>
          </select></label
        >
        <label
          ><span>serial port or network address</span
          ><input
            v-model="told.url"
            list="ports"
            maxlength="200"
            autocomplete="off"
            placeholder="/dev/ttyUSB0 or 192.168.4.31:2101" />
          <datalist id="ports">
            <option v-for="p in ports" :key="p.port" :value="p.port">{{ p.says }}</option>
          </datalist></label
        >
        <label v-if="/^(\/dev|COM)/.test(told.url)"
          ><span>baud</span
          ><select v-model.number="told.baud">
            <option v-for="b in bauds" :key="b" :value="b">{{ b }}</option>
          </select></label
        >
        <label
          ><span>line pattern, if it speaks its own way</span
          ><input v-model="told.pattern" maxlength="120" autocomplete="off" placeholder="{name} {value} {unit} {state}"
        /></label>
        <p class="quiet small">
          Write a line as the device sends it, with {name}, {value}, {unit} and {state} where those stand and {*} for
          what is skipped. Left empty, a line is read as “front_left 312.5 kg steady”.
        </p>
        <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
        <p class="acts">
          <button class="act go" type="submit">Connect</button
          ><button class="act" type="button" @click="emit('close')">Not now</button>
        </p>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
form { display: grid; gap: 12px; } label { display: grid; } label span { font-size: var(--t-1); color: var(--ink-2); } input, select { font: inherit; font-size: var(--t-3); min-height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; } ::placeholder { color: var(--ink-3); opacity: 1; } .acts { display: flex; gap: 12px; }
</style>
