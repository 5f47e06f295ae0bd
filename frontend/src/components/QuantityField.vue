<script setup lang="ts">
import { computed, getCurrentInstance, nextTick, onUnmounted, ref, useId, watch } from 'vue'

import { isAway, messageOf } from '@/api/client'
import { NO_TOLERANCE, readQuantity } from '@/composables/useReading'
import { useUnread } from '@/composables/useUnread'
import { useTerms } from '@/composables/useTerms'
import { useUnits } from '@/composables/useUnits'
import { judgingHere, typedIn } from '@/composables/vehicle/useJudging'
import TakeLive from '@/instruments/TakeLive.vue'
import { measuredBy } from '@/instruments/useInstruments'
import type { Kind } from '@/units/format'
import { boundsOf, FAR_OUT, plainNumber } from '@/units/read'

import FieldQuestion from './FieldQuestion.vue'

/**
 * A quantity as people type it: "450 lb/in", "2 1/4 in", "21 deg 30". The server reads it; a bare number is in the unit
 * shown. What cannot be read stays in the field with one sentence, and nothing is changed.
 */
const props = withDefaults(
  defineProps<{
    modelValue: number | null | undefined
    /** The field's name in the document: it says the unit and the bounds that vehicles have. */
    of?: string
    /** SI unit, where there is no such name. */
    si?: string
    label: string
    kind?: Kind
    decimals?: number
    /** A number below or above is refused, SI. */
    low?: number
    high?: number
    /** Said instead of the usual words when the number is beyond the bounds given here. */
    beyond?: string
    clearable?: boolean
    readonly?: boolean
    estimated?: boolean
    hint?: string
    /** Words after the unit. */
    after?: string
    hideLabel?: boolean
    align?: 'left' | 'right'
    strong?: boolean
    unitText?: string
    /** A computed value: only the usual digits are shown. */
    computedValue?: boolean
    /** A plain number with a sign is a change, told as such. */
    changes?: boolean
    /** A tolerance may be typed behind the number, "40 +- 0.4"; the one that stands with it, SI. */
    tolerant?: boolean
    tolerance?: number | null
    /** Quantity and place, as an instrument is held there: "hub_to_arch front_left". */
    at?: string
  }>(),
  { clearable: true, align: 'right' },
)
const emit = defineEmits<{
  'update:modelValue': [value: number | null, tolerance: number | null]
  change: [by: number]
  focus: []
  enter: []
}>()

const units = useUnits()
const terms = useTerms()
const term = terms.of(() => props.label)
const id = useId()
const judging = judgingHere()
/** What is asked of the number just typed here. */
const doubted = computed(() => (judging?.asked.value?.field === id ? judging.asked.value.question : null))
const bounds = computed(() => (props.of ? boundsOf(props.of) : null))
const si = computed(() => props.si ?? bounds.value?.si ?? '')
const low = computed(() => props.low ?? bounds.value?.low ?? null)
const high = computed(() => props.high ?? bounds.value?.high ?? null)
const unit = computed(() => units.unit(si.value, props.kind))
const shown = computed(() => {
  if (props.modelValue === null || props.modelValue === undefined) return ''
  const value = trimmed(
    inUnit(props.modelValue, (props.decimals ?? unit.value.decimals) + (props.computedValue ? 0 : 2)),
  )
  return props.tolerance ? `${value} ± ${inUnit(props.tolerance, 6).replace(/\.?0+$/, '')}` : value
})
const inUnit = (v: number, decimals: number): string => units.show(v, si.value, { kind: props.kind, decimals })
/** Digits typed beyond the usual ones are kept, trailing zeros are not. */
function trimmed(text: string): string {
  const places = props.decimals ?? unit.value.decimals
  const [whole, part = ''] = text.split('.')
  const kept = props.computedValue ? '' : part.replace(/0+$/, '')
  const padded = kept.length < places ? part.slice(0, places) : kept
  return padded ? `${whole}.${padded}` : whole!
}

