<script setup lang="ts">
/** The car from above with its two diagonals: the counted one solid, front right to rear left. */
defineProps<{ cross: number | null }>()
</script>

<template>
  <svg class="above" viewBox="0 0 156 288" role="img" aria-label="Car from above, front at the top">
    <rect
      v-for="(p, i) in [
        [2, 24],
        [138, 24],
        [2, 206],
        [138, 206],
      ]"
      :key="i"
      class="pad"
      :x="p[0]"
      :y="p[1]"
      width="16"
      height="58" />
    <path class="body" d="M36 284Q20 282 18 262V60Q18 18 44 10Q78 2 112 10Q138 18 138 60V262Q136 282 120 284Z" />
    <path class="glass" d="M32 92Q78 74 124 92L114 126H42ZM40 244h76l8 22H32Z" />
    <path class="middle" d="M78 6V282" />
    <rect
      v-for="(p, i) in [
        [18, 32],
        [122, 32],
        [18, 214],
        [122, 214],
      ]"
      :key="`w${i}`"
      class="wheel"
      :x="p[0]"
      :y="p[1]"
      width="16"
      height="44" />
    <path class="other" d="M34 72 126 236M40 68 132 232" />
    <path class="counted" d="M124 70 30 236" />
    <text v-if="cross !== null" x="78" y="160" text-anchor="middle" class="big halo">
      {{ (cross * 100).toFixed(1) }} %
    </text>
  </svg>
</template>

<style scoped>
.above { width: 100%; max-width: 128px; height: auto; margin: 0 auto; } .pad { fill: var(--vellum); stroke: var(--edge); } .body { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .glass { fill: none; stroke: var(--edge); } .middle { stroke: var(--ink-2); stroke-dasharray: 10 4 2 4; } .wheel { fill: var(--tyre); } .other { stroke: var(--ink); stroke-width: 1; } .counted { stroke: var(--ink); stroke-width: 6; } .halo { paint-order: stroke; stroke: var(--sheet); stroke-width: 6px; }
</style>
