<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'

import { api, type Expected, type Learned, messageOf, onTwo, type Place, placeWords, type SetDown } from '@/api/client'
import TakeLive from '@/instruments/TakeLive.vue'
import { NO_TOLERANCE, readQuantity } from '@/composables/useReading'
import { useUnits } from '@/composables/useUnits'
import { provideVehicle } from '@/composables/useVehicle'
import { meanOf, WALK } from '@/logic/walk'
import { plainNumber } from '@/units/read'

import { scaleOf } from './downScale'
import HandKeys from './HandKeys.vue'
import PhoneFrame from './PhoneFrame.vue'
import TurnCell from './TurnCell.vue'
import { provideLog } from './useLog'
import { useRounds } from './useRounds'

/** Heights read in one hand: round the car, each against its interval, a strange one asked about at once, then what to turn. */
const route = useRoute()
const vehicle = provideVehicle(String(route.params.id))
const units = useUnits()
const log = provideLog(vehicle)
const rounds = useRounds(vehicle, () => log.newest.value)
const at = ref(0)
const DONE = WALK.length
const place = computed<Place | null>(() => WALK[at.value] ?? null)
const unit = computed(() => units.unit('m'))
const values = (p: Place): number[] => rounds.values(p, 'hub_to_arch')
const mean = (p: Place): number | null => meanOf(values(p))
const text = ref('')
const error = ref('')
const asking = ref(false)
const again = ref(false)
const fresh = ref(true)
const show = (v: number | null | undefined): string =>
  units.show(v, 'm', unit.value.name === 'in' ? { decimals: 2 } : { kind: 'fine length' })
watch(
  [at, () => rounds.index.value, () => !!vehicle.document.value],
  () => {
    text.value = place.value && mean(place.value) !== null ? show(mean(place.value)) : ''
    error.value = ''
    asking.value = false
    again.value = false
    fresh.value = true
  },
  { immediate: true },
)
const down = shallowRef<SetDown | null>(null)
const learned = shallowRef<Learned | null>(null)
let asked = 0
const TRIES = 3
const WAIT = 800
async function ask(tries = TRIES): Promise<void> {
  const mine = ++asked
  const [document, setup, survey] = [vehicle.document.value, vehicle.setup.value, rounds.index.value]
  if (!document || !setup || vehicle.isFound.value || onTwo(document)) return
  const body = { document, setup: setup.id, survey, vehicle_id: vehicle.id, held: [] }
  const [one, two] = await Promise.all([
    api.POST('/api/setdown', { body: { ...body, basis: 'hub_to_arch' } }).catch(() => ({ data: undefined })),
    api.POST('/api/learn', { body }).catch(() => ({ data: undefined })),
  ])
  if (mine !== asked) return
  if (one.data) down.value = one.data.set_down
  // a bench that was too busy to answer is asked again: nothing else would
  else if (tries > 1) setTimeout(() => mine === asked && void ask(tries - 1), WAIT)
  if (two.data) learned.value = two.data.learned
}
watch([vehicle.report, () => rounds.index.value], () => void ask(), { immediate: true })
const expected = (p: Place): Expected | null => learned.value?.rows.find((r) => r.place === p) ?? null
const row = (p: Place) => down.value?.rows.find((r) => r.place === p) ?? null
const off = (p: Place): string => {
  const [m, e] = [mean(p), expected(p)?.expected]
  return m === null || e == null ? '' : units.show(m - e, 'm', { kind: 'fine length', signed: true })
}
/** Outside of what 19 of 20 readings keep to, by the bounds that stood before it was typed. */
const isStrange = (p: Place, v: number | null): boolean => {
  const e = expected(p)
  return v !== null && !!e && (v < e.low || v > e.high)
}
function press(key: string): void {
  asking.value = false
  if (key === 'erase') text.value = text.value.slice(0, -1)
  else text.value = fresh.value ? key : text.value + key
  fresh.value = false
}
/** Read off an instrument: it stands in the field as if typed, and the walk goes on. */
function taken(value: number): void {
  text.value = units.show(value, 'm', { decimals: unit.value.decimals + 1 })
  fresh.value = asking.value = false
  void next()
}
const live = ref<InstanceType<typeof TakeLive> | null>(null)
function enter(): void {
  if (!text.value.trim() && live.value?.live) void live.value.take()
  else void next()
}
async function next(): Promise<void> {
  const here = place.value
  if (!here) return
  if (asking.value || !text.value.trim() || (!fresh.value ? false : !again.value)) return go(1)
  const plain = plainNumber(text.value, unit.value.factor)
  const { data, error: refused } =
    plain !== null && plain >= 0.05 && plain <= 2
      ? { data: { value: plain, tolerance: null }, error: undefined }
      : await readQuantity({ text: text.value, unit: 'm', bare: unit.value.name, low: 0.05, high: 2 })
  if (!data || data.tolerance) {
    error.value = data ? NO_TOLERANCE : messageOf(refused)
    fresh.value = true
    return
  }
  error.value = ''
  const was = values(here)
  rounds.read(here, 'hub_to_arch', data.value, again.value)
  fresh.value = true
  const all = again.value ? [...was, data.value] : [data.value]
  again.value = false
  if (isStrange(here, meanOf(all))) return void (asking.value = true)
  go(1)
}
function readAgain(): void {
  again.value = true
  asking.value = false
  fresh.value = false
  text.value = ''
}
function go(by: number): void {
  at.value = Math.min(DONE, Math.max(0, at.value + by))
  void nextTick(() => document.querySelector('.phone')?.scrollTo(0, 0))
}
const SPOT: Partial<Record<Place, [number, number]>> = {
  front_left: [34, 104],
  rear_left: [142, 104],
  rear_right: [142, 14],
  front_right: [34, 14],
}
const scale = computed(() => {
  const p = place.value
  if (!p) return null
  const e = expected(p)
  const r = { read: mean(p), wanted: row(p)?.wanted, low: e?.low, high: e?.high }
  const all = [r.read, r.wanted, r.low, r.high].filter((v): v is number => v != null)
  return all.length ? scaleOf([r], Math.max(0.005, (Math.max(...all) - Math.min(...all)) / 2 + 0.002), 132) : null
})
const leftHand = useLocalStorage('feder-left-hand', '0')
const left = computed(() => leftHand.value === '1')
const hand = (): void => void (leftHand.value = left.value ? '0' : '1')
const readAll = computed(() => WALK.every((p) => mean(p) !== null))
</script>

