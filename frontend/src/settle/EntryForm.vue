<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { type ChangedRow, type LogEntry, type Place, placeWords } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { told } from './changes'
import FeltRungs from './FeltRungs.vue'

/** One entry being written: what was changed stands there already; why, what was felt, and the day. */
const props = defineProps<{
  entry: LogEntry
  changes: ChangedRow[]
  first: boolean
  words: string[]
  number: number | null
  /** An older day: nothing was changed by it. */
  older?: boolean
  keep: string
}>()
const emit = defineEmits<{ keep: [entry: LogEntry]; close: []; draft: [entry: LogEntry] }>()
const vehicle = useVehicle()
const units = useUnits()
const now = ref<LogEntry>({ ...props.entry })
watch(
  () => props.entry.id,
  () => (now.value = { ...props.entry }),
)
const set = (members: Partial<LogEntry>): void => {
  now.value = { ...now.value, ...members }
  emit('draft', now.value)
}
const rows = computed(() => (props.older ? [] : props.changes.map((c) => told(c, units))))
const chips = computed(() => [...new Set([...props.words, ...(now.value.words ?? [])])])
const chip = (w: string): void => {
  const has = now.value.words ?? []
  set({ words: has.includes(w) ? has.filter((x) => x !== w) : [...has, w].slice(0, 12) })
}
const own = ref('')
function addOwn(): void {
  const word = own.value.trim().slice(0, 40)
  if (word && !(now.value.words ?? []).includes(word)) chip(word)
  own.value = ''
}
const pressure = (p: Place, which: 'cold' | 'hot'): number | null =>
  now.value.pressures?.find((x) => x.place === p)?.[which] ?? null
function setPressure(p: Place, which: 'cold' | 'hot', value: number | null): void {
  const was = now.value.pressures?.find((x) => x.place === p)
  const others = (now.value.pressures ?? []).filter((x) => x.place !== p)
  const made = { cold: null, hot: null, ...was, place: p, [which]: value }
  set({ pressures: made.cold === null && made.hot === null ? others : [...others, made] })
}
const SURFACES = ['dry', 'damp', 'wet', 'snow', 'gravel', 'mud'] as const
function submit(): void {
  addOwn()
  emit('keep', now.value)
}
</script>

<template>
  <form class="entry" aria-label="Entry of the log" @submit.prevent="submit">
    <p v-if="number !== null" class="quiet small">
      {{
        older
          ? 'an older day: nothing of the setup is changed by it'
          : first
            ? 'what was fitted, against as found'
            : 'changed since the last entry, filled in'
      }}
    </p>
    <ul v-if="rows.length" class="changed">
      <li v-for="r in rows.slice(0, first ? 6 : 12)" :key="r.words">
        {{ r.words }} <span class="quiet">{{ r.before }}</span> → <b class="plan">{{ r.after }}</b>
      </li>
      <li v-if="first && rows.length > 6" class="quiet">and {{ rows.length - 6 }} more</li>
    </ul>
    <p v-else-if="!older && number !== null">Nothing was changed on the vehicle.</p>
    <div class="cols">
      <FeltRungs :felt="now.felt ?? null" @choose="(f) => set({ felt: f })" />
      <div class="chips" role="group" aria-label="In words">
        <button
          v-for="w in chips"
          :key="w"
          type="button"
          class="chip"
          :aria-pressed="(now.words ?? []).includes(w)"
          @click="chip(w)">
          {{ w }}
        </button>
        <input
          v-model="own"
          class="line"
          maxlength="40"
          aria-label="a word of your own"
          placeholder="own word"
          @keydown.enter.prevent="addOwn" />
      </div>
    </div>
    <label class="wide"
      ><span class="small quiet">why</span
      ><textarea
        class="line tall"
        maxlength="500"
        rows="2"
        :value="now.why"
        @input="set({ why: ($event.target as HTMLTextAreaElement).value })"></textarea>
    </label>
    <div class="fields">
      <label
        ><span class="small quiet">day and time</span
        ><input
          type="datetime-local"
          class="line"
          required
          :value="now.at"
          @change="
            ($event.target as HTMLInputElement).value &&
            set({ at: ($event.target as HTMLInputElement).value.slice(0, 16) })
          "
      /></label>
      <QuantityField
        label="odometer"
        of="Setup.odometer"
        kind="distance"
        :decimals="0"
        :model-value="now.odometer"
        @update:model-value="(v) => set({ odometer: v })" />
      <label
        ><span class="small quiet">road</span
        ><select
          class="line"
          :value="now.surface ?? ''"
          @change="set({ surface: (($event.target as HTMLSelectElement).value || null) as LogEntry['surface'] })">
          <option value="">–</option>
          <option v-for="s in SURFACES" :key="s">{{ s }}</option>
        </select></label
      >
      <QuantityField
        label="air"
        si=""
        unit-text="°C"
        :decimals="0"
        :low="-60"
        :high="70"
        :model-value="now.air"
        @update:model-value="(v) => set({ air: v })" />
      <label
        ><span class="small quiet">where</span
        ><input
          class="line"
          maxlength="80"
          :value="now.where"
          @input="set({ where: ($event.target as HTMLInputElement).value })"
      /></label>
      <QuantityField
        label="lap or stage time"
        si=""
        unit-text="s"
        :decimals="1"
        :low="0.1"
        :high="100000"
        :model-value="now.time"
        @update:model-value="(v) => set({ time: v })" />
    </div>
    <table class="pressures">
      <thead>
        <tr>
          <th class="small quiet"><TermWord words="tyres" /></th>
          <th v-for="p in vehicle.places.value" :key="p" class="small quiet">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="which in ['cold', 'hot'] as const" :key="which">
          <th class="small">{{ which }}</th>
          <td v-for="p in vehicle.places.value" :key="p">
            <QuantityField
              hide-label
              :label="`${which} pressure, ${placeWords(p)}`"
              of="WheelRound.pressure_hot"
              :at="`pressure ${p}`"
              :model-value="pressure(p, which)"
              @update:model-value="(v) => setPressure(p, which, v)" />
          </td>
        </tr>
      </tbody>
    </table>
    <p class="acts">
      <button class="act go" type="submit">{{ keep }}</button><button class="act" type="button" @click="emit('close')">
        Not now
      </button>
    </p>
  </form>
</template>

<style scoped>
.entry { border: 1.5px solid var(--ink); background: var(--ground); padding: 10px 14px; margin: 6px 0; display: grid; gap: 8px; } .changed { list-style: none; margin: 0; padding: 0; font-size: var(--t-3); } .plan { color: var(--plan); }
.cols { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr); gap: 12px; } .chips { display: grid; grid-template-columns: repeat(auto-fill, minmax(104px, 1fr)); gap: 4px; align-content: start; } .chip { min-height: 44px; border: 1px solid var(--edge); text-align: center; background: var(--sheet); } .chip[aria-pressed='true'] { background: var(--ink); color: var(--ground); font-weight: 600; }
.fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 8px 12px; } .line { display: block; width: 100%; font: inherit; min-height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; } .tall { padding: 6px; resize: vertical; }
.pressures { width: 100%; border-collapse: collapse; table-layout: fixed; } .pressures th { font-weight: 400; text-align: left; } .pressures th:first-child { width: 52px; } .pressures td { padding: 1px 3px; } .acts { display: flex; gap: 12px; }
@media (max-width: 600px) { .cols { grid-template-columns: minmax(0, 1fr); } .entry { border-width: 0; padding: 0; } }
</style>