const input = ref<HTMLInputElement | null>(null)
const text = ref(shown.value)
const error = ref('')
const note = ref('')
const focused = ref(false)
let asked = 0
watch(shown, (now) => {
  if (!focused.value && !error.value) text.value = now
})
// what was typed here before and not taken stands in the field again
const unread = useUnread(
  input,
  () => props.label,
  (kept) => {
    text.value = kept.text
    error.value = kept.why
  },
)
watch(error, (why) => (why ? unread.keep(text.value, why) : unread.drop()))
let again: ReturnType<typeof setTimeout> | undefined
onUnmounted(() => clearTimeout(again))

// a station left before the answer comes must not lose what was typed: the listener is told all the same
const instance = getCurrentInstance()
let unmounted = false
onUnmounted(() => (unmounted = true))
function tell(value: number | null, tolerance: number | null, listener: unknown): void {
  typedIn(id)
  if (unmounted) (listener as ((v: number | null, t: number | null) => void) | undefined)?.(value, tolerance)
  else emit('update:modelValue', value, tolerance)
}
const TRY_AGAIN = 2500
async function typed(value: string): Promise<void> {
  text.value = value
  if (error.value) unread.keep(value, error.value)
  const mine = ++asked
  const listener: unknown = instance?.vnode.props?.['onUpdate:modelValue']
  if (!value.trim()) {
    if (!props.clearable) return void (error.value = 'A number is needed here')
    error.value = note.value = ''
    return emit('update:modelValue', null, null)
  }
  const plain = plainNumber(value, unit.value.factor)
  if (plain !== null && props.changes && /^\s*[-+−]/.test(value)) {
    error.value = note.value = ''
    return emit('change', plain)
  }
  if (plain !== null) {
    // a plain number in the unit shown needs nobody to read it
    const out = (low.value !== null && plain < low.value) || (high.value !== null && plain > high.value)
    error.value = out ? (props.beyond ?? FAR_OUT) : ''
    note.value = ''
    if (out) return
    typedIn(id)
    return emit('update:modelValue', plain, null)
  }
  const { data, error: refused } = await readQuantity({
    text: value,
    unit: si.value,
    bare: unit.value.name || null,
    low: low.value,
    high: high.value,
  })
  if (mine !== asked) return
  // the hand may have left the field meanwhile: what is refused is what was typed, not what stands there again
  if (!data || (data.tolerance && !props.tolerant)) text.value = value
  clearTimeout(again)
  if (!data && isAway(refused) && !unmounted) again = setTimeout(() => mine === asked && void typed(value), TRY_AGAIN)
  if (data?.tolerance && !props.tolerant) {
    error.value = NO_TOLERANCE
  } else if (data) {
    error.value = ''
    note.value = data.note ?? ''
    tell(data.value, data.tolerance ?? null, listener)
  } else if (unmounted) unread.keep(value, messageOf(refused))
  else error.value = messageOf(refused)
}
function entering(input: HTMLInputElement): void {
  focused.value = true
  emit('focus')
  input.select()
}
function left(): void {
  focused.value = false
  if (!error.value) {
    note.value = ''
    text.value = shown.value
  }
}
function restore(): void {
  asked++
  error.value = note.value = ''
  text.value = shown.value
}
/** What was asked about it was answered: it shows what stands now. */
async function answered(): Promise<void> {
  asked++
  await nextTick()
  restore()
  input.value?.focus()
}
/** Read off an instrument: it stands as if typed. */
function taken(value: number): void {
  error.value = note.value = ''
  emit('update:modelValue', value, null)
  text.value = inUnit(value, (props.decimals ?? unit.value.decimals) + 1)
}
const live = ref<InstanceType<typeof TakeLive> | null>(null)
function entered(event: KeyboardEvent): void {
  event.preventDefault()
  // an empty field beside an instrument that reads takes what it shows
  if (!text.value.trim() && live.value?.live) return void live.value.take()
  emit('enter')
  const scope = (event.target as HTMLElement).closest('[data-fields]') ?? document
  const all = [...scope.querySelectorAll<HTMLInputElement>('input.qf-in:not([readonly])')]
  const next = all[all.indexOf(event.target as HTMLInputElement) + (event.shiftKey ? -1 : 1)]
  next?.focus()
}
</script>

