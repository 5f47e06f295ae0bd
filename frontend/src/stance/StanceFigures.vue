<script setup lang="ts">
import { computed } from 'vue'

import { type CornerReport, type Figure, type Place, placeWords } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import StanceWord from './StanceWord.vue'

/** The figures over and under the travel ladders: height, wheel rate, frequency and damping of every corner. */
const props = defineProps<{ x: Partial<Record<Place, number>> }>()
const emit = defineEmits<{ ask: [path: string, title: string] }>()
const vehicle = useVehicle()
const units = useUnits()
const places = computed(() => vehicle.places.value.filter((p) => props.x[p] !== undefined))
const report = computed(() => vehicle.shown.value)
const corner = (place: Place): CornerReport | undefined => report.value?.corners[place]
const basis = computed(() => vehicle.document.value?.brief?.frequency_basis)
const change = (f: Figure | null | undefined): string =>
  f && f.was !== null && f.was !== undefined ? units.show(f.value - f.was, f.unit, { signed: true }) : ''
const told = (f: Figure): string => (f.assumed ? '~' : '') + units.show(f.value, f.unit)
interface Row {
  key: 'wheel_rate' | 'frequency' | 'damping_ratio'
  words: string
  unit: string
}
const rows = computed<Row[]>(() => [
  { key: 'wheel_rate', words: 'wheel rate', unit: units.unit('N/m').written },
  { key: 'frequency', words: 'frequency', unit: basis.value === 'with tyre' ? 'Hz, with tyre' : 'Hz' },
  { key: 'damping_ratio', words: 'damping', unit: 'of critical' },
])
const WORD = { wheel_rate: 'wheel rate', frequency: 'ride frequency', damping_ratio: 'damping ratio' } as const
const flagged = (place: Place, key: string): boolean =>
  (report.value?.findings ?? []).some(
    (f) =>
      f.grade !== 'note' &&
      f.place === place &&
      ((key === 'height' && f.station === 'height') || (key === 'survey' && f.station === 'survey')),
  )
const height = (place: Place): Figure | null | undefined => corner(place)?.floor_to_arch ?? corner(place)?.hub_to_arch
const key = computed(() => (places.value.some((p) => corner(p)?.floor_to_arch) ? 'floor_to_arch' : 'hub_to_arch'))
/** What the tape showed with this setup on the wheels, where it was read. */
const read = (place: Place): Figure | null | undefined =>
  key.value === 'floor_to_arch' ? corner(place)?.floor_measured : corner(place)?.hub_measured
const estimated = computed(() =>
  places.value.some((p) => height(p)?.assumed || rows.value.some((r) => corner(p)?.[r.key]?.assumed)),
)
const SAGS = [
  { key: 'rider_sag', words: 'rider sag' },
  { key: 'free_sag', words: 'free sag' },
] as const
const decimals = computed(() => (units.unit('m').name === 'in' ? 2 : 1))
const sagTold = (f: Figure): string => (f.assumed ? '~' : '') + units.show(f.value, 'm', { decimals: decimals.value })
const sagChange = (f: Figure): string =>
  f.was !== null && f.was !== undefined
    ? units.show(f.value - f.was, 'm', { signed: true, decimals: decimals.value })
    : ''
const font = (text: string): string => (text.length > 6 ? 'font-size:1.125rem' : '')
</script>

