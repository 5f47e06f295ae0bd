<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { messageOf } from '@/api/client'
import TakeLive from '@/instruments/TakeLive.vue'
import { NO_TOLERANCE, readQuantity } from '@/composables/useReading'
import { useUnits } from '@/composables/useUnits'
import { provideVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'
import { written } from '@/logic/walk'
import { plainNumber } from '@/units/read'
import { itemSet, statesWith } from '@/springs/loads'

import CycleView from './CycleView.vue'
import PhoneVerdict from './PhoneVerdict.vue'
import { firstUnread, handWork, pullWords, readAt, type SagStep, STATE_WORDS, STATES, stepAt, STEPS } from './walk'

/** The helper's page: the sag walk in one hand on a phone, one reading at a time, then what to turn. */
const route = useRoute()
const vehicle = provideVehicle(String(route.params.id))
const units = useUnits()
const RIDER = -1
const VERDICT = STEPS.length
const at = ref<number | null>(null)
const document_ = computed(() => vehicle.document.value)
/** Turned, and read again: with the plan on the wheels, beside what was read as found. */
const again = ref(false)
const on = computed(() => (again.value ? vehicle.setup.value?.id : undefined))
const here = (step: SagStep): number | null => (document_.value ? readAt(document_.value, step, on.value) : null)
function readAgain(): void {
  again.value = !vehicle.isFound.value
  at.value = 4
}
const rider = computed(() => (document_.value?.loads ?? []).find((l) => l.items?.length)?.items?.[0] ?? null)
watch(
  document_,
  (d) => {
    if (!d || at.value !== null) return
    const unread = STEPS.every((s) => readAt(d, s) !== null)
    at.value = unread ? VERDICT : rider.value ? firstUnread(d) : RIDER
  },
  { immediate: true },
)
const step = computed(() => (at.value !== null && at.value >= 0 && at.value < VERDICT ? STEPS[at.value]! : null))
const unit = computed(() => units.unit(step.value ? 'm' : 'kg'))
const saved = computed(() => (step.value && document_.value ? here(step.value) : (rider.value?.mass ?? null)))
const show = (v: number | null): string =>
  v === null
    ? ''
    : units.show(v, step.value ? 'm' : 'kg', {
        decimals:
          unit.value.name === 'in' ? 2 : step.value ? (Math.abs(v * 1000 - Math.round(v * 1000)) > 0.01 ? 1 : 0) : 0,
      })
const text = ref('')
const error = ref('')
const asking = ref('')
const fresh = ref(true)
watch(
  [at, on, () => !!document_.value],
  () => {
    text.value = show(saved.value)
    error.value = ''
    asking.value = ''
    fresh.value = true
  },
  { immediate: true },
)
const partner = computed(() =>
  step.value?.pull === 'pressed' && document_.value ? here(stepAt(step.value.state, step.value.place, 'lifted')) : null,
)
const friction = computed(() => {
  const here = Number(text.value.replace(',', '.'))
  if (partner.value === null || !Number.isFinite(here) || !text.value) return null
  return Math.abs(partner.value / unit.value.factor - here) / 2
})
const along = computed(
  () =>
    step.value?.place === 'front' &&
    document_.value?.vehicle.ends?.front?.layout === 'fork' &&
    document_.value.vehicle.ends.front.fork?.read !== 'vertical',
)
const title = computed(() =>
  step.value
    ? `${step.value.place === 'front' ? 'Front' : 'Rear'}, ${STATE_WORDS[step.value.state]}, ${pullWords(step.value.state, step.value.pull)}`
    : 'Rider in kit',
)
function press(key: string): void {
  asking.value = ''
  if (key === 'wipe') text.value = ''
  else text.value = fresh.value ? key : text.value + key
  fresh.value = false
}
const wrong = (): string => {
  const f = (vehicle.report.value?.findings ?? []).find(
    (x) => ['sags_out_of_order', 'much_friction'].includes(x.rule) && x.place === step.value?.place,
  )
  return f ? sentence(f.text, f.numbers, units.system.value) : ''
}
let busy = false
/** A figure typed by hand: it is not the next press's to replace, and no longer a question. */
function typed(): void {
  fresh.value = false
  asking.value = ''
}
/** Read off an instrument: it stands in the field as if typed, and the walk goes on. */
function taken(value: number): void {
  text.value = units.show(value, step.value ? 'm' : 'kg', { decimals: unit.value.decimals + 1 })
  typed()
  void next()
}
const live = ref<InstanceType<typeof TakeLive> | null>(null)
function enter(): void {
  if (!text.value.trim() && live.value?.live) void live.value.take()
  else void next()
}
async function next(): Promise<void> {
  if (busy || at.value === null) return
  if (asking.value || !text.value.trim()) return go(1)
  const low = step.value ? 0.01 : 5
  const high = step.value ? 2 : 400
  busy = true
  const plain = plainNumber(text.value, unit.value.factor)
  const { data, error: refused } =
    plain !== null && plain >= low && plain <= high
      ? { data: { value: plain, tolerance: null }, error: undefined }
      : await readQuantity({ text: text.value, unit: step.value ? 'm' : 'kg', bare: unit.value.name, low, high })
  busy = false
  const tolerance = data?.tolerance ?? null
  if (!data || (tolerance && !step.value)) {
    fresh.value = true // the next press replaces what was refused
    return void (error.value = data ? NO_TOLERANCE : messageOf(refused))
  }
  const d = document_.value!
  if (step.value) {
    const before = vehicle.report.value
    vehicle.edit(
      `${step.value.row.words}, ${step.value.place}`,
      written(d, step.value, data.value, false, on.value, tolerance),
    )
    for (let i = 0; i < 40 && vehicle.report.value === before; i++) await new Promise((r) => setTimeout(r, 25))
    if (step.value.pull === 'pressed' && (asking.value = wrong())) return
  } else if (rider.value)
    vehicle.edit(
      'rider',
      itemSet(
        d,
        d.loads!.findIndex((l) => l.items?.length),
        0,
        { mass: data.value },
      ),
    )
  else
    vehicle.edit(
      'rider',
      statesWith(d, (all) =>
        all.length
          ? all.map((s, i) => (i ? s : { ...s, items: [{ name: 'rider in kit', mass: data.value, x: null, y: null }] }))
          : [{ id: 'rider', name: 'rider', items: [{ name: 'rider in kit', mass: data.value, x: null, y: null }] }],
      ),
    )
  go(1)
}
function go(by: number): void {
  const to = (at.value ?? 0) + by
  at.value = Math.min(VERDICT, Math.max(RIDER, to))
  void nextTick(() => window.scrollTo(0, 0))
}
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.']
const left = ref(localStorage.getItem('feder-left-hand') === '1')
function hand(): void {
  left.value = !left.value
  localStorage.setItem('feder-left-hand', left.value ? '1' : '0')
}
const ahead = computed(() =>
  at.value === null
    ? ''
    : at.value + 1 >= VERDICT
      ? 'verdict'
      : `${STEPS[at.value + 1]!.place}, ${pullWords(STEPS[at.value + 1]!.state, STEPS[at.value + 1]!.pull)}`,
)
const dot = (state: string, i: number): number => STEPS.findIndex((s) => s.state === state) + i
</script>

<template>
  <div class="phone">
    <header>
      <b>{{ document_?.vehicle.name ?? '' }}</b><span class="quiet">{{
        again ? `read again, ${vehicle.setup.value?.name}` : 'sag walk'
      }}</span
      ><span class="count">{{ at === VERDICT ? 'verdict' : step ? `reading ${at! + 1} of 12` : '' }}</span>
    </header>
    <p v-if="vehicle.missing.value" class="pad">
      This vehicle is not in the garage. <router-link to="/">Back to the garage</router-link>
    </p>
    <p v-else-if="!document_" class="pad quiet" role="status">Opening the vehicle…</p>
    <p v-else-if="vehicle.places.value.length !== 2" class="pad">
      The sag walk is for two wheels.
      <router-link :to="`/vehicle/${vehicle.id}/survey?walk=1`">The walk round this vehicle</router-link>
    </p>
    <template v-else>
      <nav class="dots" aria-label="Readings">
        <span v-for="s in STATES" :key="s" :class="{ on: step?.state === s }"
          ><span class="row"
            ><button
              v-for="i in [0, 1, 2, 3]"
              :key="i"
              :aria-label="`reading ${dot(s, i) + 1}`"
              :aria-current="at === dot(s, i) ? 'step' : undefined"
              @click="at = dot(s, i)">
              <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
                <circle
                  cx="8"
                  cy="8"
                  r="6"
                  :class="{ full: here(STEPS[dot(s, i)]!) !== null, here: at === dot(s, i) }" />
              </svg></button></span
          >{{ STATE_WORDS[s] }}</span
        >
      </nav>
      <PhoneVerdict v-if="at === VERDICT" @again="readAgain" @back="go(-1)" />
      <main v-else class="pad">
        <h1 id="phone-at">{{ title }}</h1>
        <p v-if="step" class="hand">
          <span v-for="(w, i) in handWork(step)" :key="w"
            ><b class="n">{{ i + 1 }}</b
            >{{ w }}
          </span>
        </p>
        <p v-else class="hand">Weigh yourself in all you ride in, or skip it; the sags will say.</p>
        <svg v-if="vehicle.outline.value && step" class="pic" viewBox="0 0 358 190" aria-hidden="true">
          <CycleView
            :outline="vehicle.outline.value"
            :width="358"
            :height="188"
            :rider="step.state === 'rider'"
            :stand="step.state === 'extended'"
            :rake="document_.vehicle.ends?.front?.fork?.rake" />
          <path
            class="do"
            :d="
              step.pull === 'lifted' && step.state !== 'extended'
                ? `M${step.place === 'front' ? 60 : 300} 70v-34h-10l16 -22 16 22h-10v34z`
                : step.state === 'extended' && step.pull === 'lifted'
                  ? ''
                  : `M${step.place === 'front' ? 60 : 300} 20v34h-10l16 22 16 -22h-10v-34z`
            " />
          <text
            class="num"
            :x="step.place === 'front' ? 350 : 8"
            y="14"
            :text-anchor="step.place === 'front' ? 'end' : 'start'">
            {{ along ? 'tube, seal to clamp' : 'axle straight up to the mark' }}
          </text>
        </svg>
        <div class="field">
          <input
            v-model="text"
            aria-labelledby="phone-at"
            inputmode="none"
            autocomplete="off"
            :aria-invalid="!!error"
            @keydown.enter.prevent="enter"
            @input="typed" /><span class="u">{{ unit.written }}</span
          ><span class="beside"
            ><template v-if="partner !== null"
              ><b>{{ show(partner) }}</b> lifted<br /></template
            ><template v-if="friction !== null"
              ><b>±{{ friction.toFixed(1) }}</b> friction</template
            ></span
          >
        </div>
        <TakeLive
          v-if="step"
          ref="live"
          of="Reading.height"
          :at="`${step.row.quantity} ${step.place}`"
          :about="`${step.row.words}, ${step.place}`"
          @take="taken" />
        <p v-if="error" class="bad" role="alert">{{ error }}</p>
        <p v-if="asking" class="look" role="alert">
          <b class="grade-look">Look</b> {{ asking }}. Type it again, or Next to keep it.
        </p>
        <div class="keys" :class="{ left }">
          <button v-for="k in KEYS" :key="k" class="key" :class="{ two: k === '0' }" @click="press(k)">
            {{ k }}</button><button class="key word a" @click="press('wipe')">wipe</button
          ><button class="key word b" :disabled="at === RIDER" @click="go(-1)">back</button
          ><button class="key nextkey" @click="next">
            <b>Next</b><span>{{ ahead }}</span>
          </button>
        </div>
        <p class="foot">
          <span class="quiet small" role="status">{{
            vehicle.saveState.value === 'saved'
              ? 'saved'
              : vehicle.saveState.value === 'saving'
                ? 'saving…'
                : 'kept on this phone'
          }}</span><button class="link small" @click="at = VERDICT">verdict</button
          ><button class="link small" @click="hand">{{ left ? 'right hand' : 'left hand' }}</button
          ><router-link class="link small" :to="`/vehicle/${vehicle.id}/height`">bench</router-link>
        </p>
        <p v-if="step?.state === 'extended'" class="quiet small">
          Bike strapped or on its stand before a wheel leaves the floor.
        </p>
      </main>
    </template>
  </div>
</template>

<style scoped>
.phone { background: var(--ground); min-height: 100dvh; max-width: 520px; margin: 0 auto; color: var(--ink); }
header { display: flex; gap: 10px; align-items: baseline; background: var(--vellum); border-bottom: var(--l-mid) solid var(--ink); padding: 10px 16px; font-size: var(--t-3); } header b { font-size: var(--t-4); } .count { margin-left: auto; color: var(--ink-2); }
.pad { padding: 4px 16px 12px; } h1 { font-size: 1.5rem; line-height: 1.1; margin: 4px 0 6px; }
.dots { display: grid; grid-template-columns: repeat(3, 1fr); padding: 0 8px; border: 0; color: var(--ink-2); text-align: center; } .dots .on { color: var(--ink); font-weight: 600; } .row { display: flex; justify-content: space-between; } .row button { min-width: 0; flex: 1; min-height: 44px; padding: 0; display: grid; place-items: center; } circle { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } circle.full { fill: var(--ink); } circle.here { stroke-width: 3.5; }
.hand { font-size: var(--t-3); line-height: 1.3; } .n { display: inline-grid; place-items: center; width: 22px; height: 22px; border-radius: 50%; background: var(--ink); color: var(--ground); font-size: var(--t-1); margin-right: 5px; }
.pic { width: 100%; height: min(190px, 23dvh); } .do { fill: var(--ink); } .num { fill: var(--ink-2); font-size: .875rem; }
.field { display: grid; grid-template-columns: minmax(0, 1fr) auto auto; align-items: end; background: var(--sheet); border-bottom: 4px solid var(--ink); padding: 0 10px; } .field input { font: 600 4.5rem/1.05 var(--font); color: var(--ink); background: none; border: 0; outline: 0; min-width: 0; width: 100%; font-variant-numeric: tabular-nums; } .u { font-size: var(--t-4); color: var(--ink-2); padding: 0 8px 12px; } .beside { text-align: right; color: var(--ink-2); align-self: center; line-height: 1.35; } .beside b { color: var(--ink); font-size: var(--t-4); }
.bad { color: var(--stop); font-weight: 500; margin: 6px 0 0; } .look { background: var(--look-tint); border-left: 6px solid var(--look); padding: 8px 12px; margin: 8px 0 0; font-size: var(--t-3); }
.keys { display: grid; grid-template-columns: repeat(3, 1fr) 1fr; grid-auto-rows: minmax(54px, 9dvh); gap: 8px; margin-top: 10px; direction: ltr; } .keys.left { direction: rtl; } .key { background: var(--sheet); border: 1px solid var(--edge); font-size: var(--t-6, 32px); font-weight: 500; text-align: center; direction: ltr; } .key:active { background: var(--vellum); } .key:disabled { color: var(--ink-3); } .two { grid-column: span 2; } .word { font-size: var(--t-3); font-weight: 400; } .word.a { grid-area: 1 / 4; } .word.b { grid-area: 2 / 4; } .nextkey { grid-area: 3 / 4 / 5 / 5; background: var(--ink); color: var(--ground); display: grid; align-content: center; font-size: var(--t-4); } .nextkey span { font-size: var(--t-1); font-weight: 400; }
.foot { display: flex; gap: 18px; align-items: center; margin-top: 4px; } .foot span { margin-right: auto; }
</style>