<template>
  <PhoneFrame
    :title="`set down${rounds.indices.value.length > 1 ? `, round ${rounds.indices.value.indexOf(rounds.index.value ?? -1) + 1}` : ''}`"
    :count="place ? `${at + 1} of 4` : ''">
    <p v-if="onTwo(vehicle.document.value)" class="pad">
      On two wheels the sags tell it. <router-link :to="`/vehicle/${vehicle.id}/walk`">The sag walk</router-link>
    </p>
    <main v-else-if="place" class="pad">
      <div class="round">
        <div v-for="p in WALK" :key="p" class="at" :class="[p, { here: p === place }]">
          <button class="quiet" @click="at = WALK.indexOf(p)">{{ placeWords(p) }}</button>
          <p v-if="mean(p) !== null">
            <b>{{ show(mean(p)) }}</b> {{ off(p) }}
          </p>
        </div>
        <svg viewBox="0 0 176 118" aria-hidden="true">
          <path class="way" d="M34 104H142V14H34" />
          <path class="car" d="M14 36Q14 26 26 25L148 23q14 0 15 14v44q-1 14-15 14L26 93Q14 92 14 82Z" />
          <template v-for="p in WALK" :key="p">
            <circle
              class="dot"
              :class="{ full: mean(p) !== null, here: p === place }"
              :cx="SPOT[p]![0]"
              :cy="SPOT[p]![1]"
              r="6" />
          </template>
        </svg>
      </div>
      <h1 id="down-at">{{ placeWords(place) }}, hub to arch</h1>
      <p class="hand">
        Middle of the hub to the lip.<label
          ><input
            type="checkbox"
            class="box"
            :checked="!!rounds.round.value?.conditions?.rolled"
            @change="rounds.condition('rolled', 'rolled', ($event.target as HTMLInputElement).checked)" />
          rolled</label
        >
      </p>
      <div class="field">
        <div>
          <div class="typed">
            <input
              v-model="text"
              aria-labelledby="down-at"
              inputmode="none"
              autocomplete="off"
              :aria-invalid="!!error"
              @keydown.enter.prevent="enter"
              @input="((fresh = false), (asking = false))" /><span class="u">{{ unit.written }}</span>
          </div>
          <p v-if="values(place).length > 1">
            {{ values(place).map(show).join(', ') }}, mean <b>{{ show(mean(place)) }}</b>
          </p>
        </div>
        <svg v-if="scale" width="120" height="132" aria-hidden="true">
          <path class="axis" d="M52 0V132" />
          <g v-for="t in scale.ticks.filter((x) => x.major)" :key="t.value">
            <path class="axis" :d="`M52 ${t.y}h8`" />
            <text x="34" :y="t.y + 4.5" text-anchor="end">
              {{ units.show(t.value, 'm', { decimals: unit.name === 'in' ? 2 : 0 }) }}
            </text>
          </g>
          <path v-if="row(place)?.wanted != null" class="wants" :d="`M50 ${scale.y(row(place)!.wanted!)}l-13 -8v16z`" />
          <path
            v-if="expected(place)"
            class="axis"
            :d="`M64 ${scale.y(expected(place)!.low)}h12M64 ${scale.y(expected(place)!.high)}h12M70 ${scale.y(expected(place)!.low)}V${scale.y(expected(place)!.high)}`" />
          <path v-if="mean(place) !== null" class="reads" :d="`M52 ${scale.y(mean(place)!)}H82l14 -8v16l-14 -8`" />
        </svg>
      </div>
      <p v-if="expected(place) && mean(place) === null" class="quiet">
        expected {{ show(expected(place)!.expected) }}, {{ show(expected(place)!.low) }} to
        {{ show(expected(place)!.high) }}
      </p>
      <TakeLive
        ref="live"
        of="Survey.hub_to_arch"
        :at="`hub_to_arch ${place}`"
        :about="`hub to arch, ${placeWords(place)}, set down`"
        @take="taken" />
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <div v-if="asking" class="look" role="alert">
        <p>
          <b class="grade-look">Look</b> {{ off(place) }} of what was expected: strange. Of twenty readings 19 lie in
          the bracket.
        </p>
        <button class="act" @click="readAgain">read {{ values(place).length > 1 ? 'a third time' : 'again' }}</button>
      </div>
      <HandKeys
        :next="at === DONE - 1 ? 'Done' : 'Next'"
        :says="at === DONE - 1 ? 'what to turn' : placeWords(WALK[at + 1]!)"
        :first="at === 0"
        @press="press"
        @next="next"
        @back="go(-1)" />
      <p class="foot">
        <span class="quiet small" role="status">{{
          vehicle.saveState.value === 'saved' ? 'saved' : vehicle.saveState.value === 'saving' ? 'saving…' : 'kept here'
        }}</span><button class="link small" :disabled="!log.known.value" @click="rounds.begin(log.newest.value)">
          new round</button
        ><button class="link small" @click="hand">{{ left ? 'right hand' : 'left hand' }}</button
        ><router-link class="link small" :to="`/vehicle/${vehicle.id}/settle`">bench</router-link>
      </p>
    </main>
    <main v-else class="pad">
      <h1>What to turn</h1>
      <p v-if="!readAll" class="grade-look">Not every corner is read yet.</p>
      <p v-if="learned && !learned.ordinary">
        <b class="grade-look">Look</b> Farther off than chance does: find the cause first.
        <template v-if="learned.causes[0]">
          Most likely {{ learned.causes[0].place === 'vehicle' ? '' : `${placeWords(learned.causes[0].place)}: `
          }}{{ learned.causes[0].words }}. It is decided by {{ learned.causes[0].decides }}; type it at the
          bench.</template
        >
      </p>
      <p v-else-if="down?.level"><b>Every corner stands near enough to what is wanted:</b> leave it.</p>
      <div v-for="r in down?.rows ?? []" :key="r.place" class="turn">
        <b>{{ placeWords(r.place) }}</b>
        <TurnCell :row="r" :waits="!!learned && !learned.ordinary" />
      </div>
      <p class="small mt-2">
        <b class="grade-look">Look</b> On stands, wheel hanging, before anything is turned; hands clear of a loaded
        collar.
      </p>
      <p class="foot">
        <button class="link" @click="go(-1)">back</button
        ><router-link class="link" :to="`/vehicle/${vehicle.id}/settle`">taken at the bench</router-link>
      </p>
    </main>
  </PhoneFrame>
