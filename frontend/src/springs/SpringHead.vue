<script setup lang="ts">
import BenchViews from '@/components/BenchViews.vue'

/** Heading of the springs: the choice, the loads it must carry, the roll it allows. */
export type SpringView = 'choice' | 'loads' | 'roll'
defineProps<{ view: SpringView }>()
const VIEWS: { id: SpringView; words: string }[] = [
  { id: 'choice', words: 'Choice' },
  { id: 'loads', words: 'Loads' },
  { id: 'roll', words: 'Roll' },
]
</script>

<template>
  <div class="bench-top top">
    <h1>Springs</h1>
    <BenchViews label="Views of the springs" :views="VIEWS" :here="view" />
    <div class="end"><slot /></div>
  </div>
</template>

<style scoped>
.top { gap: 0 12px; }
</style>
