<script setup lang="ts">
import { ref } from 'vue'

import { api, messageOf } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

import { useProve } from './useProve'

/** All traces of both runs as a file; its first line says how the run is repeated. */
const prove = useProve()
const vehicle = useVehicle()
const trouble = ref('')
const busy = ref(false)
async function take(): Promise<void> {
  const [document, setup, against] = [vehicle.reported.value, vehicle.report.value?.setup, prove.against.value]
  if (!document || !setup || !against) return
  busy.value = true
  const body = { document, setup, against, load_state: vehicle.loadState.value }
  const { data, error } = await api
    .POST('/api/prove/traces.csv', { body, parseAs: 'text' })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  busy.value = false
  trouble.value = data === undefined ? messageOf(error) : ''
  if (data === undefined) return
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(new Blob([String(data)], { type: 'text/csv' }))
  link.download = `${document.vehicle.name} run.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <p>
    <button class="link" :disabled="busy" @click="take">all traces as a CSV file</button>
    <label class="sheet">
      <input
        type="checkbox"
        :checked="prove.proving.value.on_sheet"
        @change="prove.set('run on the sheet', { on_sheet: ($event.target as HTMLInputElement).checked })" />
      tell it on the setup sheet
    </label>
    <span v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</span>
  </p>
</template>

<style scoped>
.sheet { margin-left: 18px; display: inline-flex; align-items: center; gap: 8px; min-height: 44px; } input { width: 20px; height: 20px; accent-color: var(--ink); }
</style>
