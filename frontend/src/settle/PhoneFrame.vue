<script setup lang="ts">
import { computed, watch } from 'vue'

import { useVehicle } from '@/composables/useVehicle'

import { useLog } from './useLog'

/** A page for one hand: its heading, and whether what was typed waits here for the bench. */
defineProps<{ title: string; count?: string }>()
const vehicle = useVehicle()
const log = useLog()
const kept = computed(() => vehicle.saveState.value === 'kept' || log.waiting.value > 0)
// a phone comes here from the bench with the plan in hand: what stands on the wheels is the newest fitted setup
watch(
  () => vehicle.document.value?.setups,
  (setups, was) => {
    if (!setups || was) return
    const on = setups.findLast((s) => s.stage === 'fitted' || s.stage === 'settled')
    if (on && vehicle.setup.value?.stage !== 'fitted' && vehicle.setup.value?.stage !== 'settled')
      vehicle.selectSetup(on.id)
  },
  { immediate: true },
)
</script>

<template>
  <div class="phone">
    <header>
      <b>{{ vehicle.document.value?.vehicle.name ?? '' }}</b><span class="quiet">{{ title }}</span
      ><span class="count">{{ count }}</span>
    </header>
    <p v-if="kept" class="kept" role="status">
      <b>Kept here</b><span class="small">sends when the bench answers</span>
    </p>
    <p v-if="vehicle.missing.value" class="pad">
      This vehicle is not in the garage. <router-link to="/">Back to the garage</router-link>
    </p>
    <p v-else-if="!vehicle.document.value" class="pad quiet" role="status">Opening the vehicle…</p>
    <p v-else-if="vehicle.isFound.value" class="pad">
      Nothing is fitted yet. <router-link :to="`/vehicle/${vehicle.id}/fit`">The job card</router-link>
    </p>
    <slot v-else />
  </div>
</template>

<style scoped>
.phone { background: var(--ground); height: 100dvh; overflow: auto; max-width: 520px; margin: 0 auto; color: var(--ink); }
header { display: flex; gap: 10px; align-items: baseline; background: var(--vellum); border-bottom: var(--l-mid) solid var(--ink); padding: 8px 16px; font-size: var(--t-3); } header b { font-size: var(--t-4); } .count { margin-left: auto; white-space: nowrap; }
.kept { display: grid; padding: 4px 16px; background: var(--sheet); border-bottom: 1px solid var(--rule); } .pad { padding: 8px 16px; }
</style>
