<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

import { api, placeWords, type ShelfPart } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useNotices } from '@/composables/useNotices'
import { useTerms } from '@/composables/useTerms'
import { useScheme } from '@/composables/useScheme'
import { useVehicle } from '@/composables/useVehicle'
import { FIELDS, FIELDS_OF_TWO } from '@/logic/fields'
import { found } from '@/logic/find'
import { sentence } from '@/logic/sentence'
import { STATIONS } from '@/logic/stations'
import { tablesCsv, tablesOf } from '@/logic/tables'
import { SYSTEMS } from '@/units/format'

/** Find anything by a few letters: stations, fields, findings, setups, springs. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; keys: [] }>()
const vehicle = useVehicle()
const units = useUnits()
const scheme = useScheme()
const router = useRouter()
const terms = useTerms()
const text = ref('')
const chosen = ref(0)
const parts = ref<ShelfPart[]>([])
const input = ref<HTMLInputElement | null>(null)
watch(
  () => props.open,
  async (now) => {
    if (!now) return
    text.value = ''
    chosen.value = 0
    await nextTick()
    setTimeout(() => input.value?.focus(), 30)
    const { data } = await api.GET('/api/shelf').catch(() => ({ data: undefined }))
    parts.value = data?.parts ?? []
  },
)
interface Hit {
  words: string
  /** Other words people use for it. */
  also?: string
  kind: string
  go: () => void
}
const to = (station: string, hash = '', view?: string): void =>
  void router.push({ path: `/vehicle/${vehicle.id}/${station}`, query: view ? { view } : {}, hash })
const notices = useNotices()
/** The tables of the bench as a file; a bench without any says so. */
function tables(): void {
  const found = tablesOf(document.querySelector('main') ?? document).filter((t) => t.rows.length)
  if (!found.length) return notices.say('No table stands on this screen')
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([tablesCsv(found)], { type: 'text/csv' }))
  link.download = `${(vehicle.document.value?.vehicle.name ?? '').replace(/[^a-zA-Z0-9]+/g, '-') || 'vehicle'}-tables.csv`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}
