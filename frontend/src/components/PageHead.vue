<script setup lang="ts">
import { lastVehicle } from '@/logic/last'
import { useScheme } from '@/composables/useScheme'

import UnitsMenu from './UnitsMenu.vue'

/** The heading of garage, shelf, instruments, devices and words. */
defineProps<{ here: 'garage' | 'shelf' | 'instruments' | 'devices' | 'words' }>()
const last = lastVehicle()
const scheme = useScheme()
</script>

<template>
  <header class="head">
    <router-link to="/" class="word" aria-label="Feder"
      ><svg width="34" height="34" viewBox="0 0 32 32" aria-hidden="true">
        <path d="M4 28h24M4 4h24" stroke="var(--ink)" stroke-width="3" />
        <path
          d="M7 8 25 12 7 16l18 4-18 4"
          fill="none"
          stroke="var(--plan)"
          stroke-width="2.500"
          stroke-linejoin="round" /></svg
      ><b>Feder</b></router-link
    >
    <nav aria-label="Pages">
      <router-link to="/" :class="{ on: here === 'garage' }">Garage</router-link
      ><router-link to="/shelf" :class="{ on: here === 'shelf' }">Shelf</router-link
      ><router-link to="/instruments" :class="{ on: here === 'instruments' }">Instruments</router-link
      ><router-link v-if="last" :to="`/vehicle/${last.id}/${last.station}`"
        >Back<span class="to"> to {{ last.name }}</span></router-link
      ><router-link to="/devices" :class="{ on: here === 'devices' }">Devices</router-link
      ><router-link to="/words" :class="{ on: here === 'words' }">Words</router-link>
    </nav>
    <div class="tools">
      <UnitsMenu />
      <button
        class="tool"
        :aria-label="scheme.scheme.value === 'dark' ? 'Light scheme' : 'Dark scheme'"
        @click="scheme.toggle()">
        <svg class="ic" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="10" cy="10" r="7" />
          <path d="M10 3a7 7 0 0 1 0 14z" fill="currentColor" />
        </svg>
      </button>
    </div>
  </header>
</template>

<style scoped>
.head { display: flex; align-items: center; gap: 40px; background: var(--vellum); border-bottom: var(--l-mid) solid var(--ink); padding: 0 24px; }
.word { display: flex; align-items: center; gap: 10px; text-decoration: none; font-size: 1.5rem; } .word b { font-weight: 600; }
nav { display: flex; gap: 24px; font-size: var(--t-3); } nav a { text-decoration: none; height: 58px; display: flex; align-items: center; border-bottom: 3px solid transparent; padding: 0 4px; } nav a.on { border-color: var(--ink); font-weight: 600; }
.tools { margin-left: auto; display: flex; } .tool { min-width: 44px; height: 44px; padding: 0 10px; display: flex; align-items: center; justify-content: center; }
@media (max-width: 600px) { .head { gap: 10px; padding: 0 10px; } .to { display: none; } nav { overflow-x: auto; min-width: 0; font-size: var(--t-2); } nav, nav a { gap: 4px; } nav a { white-space: nowrap; } .tools { flex: none; } .word b { display: none; } nav { gap: 10px; } .tool { padding: 0 4px; } }
</style>