<template>
  <g>
    <g v-for="p in places" :key="p">
      <text class="cor" :x="x[p]" y="14" text-anchor="middle">{{ placeWords(p) }}</text>
      <template v-if="places.length === 2">
        <template v-for="(s, i) in SAGS" :key="s.key"
          ><text
            v-if="report?.sags?.[p]?.[s.key]"
            class="ask"
            :class="i ? 'cor' : 'big'"
            :x="x[p]"
            :y="37 + i * 21"
            text-anchor="middle"
            role="button"
            tabindex="0"
            @click="emit('ask', `sags.${p}.${s.key}`, `${s.words}, ${p}`)"
            @keydown.enter="emit('ask', `sags.${p}.${s.key}`, `${s.words}, ${p}`)"
            >{{ sagTold(report.sags[p]![s.key]!) }}</text
          ><text v-else class="none" :x="x[p]" :y="37 + i * 21" text-anchor="middle">–</text>
          <text v-if="report?.sags?.[p]?.[s.key]" class="chg" :x="x[p]! + 52" :y="37 + i * 21" text-anchor="middle">{{
            sagChange(report.sags[p]![s.key]!)
          }}</text></template
        >
      </template>
      <template v-else>
        <text
          v-if="height(p)"
          class="big ask"
          :x="x[p]"
          y="37"
          text-anchor="middle"
          role="button"
          tabindex="0"
          @click="emit('ask', `corners.${p}.${key}`, `Height, ${placeWords(p)}`)"
          @keydown.enter="emit('ask', `corners.${p}.${key}`, `Height, ${placeWords(p)}`)"
          >{{ told(height(p)!) }}</text
        >
        <text v-else class="none" :x="x[p]" y="37" text-anchor="middle">–</text>
        <g
          v-if="flagged(p, 'height') || flagged(p, 'survey')"
          :transform="`translate(${x[p]! + (p.startsWith('rear') ? 24 : -40)} 22)`"
          ><path class="fl-s" d="M0 14V0" /><path class="fl-f" d="M0 0l10 3.500-10 3.500z"
        /></g>
        <text v-if="read(p)" class="chg" :x="x[p]" y="56" text-anchor="middle">read {{ told(read(p)!) }}</text>
        <text v-else class="chg" :x="x[p]" y="56" text-anchor="middle">{{ change(height(p)) }}</text>
      </template>
    </g>
    <template v-if="places.length === 2"
      ><StanceWord :y="32" words="wheel sag" of="sag" /><text class="unit" x="224" y="52" text-anchor="middle"
        >rider, alone, {{ units.unit('m').written }}</text
      ></template
    >
    <template v-else
      ><StanceWord :y="32" :words="key === 'floor_to_arch' ? 'floor to arch' : 'hub to arch'" />
      <text class="unit" x="224" y="50" text-anchor="middle">{{ units.unit('m').written }}</text></template
    >
    <g v-for="(row, i) in rows" :key="row.key" :transform="`translate(0 ${326 + i * 42})`">
      <StanceWord :y="0" :words="row.words" :of="WORD[row.key]" />
      <text class="unit" x="224" y="17" text-anchor="middle">{{ row.unit }}</text>
      <g v-for="p in places" :key="p">
        <template v-if="corner(p)?.[row.key]">
          <text
            class="big ask"
            :x="x[p]"
            y="2"
            text-anchor="middle"
            role="button"
            tabindex="0"
            :style="font(units.show(corner(p)![row.key]!.value, corner(p)![row.key]!.unit))"
            @click="emit('ask', `corners.${p}.${row.key}`, `${row.words}, ${placeWords(p)}`)"
            @keydown.enter="emit('ask', `corners.${p}.${row.key}`, `${row.words}, ${placeWords(p)}`)"
            >{{ told(corner(p)![row.key]!) }}</text
          >
          <text class="chg" :x="x[p]" y="19" text-anchor="middle">{{ change(corner(p)![row.key]) }}</text>
        </template>
        <text v-else class="none" :x="x[p]" y="2" text-anchor="middle">–</text>
      </g>
    </g>
    <g transform="translate(0 452)">
      <rect x="0" y="-12" width="22" height="14" fill="url(#dots)" stroke="var(--ink-2)" /><text
        class="num"
        x="29"
        y="0"
        >stop squeezed</text
      >
      <rect x="124" y="-12" width="22" height="14" fill="url(#hatch)" stroke="var(--ink-2)" /><text
        class="num"
        x="153"
        y="0"
        >out of reach</text
      >
      <text v-if="estimated" class="num" x="464" y="0" text-anchor="end">~ rests on an estimate</text>
    </g>
  </g>
</template>
