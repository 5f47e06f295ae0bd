<script setup lang="ts">
import { computed, ref } from 'vue'

import { type Damage, onTwo, placesOf, placeWords } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

import PhotoStrip from './PhotoStrip.vue'

/** What was found broken, worn or doubtful, in rows: where, which part, how; and how it was dealt with. Rows stay. */
const vehicle = useVehicle()
const rows = computed<Damage[]>(() => vehicle.document.value?.surveys?.[0]?.damages ?? [])
const part = ref('')
const place = ref('vehicle')
const places = computed(() => ['vehicle', ...placesOf(vehicle.document.value)])
const hint = computed(() =>
  onTwo(vehicle.document.value)
    ? 'leaking seal, pitted tube, worn linkage, weak damper'
    : 'cracked top mount, torn bush, weak damper, perished hose, corrosion',
)
const put = (words: string, damages: Damage[]): void => {
  const surveys = vehicle.document.value?.surveys ?? []
  const edits = surveys.length
    ? [{ path: ['surveys', 0, 'damages'], value: damages }]
    : [{ path: ['surveys'], value: [{ id: 'first', damages }] }]
  vehicle.edit(words, edits)
}
const today = (): string => new Date().toISOString().slice(0, 10)
function add(): void {
  const words = part.value.trim()
  if (!words) return
  const made: Damage = {
    id: `d${Date.now().toString(36)}`,
    part: words,
    place: place.value as Damage['place'],
    noted: today(),
  }
  put('known damage', [...rows.value, made])
  part.value = ''
}
const change = (row: Damage, words: string, members: Partial<Damage>): void =>
  put(
    words,
    rows.value.map((r) => (r.id === row.id ? { ...r, ...members } : r)),
  )
const DEALT = ['new one', 'repaired', 'sound after all'] as const
</script>

<template>
  <section id="damage" aria-label="Known damage">
    <h3 aria-level="2">Known damage</h3>
    <ul v-if="rows.length">
      <li v-for="r in rows" :key="r.id" :class="{ dealt: r.dealt }">
        <p>
          <b :class="r.dealt ? '' : 'grade-stop'">{{ r.dealt ? r.dealt : 'Stop' }}</b>
          {{ r.place === 'vehicle' ? '' : `${placeWords(r.place ?? '')}: ` }}{{ r.part }}
          <small class="quiet"
            ><template v-if="r.noted">noted {{ r.noted }}</template
            ><template v-if="r.dealt_on">, dealt with {{ r.dealt_on }}</template></small
          >
        </p>
        <input
          class="line"
          :value="r.state"
          maxlength="200"
          :aria-label="`State of ${r.part}`"
          placeholder="its state, in words"
          @change="(e) => change(r, 'state of the damage', { state: (e.target as HTMLInputElement).value })" />
        <span class="acts"
          ><template v-if="!r.dealt"
            ><button
              v-for="d in DEALT"
              :key="d"
              class="act"
              @click="change(r, `damage: ${d}`, { dealt: d, dealt_on: today() })">
              {{ d }}
            </button></template
          ><button v-else class="link" @click="change(r, 'damage open again', { dealt: null, dealt_on: null })">
            Open again
          </button></span
        >
        <PhotoStrip :about="`damage.${r.id}`" />
      </li>
    </ul>
    <form class="new" @submit.prevent="add">
      <v-select
        v-model="place"
        label="where"
        :items="places.map((p) => ({ value: p, title: placeWords(p) }))"
        hide-details />
      <v-text-field
        v-model="part"
        label="Known damage: which part, and what is wrong"
        :placeholder="hint"
        maxlength="80"
        hide-details />
      <button class="act" :disabled="!part.trim()">Note it</button>
    </form>
    <p v-if="rows.some((r) => !r.dealt)" class="small mt-1">
      Damage blocks the plan until it is dealt with; corroded or split mounts belong with a licensed workshop. The row
      stays as a record.
    </p>
  </section>
</template>

<style scoped>
section { margin-top: 16px; } ul { list-style: none; margin: 4px 0; padding: 0; border-top: 1.5px solid var(--ink); } li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 4px 16px; padding: 6px 0; border-bottom: 1px solid var(--rule); align-items: center; } li.dealt p { color: var(--ink-2); }
.line { font: inherit; height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; min-width: 0; grid-column: 1; } .acts { display: inline-flex; gap: 6px; flex-wrap: wrap; } .new { display: grid; grid-template-columns: 150px minmax(0, 1fr) auto; gap: 12px; align-items: center; }
@media (max-width: 600px) { li, .new { grid-template-columns: minmax(0, 1fr); } }
</style>
