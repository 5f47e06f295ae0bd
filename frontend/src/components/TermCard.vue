<script setup lang="ts">
import { onClickOutside, useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'

import { useTerms } from '@/composables/useTerms'

import TermDrawing from './TermDrawing.vue'

/** What a word means, beside where it stands. */
const terms = useTerms()
const card = ref<HTMLElement | null>(null)
const place = ref({ left: 0, top: 0 })
const open = computed(() => terms.open.value)
watch(open, async (now) => {
  if (!now) return
  await nextTick()
  const box = card.value?.getBoundingClientRect()
  if (!box) return
  const under = now.at.bottom + 8
  place.value = {
    left: Math.max(8, Math.min(now.at.left, window.innerWidth - box.width - 8)),
    top: Math.max(8, under + box.height < window.innerHeight - 8 ? under : now.at.top - box.height - 8),
  }
  card.value?.focus({ preventScroll: true })
})
onClickOutside(card, () => (terms.open.value = null))
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (event.key === 'Escape' && open.value) {
      event.stopPropagation()
      terms.close()
    }
  },
  { capture: true },
)
</script>

<template>
  <section
    v-if="open"
    ref="card"
    class="card"
    role="dialog"
    :aria-label="`What ${open.term.word} means`"
    tabindex="-1"
    :style="{ left: `${place.left}px`, top: `${place.top}px` }">
    <TermDrawing :word="open.term.word" />
    <p>
      <b>{{ open.term.word }}:</b> {{ open.term.says }}
    </p>
    <p class="quiet">{{ open.term.where }}</p>
    <p v-if="open.term.others?.length" class="quiet small">also called {{ open.term.others.join(', ') }}</p>
    <p class="acts">
      <button class="link" @click="terms.close()">close</button
      ><router-link class="link" to="/words" @click="terms.open.value = null">all words</router-link>
    </p>
  </section>
</template>

<style scoped>
.card { position: fixed; z-index: 3000; width: min(380px, calc(100vw - 16px)); background: var(--sheet); border: var(--l-mid) solid var(--ink); padding: 10px 14px 4px; line-height: 1.3; color: var(--ink); } .card:focus { outline: 0; } .acts { display: flex; gap: 18px; }
</style>
