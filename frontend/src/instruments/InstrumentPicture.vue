<script setup lang="ts">
import type { InstrumentKind } from '@/api/client'

/** A small drawing of each kind of instrument. */
defineProps<{ kind: InstrumentKind }>()
</script>

<template>
  <svg class="pic" width="60" height="48" viewBox="0 0 60 48" aria-hidden="true">
    <template v-if="kind === 'scales'">
      <path d="M8 34h14v8H8ZM38 34h14v8H38ZM15 34V24M45 34V24" class="ln" />
      <path d="M4 42h52" class="ln2" />
      <path d="M10 24V14q0-4 6-5h28q6 1 6 5v10Z" class="lnf" />
    </template>
    <template v-else-if="kind === 'level'">
      <rect x="4" y="20" width="52" height="14" class="lnf" />
      <rect x="22" y="23" width="16" height="8" class="ln" />
      <circle cx="29" cy="27" r="3" class="dot" />
      <path d="M4 42h52" class="ln2" />
    </template>
    <template v-else-if="kind === 'height'">
      <path d="M4 42h52" class="ln2" />
      <rect x="8" y="32" width="14" height="10" class="lnf" />
      <path d="M15 32V12" class="beam" />
      <path d="M6 12q9-9 24-9h26" class="lnf" />
    </template>
    <template v-else-if="kind === 'spring_bench'">
      <path d="M12 6h36M12 42h36" class="ln2" />
      <path d="M18 9L42 14L18 19L42 24L18 29L42 34L18 39" class="ln" />
      <path d="M52 12v22M48 16l4-6l4 6" class="ln" />
    </template>
    <template v-else-if="kind === 'damper_bench'">
      <path d="M30 4v14" class="ln2" />
      <rect x="22" y="18" width="16" height="24" class="lnf" />
      <path d="M22 27h16M48 10v26M44 14l4-6l4 6M44 32l4 6l4-6" class="ln" />
    </template>
    <template v-else-if="kind === 'logger'">
      <path d="M4 42h52M4 42V8" class="ln" />
      <path d="M6 30l6-8l6 14l7-22l7 18l7-8l8 6l8-4" class="ln2" />
    </template>
    <template v-else>
      <circle cx="30" cy="22" r="16" class="lnf" />
      <path d="M30 22l8-9M30 38v8" class="ln2" />
      <circle cx="30" cy="22" r="2" class="dot" />
    </template>
  </svg>
</template>

<style scoped>
.ln { fill: none; stroke: var(--ink); stroke-width: 1.25; } .ln2 { fill: none; stroke: var(--ink); stroke-width: 2; } .lnf { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; stroke-linejoin: round; } .dot { fill: var(--ink); } .beam { stroke: var(--ink); stroke-width: 1.5; stroke-dasharray: 3 3; fill: none; }
</style>
