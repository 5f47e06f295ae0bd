<script setup lang="ts">
import { ref } from 'vue'

import type { Step } from '@/api/client'

import { useCard } from './useCard'

/** A step that is not done now: why, in one tap or in words; and back again. */
defineProps<{ step: Step }>()
const card = useCard()
const asking = ref(false)
const words = ref('')
const WHY = ['not on this car', 'done already', 'later'] as const
</script>

<template>
  <span class="off">
    <button v-if="card.tickOf(step)" class="link" @click="card.say(step, 'open')">Open again</button>
    <button v-else-if="!asking" class="link" @click="asking = true">Put off</button>
    <template v-else>
      <span class="quiet">Put off, why?</span>
      <button v-for="w in WHY" :key="w" class="act" @click="card.say(step, 'off', w)">{{ w }}</button>
      <input
        v-model="words"
        class="line"
        maxlength="200"
        aria-label="Put off, why, in words"
        placeholder="in words"
        @keydown.enter="words.trim() && card.say(step, 'off', words.trim())" />
      <button v-if="words.trim()" class="act" @click="card.say(step, 'off', words.trim())">Put off</button>
    </template>
  </span>
</template>

<style scoped>
.off { display: inline-flex; gap: 8px; align-items: center; flex-wrap: wrap; } .line { font: inherit; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; width: 160px; }
</style>
