<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'

import {
  api,
  type Figure,
  messageOf,
  type Place,
  placeWords,
  type RecordingRead,
  type RecordingShown,
} from '@/api/client'
import TermWord from '@/components/TermWord.vue'
import { useNotices } from '@/composables/useNotices'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useInstruments } from '@/instruments/useInstruments'
import { percent } from '@/units/format'

import RecordedWheel from './RecordedWheel.vue'
import RecordingColumns from './RecordingColumns.vue'
import { useProve } from './useProve'
import { type Columns, useRecordings } from './useRecordings'

/** What a logger recorded on the road, beside the simulated run of the setup that was driven. */
const vehicle = useVehicle()
const units = useUnits()
const prove = useProve()
const notices = useNotices()
const recordings = useRecordings()
const instruments = useInstruments()
const picker = ref<HTMLInputElement | null>(null)
const here = ref<number | null>(null)
const read = shallowRef<RecordingRead | null>(null)
const trouble = ref('')
const one = computed<RecordingShown | null>(() => recordings.list.value.find((r) => r.id === here.value) ?? null)
watch(recordings.list, (all) => {
  if (!all.some((r) => r.id === here.value)) here.value = all[0]?.id ?? null
})
/** The setup that was driven was deleted since: the one in hand stands for it, and it is said. */
const gone = computed(() => !vehicle.document.value?.setups.some((s) => s.id === one.value?.setup))
let asking = false
let again = false
/** One question at a time: a long recording takes its time, and while it is read the hand may go on. */
async function ask(): Promise<void> {
  again = asking
  if (asking) return
  const document = vehicle.document.value
  trouble.value = ''
  if (!one.value || !document) return void (read.value = null)
  asking = true
  const setup = gone.value ? vehicle.setup.value!.id : one.value.setup
  const { data, error } = await api
    .POST('/api/recordings/{recording}/against', {
      params: { path: { recording: one.value.id } },
      body: { document, vehicle: vehicle.id, setup, load_state: vehicle.loadState.value } as never,
    })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  asking = false
  if (again) return ask()
  trouble.value = data ? '' : messageOf(error)
  read.value = (data?.read as RecordingRead | undefined) ?? null
}
watch(here, () => {
  read.value = null
  void ask()
})
const rests = useDebounceFn(() => void ask(), 700)
watch(() => vehicle.report.value, rests)

async function chosen(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) await recordings.send(file)
}
async function begin(setup: string, columns: Columns): Promise<void> {
  const made = await recordings.read(setup, columns)
  if (made !== null) here.value = made
}
async function remove(r: RecordingShown): Promise<void> {
  await recordings.remove(r.id)
  notices.say(`${r.name} put away`, () => void recordings.back(r.id))
}
const logger = computed(() => instruments.list.value.find((i) => i.kind === 'logger' && i.way !== 'stopped'))
void instruments.glance('logger').then((runs) => runs && instruments.watch())
async function record(): Promise<void> {
  if (!logger.value) return
  const params = { path: { instrument: logger.value.id } }
  if (logger.value.recording === null) {
    await api.POST('/api/recordings/logger/{instrument}/start', { params }).catch(() => null)
    return
  }
  const body = { vehicle: vehicle.id, setup: vehicle.setup.value!.id, name: 'off the logger' }
  const { data, error } = await api
    .POST('/api/recordings/logger/{instrument}/keep', { params, body })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (!data) return void (trouble.value = messageOf(error))
  await recordings.load()
  here.value = data.recordings[0]?.id ?? null
}
/** The run of the setup that was driven, if it is one of the two that are simulated. */
const simulated = computed(() => {
  const run = prove.run.value
  return run && one.value ? ([run.now, run.was].find((d) => d.setup === one.value!.setup) ?? null) : null
})
const at = (p: Place): number => simulated.value?.traces.wheels.findIndex((w) => w.place === p) ?? -1
const travelOf = (p: Place) => (at(p) < 0 ? null : simulated.value!.figures.travel[at(p)]!)
const endOf = (p: Place) => simulated.value?.figures.ends.all?.[p.startsWith('front') ? 'front' : 'rear'] ?? null
const corner = (p: Place) =>
  vehicle.report.value?.setup === one.value?.setup ? vehicle.report.value?.corners[p] : null
const length = (v: number | null | undefined): string => (v == null ? '–' : units.show(v, 'm', { signed: true }))
const minutes = (s: number): string => (s < 90 ? `${s.toFixed(0)} s` : `${(s / 60).toFixed(1)} min`)
/** What rests on an estimate is marked here as everywhere. */
const ofSetup = (f: Figure | null | undefined): string =>
  f ? `${f.assumed ? '~' : ''}${f.value.toFixed(2)} of the setup` : ''
