<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { messageOf, onTwo, placeWords, type Survey } from '@/api/client'
import TakeLive from '@/instruments/TakeLive.vue'
import { NO_TOLERANCE, readQuantity } from '@/composables/useReading'
import { useUnits } from '@/composables/useUnits'
import { provideVehicle } from '@/composables/useVehicle'
import { boundsOf, plainNumber } from '@/units/read'

import HandKeys from './HandKeys.vue'
import PhoneFrame from './PhoneFrame.vue'
import { readOut, type RoundStep, SCALES } from './roundSteps'
import { provideLog } from './useLog'
import { useRounds } from './useRounds'

/** Scales or a rack read in one hand: one reading after the other, kept offline, told at the end what is missing. */
const route = useRoute()
const vehicle = provideVehicle(String(route.params.id))
const units = useUnits()
const log = provideLog(vehicle)
const rounds = useRounds(vehicle, () => log.newest.value)
const scales = route.path.endsWith('/weigh')
const angles = useLocalStorage('feder-toe-angles', false)
const steps = computed<RoundStep[]>(() => (scales ? SCALES : readOut(angles.value)))
const at = ref(0)
const step = computed<RoundStep | null>(() => steps.value[at.value] ?? null)
const bounds = computed(() => boundsOf(step.value?.of ?? steps.value[0]!.of))
const unit = computed(() => units.unit(bounds.value.si, step.value?.kind))
const show = (s: RoundStep): string => {
  const value = s.value(rounds)
  const si = boundsOf(s.of).si
  return value === null ? '–' : units.show(value, si, s.kind ? { kind: s.kind } : { decimals: s.decimals ?? 1 })
}
const text = ref('')
const error = ref('')
const fresh = ref(true)
watch(
  [at, () => rounds.index.value, steps, () => !!vehicle.document.value],
  () => {
    text.value = step.value && step.value.value(rounds) !== null ? show(step.value).replace('−', '-') : ''
    error.value = ''
    fresh.value = true
  },
  { immediate: true },
)
function press(key: string): void {
  const now = fresh.value && key !== 'erase' && key !== '-' ? '' : text.value
  text.value =
    key === 'erase' ? now.slice(0, -1) : key === '-' ? (now.startsWith('-') ? now.slice(1) : `-${now}`) : now + key
  fresh.value = false
}
/** Read off an instrument: it stands in the field as if typed, and the walk goes on. */
function taken(value: number): void {
  const decimals = (step.value?.decimals ?? unit.value.decimals) + 1
  text.value = units.show(value, bounds.value.si, { decimals }).replace('−', '-')
  fresh.value = false
  void next()
}
const live = ref<InstanceType<typeof TakeLive> | null>(null)
function enter(): void {
  if (!text.value.trim() && live.value?.live) void live.value.take()
  else void next()
}
async function next(): Promise<void> {
  const here = step.value
  if (!here) return
  if (fresh.value || !text.value.trim()) return go(1)
  const { low, high, si } = bounds.value
  const plain = plainNumber(text.value, unit.value.factor)
  const { data, error: refused } =
    plain !== null && plain >= (low ?? -Infinity) && plain <= (high ?? Infinity)
      ? { data: { value: plain, tolerance: null }, error: undefined }
      : await readQuantity({ text: text.value, unit: si, bare: unit.value.name, low, high })
  if (!data || data.tolerance) {
    error.value = data ? NO_TOLERANCE : messageOf(refused)
    fresh.value = true
    return
  }
  here.keep(rounds, data.value)
  go(1)
}
function go(by: number): void {
  at.value = Math.min(steps.value.length, Math.max(0, at.value + by))
  document.querySelector('.phone')?.scrollTo(0, 0)
}
const missing = computed(() => steps.value.filter((s) => s.value(rounds) === null))
const TICKS: [keyof NonNullable<Survey['conditions']>, string][] = [
  ['bars_unhooked', 'bars unhooked'],
  ['loaded', 'driver, fuel aboard'],
  ['pressures_set', 'pressures set'],
  ['pads_level', 'pads level'],
  ['rolled', 'rolled on'],
]
const view = scales ? 'weights' : 'alignment'
const title = scales ? 'on the scales' : 'read-out'
const number = computed(() => rounds.indices.value.indexOf(rounds.index.value ?? -1) + 1)
watch(
  () => vehicle.document.value?.vehicle.name,
  (name) => (window.document.title = `${title}${name ? `, ${name}` : ''} · Feder`),
  { immediate: true },
)
const state = computed(() =>
  vehicle.saveState.value === 'saved' ? 'saved' : vehicle.saveState.value === 'saving' ? 'saving…' : 'kept here',
)
</script>

