<script setup lang="ts">
import type { EndName } from '@/api/client'

/** Front and rear beside each other, each with its line; one under the other where the window is narrow. */
defineProps<{ plain?: boolean; bare?: boolean }>()
const ENDS: EndName[] = ['front', 'rear']
</script>

<template>
  <div class="by-end">
    <section v-for="end in ENDS" :key="end" :role="plain || bare ? 'group' : undefined" :aria-label="end">
      <component :is="plain ? 'p' : 'h2'" v-if="!bare" class="end-name" :class="{ small: plain }">
        <svg width="34" height="8" aria-hidden="true">
          <path
            d="M0 4H34"
            stroke="currentColor"
            stroke-width="2.250"
            :stroke-dasharray="end === 'rear' ? '7 4' : undefined" /></svg
        >{{ end === 'front' ? 'Front' : 'Rear' }}
      </component>
      <slot :end="end" />
    </section>
  </div>
</template>

<style scoped>
.by-end { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 12px 36px; }
@media (max-width: 620px) { .by-end { grid-template-columns: minmax(0, 1fr); } }
section { display: grid; gap: 8px; align-content: start; }
.end-name { display: flex; gap: 12px; align-items: center; margin: 0; }
</style>
