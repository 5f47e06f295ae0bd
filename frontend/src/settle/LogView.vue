<script setup lang="ts">
import { useElementSize, useLocalStorage, useMediaQuery } from '@vueuse/core'
import { computed, ref } from 'vue'

import { api, type Logged, type LogEntry, messageOf } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import ApartRows from './ApartRows.vue'
import { inWords } from './changes'
import EntryForm from './EntryForm.vue'
import LogEntries from './LogEntries.vue'
import SettlingChart from './SettlingChart.vue'
import { useLog } from './useLog'

/** The log: entries on one distance axis, how the springs settle, what is due again, and a way back to any setup. */
const vehicle = useVehicle()
const units = useUnits()
const log = useLog()
const narrow = useMediaQuery('(max-width: 700px)')
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const { found, trouble, again } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup && !vehicle.isFound.value
    ? api.POST('/api/settling', { body: { document, setup: setup.id, vehicle_id: vehicle.id } })
    : null
}, [vehicle.report, log.entries])
const settling = computed(() => found.value?.settling ?? null)
const due = computed(() => found.value?.due ?? [])
const show = useLocalStorage('feder-log-shows', { heights: true, clicks: true, collars: true, felt: true })
const SHOWN = computed(() => (narrow.value ? 50 : 6))
const end = ref(0)
const entries = computed(() => {
  const all = log.entries.value
  const to = all.length - end.value
  const shown = all.slice(Math.max(0, to - SHOWN.value), to)
  return narrow.value ? shown.reverse() : shown
})
const newest = computed(() => log.entries.value.at(-1)?.number ?? 0)
async function earlier(): Promise<void> {
  const first = narrow.value ? entries.value.at(-1) : entries.value[0]
  if (first && first === log.entries.value[0]) await log.older()
  end.value = Math.min(end.value + SHOWN.value, Math.max(0, log.entries.value.length - 1))
}
const fittedAt = computed(() => settling.value?.fitted_at ?? vehicle.setup.value?.odometer ?? null)
const marks = computed(() => {
  const inner = Math.max(0, width.value - 64)
  return entries.value.flatMap((e, i) =>
    e.entry.odometer == null || fittedAt.value == null
      ? []
      : [
          {
            number: e.number,
            distance: e.entry.odometer - fittedAt.value,
            column: 64 + (inner / entries.value.length) * i,
          },
        ],
  )
})
/** What was read after an entry against the round before it, as the chart's own points have it. */
const read = computed(() => {
  const made: Record<string, { end: string; moved: number }[]> = {}
  const surveys = vehicle.document.value?.surveys ?? []
  for (const e of settling.value?.ends ?? [])
    e.points.forEach((p, i) => {
      const entry = surveys[p.survey]?.entry
      const before = e.points[i - 1]
      if (entry && before && surveys[before.survey]?.entry !== entry)
        (made[entry] ??= []).push({ end: e.end, moved: p.moved! })
    })
  return made
})
const mm = (v: number): string => units.show(v, 'm', { kind: 'fine length', unit: true })
const km = (v: number): string => units.show(v, 'm', { kind: 'distance', decimals: 0, unit: true })
const unsettled = computed(() => (settling.value?.ends ?? []).filter((e) => !e.flat))
const flat = computed(() => (settling.value?.ends ?? []).filter((e) => e.flat))
const last = computed(() => settling.value?.last ?? 0)
const day = (d: string): string =>
  new Date(`${d}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })

// a new entry is kept as it is typed
const draft = useLocalStorage<LogEntry | null>(`feder-entry ${vehicle.id} ${vehicle.setup.value?.id ?? ''}`, null, {
  serializer: { read: (t) => JSON.parse(t) as LogEntry | null, write: (v) => JSON.stringify(v) },
})
const writing = ref<'new' | 'older' | Logged | null>(null)
const blank = ref<LogEntry | null>(null)
function open(kind: 'new' | 'older'): void {
  blank.value = kind === 'new' && draft.value ? { ...draft.value, at: draft.value.at } : log.blank()
  writing.value = kind
}
const edited = (e: Logged): void => {
  blank.value = { ...e.entry }
  writing.value = e
}
function kept(entry: LogEntry): void {
  if (writing.value === 'new' || writing.value === 'older') {
    log.write(entry, vehicle.document.value!, writing.value === 'older')
    if (writing.value === 'new') draft.value = null
  } else log.amend(entry)
  writing.value = null
  end.value = 0
}
const parted = ref<Logged | null>(null)
const backTrouble = ref('')
/** An earlier state as a branch beside this setup: nothing is overwritten. */
async function back(e: Logged): Promise<void> {
  const { data, error } = await api
    .GET('/api/vehicles/{vehicle_id}/entries/{entry}/setup', {
      params: { path: { vehicle_id: vehicle.id, entry: e.entry.id } },
    })
    .catch((x: unknown) => ({ data: undefined, error: x }))
  backTrouble.value = data ? '' : messageOf(error)
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!data || !document || !setup) return
  let n = 1
  const taken = new Set(document.setups.map((s) => s.id))
  const id = (): string => `${setup.id.slice(0, 24)}-as-${e.number}${n > 1 ? `-${n}` : ''}`
  while (taken.has(id())) n++
  const made = {
    ...data.setup,
    id: id(),
    name: `${setup.name}, as in ${e.number}`.slice(0, 80),
    stage: 'plan' as const,
    parent: setup.id,
    fitted_on: null,
    odometer: null,
  }
  vehicle.edit(`return to entry ${e.number}`, [{ path: ['setups'], value: [...document.setups, made] }])
  vehicle.selectSetup(made.id)
}
async function calendar(): Promise<void> {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!document || !setup) return
  const { data, error } = await api
    .POST('/api/settling/calendar', {
      body: { document, setup: setup.id, vehicle_id: vehicle.id },
      parseAs: 'blob',
    } as never)
    .catch((x: unknown) => ({ data: undefined, error: x }))
  backTrouble.value = data ? '' : messageOf(error)
  if (data) save(data as unknown as Blob, `${document.vehicle.name}-re-checks.ics`)
}
function save(blob: Blob, name: string): void {
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 5000)
}
async function done(id: string, on: boolean): Promise<void> {
  await api
    .POST('/api/vehicles/{vehicle_id}/cards/{setup}/ticks', {
      params: { path: { vehicle_id: vehicle.id, setup: vehicle.setup.value!.id } },
      body: { step: `recheck.${id}`, state: on ? 'done' : 'open', mark: '', who: '', reason: '' },
    })
    .catch((x: unknown) => (backTrouble.value = messageOf(x)))
  again()
}
const file = ref<HTMLInputElement | null>(null)
async function csvIn(event: Event): Promise<void> {
  const picked = (event.target as HTMLInputElement).files?.[0]
  if (!picked) return
  const answer = await fetch(`/api/vehicles/${vehicle.id}/log/${vehicle.setup.value!.id}/csv`, {
    method: 'POST',
    headers: { 'Content-Type': 'text/csv' },
    body: await picked.text(),
  }).catch(() => null)
  backTrouble.value = answer?.ok ? '' : messageOf(answer ? await answer.json() : undefined)
  if (file.value) file.value.value = ''
}
const csvOut = computed(() => `/api/vehicles/${vehicle.id}/log/${vehicle.setup.value?.id}/csv`)
const FILTERS = ['heights', 'clicks', 'collars', 'felt'] as const
const changesWords = computed(() =>
  log.changes.value
    .map((c) => inWords(c, units))
    .slice(0, 2)
    .join('; '),
)
</script>

<template>
  <div ref="box" class="log">
    <div class="top">
      <div role="status">
        <p v-for="e in unsettled" :key="e.end" class="say">
          <b class="grade-note">Note</b>
          <b v-if="Math.abs(e.remaining) >= 0.001"
            >{{ e.end === 'front' ? 'Front' : 'Rear' }} is still settling: {{ mm(e.remaining) }} to come<template
              v-if="e.flat_at != null && e.flat_at > last"
              >, flat in about {{ km(e.flat_at - last) }}</template
            >.</b
          ><b v-else
            >{{ e.end === 'front' ? 'Front' : 'Rear' }} has little to come, but was read over too short a way to call it
            flat.</b
          ><template v-if="e.turns != null && Math.abs(e.turns) >= 0.25">
            Then both {{ e.end }} collars
            <b class="plan">{{ Math.abs(e.turns).toFixed(1) }} turns {{ e.turns > 0 ? 'up' : 'down' }}</b
            >, ±{{ (e.turns_sure ?? 0).toFixed(1) }}, once; leave them until then.</template
          >
        </p>
        <p v-for="e in flat" :key="e.end" class="say">
          {{ e.end === 'front' ? 'Front' : 'Rear' }} is flat at <b>{{ mm(e.settled) }}</b><template
            v-if="e.turns != null && Math.abs(e.turns) >= 0.25 && Math.abs(e.off ?? 0) > 0.002"
            >: both collars
            <b class="plan">{{ Math.abs(e.turns).toFixed(1) }} turns {{ e.turns > 0 ? 'up' : 'down' }}</b
            >, ±{{ (e.turns_sure ?? 0).toFixed(1) }}</template
          >.
        </p>
        <p v-if="settling?.waits && !log.entries.value.length" class="say">
          Nothing is written yet. The first entry tells what was fitted; each later one finds by itself what was
          changed.
        </p>
        <p v-else-if="settling?.waits" class="quiet">{{ settling.waits }}.</p>
      </div>
      <button class="act go" :disabled="!log.known.value && !log.waiting.value" @click="open('new')">
        New entry<small v-if="changesWords">{{ changesWords }}</small>
      </button>
    </div>
    <p v-if="trouble || backTrouble" class="grade-stop" role="alert">{{ trouble || backTrouble }}</p>
    <EntryForm
      v-if="writing && blank"
      :entry="blank"
      :changes="writing === 'new' ? log.changes.value : []"
      :first="log.isFirst.value"
      :words="log.words.value"
      :number="writing === 'new' || writing === 'older' ? newest + 1 : null"
      :older="writing === 'older'"
      :keep="writing === 'new' || writing === 'older' ? `Keep entry ${newest + 1}` : 'Keep it so'"
      @draft="(e) => writing === 'new' && (draft = e)"
      @keep="kept"
      @close="writing = null" />
    <SettlingChart
      v-if="settling?.ends.length && width > 500"
      :settling="settling"
      :due="due"
      :width="width"
      :marks="marks" />
    <LogEntries
      v-if="entries.length"
      :entries="entries"
      :newest="newest"
      :fitted-at="fittedAt"
      :show="show"
      :read="read"
      @back="back"
      @amend="edited"
      @apart="(e) => (parted = e)" />
    <ApartRows v-if="parted" :entry="parted" @close="parted = null" />
    <p class="foot">
      <span class="quiet">show</span
      ><label v-for="f in FILTERS" :key="f"><input v-model="show[f]" type="checkbox" class="box" /> {{ f }}</label
      ><button
        v-if="Math.min(...entries.map((e) => e.number), 1e9) > 1 && entries.length"
        class="link"
        @click="earlier">
        earlier ones</button
      ><button v-if="end > 0" class="link" @click="end = Math.max(0, end - SHOWN)">later ones</button
      ><button class="link end" @click="open('older')">type in an older entry</button>
    </p>
    <section v-if="due.length && settling?.fitted_at != null" aria-label="Due again" class="due">
      <h3 aria-level="2">due again</h3>
      <label v-for="d in due" :key="d.id" class="tick"
        ><input
          type="checkbox"
          class="box"
          :checked="d.done"
          @change="done(d.id, ($event.target as HTMLInputElement).checked)" /><span
          >{{ d.words }}
          <span class="quiet"
            >at {{ km(d.distance) }}<template v-if="d.day">, about {{ day(d.day) }}</template></span
          ><b v-if="!d.done && d.distance <= last" class="grade-look"> now</b></span
        ></label
      >
      <p class="foot">
        <button class="link" @click="calendar">add to calendar (.ics)</button
        ><a class="link" :href="csvOut" download>log as CSV</a
        ><label class="link"
          >entries from a CSV<input ref="file" class="seen-not" type="file" accept=".csv,text/csv" @change="csvIn"
        /></label>
      </p>
    </section>
    <p v-else class="foot">
      <a v-if="log.count.value" class="link" :href="csvOut" download>log as CSV</a
      ><label class="link"
        >entries from a CSV<input ref="file" class="seen-not" type="file" accept=".csv,text/csv" @change="csvIn"
      /></label>
    </p>
  </div>
</template>

<style scoped>
.log { min-width: 0; } .top { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 16px; align-items: start; margin-top: 4px; } .top .act { display: grid; padding: 4px 14px; max-width: 240px; white-space: normal; text-align: center; } small { font-weight: 400; font-size: var(--t-1); }
.say { font-size: var(--t-3); line-height: 1.25; } .plan { color: var(--plan); }
.foot { display: flex; flex-wrap: wrap; gap: 0 18px; align-items: center; border-top: 1px solid var(--rule); } .foot label { display: inline-flex; gap: 7px; align-items: center; min-height: 44px; cursor: pointer; } .end { margin-left: auto; } .box { width: 18px; height: 18px; accent-color: var(--ink); }
.due { border-top: 1.5px solid var(--ink); margin-top: 6px; padding-top: 6px; } .tick { display: flex; gap: 10px; align-items: center; min-height: 44px; cursor: pointer; }
@media (max-width: 600px) { .top { grid-template-columns: minmax(0, 1fr); } }
</style>