/** What can be done from anywhere. */
const acts = computed<Hit[]>(() => [
  ...(vehicle.canUndo.value
    ? [{ words: `Undo ${vehicle.canUndo.value}`, also: 'back revert', kind: 'act', go: () => vehicle.undo() }]
    : []),
  ...(vehicle.canRedo.value
    ? [{ words: `Redo ${vehicle.canRedo.value}`, also: 'again forward', kind: 'act', go: () => vehicle.redo() }]
    : []),
  { words: 'Print the setup sheet', also: 'pdf paper page', kind: 'act', go: () => to('sheet') },
  ...SYSTEMS.map((s) => ({
    words: `Units: ${s.words}`,
    also: 'metric imperial inches pounds millimetres',
    kind: 'act',
    go: () => units.choose(s.id),
  })),
  { words: 'Light or dark', also: 'scheme theme night colours', kind: 'act', go: () => scheme.toggle() },
  { words: 'Keys', also: 'shortcuts keyboard help', kind: 'act', go: () => emit('keys') },
  {
    words: 'Export this vehicle',
    also: 'download save file',
    kind: 'act',
    go: () => location.assign(`/api/vehicles/${vehicle.id}/file`),
  },
  {
    words: 'Export this vehicle with all that hangs on it',
    also: 'download zip archive backup pictures recordings log sheets',
    kind: 'act',
    go: () => location.assign(`/api/vehicles/${vehicle.id}/archive`),
  },
  { words: 'Tables on this screen as CSV', also: 'export spreadsheet download copy', kind: 'act', go: tables },
  { words: 'Garage', also: 'vehicles cars home import new', kind: 'page', go: () => void router.push('/') },
  { words: 'Shelf', also: 'springs parts catalogue csv', kind: 'page', go: () => void router.push('/shelf') },
  {
    words: 'What Feder looks for',
    also: 'rules checks findings mistakes ranges',
    kind: 'page',
    go: () => void router.push('/watched'),
  },
  { words: 'Words', also: 'glossary terms meaning help', kind: 'page', go: () => void router.push('/words') },
  {
    words: 'Instruments',
    also: 'scales gauge logger bench connect serial',
    kind: 'page',
    go: () => void router.push('/instruments'),
  },
  { words: 'Devices', also: 'phone tablet pair network', kind: 'page', go: () => void router.push('/devices') },
])
const all = computed<Hit[]>(() => [
  ...STATIONS.map((s) => ({ words: s.words, kind: 'station', go: () => to(s.id) })),
  { words: 'Compare two setups', also: 'difference changed', kind: 'view', go: () => to('compare') },
  ...(vehicle.places.value.length === 2
    ? [{ words: 'Sag walk on a phone', kind: 'survey', go: () => to('walk') }]
    : []),
  ...(vehicle.places.value.length === 2 ? FIELDS_OF_TWO : FIELDS).map((f) => ({
    words: f.words,
    also: f.also,
    kind: f.station,
    go: () => to(f.station, f.hash, f.view),
  })),
  ...acts.value,
  ...(vehicle.report.value?.findings ?? []).map((f) => ({
    words: `${placeWords(f.place)}: ${sentence(f.text, f.numbers, units.system.value)}`,
    kind: f.grade,
    also: `finding ${f.reason}`,
    go: () => to(f.station),
  })),
  ...terms.all.value.map((t) => ({
    words: t.word,
    also: `${(t.others ?? []).join(' ')} what is this meaning`,
    kind: 'word',
    go: () => terms.show(t, document.querySelector('h1') ?? document.body),
  })),
  ...(vehicle.document.value?.setups ?? []).map((s) => ({
    words: s.name,
    kind: 'setup',
    go: () => vehicle.selectSetup(s.id),
  })),
  ...parts.value.map((p) => ({
    words: `${p.part.code}, ${units.show(p.part.rate.value, 'N/m', { unit: true })}`,
    kind: 'on the shelf',
    go: () => void router.push('/shelf'),
  })),
])
const hits = computed(() => found(all.value, text.value))
watch(text, () => (chosen.value = 0))
function key(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') chosen.value = Math.min(hits.value.length - 1, chosen.value + 1)
  else if (event.key === 'ArrowUp') chosen.value = Math.max(0, chosen.value - 1)
  else if (event.key === 'Enter' && hits.value[chosen.value]) go(hits.value[chosen.value]!)
  else return
  event.preventDefault()
}
function go(hit: Hit): void {
  emit('close')
  hit.go()
}
</script>

<template>
  <v-dialog aria-label="Find" :model-value="open" max-width="620" @update:model-value="$emit('close')">
    <v-card class="pa-6">
      <label for="find" class="seen-not">Find</label>
      <input
        id="find"
        ref="input"
        v-model="text"
        class="find"
        placeholder="Find a station, a field, a finding, a spring"
        autocomplete="off"
        role="combobox"
        aria-expanded="true"
        aria-controls="hits"
        @keydown="key" />
      <ul id="hits" role="listbox">
        <li
          v-for="(h, i) in hits"
          :key="h.kind + h.words + i"
          role="option"
          :aria-selected="i === chosen"
          :class="{ on: i === chosen }"
          @click="go(h)"
          @mousemove="chosen = i">
          <span>{{ h.words }}</span><i>{{ h.kind }}</i>
        </li>
        <li v-if="!hits.length" class="none">Nothing by these letters</li>
      </ul>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.find { font: inherit; font-size: var(--t-4); width: 100%; height: 48px; border: 0; border-bottom: 3px solid var(--ink); background: var(--sheet); color: var(--ink); padding: 0 8px; outline: 0; }
ul { list-style: none; margin: 10px 0 0; padding: 0; min-height: 200px; }
li { display: flex; justify-content: space-between; gap: 16px; min-height: 44px; align-items: center; padding: 0 8px; border-bottom: 1px solid var(--rule); cursor: pointer; }
li.on { background: var(--vellum); box-shadow: inset 4px 0 var(--ink); }
li i { font-style: normal; color: var(--ink-2); font-size: var(--t-1); white-space: nowrap; }
.none { color: var(--ink-2); cursor: default; }
</style>
