<script setup lang="ts">
import { ref } from 'vue'

import type { StepGroup } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

/** A step of the workshop's own, after the last one of the group; it stays with this vehicle and comes again next time. */
const props = defineProps<{ group: StepGroup }>()
const vehicle = useVehicle()
const words = ref('')
function add(): void {
  const text = words.value.trim()
  if (!text) return
  const own = vehicle.document.value?.card?.own ?? []
  const made = {
    id: `o${Date.now().toString(36)}`,
    group: props.group.id,
    after: props.group.steps.at(-1)?.key ?? '',
    words: text,
  }
  vehicle.edit('a step of your own', [{ path: ['card', 'own'], value: [...own, made] }])
  words.value = ''
}
</script>

<template>
  <form class="own" @submit.prevent="add">
    <input
      v-model="words"
      class="line"
      maxlength="200"
      :aria-label="`A step of your own, ${group.words}`"
      placeholder="a step of your own, kept for this vehicle" />
    <button class="act" :disabled="!words.trim()">Add</button>
  </form>
</template>

<style scoped>
.own { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 10px; margin-top: 8px; } .line { font: inherit; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; }
</style>
