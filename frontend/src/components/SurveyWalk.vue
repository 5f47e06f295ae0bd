<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'

import { messageOf, mirrorOf, type Place, placeWords } from '@/api/client'
import { NO_TOLERANCE, readQuantity } from '@/composables/useReading'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'
import { plainNumber } from '@/units/read'
import TakeLive from '@/instruments/TakeLive.vue'
import { type ArmMember, useArm } from '@/torsion/useArm'
import { firstEmpty, meanOf, stepsOf, valuesAt, WALK, type WalkStep, written } from '@/logic/walk'

/** A walk round the vehicle: one large field at a time, the next corner on Enter, keys for gloves, outliers asked about at once. */
const emit = defineEmits<{ close: [] }>()
const phone = useMediaQuery('(max-width: 620px)')
const vehicle = useVehicle()
const units = useUnits()
const document_ = computed(() => vehicle.document.value!)
const steps = computed(() => stepsOf(document_.value))
const rows = computed(() => [...new Set(steps.value.map((s) => s.row))])
const arms = { front: useArm(vehicle, 'front'), rear: useArm(vehicle, 'rear') }
const armAt = (s: WalkStep) => arms[s.place.startsWith('front') ? 'front' : 'rear']
const armMember = (s: WalkStep): ArmMember =>
  s.row.arm === 'angle' && s.place.endsWith('right') ? 'right_angle' : s.row.arm!
function read(s: WalkStep): number[] {
  if (!s.row.arm) return valuesAt(document_.value, s)
  const value = armAt(s).get(armMember(s))
  return value === null ? [] : [value]
}
function write(s: WalkStep, value: number | null, more = false, tolerance: number | null = null): void {
  if (s.row.arm) return armAt(s).put(armMember(s), value)
  const words = `${s.row.words}, ${placeWords(s.place)}${value === null ? ', taken back' : ''}`
  vehicle.edit(words, written(document_.value, s, value, more, undefined, tolerance))
}
const at = ref(firstEmpty(steps.value, read))
const step = computed(() => steps.value[at.value]!)
const unit = computed(() => units.unit(step.value.row.si, step.value.row.kind))
const values = computed(() => read(step.value))
const mean = computed(() => meanOf(values.value))
const done = computed(() => steps.value.filter((s) => read(s).length).length)
const show = (value: number | null): string =>
  value === null
    ? ''
    : units.show(
        value,
        step.value.row.si,
        step.value.row.kind ? { kind: step.value.row.kind } : step.value.row.si === '' ? { decimals: 0 } : {},
      )
const mirror = computed(() =>
  step.value.row.arm && step.value.row.arm !== 'angle'
    ? null
    : meanOf(read({ row: step.value.row, place: mirrorOf(step.value.place) })),
)
const scatter = computed(() => (values.value.length > 1 ? Math.max(...values.value) - Math.min(...values.value) : null))
const ahead = computed(() => steps.value[(at.value + 1) % steps.value.length]!)

const text = ref('')
const error = ref('')
const asking = ref<string | null>(null)
const again = ref(false)
const field = ref<HTMLInputElement | null>(null)
watch(
  at,
  () => {
    text.value = show(mean.value)
    error.value = ''
    asking.value = null
    again.value = false
    void nextTick(() => {
      field.value?.focus()
      field.value?.select()
    })
  },
  { immediate: true },
)
onMounted(() => field.value?.focus())

