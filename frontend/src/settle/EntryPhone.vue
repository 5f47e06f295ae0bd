<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import type { LogEntry } from '@/api/client'
import { provideVehicle } from '@/composables/useVehicle'

import EntryForm from './EntryForm.vue'
import PhoneFrame from './PhoneFrame.vue'
import { provideLog } from './useLog'

/** A new entry in one hand: kept as it is typed, sent when the bench answers. */
const route = useRoute()
const router = useRouter()
const vehicle = provideVehicle(String(route.params.id))
const log = provideLog(vehicle)
const draft = useLocalStorage<LogEntry | null>(`feder-entry-phone ${vehicle.id}`, null, {
  serializer: { read: (t) => JSON.parse(t) as LogEntry | null, write: (v) => JSON.stringify(v) },
})
const entry = ref<LogEntry>(draft.value ?? log.blank())
const kept = ref<number | null>(null)
const number = computed(() => (log.entries.value.at(-1)?.number ?? 0) + 1 + log.waiting.value)
function keep(done: LogEntry): void {
  const n = number.value
  log.write(done, vehicle.document.value!)
  draft.value = null
  kept.value = n
  entry.value = log.blank()
}
const title = computed(() => `new entry, ${number.value}`)
watch(title, (t) => (window.document.title = `${t} · Feder`), { immediate: true })
</script>

<template>
  <PhoneFrame :title="title">
    <main class="pad">
      <h1 class="seen-not">New entry of the log</h1>
      <p v-if="kept !== null" class="done" role="status">
        <b>Entry {{ kept }} is kept{{ log.waiting.value ? ' here' : '' }}.</b>
        <button class="link" @click="kept = null">another one</button>
      </p>
      <EntryForm
        v-else
        :entry="entry"
        :changes="log.changes.value"
        :first="log.isFirst.value"
        :words="log.words.value"
        :number="number"
        :keep="`Keep entry ${number}`"
        @draft="(e) => (draft = e)"
        @keep="keep"
        @close="router.push(`/vehicle/${vehicle.id}/settle?view=log`)" />
      <router-link class="link" :to="`/vehicle/${vehicle.id}/settle?view=log`">the log at the bench</router-link>
    </main>
  </PhoneFrame>
</template>

<style scoped>
.pad { padding: 4px 16px 16px; } .done { font-size: var(--t-3); display: flex; gap: 12px; align-items: center; }
</style>
