<script setup lang="ts">
import { useRoute } from 'vue-router'

/** The views of a bench, each with an address of its own; the first is the bench as it opens. */
defineProps<{ label: string; views: readonly { id: string; words: string }[]; here: string }>()
const route = useRoute()
</script>

<template>
  <nav class="views" :aria-label="label">
    <router-link
      v-for="(v, i) in views"
      :key="v.id"
      class="view"
      :class="{ here: v.id === here }"
      :aria-current="v.id === here ? 'page' : undefined"
      :to="{ path: route.path, query: i ? { view: v.id } : {} }"
      >{{ v.words }}</router-link
    >
  </nav>
</template>

<style scoped>
.views { display: flex; flex-wrap: wrap; margin-left: 4px; }
.view { min-height: 44px; padding: 0 10px; display: inline-flex; align-items: center; color: var(--ink-2); text-decoration: none; border-bottom: 3px solid transparent; } .view.here { color: var(--ink); font-weight: 600; border-color: var(--ink); }
</style>
