<script setup lang="ts">
import { STATIONS } from '@/logic/stations'

/** The key to the keys. */
defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()
const rows: [string, string][] = [
  ...STATIONS.map((s): [string, string] => [s.key, s.words]),
  ['Alt with such a key', 'the same from inside a field'],
  ['f', 'find a station, field, finding, setup or part'],
  ['v', 'to the stance, and back'],
  ['F1 in a field', 'what is this, and where is it measured?'],
  ['Ctrl P', 'print the sheet; on the survey its blank page'],
  ['c', 'compare two setups'],
  ['g', 'the garage'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['Tab', 'from figure to figure; Enter asks "how?"'],
  ['Enter in a field', 'next field; with Shift the one before'],
  ['Esc', 'restore the field; close what is open'],
  ['arrows on a wedge', '1 mm lower or higher; Page keys 5 mm'],
  ['arrows on the strip', 'next stiffer or softer spring on the shelf'],
  ['?', 'this page'],
]
</script>

<template>
  <v-dialog aria-label="Keys" :model-value="open" max-width="520" @update:model-value="$emit('close')">
    <v-card class="pa-6">
      <h2>Keys</h2>
      <dl>
        <template v-for="[k, what] in rows" :key="k"
          ><dt>{{ k }}</dt>
          <dd>{{ what }}</dd></template
        >
      </dl>
      <button class="act go" @click="$emit('close')">Close</button>
    </v-card>
  </v-dialog>
</template>

<style scoped>
dl { display: grid; grid-template-columns: auto 1fr; gap: 0 20px; margin: 12px 0 18px; border-top: 1.5px solid var(--ink); }
dt, dd { margin: 0; padding: 6px 0; border-bottom: 1px solid var(--rule); }
dt { font-weight: 600; }
</style>