const suspicious = (place: Place): string | null => {
  const rules = [
    'tyre_in_the_air',
    'hub_heights_differ',
    'height_outlier',
    'weight_outlier',
    'scattered_readings',
    'unsprung_above_corner',
  ]
  const found = (vehicle.report.value?.findings ?? []).find(
    (f) => rules.includes(f.rule) && (f.place === place || place.startsWith(`${f.place}_`)),
  )
  return found ? sentence(found.text, found.numbers, units.system.value) : null
}
/** Wait for the report of what was just written, at most a second. */
async function reported(): Promise<void> {
  const before = vehicle.report.value
  for (let i = 0; i < 40 && vehicle.report.value === before; i++) await new Promise((r) => setTimeout(r, 25))
}
async function next(): Promise<void> {
  if (asking.value) return move(1)
  const typed = text.value.trim()
  if (!typed) return move(1)
  if (!again.value && mean.value !== null && typed === show(mean.value)) return move(1)
  const { row, place } = step.value
  const plain = plainNumber(typed, unit.value.factor)
  const inside = plain !== null && (row.low === null || plain >= row.low) && (row.high === null || plain <= row.high)
  // a plain number in the unit shown needs nobody to read it: the walk goes on without the server
  const { data, error: refused } = inside
    ? { data: { value: plain, tolerance: null }, error: undefined }
    : await readQuantity({
        text: typed,
        unit: row.si,
        bare: unit.value.name || null,
        low: row.low,
        high: row.high,
      })
  if (!data || (data.tolerance && !row.quantity)) {
    error.value = data ? NO_TOLERANCE : messageOf(refused)
    field.value?.focus()
    return field.value?.select()
  }
  error.value = ''
  const before = suspicious(place)
  write(step.value, data.value, again.value, data.tolerance)
  again.value = false
  if (row.quantity) {
    await reported()
    const now = suspicious(place)
    if (now && now !== before) return void (asking.value = now)
  }
  move(1)
}
function move(by: number): void {
  const to = at.value + by
  if (to >= steps.value.length || to < 0) return emit('close')
  at.value = to
}
function measureAgain(): void {
  write(step.value, null)
  asking.value = null
  text.value = ''
  field.value?.focus()
}
/** Read off an instrument: it stands in the field as if typed, and the walk goes on. */
function taken(value: number): void {
  const { si, kind } = step.value.row
  text.value = units.show(value, si, { kind, decimals: unit.value.decimals + 1 }).replace('−', '-')
  void next()
}
const live = ref<InstanceType<typeof TakeLive> | null>(null)
/** Enter in an empty field takes what an instrument shows. */
function enter(): void {
  if (!text.value.trim() && live.value?.live) void live.value.take()
  else void next()
}
const heldAt = computed(
  () =>
    `${step.value.row.quantity ?? step.value.row.member?.replace('tyre_', '') ?? step.value.row.id} ${step.value.place}`,
)
function oneMore(): void {
  again.value = true
  text.value = ''
  field.value?.focus()
}
/** Keys pressed while a button has the focus belong to the field all the same, not to the page. */
function typedElsewhere(event: KeyboardEvent): void {
  const target = event.target as HTMLElement
  if (target === field.value || event.ctrlKey || event.metaKey || event.altKey) return
  if (/^[0-9.,/]$/.test(event.key)) press(event.key)
  else if (event.key === '-') press('−')
  else if (event.key === 'Backspace') press('erase')
  else return
  event.preventDefault()
  event.stopPropagation()
  field.value?.focus()
}
function press(key: string): void {
  asking.value = null
  if (key === 'wipe') text.value = ''
  else if (key === 'erase') text.value = text.value.slice(0, -1)
  else if (key === 'fraction')
    // first what parts the whole from its fraction, then the stroke: "2 1/4"
    text.value = text.value.endsWith(' ')
      ? `${text.value.trimEnd()}/`
      : text.value + (text.value.includes(' ') ? '/' : ' ')
  else if (key === '−') text.value = text.value.startsWith('-') ? text.value.slice(1) : `-${text.value}`
  else {
    // the first key after a corner is reached writes anew
    const whole = field.value && field.value.selectionStart === 0 && field.value.selectionEnd === text.value.length
    text.value = whole ? key : text.value + key
    void nextTick(() => field.value?.setSelectionRange(text.value.length, text.value.length))
  }
}
function inches(): void {
  text.value = `${text.value.replace(/\s*(in|mm)$/, '')} ${/in$/.test(text.value) || unit.value.name === 'in' ? 'mm' : 'in'}`
}
const PLAN: Partial<Record<Place, [number, number]>> = {
  front_left: [52, 96],
  rear_left: [208, 96],
  rear_right: [208, 8],
  front_right: [52, 8],
}
const spot = (p: Place): [number, number] => PLAN[p]!
const path = computed(() =>
  WALK.map((p, i) => `${i ? 'L' : 'M'}${spot(p)[0]} ${spot(p)[1] + (spot(p)[1] > 50 ? 14 : -2)}`).join(''),
)
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.'] as const
/** Lengths have no sign and a tape has fractions of an inch; angles and toe have a sign. */
const last = computed(() =>
  unit.value.name === 'in' || /in$/.test(text.value)
    ? { key: 'fraction', shown: '1/2', says: 'fraction' }
    : { key: '−', shown: '−', says: 'minus' },
)
</script>

