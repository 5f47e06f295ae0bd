<script setup lang="ts">
import { ref } from 'vue'

import { api, messageOf } from '@/api/client'
import { useBlankPage } from '@/composables/useBlankPage'
import { useNotices } from '@/composables/useNotices'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import type { Change } from '@/logic/patch'

/** The survey on paper and as a file: a blank page to fill in by pen, CSV out and in. */
const props = defineProps<{
  /** Which survey: a round of a setup; none: as found. */
  survey?: number
}>()
const vehicle = useVehicle()
const units = useUnits()
const notices = useNotices()
const { print, trouble } = useBlankPage()
const picker = ref<HTMLInputElement | null>(null)
const question = () => ({ document: vehicle.document.value!, system: units.system.value, survey: props.survey ?? 0 })

async function out(): Promise<void> {
  const { data, error } = await api
    .POST('/api/survey/file', { body: question(), parseAs: 'text' })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (data === undefined) return void (trouble.value = messageOf(error))
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(new Blob([data as string], { type: 'text/csv' }))
  link.download = `${vehicle.document.value!.vehicle.name.replace(/[^a-zA-Z0-9]+/g, '-') || 'vehicle'}-survey.csv`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}
async function taken(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const text = await file.text()
  const { data, error } = await api
    .POST('/api/survey/read', { body: { document: vehicle.document.value!, text, survey: props.survey ?? 0 } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (!data) return void (trouble.value = messageOf(error))
  trouble.value = ''
  vehicle.take('survey from a file', data.patch as Change[])
  notices.say(`Readings taken from ${file.name}`, () => vehicle.undo())
}
</script>

<template>
  <div class="files">
    <button v-if="survey === undefined" class="link" @click="print()">print a blank page</button>
    <button class="link" @click="out">readings as CSV</button>
    <button class="link" @click="picker?.click()">readings from CSV</button>
    <input
      ref="picker"
      type="file"
      accept=".csv,text/csv,text/plain"
      class="seen-not"
      aria-label="Survey file"
      @change="taken" />
  </div>
  <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
</template>

<style scoped>
.files { display: flex; flex-wrap: wrap; gap: 0 28px; }
</style>
