<script setup lang="ts">
import { computed, ref } from 'vue'

import PageHead from '@/components/PageHead.vue'
import TermDrawing from '@/components/TermDrawing.vue'
import { useTerms } from '@/composables/useTerms'
import { found } from '@/logic/find'

/** Every word of the trade as Feder uses it, in the order of the job. */
const terms = useTerms()
const text = ref('')
const shown = computed(() =>
  text.value.trim()
    ? found(
        terms.all.value.map((t) => ({
          ...t,
          words: t.word,
          kind: '',
          also: `${(t.others ?? []).join(' ')} ${t.says}`,
        })),
        text.value,
        200,
      )
    : terms.all.value,
)
document.title = 'Words · Feder'
</script>

<template>
  <div class="page">
    <PageHead here="words" />
    <main class="in">
      <h1>Words</h1>
      <p><router-link to="/watched" class="link">what Feder looks for, rule by rule</router-link></p>
      <label class="look"
        ><span class="small quiet">find a word, or what you call it</span
        ><input v-model="text" class="find" type="search" autocomplete="off"
      /></label>
      <p v-if="!shown.length" class="mt-3" role="status">No word by these letters.</p>
      <dl>
        <div v-for="t in shown" :key="t.word">
          <dt>{{ t.word }}</dt>
          <dd>
            <TermDrawing :word="t.word" />{{ t.says }} <span class="quiet">{{ t.where }}</span>
            <span v-if="t.others?.length" class="quiet small block">also called {{ t.others.join(', ') }}</span>
          </dd>
        </div>
      </dl>
    </main>
  </div>
</template>

<style scoped>
.in { box-sizing: border-box; width: 100%; min-width: 0; max-width: 900px; margin: 0 auto; padding: 16px 24px 40px; } .look { display: block; max-width: 420px; } .find { font: inherit; width: 100%; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 8px; } dl { margin: 14px 0 0; } dl div { display: grid; grid-template-columns: 200px minmax(0, 1fr); gap: 16px; border-top: 1px solid var(--rule); padding: 8px 0; line-height: 1.3; } dt { font-weight: 600; } dd { margin: 0; } .block { display: block; }
@media (max-width: 600px) { .in { padding: 12px 16px 32px; } dl div { grid-template-columns: minmax(0, 1fr); gap: 2px; } }
</style>
