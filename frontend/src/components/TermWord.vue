<script setup lang="ts">
import { useTerms } from '@/composables/useTerms'

/** A word that says what it means: by tap, by key, and to a hand that rests on it. Plain text where the glossary has none. */
const props = defineProps<{ words: string }>()
const terms = useTerms()
const term = terms.of(() => props.words)
</script>

<template>
  <button
    v-if="term"
    type="button"
    class="term"
    :title="`${term.says} ${term.where}`"
    @click.stop="terms.show(term, $event.currentTarget as Element)">
    {{ words }}</button><template v-else>{{ words }}</template>
</template>

<style scoped>
.term { font: inherit; color: inherit; text-align: inherit; text-decoration: underline dotted 1px; text-underline-offset: 4px; cursor: help; padding: 12px 0; margin: -12px 0; max-width: 100%; }
</style>
