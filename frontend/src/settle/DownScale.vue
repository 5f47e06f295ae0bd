<script setup lang="ts">
import { computed, ref } from 'vue'

import { type Expected, type Place, placeWords, type SetDownRow } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'

import type { Scale } from './downScale'

/** One corner set down: its scale with what was expected, read and wanted, and the field for the reading. */
const props = defineProps<{
  place: Place
  row: SetDownRow
  expected: Expected | null
  scale: Scale | null
  numerals: boolean
  of: string
  label: string
  readings: number[]
  /** Why it cannot be typed here. */
  fixed?: boolean
}>()
const emit = defineEmits<{ read: [value: number | null, again: boolean] }>()
const units = useUnits()
const again = ref(false)
const HEIGHT = 136
const mm = (v: number | null | undefined): string => units.show(v, 'm', { kind: 'fine length' })
const y = (v: number): number => props.scale!.y(v)
const out = computed(() => props.expected?.strange ?? false)
const edge = computed(() =>
  props.expected && props.row.read != null
    ? props.row.read > props.expected.high
      ? props.expected.high
      : props.expected.low
    : null,
)
const word = computed(() => (props.expected ? (out.value ? 'strange' : 'ordinary') : ''))
const off = computed(() => {
  const [read, expected] = [props.row.read, props.expected?.expected]
  if (read == null || expected == null) return ''
  const by = read - expected
  return `${mm(Math.abs(by))} ${by >= 0 ? (props.of.includes('sag') ? 'more' : 'high') : props.of.includes('sag') ? 'less' : 'low'}`
})
const says = computed(
  () =>
    `${placeWords(props.place)}: read ${mm(props.row.read)}, wanted ${mm(props.row.wanted)}` +
    (props.expected
      ? `, expected ${mm(props.expected.expected)}, between ${mm(props.expected.low)} and ${mm(props.expected.high)}; ${word.value}`
      : ''),
)
const typed = (value: number | null): void => emit('read', value, false)
/** A second reading is whole only once the hand leaves it: "355" may become "355.5". */
const more = ref<number | null>(null)
function onceMore(): void {
  if (more.value !== null) emit('read', more.value, true)
  if (more.value !== null) again.value = false
  more.value = null
}
</script>

<template>
  <div class="corner">
    <svg class="scale" width="90" :height="HEIGHT" role="img" :aria-label="says">
      <template v-if="scale">
        <path class="axis" :d="`M48 0V${HEIGHT}`" />
        <template v-for="t in scale.ticks" :key="t.value">
          <path class="tickline" :d="`M48 ${t.y}h${t.major ? 8 : 4}`" />
          <text v-if="t.major && numerals" x="30" :y="t.y + 4.5" text-anchor="end">
            {{ units.show(t.value, 'm', { decimals: units.unit('m').name === 'in' ? 2 : 0 }) }}
          </text>
        </template>
        <path v-if="row.wanted != null" class="wants" :d="`M46 ${y(row.wanted)}l-13 -8v16z`" />
        <template v-if="expected">
          <path
            class="bracket"
            :d="`M60 ${y(expected.low)}h12M60 ${y(expected.high)}h12M66 ${y(expected.low)}V${y(expected.high)}`" />
          <circle class="mid" cx="66" :cy="y(expected.expected)" r="2" />
          <path v-if="out && edge !== null && row.read != null" class="beyond" :d="`M66 ${y(edge)}V${y(row.read)}`" />
        </template>
        <path v-if="row.read != null" class="reads" :d="`M48 ${y(row.read)}H76l12 -7v14l-12 -7`" />
      </template>
    </svg>
    <div class="side">
      <b class="name">{{ placeWords(place) }}</b>
      <QuantityField
        v-if="!again"
        hide-label
        strong
        :label="label"
        of="Survey.hub_to_arch"
        :at="`hub_to_arch ${place}`"
        unit-text=""
        :readonly="fixed"
        :computed-value="fixed"
        :kind="fixed ? 'fine length' : undefined"
        :model-value="row.read"
        @update:model-value="typed" />
      <QuantityField
        v-else
        hide-label
        strong
        :label="`${label}, once more`"
        of="Survey.hub_to_arch"
        :at="`hub_to_arch ${place}`"
        unit-text=""
        :model-value="null"
        @update:model-value="(v) => (more = v)"
        @enter="onceMore"
        @focusout="onceMore" />
      <p v-if="expected" class="small">
        {{ mm(expected.expected) }} <span class="quiet">±{{ mm((expected.high - expected.low) / 2) }}</span>
      </p>
      <p v-if="off" :class="out ? 'grade-look' : 'strong'">{{ off }}</p>
      <p v-if="word" class="small" :class="{ 'grade-look': out }">
        <svg v-if="out" class="flag" width="11" height="14" aria-hidden="true">
          <path d="M1.500 14V1L10 4.500 1.500 8" fill="var(--look-fill)" stroke="var(--ink)" /></svg
        >{{ word }}
      </p>
      <button v-if="row.read != null && !fixed" class="link small" @click="again = !again">
        {{
          again ? 'not again' : readings.length > 1 ? `${readings.map((v) => mm(v)).join(', ')}; again` : 'read again'
        }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.corner { display: grid; grid-template-columns: 90px minmax(0, 1fr); gap: 6px; min-width: 0; }
.name { display: block; line-height: 1.2; margin-bottom: 2px; } .side p { line-height: 1.2; }
.link { min-height: 44px; white-space: normal; text-align: left; }
.axis { stroke: var(--ink); stroke-width: 1.5; } .tickline { stroke: var(--ink-2); } .wants { fill: var(--plan); } .bracket { stroke: var(--ink); stroke-width: 1.25; fill: none; } .mid { fill: var(--ink); } .beyond { stroke: var(--look); stroke-width: 3.5; } .reads { stroke: var(--ink); stroke-width: 1.5; fill: var(--ink); }
.flag { display: inline-block; vertical-align: -2px; margin-right: 4px; }
</style>
