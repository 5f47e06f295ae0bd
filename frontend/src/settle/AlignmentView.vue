<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'

import {
  type AlignedWheel,
  type AlignmentStep,
  api,
  type EndName,
  messageOf,
  type Place,
  placeWords,
  type WheelRound,
} from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'

import AlignDrawing from './AlignDrawing.vue'
import AlignSetup from './AlignSetup.vue'
import AlignWheel from './AlignWheel.vue'
import OverHeightChart from './OverHeightChart.vue'
import RoundBar from './RoundBar.vue'
import { useLog } from './useLog'
import { useRounds } from './useRounds'

/** Alignment: the read-out before and after, what it does running straight, whose fault it is, and what to turn. */
const vehicle = useVehicle()
const units = useUnits()
const log = useLog()
const rounds = useRounds(vehicle, () => log.newest.value)
const angles = useLocalStorage('feder-toe-angles', false)
const wear = ref(false)
const { found, trouble } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup && !vehicle.isFound.value
    ? api.POST('/api/alignment', {
        body: { document, setup: setup.id, survey: rounds.index.value, held: [], vehicle_id: vehicle.id },
      })
    : null
}, [vehicle.report, rounds.index])
const bench = computed(() => found.value?.alignment ?? null)
const here = computed(() => bench.value !== null && bench.value.round === rounds.index.value)
const wheel = (p: Place): AlignedWheel => {
  const told = bench.value!.wheels.find((w) => w.place === p)!
  // the read-out shown is that of the round in hand; a round without one has only before and wanted
  return here.value
    ? told
    : { ...told, now: { toe: null, camber: null, caster: null }, toe_off: false, camber_off: false, caster_off: false }
}
const ENDS: EndName[] = ['front', 'rear']
const end = (e: EndName) => bench.value!.ends.find((x) => x.end === e)!
const way = (v: number): string => (v > 0 ? 'in' : 'out')
function minutes(a: number): string {
  const all = Math.round((Math.abs(a) * 180 * 60) / Math.PI)
  return all >= 60 ? `${Math.floor(all / 60)}° ${all % 60}′` : `${all}′`
}
const total = (a: number | null | undefined, across: number | null | undefined): string =>
  a == null
    ? '–'
    : `${way(a)} ${angles.value || across == null ? minutes(a) : units.show(Math.abs(across), 'm', { kind: 'fine length', unit: true })}`
const deg = (a: number | null | undefined): string =>
  a == null ? '–' : units.show(a, 'rad', { decimals: 1, signed: true, unit: true })
