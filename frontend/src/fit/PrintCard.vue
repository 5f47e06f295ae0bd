<script setup lang="ts">
import { ref } from 'vue'

import { messageOf } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { useCard } from './useCard'

/** The card on paper; one with loaded springs only once its cautions were read. */
const card = useCard()
const vehicle = useVehicle()
const units = useUnits()
const trouble = ref('')
const busy = ref(false)
async function print(what: 'card' | 'inspection'): Promise<void> {
  if (what === 'card' && card.card.value?.energy && !card.read.value) {
    trouble.value = 'Read the cautions of the loaded springs first: the strip above the steps'
    return
  }
  busy.value = true
  trouble.value = ''
  const body = {
    document: vehicle.document.value,
    setup: card.setup.value,
    against: card.card.value?.before ?? null,
    system: units.system.value,
    vehicle_id: vehicle.id,
  }
  const answer = await fetch(`/api/card/${what}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null)
  if (answer?.ok) {
    const link = document.createElement('a')
    link.href = URL.createObjectURL(await answer.blob())
    link.download = `${vehicle.document.value?.vehicle.name ?? 'vehicle'}-${what === 'card' ? 'job-card' : 'inspection-note'}.pdf`
    link.click()
    URL.revokeObjectURL(link.href)
  } else trouble.value = messageOf(await answer?.json().catch(() => null))
  busy.value = false
}
</script>

<template>
  <span class="print">
    <button class="link" :disabled="busy" @click="print('card')">Print the card</button>
    <button class="link" :disabled="busy" @click="print('inspection')">Inspection note</button>
    <span v-if="trouble" role="alert" class="grade-look">{{ trouble }}</span>
  </span>
</template>

<style scoped>
.print { display: inline-flex; gap: 14px; flex-wrap: wrap; align-items: center; }
</style>