<template>
  <PhoneFrame
    :title="`${title}${rounds.indices.value.length > 1 ? `, round ${number}` : ''}`"
    :count="step ? `${at + 1} of ${steps.length}` : ''">
    <p v-if="onTwo(vehicle.document.value)" class="pad">
      Two wheels are not read so. <router-link :to="`/vehicle/${vehicle.id}/walk`">The sag walk</router-link>
    </p>
    <main v-else-if="step" class="pad">
      <h1>
        {{ placeWords(step.place) }}, <b>{{ step.words }}</b>
      </h1>
      <p class="quiet">{{ step.says }}</p>
      <div v-if="scales && at === 0" class="ticks">
        <label v-for="[member, words] in TICKS" :key="member"
          ><input
            type="checkbox"
            class="box"
            :checked="!!rounds.round.value?.conditions?.[member]"
            @change="rounds.condition(words, member, ($event.target as HTMLInputElement).checked)" />{{ words }}</label
        >
      </div>
      <label v-if="!scales && step.words === 'toe'" class="ticks one"
        ><input v-model="angles" type="checkbox" class="box" />as an angle</label
      >
      <div class="typed">
        <input
          v-model="text"
          :aria-label="`${step.words}, ${placeWords(step.place)}`"
          inputmode="none"
          autocomplete="off"
          :aria-invalid="!!error"
          @keydown.enter.prevent="enter"
          @input="fresh = false" /><span class="u">{{ unit.written }}</span>
      </div>
      <TakeLive
        ref="live"
        :key="step.of"
        :of="step.of"
        :at="`${(step.of.split('.')[1] ?? '').replace(/_(hot|cold)$/, '')} ${step.place}`"
        :about="`${step.words}, ${placeWords(step.place)}`"
        :decimals="step.decimals"
        @take="taken" />
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <HandKeys
        :next="at === steps.length - 1 ? 'Done' : 'Next'"
        :says="at === steps.length - 1 ? '' : `${placeWords(steps[at + 1]!.place)}, ${steps[at + 1]!.words}`"
        :first="at === 0"
        :signed="step.signed"
        @press="press"
        @next="next"
        @back="go(-1)" />
      <p class="foot">
        <span class="quiet small" role="status">{{ state }}</span><button
          class="link small"
          :disabled="!log.known.value"
          @click="rounds.begin(log.newest.value)">
          new round</button
        ><router-link class="link small" :to="`/vehicle/${vehicle.id}/settle?view=${view}`">bench</router-link>
      </p>
    </main>
    <main v-else class="pad">
      <h1>{{ missing.length ? 'Not all is read yet' : 'All is read' }}</h1>
      <table>
        <tbody>
          <tr v-for="(s, i) in steps" :key="s.id">
            <th scope="row">
              <button class="pick" @click="at = i">{{ placeWords(s.place) }}, {{ s.words }}</button>
            </th>
            <td>
              <b>{{ show(s) }}</b> <small class="quiet">{{ units.unit(boundsOf(s.of).si, s.kind).written }}</small>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="scales" class="small">
        <b class="grade-look">Look</b> A pad is no stand: on stands before a loaded collar is turned. No drive with bars
        unhooked.
      </p>
      <p class="foot">
        <span class="quiet small" role="status">{{ state }}</span><router-link
          class="act go done"
          :to="`/vehicle/${vehicle.id}/settle?view=${view}`"
          >what to turn</router-link
        >
      </p>
    </main>
  </PhoneFrame>
</template>

<style scoped>
.pad { padding: 4px 16px 12px; } h1 { font-size: 1.5rem; line-height: 1.15; font-weight: 400; } h1::first-letter { text-transform: uppercase; }
.ticks { display: grid; grid-template-columns: 1fr 1fr; } .ticks label, .one { display: flex; gap: 8px; align-items: center; min-height: 44px; } .box { width: 22px; height: 22px; accent-color: var(--ink); }
.typed { display: flex; align-items: end; background: var(--sheet); border-bottom: 4px solid var(--ink); padding: 0 8px; margin-top: 6px; } .typed input { font: 600 4rem/1.1 var(--font); color: var(--ink); background: none; border: 0; outline: 0; min-width: 0; width: 100%; } .u { color: var(--ink-2); padding-bottom: 10px; }
.bad { color: var(--stop); font-weight: 500; } .foot { display: flex; gap: 14px; align-items: center; } .foot span { margin-right: auto; }
.done { text-decoration: none; display: inline-grid; place-items: center; }
table { width: 100%; border-collapse: collapse; } th { text-align: left; font-weight: 400; } td { text-align: right; } tr { border-top: 1px solid var(--rule); } .pick { min-height: 44px; width: 100%; text-align: left; } .pick::first-letter { text-transform: uppercase; }
</style>
