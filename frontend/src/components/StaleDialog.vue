<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'

import { useNotices } from '@/composables/useNotices'
import { useVehicle } from '@/composables/useVehicle'
import { differences } from '@/logic/patch'

/** Saved elsewhere since: both versions, told apart, and the choice. Nothing is overwritten unasked. */
const vehicle = useVehicle()
const notices = useNotices()
const router = useRouter()
const open = computed(() => vehicle.saveState.value === 'stale' && !!vehicle.stale.value)
const rows = computed(() =>
  vehicle.stale.value && vehicle.document.value
    ? differences(vehicle.document.value, vehicle.stale.value.document)
    : [],
)
const say = (v: unknown): string => {
  if (v === null || v === undefined) return 'nothing'
  const text = typeof v === 'object' ? JSON.stringify(v) : String(v)
  return text.length > 48 ? `${text.slice(0, 48)}…` : text
}
const when = computed(() => (vehicle.stale.value ? new Date(`${vehicle.stale.value.updated}Z`).toLocaleString() : ''))
const refused = ref('')
async function both(): Promise<void> {
  const id = await vehicle.keepBoth()
  if (!id) return void (refused.value = vehicle.trouble.value ?? 'That did not work; nothing was changed')
  notices.say('Yours is kept as a vehicle of its own')
  void router.push(`/vehicle/${id}/springs`)
}
</script>

<template>
  <v-dialog aria-label="Saved elsewhere too" :model-value="open" persistent max-width="760">
    <v-card class="pa-6">
      <h2>This vehicle was saved elsewhere too</h2>
      <p class="mt-2">
        The other version was saved {{ when }}. They differ in {{ rows.length }}
        {{ rows.length === 1 ? 'place' : 'places' }}; choose which one stays. Nothing is lost until you choose.
      </p>
      <div class="diff">
        <table>
          <thead>
            <tr>
              <th>where</th>
              <th>yours, here</th>
              <th>the other</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows.slice(0, 40)" :key="r.path">
              <td>{{ r.path }}</td>
              <td>{{ say(r.mine) }}</td>
              <td>{{ say(r.theirs) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="refused" class="grade-stop" role="alert">{{ refused }}</p>
      <div class="acts">
        <button class="act go" @click="vehicle.keepMine()">Keep mine</button>
        <button class="act" @click="vehicle.takeTheirs()">Take the other</button>
        <button class="act" @click="both">Keep both, mine as a copy</button>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.diff { max-height: 320px; overflow: auto; margin: 14px 0; border-top: 1.5px solid var(--ink); }
table { width: 100%; border-collapse: collapse; }
th { text-align: left; font-weight: 400; color: var(--ink-2); font-size: var(--t-1); padding: 6px 8px 6px 0; }
td { border-top: 1px solid var(--rule); padding: 6px 8px 6px 0; overflow-wrap: anywhere; }
.acts { display: flex; gap: 10px; flex-wrap: wrap; }
</style>
