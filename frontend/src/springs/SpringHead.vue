<script setup lang="ts">
import { useRoute } from 'vue-router'

/** Heading of the springs: the choice, the loads it must carry, the roll it allows. */
export type SpringView = 'choice' | 'loads' | 'roll'
defineProps<{ view: SpringView }>()
const route = useRoute()
const VIEWS: { id: SpringView; words: string }[] = [
  { id: 'choice', words: 'Choice' },
  { id: 'loads', words: 'Loads' },
  { id: 'roll', words: 'Roll' },
]
</script>

<template>
  <div class="bench-top top">
    <h1>Springs</h1>
    <nav class="views" aria-label="Views of the springs">
      <router-link
        v-for="v in VIEWS"
        :key="v.id"
        class="view"
        :class="{ here: v.id === view }"
        :aria-current="v.id === view ? 'page' : undefined"
        :to="{ path: route.path, query: v.id === 'choice' ? {} : { view: v.id } }"
        >{{ v.words }}</router-link
      >
    </nav>
    <div class="end"><slot /></div>
  </div>
</template>

<style scoped>
.top { gap: 0 12px; }
.views { display: flex; margin-left: 4px; }
.view { min-height: 44px; padding: 0 10px; display: inline-flex; align-items: center; color: var(--ink-2); text-decoration: none; border-bottom: 3px solid transparent; }
.view.here { color: var(--ink); font-weight: 600; border-color: var(--ink); }
</style>
