<script setup lang="ts">
import { computed } from 'vue'

import { FELT, type Felt } from './changes'

/** Five rungs: felt against the entry before, a bar from the middle one. */
const props = defineProps<{ felt: Felt | null; small?: boolean }>()
const emit = defineEmits<{ choose: [felt: Felt | null] }>()
const at = computed(() => (props.felt ? FELT.indexOf(props.felt) : -1))
const y = (i: number): number => 6 + i * 9
</script>

<template>
  <svg v-if="small" width="26" height="48" role="img" :aria-label="felt ?? 'nothing told'">
    <path v-for="i in 5" :key="i" class="rung" :d="`M2 ${y(i - 1)}h22`" />
    <template v-if="at >= 0">
      <path class="on" :d="`M2 ${y(at)}h22`" />
      <rect v-if="at !== 2" class="fill" x="7" width="12" :y="Math.min(y(at), y(2))" :height="Math.abs(y(at) - y(2))" />
    </template>
  </svg>
  <div v-else role="radiogroup" aria-label="Felt, against the entry before" class="rungs">
    <button
      v-for="(f, i) in FELT"
      :key="f"
      type="button"
      role="radio"
      class="key"
      :aria-checked="f === felt"
      @click="emit('choose', f === felt ? null : f)">
      <svg width="56" height="44" aria-hidden="true">
        <path :class="i === at ? 'on' : 'rung'" d="M4 22h48" />
        <rect
          v-if="at >= 0 && at !== 2 && ((i >= at && i <= 2) || (i <= at && i >= 2))"
          class="fill"
          x="18"
          width="20"
          :y="i === Math.min(at, 2) ? 22 : 0"
          :height="i === Math.min(at, 2) || i === Math.max(at, 2) ? 22 : 44" /></svg
      ><span>{{ f }}</span>
    </button>
  </div>
</template>

<style scoped>
.rung { stroke: var(--edge); stroke-width: 1.25; } .on { stroke: var(--ink); stroke-width: 3.5; } .fill { fill: var(--ink); } .rungs { display: grid; background: var(--sheet); } .key { display: grid; grid-template-columns: 60px minmax(0, 1fr); align-items: center; min-height: 44px; text-align: left; } .key[aria-checked='true'] { font-weight: 600; }
</style>
