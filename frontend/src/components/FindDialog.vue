<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

import { api, placeWords, type ShelfPart } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { FIELDS, FIELDS_OF_TWO } from '@/logic/fields'
import { sentence } from '@/logic/sentence'
import { STATIONS } from '@/logic/stations'

/** Find anything by a few letters: stations, fields, findings, setups, springs. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const vehicle = useVehicle()
const units = useUnits()
const router = useRouter()
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
  kind: string
  go: () => void
}
const to = (station: string, hash = ''): void => void router.push({ path: `/vehicle/${vehicle.id}/${station}`, hash })
const all = computed<Hit[]>(() => [
  ...STATIONS.map((s) => ({ words: s.words, kind: 'station', go: () => to(s.id) })),
  { words: 'Compare two setups', kind: 'view', go: () => to('compare') },
  { words: 'Load plan', kind: 'springs', go: () => void router.push(`/vehicle/${vehicle.id}/springs?view=loads`) },
  ...(vehicle.places.value.length === 2
    ? [{ words: 'Sag walk on a phone', kind: 'survey', go: () => to('walk') }]
    : [
        {
          words: 'Roll and anti-roll bars',
          kind: 'springs',
          go: () => void router.push(`/vehicle/${vehicle.id}/springs?view=roll`),
        },
      ]),
  ...(vehicle.places.value.length === 2 ? FIELDS_OF_TWO : FIELDS).map((f) => ({
    words: f.words,
    kind: f.station,
    go: () => to(f.station, f.hash),
  })),
  ...(vehicle.report.value?.findings ?? []).map((f) => ({
    words: `${placeWords(f.place)}: ${sentence(f.text, f.numbers, units.system.value)}`,
    kind: f.grade,
    go: () => to(f.station),
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
const hits = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter((h) => words.every((w) => `${h.words} ${h.kind}`.toLowerCase().includes(w))).slice(0, 12)
})
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
  <v-dialog :model-value="open" max-width="620" @update:model-value="$emit('close')">
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