const beside = (v: string | null): string => (v === null ? '' : `~${v} simulated`)
const rows = computed<{ words: string; tell: (w: RecordingRead['wheels'][number]) => [string, string] }[]>(() => [
  {
    words: `most bump, ${units.unit('m').written}`,
    tell: (w) => [length(w.bump), beside(endOf(w.place) ? length(endOf(w.place)!.bump) : null)],
  },
  {
    words: `most droop, ${units.unit('m').written}`,
    tell: (w) => [length(w.droop), beside(endOf(w.place) ? length(endOf(w.place)!.droop) : null)],
  },
  {
    words: 'stop met, times',
    tell: (w) => [
      w.stop_times === null ? 'stop not told' : String(w.stop_times),
      beside(endOf(w.place) ? String(endOf(w.place)!.stop_times) : null),
    ],
  },
  {
    words: 'topped out, times',
    tell: (w) => [String(w.topped_times), beside(endOf(w.place) ? String(endOf(w.place)!.topped_times) : null)],
  },
  {
    words: 'damper below 0.1 m/s',
    tell: (w) => [percent(w.slow), beside(endOf(w.place) ? percent(endOf(w.place)!.slow) : null)],
  },
  {
    words: 'damper beyond 0.25 m/s',
    tell: (w) => [percent(w.fast), beside(endOf(w.place) ? percent(endOf(w.place)!.fast) : null)],
  },
  {
    words: 'body frequency, Hz',
    tell: (w) => [
      w.frequency === null ? 'no free swing' : `${w.frequency.toFixed(2)}`,
      ofSetup(corner(w.place)?.frequency),
    ],
  },
  {
    words: 'damping of critical',
    tell: (w) => [
      w.damping_ratio === null
        ? '–'
        : `${w.damping_ratio.toFixed(2)}${w.ratio_spread ? ` ±${(w.ratio_spread / 2).toFixed(2)}` : ''}, ${w.swings} ${w.swings === 1 ? 'swing' : 'swings'}`,
      ofSetup(corner(w.place)?.damping_ratio),
    ],
  },
])
const shareRead = computed(() => `${(recordings.upload.value?.rows ?? 0).toLocaleString('en')} lines`)
</script>

<template>
  <div class="bar">
    <button class="act" :disabled="recordings.phase.value !== 'idle'" @click="picker?.click()">
      A recording from a file…
    </button>
    <input
      ref="picker"
      type="file"
      accept=".csv,.txt,.tsv,text/csv,text/plain"
      class="seen-not"
      aria-label="Recording file"
      @change="chosen" />
    <button v-if="logger" class="act" @click="record">
      {{ logger.recording === null ? 'Record off the logger' : `Stop and keep ${logger.recording} readings` }}
    </button>
    <label v-if="recordings.list.value.length" class="which"
      >recording
      <select :value="here" @change="here = Number(($event.target as HTMLSelectElement).value)">
        <option v-for="r in recordings.list.value" :key="r.id" :value="r.id">
          {{ r.name }}, {{ minutes(r.seconds) }}
        </option>
      </select></label
    >
    <button v-if="one" class="link" @click="remove(one)">put it away</button>
  </div>
  <p v-if="recordings.phase.value === 'sending'" class="working" role="status">
    Sending… {{ Math.round(recordings.sent.value * 100) }} %
    <button class="link" @click="recordings.stop()">stop</button>
  </p>
  <p v-if="recordings.phase.value === 'reading'" class="working" role="status">
    Reading… {{ shareRead }} <button class="link" @click="recordings.stop()">stop</button>
  </p>
  <p v-if="recordings.trouble.value || trouble" class="refused" role="alert">
    {{ recordings.trouble.value || trouble }}
  </p>
  <RecordingColumns
    v-if="recordings.phase.value === 'choosing'"
    :key="recordings.upload.value!.id"
    :file="recordings.upload.value!.id"
    :name="recordings.file.value!.name"
    @read="begin"
    @close="recordings.stop()" />
  <template v-if="one && read">
    <p class="small quiet">
      {{ minutes(read.seconds) }} at {{ Math.round(read.rate) }} readings a second<template v-if="read.gaps"
        >, {{ read.gaps }} breaks in time</template
      >.
      {{
        simulated
          ? 'Bars were recorded; the outline is simulated on the road above. Simulated numbers are the worse wheel’s of an end.'
          : gone
            ? `The setup that was driven is not here any more: travel and stops are those of ${vehicle.setup.value?.name}.`
            : 'The setup that was driven is not one of the two simulated here.'
      }}
    </p>
    <div class="wheels">
      <RecordedWheel
        v-for="w in read.wheels"
        :key="w.place"
        :wheel="w"
        :simulated="travelOf(w.place)"
        :touch="w.touch"
        :droop="w.full_droop" />
    </div>
    <div class="wide">
      <table>
        <thead>
          <tr>
            <th><span class="seen-not">figure</span></th>
            <th v-for="w in read.wheels" :key="w.place" scope="col">{{ placeWords(w.place) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.words">
            <th scope="row">
              <TermWord :words="r.words" />
            </th>
            <td v-for="w in read.wheels" :key="w.place">
              <b>{{ r.tell(w)[0] }}</b><small>{{ r.tell(w)[1] }}</small>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="small quiet mt-2">
      Body frequency and damping are those of swings that were left alone after a bump, the middle one of them; on a
      rough road there is none.
    </p>
  </template>
  <p v-else-if="one && !trouble" class="quiet" role="status">Reading it on the travel of the setup…</p>
  <p v-else-if="!recordings.list.value.length && recordings.phase.value === 'idle'" class="quiet mt-3">
    Nothing is recorded yet. A CSV of any logger will do: a column of wheel travel for each wheel, and one of time or a
    rate. Let the vehicle stand still for two seconds at its beginning.
  </p>
</template>

<style scoped>
.bar { display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: center; margin-top: 8px; } .which { display: inline-flex; gap: 8px; align-items: center; color: var(--ink-2); } .which select { font: inherit; min-height: 44px; max-width: 260px; border: 0; border-bottom: 1.5px solid var(--ink); background: none; color: var(--ink); } .working { margin-top: 8px; display: flex; gap: 16px; align-items: center; } .refused { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin: 8px 0; }
.wheels { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px 24px; margin-top: 8px; } .wide { overflow-x: auto; } table { width: 100%; border-collapse: collapse; margin-top: 8px; } th, td { border-top: 1px solid var(--rule); padding: 5px 8px 5px 0; text-align: right; font-weight: 400; } th:first-child { text-align: left; } thead th { border: 0; color: var(--ink-2); } td small { display: block; color: var(--plan); }
@media (max-width: 600px) { .wheels { grid-template-columns: minmax(0, 1fr); } }
</style>
