<script setup lang="ts">
import { useMediaQuery, useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'

import { type Figure, type Place, placeWords } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** The stance where there is little room: the figures of the corner in hand, the next one by a tap on the car from above. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()
const vehicle = useVehicle()
const units = useUnits()
const chosen = useSessionStorage<Place | ''>(`feder-corner ${vehicle.id}`, '')
const places = computed(() => vehicle.places.value)
const place = computed<Place>(() =>
  places.value.includes(chosen.value as Place) ? (chosen.value as Place) : places.value[0]!,
)
const next = computed(() => places.value[(places.value.indexOf(place.value) + 1) % places.value.length]!)
const two = computed(() => places.value.length === 2)
const corner = computed(() => vehicle.shown.value?.corners[place.value])
const sags = computed(() => vehicle.shown.value?.sags?.[place.value])
interface Cell {
  key: string
  words: string
  path: string
  figure: Figure | null | undefined
  unit: string
}
const narrow = useMediaQuery('(max-width: 600px)')
/** On a phone the unit stands for the word where it says as much. */
const short = (c: Cell): string =>
  narrow.value ? { h: two.value ? 'sag' : 'height', r: c.unit, f: 'Hz', d: 'damping', s: 'to stop' }[c.key]! : c.words
const length = computed(() => units.unit('m').written)
const cells = computed<Cell[]>(() => {
  const [c, at] = [corner.value, `corners.${place.value}`]
  const height: Cell = c?.floor_to_arch
    ? { key: 'h', words: 'floor to arch', path: `${at}.floor_to_arch`, figure: c.floor_to_arch, unit: length.value }
    : { key: 'h', words: 'hub to arch', path: `${at}.hub_to_arch`, figure: c?.hub_to_arch, unit: length.value }
  const sag: Cell = {
    key: 'h',
    words: 'rider sag',
    path: `sags.${place.value}.rider_sag`,
    figure: sags.value?.rider_sag,
    unit: length.value,
  }
  return [
    two.value ? sag : height,
    { key: 'r', words: 'wheel rate', path: `${at}.wheel_rate`, figure: c?.wheel_rate, unit: units.unit('N/m').written },
    { key: 'f', words: 'frequency', path: `${at}.frequency`, figure: c?.frequency, unit: 'Hz' },
    { key: 'd', words: 'damping', path: `${at}.damping_ratio`, figure: c?.damping_ratio, unit: '' },
    { key: 's', words: 'to the stop', path: `${at}.bump_travel`, figure: c?.bump_travel, unit: length.value },
  ]
})
const WHERE: Record<string, [number, number]> = {
  front_left: [4, 24],
  front_right: [4, 4],
  rear_left: [44, 24],
  rear_right: [44, 4],
  front: [4, 14],
  rear: [44, 14],
}
</script>

<template>
  <div class="strip">
    <button
      class="corner"
      :aria-label="`${placeWords(place)} in hand; next: ${placeWords(next)}`"
      @click="chosen = next">
      <svg width="66" height="40" viewBox="0 0 66 40" aria-hidden="true">
        <rect v-if="!two" class="body" x="6" y="8" width="54" height="24" rx="8" />
        <path v-else class="body" d="M8 20H58" />
        <rect
          v-for="p in places"
          :key="p"
          :x="WHERE[p]![0]"
          :y="WHERE[p]![1]"
          width="18"
          height="12"
          class="wheel"
          :class="{ here: p === place }" />
      </svg>
      <b>{{ placeWords(place) }}</b>
    </button>
    <dl>
      <div v-for="c in cells" :key="c.key" :class="c.key">
        <dt>{{ short(c) }}</dt>
        <dd>
          <AskFigure :figure="c.figure" :path="c.path" :title="`${c.words}, ${placeWords(place)}`" /><small
            v-if="c.figure"
            class="quiet"
            >{{ c.unit }}</small
          >
        </dd>
      </div>
    </dl>
    <button
      class="whole"
      :aria-expanded="open"
      :aria-label="open ? 'close the whole stance' : 'open the whole stance over the bench'"
      @click="emit('toggle')">
      <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
        <path :d="open ? 'M2 5l6 6 6-6' : 'M2 11l6-6 6 6'" />
      </svg>
    </button>
  </div>
</template>

<style scoped>
.strip { display: flex; align-items: stretch; gap: 10px; min-height: 56px; }
.corner { flex: none; width: 96px; min-height: 52px; display: grid; justify-items: start; align-content: center; line-height: 1.1; white-space: nowrap; }
.body { fill: none; stroke: var(--ink-2); stroke-width: 1.25; } .wheel { fill: var(--sheet); stroke: var(--ink); } .wheel.here { fill: var(--ink); }
dl { flex: 1; margin: 0; display: flex; justify-content: space-around; gap: 4px 14px; min-width: 0; align-items: center; } dl div { line-height: 1.15; min-width: 0; text-align: center; } dt { color: var(--ink-2); font-size: var(--t-1); white-space: nowrap; } dd { margin: 0; font-weight: 600; font-size: var(--t-3); display: flex; gap: 4px; align-items: baseline; justify-content: center; white-space: nowrap; } small { font-weight: 400; }
.whole { flex: none; width: 44px; min-height: 44px; display: grid; place-items: center; } .whole path { fill: none; stroke: var(--ink); stroke-width: 2.5; }
@media (max-width: 600px) { .corner { width: 76px; } .corner svg { width: 54px; height: 32px; } dl { gap: 4px 8px; justify-content: space-between; } dt { font-size: .875rem; max-width: 62px; overflow: hidden; text-overflow: ellipsis; } small { display: none; } .whole { width: 32px; } .strip { gap: 4px; } }
@media (max-width: 420px) { dl .s { display: none; } }
/* 200 % zoom on a small screen: the bench keeps what the strip can spare */
@media (max-height: 500px) { .strip { min-height: 44px; } .corner { min-height: 40px; width: auto; } .corner svg { display: none; } dl div { display: flex; gap: 6px; align-items: baseline; } dl .s, small { display: none; } }
</style>
