<script setup lang="ts">
/** A wing over its wheel, a hand that pushes it down, a ruler beside the tyre with the arch's lip on it. */
</script>

<template>
  <svg viewBox="0 0 200 226" aria-hidden="true">
    <path class="body" d="M4 150V118C30 92 74 86 120 84L196 78V150H168A54 54 0 0 0 60 150Z" />
    <circle class="tyre" cx="114" cy="160" r="42" />
    <circle class="rim" cx="114" cy="160" r="25" />
    <circle class="hub" cx="114" cy="160" r="3" />
    <path class="floor" d="M0 203H200" />
    <rect class="rule" x="104" y="82" width="20" height="121" />
    <path
      class="ticks"
      d="M104 92h6M104 100h9M104 108h6M104 116h9M104 124h6M104 132h9M104 140h6M104 148h9M104 156h6M104 164h9M104 172h6M104 180h9M104 188h6M104 196h9" />
    <path class="lip" d="M98 97h32" />
    <path class="lens" d="M128 94L200 26M128 100L200 204" />
    <path class="hand" d="M28 34l20-16 34 30 22 8c8 3 6 12-2 11l-34-3z" />
    <path class="push" d="M126 36v18h-8l14 16 14-16h-8V36z" />
  </svg>
</template>

<style scoped>
svg { width: 100%; height: auto; display: block; }
.body, .rule, .hand { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.75; stroke-linejoin: round; } .tyre { fill: var(--tyre); } .rim { fill: var(--sheet); } .hub { fill: var(--ink); }
.floor { stroke: var(--ink); stroke-width: 1.5; } .ticks { stroke: var(--ink); stroke-width: 0.9; } .lip { stroke: var(--ink); stroke-width: 3; } .lens { stroke: var(--ink); stroke-width: 0.75; } .push { fill: var(--ink); }
</style>
