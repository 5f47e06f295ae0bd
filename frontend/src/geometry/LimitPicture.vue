<script setup lang="ts">
/** Wheel, arch and damper at one of the limits of travel. */
defineProps<{ limit: 'droop' | 'solid' | 'contact' | 'stop' }>()
const WHEEL = { droop: 31, stop: 23, solid: 20, contact: 17 } as const
const ROD = { droop: 26, stop: 17, solid: 12, contact: 12 } as const
</script>

<template>
  <svg class="limit-picture" viewBox="0 0 52 42" width="52" height="42" aria-hidden="true">
    <path class="arch" d="M2 26A19 19 0 0 1 38 26" />
    <circle class="tyre" cx="20" :cy="WHEEL[limit]" r="10" />
    <circle class="hub" cx="20" :cy="WHEEL[limit]" r="3" />
    <path class="damper" :d="`M45 4V${ROD[limit]}M41 4h8M41 ${ROD[limit]}h8v13h-8z`" />
    <path v-if="limit === 'stop'" class="stop" d="M42 7h6v9h-6z" />
    <path v-if="limit === 'solid'" class="off" d="M39 2L51 14" />
  </svg>
</template>

<style scoped>
.limit-picture { overflow: hidden; }
.arch { fill: none; stroke: var(--ink); stroke-width: 2; } .tyre { fill: var(--ink); } .hub { fill: var(--sheet); }
.damper { fill: none; stroke: var(--ink); stroke-width: 1.75; } .stop { fill: var(--ink); } .off { stroke: var(--stop); stroke-width: 2; }
</style>