<template>
  <div class="qf" :class="[align, { bad: error, strong, inline: hideLabel, two: tolerance && hideLabel }]">
    <label class="qf-l" :class="{ 'seen-not': hideLabel }" :for="id">{{ label }}</label>
    <span class="qf-box">
      <span v-if="estimated && text" class="qf-mark" aria-hidden="true">~</span>
      <input
        :id="id"
        ref="input"
        class="qf-in"
        :value="text"
        :readonly="readonly"
        inputmode="text"
        autocomplete="off"
        spellcheck="false"
        :aria-invalid="!!error"
        :aria-describedby="error || note || hint ? `${id}-m` : undefined"
        @input="typed(($event.target as HTMLInputElement).value)"
        @change.stop
        @focus="entering($event.target as HTMLInputElement)"
        @blur="left"
        @keydown.enter="entered"
        @keydown.f1.prevent="term && terms.show(term, $event.currentTarget as Element)"
        @keydown.esc.stop="restore" />
      <span v-if="!(tolerance && hideLabel)" class="qf-u"
        >{{ unitText ?? unit.written }}<template v-if="after"> {{ after }}</template></span
      >
      <button
        v-if="term && focused"
        type="button"
        class="qf-what"
        tabindex="-1"
        aria-label="what is this?"
        @mousedown.prevent
        @click="terms.show(term, $event.currentTarget as Element)">
        ?
      </button>
      <slot />
    </span>
    <TakeLive
      v-if="focused && of && !readonly && measuredBy(of)"
      ref="live"
      :key="at"
      :of="of"
      :at="at"
      :about="label"
      :kind="kind"
      :beside="input"
      @take="taken" />
    <FieldQuestion v-if="doubted" :question="doubted" :label="label" @done="answered" />
    <span v-if="error || note || hint" :id="`${id}-m`" class="qf-m" :role="error ? 'alert' : undefined">{{
      error || note || hint
    }}</span>
  </div>
</template>

<style scoped>
.qf { position: relative; display: grid; grid-template-columns: minmax(0, 1fr); min-width: 0; }
.qf-l { font-size: var(--t-1); color: var(--ink-2); line-height: 1.3; }
.qf-box { display: flex; align-items: baseline; border-bottom: 1.5px solid var(--edge); background: var(--sheet); padding: 0 6px; min-height: 40px; }
.qf-box:focus-within { border-bottom: 3px solid var(--ink); margin-bottom: -1.5px; }
.qf-in { font: inherit; font-size: var(--t-3); color: var(--ink); background: none; border: 0; outline: 0; width: 100%; min-width: 0; height: 38px; padding: 0; }
.right .qf-in { text-align: right; }
.strong .qf-in { font-weight: 600; font-size: var(--t-4); }
.two .qf-in { font-size: var(--t-2); }
.qf-u { color: var(--ink-2); font-size: var(--t-1); padding-left: 6px; white-space: nowrap; }
.qf-what { align-self: stretch; flex: none; width: 32px; margin: 0 -6px 0 4px; border-left: 1px solid var(--rule); font-weight: 600; text-align: center; }
.qf-mark { color: var(--ink-2); font-size: var(--t-3); padding-right: 2px; }
.qf-m { font-size: var(--t-1); color: var(--ink-2); padding-top: 2px; line-height: 1.2; }
.bad .qf-box { border-bottom-color: var(--stop); }
.bad .qf-m { color: var(--stop); font-weight: 500; }
</style>