<template>
  <Teleport to="body" :disabled="!phone">
    <div class="walk" @keydown.esc.stop="emit('close')" @keydown="typedElsewhere">
      <div class="phone-head">
        <b>{{ document_.vehicle.name }}</b><span class="quiet">as found</span
        ><button class="act" aria-label="close the walk" @click="emit('close')">table</button>
      </div>
      <div class="side">
        <p class="quiet count" role="status">{{ done }} of {{ steps.length }} read</p>
        <svg
          viewBox="0 0 264 124"
          class="plan"
          role="img"
          :aria-label="`Vehicle from above; ${placeWords(step.place)} is measured`">
          <path class="way" :d="path" />
          <path class="car" d="M20 30Q20 20 34 19L224 17q18 0 19 16v38q-1 16-19 16L34 85Q20 84 20 74Z" />
          <path class="glass" d="M78 26q-8 26 0 52l22-6q-5-20 0-40zM206 27q6 25 0 50l-18-7q4-18 0-36z" />
          <g v-for="p in WALK" :key="p">
            <circle
              v-if="read({ row: step.row, place: p }).length"
              class="dot"
              :cx="spot(p)[0]"
              :cy="spot(p)[1] + 4"
              r="5" />
            <path
              v-else
              class="cross"
              :d="`M${spot(p)[0] - 6} ${spot(p)[1] + 4}h12M${spot(p)[0]} ${spot(p)[1] - 2}v12`" />
            <path
              v-if="p === step.place"
              class="here"
              :d="
                spot(p)[1] > 50
                  ? `M${spot(p)[0]} ${spot(p)[1] + 12}l9 14h-18z`
                  : `M${spot(p)[0]} ${spot(p)[1] - 4}l9 -14h-18z`
              " />
          </g>
        </svg>
        <svg
          v-if="['hub', 'floor', 'sill'].includes(step.row.id)"
          viewBox="0 0 264 200"
          class="point"
          aria-hidden="true">
          <path class="body" d="M0 40H20Q40 20 70 20H264M0 168H40M224 168H264" />
          <path class="arch" d="M40 168V130a92 92 0 0 1 184 0v38" />
          <circle class="tyre" cx="132" cy="126" r="66" />
          <circle class="rim" cx="132" cy="126" r="40" />
          <circle class="rim" cx="132" cy="126" r="5" />
          <path class="el-ground" d="M0 192H264" />
          <path v-if="step.row.id === 'hub'" class="tape" d="M132 126V38M124 38h16M124 126h16" />
          <path v-else-if="step.row.id === 'floor'" class="tape" d="M132 192V38M124 38h16M124 192h16" />
          <path v-else class="tape" d="M240 192V168M232 168h16M232 192h16" />
        </svg>
        <p class="says">{{ step.row.says }}</p>
        <button class="link" @click="emit('close')">table of all readings</button>
      </div>
      <div class="main">
        <h2 id="walk-at">
          {{ placeWords(step.place)[0]!.toUpperCase() + placeWords(step.place).slice(1) }}, {{ step.row.words }}
        </h2>
        <div class="field">
          <input
            ref="field"
            v-model="text"
            class="big"
            aria-labelledby="walk-at"
            inputmode="none"
            autocomplete="off"
            spellcheck="false"
            :aria-invalid="!!error"
            @keydown.enter.prevent="enter"
            @keydown.up.prevent="move(-1)"
            @input="asking = null" />
          <span class="u">{{ unit.written || (step.row.si === '' ? 'clicks' : '') }}</span>
          <span class="beside"
            ><template v-if="mirror !== null"
              ><b>{{ show(mirror) }}</b
              >{{ placeWords(mirrorOf(step.place)) }}</template
            ><template v-if="mean !== null"
              ><b>{{ show(mean) }}</b
              >{{ values.length > 1 ? `mean of ${values.length}` : 'here so far' }}</template
            ><template v-if="scatter !== null"
              ><b>{{ show(scatter) }}</b
              >apart</template
            ></span
          >
        </div>
        <TakeLive
          ref="live"
          :key="step.row.of"
          :of="step.row.of"
          :at="heldAt"
          :about="`${step.row.words}, ${placeWords(step.place)}`"
          :kind="step.row.kind"
          @take="taken" />
        <p v-if="error" class="bad" role="alert">{{ error }}</p>
        <div v-if="asking" class="look" role="alert">
          <p><b class="grade-look">Look</b> {{ asking }}</p>
          <div>
            <button class="act go" @click="measureAgain">Measure again</button
            ><button class="act" @click="move(1)">Keep it</button>
          </div>
        </div>
        <div class="pad">
          <button v-for="k in KEYS" :key="k" class="key" :class="{ two: k === '0' }" @click="press(k)">
            {{ k }}
          </button>
          <button class="key" :aria-label="last.says" @click="press(last.key)">{{ last.shown }}</button>
          <button class="key word a" @click="press('wipe')">wipe</button>
          <button class="key word e" aria-label="erase the last digit" @click="press('erase')">⌫</button>
          <button class="key word b" :disabled="step.row.si !== 'm'" @click="inches">
            {{ unit.name === 'in' ? 'mm' : 'inches' }}
          </button>
          <button class="key word c" :disabled="!step.row.quantity || !values.length" @click="oneMore">
            once more
          </button>
          <button class="key word d" :disabled="at === 0" @click="move(-1)">back</button>
          <button class="key nextkey" @click="next">
            <b>Next</b><span>{{ ahead.row === step.row ? placeWords(ahead.place) : ahead.row.words }}</span>
          </button>
        </div>
        <div class="rows">
          <button
            v-for="r in rows"
            :key="r.id"
            class="jump"
            :aria-pressed="r === step.row"
            @click="at = steps.findIndex((s) => s.row === r)">
            {{ r.words }}
          </button>
        </div>
      </div>
    </div>
  </Teleport>
