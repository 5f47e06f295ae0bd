<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, type OthersCard, type StepGroup } from '@/api/client'
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
/** Cards that the workshop made its own on vehicles of the same layouts are offered where this one has none. */
const others = ref<OthersCard[]>([])
const bare = computed(() => {
  const { own, words: said, hidden, places } = vehicle.document.value?.card ?? {}
  return ![own, said, hidden, places].some((list) => list?.length)
})
const ends = vehicle.document.value?.vehicle.ends
void api
  .GET('/api/card/others', {
    params: {
      query: { vehicle_id: vehicle.id, front: ends?.front?.layout ?? 'strut', rear: ends?.rear?.layout ?? 'strut' },
    },
  })
  .then(
    ({ data }) => data && (others.value = data.others),
    () => undefined, // without the server nothing is offered
  )
const take = (other: OthersCard): void =>
  vehicle.edit(`the workshop’s card, as on ${other.name}`, [{ path: ['card'], value: other.card }])
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
  <p v-if="bare && others.length" class="small">
    The workshop’s own steps and words, as on
    <button v-for="o in others" :key="o.name" class="link" @click="take(o)">{{ o.name }}</button>
  </p>
</template>

<style scoped>
.own { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 10px; margin-top: 8px; } .line { font: inherit; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; }
</style>
