<script setup lang="ts">
import { ref } from 'vue'

import type { Step } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

/** A step made the workshop's own: other words, another place in its group, away from the card. Kept for this vehicle. */
const props = defineProps<{
  step: Step
  before: Step | undefined
  twoBefore: Step | undefined
  after: Step | undefined
}>()
const vehicle = useVehicle()
const card = () => vehicle.document.value?.card ?? {}
const asking = ref(false)
const words = ref('')
const put = (said: string, member: string, value: unknown): void =>
  vehicle.edit(said, [{ path: ['card', member], value }])
function reword(): void {
  const text = words.value.trim()
  asking.value = false
  if (props.step.own) {
    const own = (card().own ?? []).map((o) => (`own.${o.id}` === props.step.key ? { ...o, words: text } : o))
    return text ? put('words of a step', 'own', own) : undefined
  }
  const others = (card().words ?? []).filter((w) => w.step !== props.step.key)
  put('words of a step', 'words', text ? [...others, { step: props.step.key, words: text }] : others)
}
function move(after: string | undefined): void {
  const others = (card().places ?? []).filter((p) => p.step !== props.step.key)
  put('place of a step', 'places', [...others, { step: props.step.key, after: after ?? '' }])
}
function away(): void {
  if (props.step.own)
    put(
      'a step of your own, away',
      'own',
      (card().own ?? []).filter((o) => `own.${o.id}` !== props.step.key),
    )
  else put('a step not on this card', 'hidden', [...(card().hidden ?? []), props.step.key])
}
const ask = (): void => {
  words.value =
    (card().words ?? []).find((w) => w.step === props.step.key)?.words ?? (props.step.own ? props.step.text : '')
  asking.value = true
}
</script>

<template>
  <span class="edits">
    <button v-if="!asking" class="link" @click="ask">Other words</button>
    <template v-else
      ><input
        v-model="words"
        class="line"
        maxlength="200"
        aria-label="Other words for this step"
        placeholder="blank: Feder’s own again"
        @keydown.enter="reword" /><button class="act" @click="reword">Take</button></template
    >
    <button class="link" :disabled="!before" @click="move(twoBefore?.key)">Up</button>
    <button class="link" :disabled="!after" @click="move(after?.key)">Down</button>
    <button class="link" @click="away">Not on this card</button>
  </span>
</template>

<style scoped>
.edits { display: inline-flex; gap: 10px; flex-wrap: wrap; align-items: center; } .line { font: inherit; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; width: 240px; } .link:disabled { color: var(--ink-3); text-decoration: none; }
</style>