</template>

<style scoped>
.walk { display: grid; grid-template-columns: 264px minmax(0, 1fr); gap: 28px; align-items: start; }
.count { font-size: var(--t-3); }
.plan, .point { width: 100%; height: auto; overflow: visible; margin: 18px 0 10px; }
.car { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .glass { fill: var(--vellum); stroke: var(--ink); stroke-width: 0.9; }
.way { fill: none; stroke: var(--edge); stroke-width: 1; stroke-dasharray: 2 4; } .dot, .here { fill: var(--ink); } .cross { stroke: var(--ink-2); stroke-width: 1.5; }
.body { fill: none; stroke: var(--ink); stroke-width: 1.5; } .arch { fill: none; stroke: var(--ink); stroke-width: 2.25; } .tape { stroke: var(--ink); stroke-width: 2.5; fill: none; }
.point .tyre { fill: var(--tyre); }
.says { font-size: var(--t-3); line-height: 1.25; }
h2 { min-height: 44px; display: flex; align-items: center; font-size: 1.5rem; }
.field { display: grid; grid-template-columns: minmax(0, 1fr) auto 112px; align-items: end; background: var(--sheet); border-bottom: 4px solid var(--ink); padding: 0 12px 0 10px; min-height: 112px; }
.big { font: 600 5.5rem/1 var(--font); color: var(--ink); background: none; border: 0; outline: 0; min-width: 0; width: 100%; font-variant-numeric: tabular-nums; letter-spacing: -1px; }
.u { font-size: var(--t-4); color: var(--ink-2); padding: 0 10px 14px; }
.beside { text-align: right; color: var(--ink-2); line-height: 1.15; padding: 8px 0; display: grid; align-self: center; font-size: var(--t-1); } .beside b { color: var(--ink); font-size: var(--t-4); }
.bad { color: var(--stop); font-weight: 500; padding: 6px 0 0; }
.look { background: var(--look-tint); border-left: 6px solid var(--look); padding: 8px 14px; margin-top: 8px; font-size: var(--t-3); } .look div { display: flex; gap: 10px; margin-top: 6px; }
.pad { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)) minmax(0, 1.1fr); grid-auto-rows: minmax(58px, 76px); gap: 8px; margin-top: 10px; }
.key { background: var(--sheet); border: 1px solid var(--edge); font-size: var(--t-6); font-weight: 500; text-align: center; border-radius: var(--corner); min-height: 58px; }
.key:active { background: var(--vellum); } .key:disabled { color: var(--ink-3); border-color: var(--rule); }
.word { font-size: var(--t-3); font-weight: 400; } .word.a { grid-area: 1 / 4; } .word.b { grid-area: 2 / 4; } .word.c { grid-area: 5 / 1; } .word.d { grid-area: 5 / 2; } .word.e { grid-area: 5 / 3; font-size: var(--t-5); }
.nextkey { grid-area: 3 / 4 / 6 / 5; background: var(--ink); color: var(--ground); border-color: var(--ink); font-size: var(--t-4); display: grid; align-content: center; } .nextkey span { font-size: var(--t-2); font-weight: 400; }
.rows { display: flex; flex-wrap: wrap; gap: 0 16px; border: 0; margin-top: 8px; } .jump { min-height: 44px; color: var(--ink-2); text-decoration: underline; text-underline-offset: 3px; } .jump[aria-pressed="true"] { color: var(--ink); font-weight: 600; text-decoration: none; border-bottom: 3px solid var(--ink); }
@media (max-width: 820px) { .walk { grid-template-columns: 200px minmax(0, 1fr); gap: 16px; } .point { display: none; } }
@media (max-width: 1100px) { .field { min-height: 84px; } .big { font-size: 4rem; } .u { padding-bottom: 8px; } .pad { grid-auto-rows: 58px; gap: 6px; margin-top: 6px; } }
.phone-head { display: none; }
/* on a phone the walk is the whole window, its action where the thumb lies */
@media (max-width: 620px) {
  .walk { position: fixed; inset: 0; z-index: 1010; background: var(--ground); display: flex; flex-direction: column; align-items: stretch; gap: 0; padding: 0 12px 8px; overflow: auto; }
  .phone-head { display: flex; flex: 0 0 auto; gap: 10px; align-items: center; margin: 0 -12px; padding: 2px 12px; background: var(--vellum); border-bottom: var(--l-mid) solid var(--ink); font-size: var(--t-3); } .phone-head .act { margin-left: auto; }
  .side { display: grid; grid-template-columns: minmax(0, 1fr) 104px; gap: 4px 12px; align-items: center; } .side .plan { margin: 6px 0; grid-row: 1 / 3; grid-column: 2; } .side .link, .side .point { display: none; } .count, .says { margin: 0; grid-column: 1; font-size: var(--t-2); }
  .main { display: flex; flex-direction: column; flex: 1; min-height: 0; } h2 { min-height: 36px; font-size: var(--t-4); }
  .field { grid-template-columns: minmax(0, 1fr) auto 92px; min-height: 72px; flex: 0 0 auto; } .big { font-size: 3.5rem; }
    .pad { flex: 1; min-height: 0; grid-auto-rows: minmax(44px, 1fr); max-height: 460px; } .key { min-height: 44px; } .rows { display: none; }
}
</style>