const GRADE = { stop: 'Stop', look: 'Look', note: 'Note' }
const said = computed(() => (here.value ? (bench.value?.words ?? []) : []))
const SCRUB_SHOWN = 4
const scrubX = (v: number | null | undefined): number => Math.min(1, Math.abs(v ?? 0) / SCRUB_SHOWN) * 222
const moveWords = (s: AlignmentStep, m: AlignmentStep['moves'][number]): string => {
  const by =
    s.sets !== 'toe'
      ? deg(m.change)
      : `${angles.value || m.across == null ? minutes(m.change) : units.show(Math.abs(m.across), 'm', { kind: 'fine length', unit: true })} ${way(m.change)}`
  return m.turns == null
    ? by
    : `${by}: ${Math.abs(m.turns).toFixed(2)} ${/turn/.test(m.how) ? m.how : `steps at the ${m.how}, ${m.turns > 0 ? 'up' : 'down'}`}`
}
const STATE: Record<AlignmentStep['state'], string> = {
  done: 'done',
  'to do': 'to do',
  unknown: 'not known',
  'not adjustable': 'not adjustable',
}
const inHand = computed(() => bench.value?.steps.find((s) => s.state === 'to do') ?? null)
const drops = computed(() => (bench.value?.over ?? []).filter((o) => o.camber_change != null || o.toe_change != null))
const file = ref<HTMLInputElement | null>(null)
const fileTrouble = ref('')
const preview = ref<WheelRound[] | null>(null)
async function chosen(event: Event): Promise<void> {
  const picked = (event.target as HTMLInputElement).files?.[0]
  if (!picked) return
  const { data, error } = await api
    .POST('/api/alignment/file', { body: { text: await picked.text() } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  fileTrouble.value = data ? '' : messageOf(error)
  preview.value = data?.wheels ?? null
  if (file.value) file.value.value = ''
}
async function out(): Promise<void> {
  const { data, error } = await api
    .POST('/api/alignment/csv', {
      body: { document: vehicle.document.value!, survey: rounds.index.value! },
      parseAs: 'text',
    })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  fileTrouble.value = data === undefined ? messageOf(error) : ''
  if (data === undefined) return
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(new Blob([data as string], { type: 'text/csv' }))
  link.download = `${vehicle.document.value!.vehicle.name}-read-out.csv`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
}
function takeFile(): void {
  const kept = (rounds.round.value?.wheels ?? []).filter((w) => !preview.value!.some((p) => p.place === w.place))
  const merged = preview.value!.map((p) => ({ ...(rounds.wheel(p.place) ?? {}), ...told(p) }))
  rounds.set('read-out from a file', 'wheels', [...kept, ...merged])
  preview.value = null
}
const told = (w: WheelRound): Partial<WheelRound> & { place: Place } =>
  Object.fromEntries(Object.entries(w).filter(([, v]) => v !== null)) as Partial<WheelRound> & { place: Place }
</script>

<template>
  <RoundBar :rounds="rounds" plain :ticks="[]" />
  <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
  <template v-if="bench">
    <div class="bar">
      <div role="group" aria-label="Toe as" class="seg">
        <button :aria-pressed="!angles" @click="angles = false">{{ units.unit('m').written }}</button><button
          :aria-pressed="angles"
          @click="angles = true">
          ° ′
        </button>
      </div>
      <label
        ><input
          type="checkbox"
          class="box"
          :checked="rounds.round.value?.against === 'thrust line'"
          @change="
            rounds.set(
              'toe against',
              'against',
              ($event.target as HTMLInputElement).checked ? 'thrust line' : 'centre line',
            )
          " />
        front toe read against the thrust line</label
      ><label><input v-model="wear" type="checkbox" class="box" /> treads</label
      ><label class="link"
        >read-out from a CSV<input ref="file" class="seen-not" type="file" accept=".csv,text/csv" @change="chosen"
      /></label>
      <button v-if="here && rounds.index.value !== null" class="link" @click="out">as CSV</button>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/readout`">on a phone</router-link>
    </div>
    <p v-if="fileTrouble" class="grade-stop" role="alert">{{ fileTrouble }}</p>
    <p v-if="preview" class="say">
      {{ preview.length }} wheels in the file: {{ preview.map((w) => placeWords(w.place)).join(', ') }}.
      <button class="act go" @click="takeFile">Take them into this round</button>
      <button class="act" @click="preview = null">Not</button>
    </p>
    <div role="status">
      <p v-for="w in said.slice(0, 3)" :key="w.rule + w.place" class="say">
        <b :class="`grade-${w.grade}`">{{ GRADE[w.grade] }}</b>
        {{ sentence(w.text, w.numbers ?? {}, units.system.value) }}
        <span v-if="w === said[0]" class="quiet">{{ w.mend }}.</span>
      </p>
      <p v-if="here && !said.length" class="say"><b>Nothing is wrong with it.</b> Leave it.</p>
      <p v-if="!here" class="say">
        Type the read-out of this round, or take it from a file: toe of each wheel by itself, camber, caster.
      </p>
    </div>
    <div class="four">
      <AlignWheel class="fl" :wheel="wheel('front_left')" :rounds="rounds" :angles="angles" :wear="wear" />
      <AlignWheel class="fr" :wheel="wheel('front_right')" :rounds="rounds" :angles="angles" :wear="wear" />
      <AlignWheel class="rl" :wheel="wheel('rear_left')" :rounds="rounds" :angles="angles" :wear="wear" />
      <AlignWheel class="rr" :wheel="wheel('rear_right')" :rounds="rounds" :angles="angles" :wear="wear" />
      <div class="mid"><AlignDrawing :bench="bench" /></div>
    </div>
    <p v-if="here" class="sums">
      <span v-for="e in ENDS" :key="e"
        >{{ e }} total <b>{{ total(end(e).total, end(e).across) }}</b>, wanted
        <b class="plan">{{ total(end(e).total_wanted, end(e).across_wanted) }}</b></span
      ><span
        >cross camber <b>{{ deg(end('front').cross_camber) }}</b>, caster
        <b>{{ deg(end('front').cross_caster) }}</b></span
      ><span v-if="bench.thrust != null"
        >thrust <b>{{ minutes(bench.thrust) }} {{ bench.thrust > 0 ? 'right' : 'left' }}</b></span
      ><span v-if="bench.steering_wheel != null"
        >steering wheel
        <b
          >{{ units.show(Math.abs(bench.steering_wheel), 'rad', { decimals: 1, unit: true }) }}
          {{ bench.steering_wheel > 0 ? 'right' : 'left' }}</b
        ></span
      ><span v-if="bench.pull"
        >pulls <b>{{ bench.pull }}</b></span
      ><span v-if="bench.wheels.some((w) => w.rim_assumed)" class="quiet"
        >~ rim diameter assumed
        {{ units.show(bench.wheels.find((w) => w.rim_assumed)!.rim, 'm', { unit: true }) }}</span
      >
    </p>
    <div class="below">
      <section v-if="here" aria-label="What it does, running straight">
        <h3 aria-level="2">what it does, running straight</h3>
        <div v-for="e in ENDS" :key="e" class="scrub">
          <p>
            each {{ e }} wheel
            <b :class="{ 'grade-look': end(e).eats }"
              >{{ end(e).scrub == null ? '–' : Math.abs(end(e).scrub!).toFixed(1) }} m/km</b
            >
          </p>
          <svg width="224" height="24" aria-hidden="true">
            <rect class="bed" x="1" y="2" width="222" height="12" />
            <rect class="does" x="1" y="2" :width="scrubX(end(e).scrub)" height="12" />
            <path class="limit" :d="`M${scrubX(2)} 0v17`" />
            <path
              v-if="end(e).scrub_wanted != null"
              class="wanted"
              :d="`M${scrubX(end(e).scrub_wanted) + 1} 15l-6 9h12z`" />
          </svg>
          <p class="small quiet">
            <template v-if="end(e).eats"
              >this eats the {{ (end(e).total ?? 0) < 0 ? 'inner' : 'outer' }} edges; </template
            ><template v-if="end(e).wanted_eats"
              >the toe wanted itself does: {{ Math.abs(end(e).scrub_wanted ?? 0).toFixed(1) }}; </template
            >the mark is the limit of 2
          </p>
        </div>
      </section>
      <section aria-label="What to turn, in this order">
        <h3 aria-level="2">what to turn, in this order</h3>
        <ol class="order">
          <li v-for="(s, i) in bench.steps" :key="i" :class="[s.state.replace(' ', '-'), { hand: s === inHand }]">
            <span class="dot" aria-hidden="true"></span
            ><span
              >{{ s.says }}<span class="seen-not">, {{ STATE[s.state] }}</span
              ><template v-for="m in here ? s.moves : []" :key="m.place"
                ><span class="move"
                  >{{ placeWords(m.place) }} <b class="plan">{{ moveWords(s, m) }}</b><template v-if="m.left != null"
                    >, {{ m.left.toFixed(1) }} left</template
                  ><small v-if="m.waits" class="quiet"> {{ m.waits }}</small></span
                ></template
              ></span
            >
          </li>
        </ol>
      </section>
      <section v-if="bench.over.length" aria-label="What the drop does">
        <h3 aria-level="2">what the drop does</h3>
        <div class="charts">
          <OverHeightChart :over="bench.over" of="camber" /><OverHeightChart :over="bench.over" of="toe" />
        </div>
        <p v-for="o in drops" :key="o.end" class="small">
          {{ o.end }}<template v-if="o.camber_change != null"> {{ deg(o.camber_change) }}</template
          ><template v-if="o.toe_change != null"
            >, {{ way(o.toe_change) }} {{ units.show(Math.abs(o.toe_change), 'm', { kind: 'fine length' }) }}</template
          ><template v-if="o.bump_steer != null"
            >; {{ units.show(0.03, 'm', { unit: true }) }} of bump turns it {{ way(o.bump_steer) }}
            {{ units.show(Math.abs(o.bump_steer), 'm', { kind: 'fine length' }) }}</template
          ><template v-if="o.beyond"> (beyond what was read)</template>
        </p>
      </section>
    </div>
    <p class="small quiet mt-2">
      <b class="grade-look">Look</b> Rods and bolts to the maker’s torque, lock nuts held; steering and brakes checked
      by a licensed workshop where the rules ask for it. First drive slow, the wheel held lightly.
    </p>
    <AlignSetup />
  </template>
</template>

<style scoped>
.bar { display: flex; flex-wrap: wrap; gap: 0 16px; align-items: center; } .bar label { display: inline-flex; align-items: center; gap: 7px; min-height: 44px; cursor: pointer; } .box { width: 18px; height: 18px; accent-color: var(--ink); } .seg { display: flex; } .seg button { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .seg button[aria-pressed='true'] { border-color: var(--ink); font-weight: 600; }
.say { line-height: 1.25; margin: 2px 0 4px; } .say:first-child { font-size: var(--t-3); }
.four { display: grid; grid-template-columns: minmax(0, 1fr) 168px minmax(0, 1fr); gap: 6px 14px; border-top: 1.5px solid var(--ink); padding-top: 6px; } .fl { grid-area: 1 / 1; } .fr { grid-area: 1 / 3; } .rl { grid-area: 2 / 1; } .rr { grid-area: 2 / 3; } .mid { grid-area: 1 / 2 / 3 / 3; }
.sums { display: flex; flex-wrap: wrap; gap: 0 18px; border-top: 1px solid var(--rule); padding: 4px 0; } .plan { color: var(--plan); font-weight: 600; }
.below { display: grid; grid-template-columns: 232px minmax(0, 1fr) auto; gap: 18px; border-top: 1.5px solid var(--ink); padding-top: 6px; } h3 { font-size: var(--t-2); }
.scrub p { line-height: 1.2; } .bed { fill: var(--sheet); stroke: var(--ink); } .does { fill: var(--ink); } .limit { stroke: var(--look); stroke-width: 3; } .wanted { fill: var(--plan); }
.order { list-style: none; margin: 4px 0 0; padding: 0; } .order li { display: grid; grid-template-columns: 18px minmax(0, 1fr); gap: 8px; padding: 2px 0; line-height: 1.25; } .dot { width: 12px; height: 12px; border-radius: 50%; border: 1.5px solid var(--ink); margin-top: 4px; } .done .dot { background: var(--ink); } .unknown { color: var(--ink-2); } .hand { font-weight: 600; } .hand .move { font-weight: 400; } .move { display: block; }
.charts { display: flex; gap: 10px; }
@media (max-width: 700px) { .four { grid-template-columns: minmax(0, 1fr); } .fl, .fr, .rl, .rr, .mid { grid-area: auto; } .below { grid-template-columns: minmax(0, 1fr); } }
</style>
