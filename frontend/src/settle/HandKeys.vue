<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'

/** Keys for one hand: digits, a point, a sign where a reading has one; back and next where the thumb lies. */
defineProps<{ next: string; says: string; first: boolean; signed?: boolean }>()
const emit = defineEmits<{ press: [key: string]; next: []; back: [] }>()
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3']
const left = useLocalStorage('feder-left-hand', '0')
</script>

<template>
  <div class="keys" :class="{ left: left === '1' }">
    <button v-for="k in KEYS" :key="k" class="key" @click="emit('press', k)">{{ k }}</button><button
      class="key"
      :class="{ two: !signed }"
      @click="emit('press', '0')">
      0</button
    ><button v-if="signed" class="key" aria-label="minus" @click="emit('press', '-')">−</button
    ><button class="key" @click="emit('press', '.')">.</button
    ><button class="key word a" aria-label="erase" @click="emit('press', 'erase')">erase</button
    ><button class="key word b" :disabled="first" @click="emit('back')">back</button
    ><button class="key nextkey" @click="emit('next')">
      <b>{{ next }}</b><span>{{ says }}</span>
    </button>
  </div>
</template>

<style scoped>
.keys { display: grid; grid-template-columns: repeat(3, 1fr) 1fr; grid-auto-rows: minmax(48px, 8dvh); gap: 8px; margin-top: 10px; } .keys.left { direction: rtl; } .key { background: var(--sheet); border: 1px solid var(--edge); font-size: 1.75rem; font-weight: 500; text-align: center; direction: ltr; } .key:disabled { color: var(--ink-3); } .two { grid-column: span 2; } .word { font-size: var(--t-3); font-weight: 400; } .word.a { grid-area: 1 / 4; } .word.b { grid-area: 2 / 4; } .nextkey { grid-area: 3 / 4 / 5 / 5; background: var(--ink); color: var(--ground); display: grid; align-content: center; font-size: var(--t-4); } .nextkey span { font-size: var(--t-1); font-weight: 400; }
</style>
