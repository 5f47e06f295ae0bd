<script setup lang="ts">
import { computed } from 'vue'

import { reading } from '@/composables/useReading'
import { unreadUnder } from '@/composables/useUnread'
import { useScheme } from '@/composables/useScheme'
import { useSteady } from '@/composables/useSteady'
import { useVehicle } from '@/composables/useVehicle'

import AskFigure from './AskFigure.vue'
import SetupLine from './SetupLine.vue'
import UnitsMenu from './UnitsMenu.vue'

/** The heading: vehicle, line of setups, undo and redo, units, find, working, scheme. */
defineEmits<{ find: []; keys: [] }>()
const vehicle = useVehicle()
const scheme = useScheme()
const SAVE = { saved: 'saved', saving: 'saving', kept: 'kept here, not saved yet', stale: 'saved elsewhere too' }
const save = computed(() => (vehicle.saveState.value === 'saved' && reading.value ? 'saving' : vehicle.saveState.value))
const waiting = unreadUnder(computed(() => `/vehicle/${vehicle.id}/`))
const name = computed(() => vehicle.document.value?.vehicle.name ?? '…')
const about = computed(() => vehicle.document.value?.vehicle.description ?? '')
const mass = useSteady(() => vehicle.report.value?.vehicle.total_mass ?? null)
</script>

<template>
  <header class="head">
    <div class="veh">
      <router-link to="/" :aria-label="`${name}: to the garage`"
        ><b>{{ name }}</b></router-link
      >
      <span :title="about"
        ><AskFigure
          v-if="mass"
          :figure="mass"
          path="vehicle.total_mass"
          title="total mass"
          :options="{ unit: true }"
          class="mass" />{{ mass && about ? ', ' : '' }}{{ about || (mass ? '' : 'nothing measured yet') }}</span
      >
    </div>
    <SetupLine />
    <div class="tools">
      <span v-if="waiting.length" class="save kept" role="status"
        ><router-link :to="waiting[0]!">{{
          waiting.length === 1 ? 'a number is not taken yet' : `${waiting.length} numbers are not taken yet`
        }}</router-link></span
      >
      <span v-else class="save" :class="save" role="status">{{ SAVE[save] }}</span>
      <button
        class="tool"
        :disabled="!vehicle.canUndo.value"
        :aria-label="vehicle.canUndo.value ? `Undo ${vehicle.canUndo.value}` : 'Nothing to undo'"
        :title="vehicle.canUndo.value ? `Undo ${vehicle.canUndo.value}` : ''"
        @click="vehicle.undo()">
        <svg class="ic" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path d="M8 4 3.500 8.500 8 13M3.500 8.500H12a4.500 4.500 0 0 1 0 9H9" />
        </svg>
      </button>
      <button
        class="tool"
        :disabled="!vehicle.canRedo.value"
        :aria-label="vehicle.canRedo.value ? `Redo ${vehicle.canRedo.value}` : 'Nothing to redo'"
        :title="vehicle.canRedo.value ? `Redo ${vehicle.canRedo.value}` : ''"
        @click="vehicle.redo()">
        <svg class="ic" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path d="M12 4 16.500 8.500 12 13M16.500 8.500H8a4.500 4.500 0 0 0 0 9h3" />
        </svg>
      </button>
      <UnitsMenu />
      <button class="tool w" aria-label="Find" title="Find (f)" @click="$emit('find')">
        <svg class="ic" width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <circle cx="8.500" cy="8.500" r="5" />
          <path d="M12.500 12.500 17 17" /></svg
        ><span class="wide">Find</span>
      </button>
      <button class="tool" aria-label="Keys" title="Keys (?)" @click="$emit('keys')">
        <svg class="ic" width="22" height="20" viewBox="0 0 22 20" aria-hidden="true">
          <path d="M1.500 4.500h19v11h-19zM5 8.500h.01M9 8.500h.01M13 8.500h.01M17 8.500h.01M7 12h8" />
        </svg>
      </button>
      <button
        class="tool"
        :aria-label="scheme.scheme.value === 'dark' ? 'Light scheme' : 'Dark scheme'"
        title="Light or dark"
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
.head { display: flex; align-items: center; border-bottom: var(--l-mid) solid var(--ink); background: var(--vellum); padding: 0 24px; gap: 12px; min-height: var(--h-heading); }
.veh a { text-decoration: none; display: flex; align-items: center; }
.veh .mass { min-height: 0; }
.veh { width: 280px; flex: 0 1 280px; line-height: 1.2; min-width: 120px; overflow: hidden; }
.veh b { font-size: 1.375rem; font-weight: 600; display: block; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.veh span { color: var(--ink-2); font-size: var(--t-1); display: block; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.tools { margin-left: auto; display: flex; align-items: center; gap: 2px; margin-right: -12px; }
.tool { min-width: 44px; height: 44px; display: flex; align-items: center; justify-content: center; gap: 7px; white-space: nowrap; }
.tool.w { padding: 0 10px; }
.tool:disabled { color: var(--edge); cursor: default; }
.save { color: var(--ink-2); font-size: var(--t-1); padding-right: 6px; white-space: nowrap; }
.save.kept, .save.stale { color: var(--look); font-weight: 600; }
@media (max-width: 1200px) { .wide { display: none; } }
@media (max-width: 1100px) { .head { padding: 2px 16px; flex-wrap: wrap; gap: 0 12px; } .veh { flex: 0 1 150px; } .tools { margin-right: 0; } }
@media (min-width: 900px) and (max-width: 1100px) { .head { flex-wrap: nowrap; } }
@media (max-width: 900px), (max-height: 700px) { .veh span { display: none; } .veh { flex: 0 1 120px; min-width: 80px; } .veh b { font-size: 1.25rem; } .save:not(.kept, .stale) { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); } }
@media (max-width: 600px) { .head { padding: 2px 8px; } .veh { flex: 1 1 90px; } .tools { order: 1; } .line { order: 2; flex: 1 0 100%; } .tool[aria-label='Keys'] { display: none; } }
@media (max-width: 420px) { .tool { min-width: 40px; } .tool.w { padding: 0 4px; font-size: var(--t-1); } .tools { gap: 0; } }
@media (max-height: 500px) { .head.head { flex-wrap: nowrap; padding: 0 8px; } .veh.veh { flex: 0 1 70px; min-width: 50px; } .tool[aria-label='Keys'] { display: none; } .tools { margin-left: 0; gap: 0; } .line { order: 0; flex: 1 1 200px; } }
</style>