</template>

<style scoped>
.pad { padding: 4px 16px 12px; } h1 { font-size: 1.5rem; line-height: 1.15; } h1::first-letter { text-transform: uppercase; }
.round { display: grid; grid-template-columns: 1fr 150px 1fr; grid-template-rows: auto auto; gap: 0 6px; align-items: center; min-height: 104px; } .round svg { grid-area: 1 / 2 / 3 / 3; width: 150px; } .at { line-height: 1.15; } .at button { min-height: 44px; } .at.here button { color: var(--ink); font-weight: 600; } .front_right { grid-area: 1 / 1; } .front_left { grid-area: 2 / 1; } .rear_right { grid-area: 1 / 3; text-align: right; } .rear_left { grid-area: 2 / 3; text-align: right; } .at b { font-size: var(--t-4); }
.way { fill: none; stroke: var(--ink); stroke-dasharray: 2 3; } .car { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .dot { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .dot.full { fill: var(--ink); } .dot.here { stroke-width: 3.5; }
.hand { display: flex; justify-content: space-between; align-items: center; } .hand label { display: flex; gap: 8px; align-items: center; min-height: 44px; } .box { width: 22px; height: 22px; accent-color: var(--ink); }
.field { display: grid; grid-template-columns: minmax(0, 1fr) 120px; gap: 8px; align-items: center; } .typed { display: flex; align-items: end; background: var(--sheet); border-bottom: 4px solid var(--ink); padding: 0 8px; } .typed input { font: 600 4rem/1.1 var(--font); color: var(--ink); background: none; border: 0; outline: 0; min-width: 0; width: 100%; } .u { color: var(--ink-2); padding-bottom: 10px; }
.axis { stroke: var(--ink); fill: none; stroke-width: 1.25; } .wants { fill: var(--plan); } .reads { stroke: var(--ink); fill: var(--ink); stroke-width: 1.5; }
.bad { color: var(--stop); font-weight: 500; } .look { background: var(--look-tint); border-left: 6px solid var(--look-fill); padding: 8px 12px; margin-top: 6px; display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 10px; align-items: center; }
.foot { display: flex; gap: 14px; align-items: center; } .foot span { margin-right: auto; } .turn { border-top: 1px solid var(--rule); padding: 4px 0; }
</style>
