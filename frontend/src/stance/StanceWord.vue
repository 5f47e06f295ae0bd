<script setup lang="ts">
import { useTerms } from '@/composables/useTerms'

/** The word between the figures of left and right: what it means, by tap or key. */
const props = defineProps<{ y: number; words: string; of?: string }>()
const terms = useTerms()
const term = terms.of(() => props.of ?? props.words)
const show = (event: Event): void => void (term.value && terms.show(term.value, event.currentTarget as Element))
</script>

<template>
  <text
    class="lab"
    :class="{ asks: term }"
    x="224"
    :y="y"
    text-anchor="middle"
    v-bind="term ? { role: 'button', tabindex: 0, 'aria-label': `${words}: what is this?` } : {}"
    @click="show"
    @keydown.enter="show"
    @keydown.space.prevent="show"
    >{{ words }}</text
  >
</template>

<style scoped>
.asks { cursor: help; text-decoration: underline dotted 1px; text-underline-offset: 3px; }
</style>
