<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, type Place, placeWords } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import TermWord from '@/components/TermWord.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { useBenches } from './useBenches'

/** Forces, rebound over bump, and the share of critical at low and at high speed, beside what is wanted. */
const props = defineProps<{ places: Place[] }>()
const vehicle = useVehicle()
const benches = useBenches()
const units = useUnits()
const corner = (p: Place) => vehicle.shown.value?.corners[p]
const bench = computed(() => (['front', 'rear'] as EndName[]).map((e) => benches.of(e)).find((b) => b))
const SPEEDS = [
  { id: 'low', words: 'body, 0.05 m/s', ratio: 'damping_ratio' },
  { id: 'high', words: 'wheel, 0.30 m/s', ratio: 'damping_high' },
] as const
const wanted = (id: 'low' | 'high'): string => {
  const b = bench.value
  if (!b) return ''
  const [low, high] = id === 'low' ? [b.band_low, b.band_high] : [b.hop_low, b.hop_high]
  return `${low.toFixed(2)}–${high.toFixed(2)}`
}
const split = computed(() => (bench.value ? `${bench.value.split_low}–${bench.value.split_high}` : ''))
const shown = computed(() => props.places.filter((p) => corner(p)?.rebound_low))
</script>

<template>
  <table v-if="shown.length" aria-label="Damping at both speeds">
    <thead>
      <tr>
        <th><span class="seen-not">what</span></th>
        <th>bump, {{ units.unit('N').written }}</th>
        <th>rebound, {{ units.unit('N').written }}</th>
        <th><TermWord words="over bump" /></th>
        <th><TermWord words="of critical" /></th>
      </tr>
    </thead>
    <tbody v-for="s in SPEEDS" :key="s.id">
      <tr class="head">
        <th><TermWord :words="s.words" /></th>
        <td></td>
        <td class="quiet">wanted</td>
        <td class="quiet">{{ split }}</td>
        <td class="quiet">{{ wanted(s.id) }}</td>
      </tr>
      <tr v-for="p in shown" :key="p">
        <th>{{ placeWords(p) }}</th>
        <td>
          <AskFigure
            :figure="corner(p)?.[`bump_${s.id}`]"
            :path="`corners.${p}.bump_${s.id}`"
            :at="{ load: vehicle.loadState.value }"
            :title="`bump, ${placeWords(p)}`"
            :options="{ decimals: 0 }" />
        </td>
        <td>
          <AskFigure
            :figure="corner(p)?.[`rebound_${s.id}`]"
            :path="`corners.${p}.rebound_${s.id}`"
            :at="{ load: vehicle.loadState.value }"
            :title="`rebound, ${placeWords(p)}`"
            :options="{ decimals: 0 }" />
        </td>
        <td>
          <AskFigure
            :figure="corner(p)?.[`split_${s.id}`]"
            :path="`corners.${p}.split_${s.id}`"
            :at="{ load: vehicle.loadState.value }"
            :title="`rebound over bump, ${placeWords(p)}`"
            :options="{ decimals: 1 }" />
        </td>
        <td>
          <AskFigure
            :figure="corner(p)?.[s.ratio]"
            :path="`corners.${p}.${s.ratio}`"
            :at="{ load: vehicle.loadState.value }"
            :title="`damping, ${placeWords(p)}`"
            :options="{ decimals: 2 }" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table { width: 100%; border-collapse: collapse; } th { font-weight: 400; text-align: left; padding: 2px 6px 2px 0; } thead th { text-align: right; font-size: var(--t-1); color: var(--ink-2); } td { text-align: right; padding: 2px 0 2px 6px; font-weight: 600; } td.quiet { font-weight: 400; font-size: var(--t-1); }
.head th { font-weight: 600; } .head > * { border-top: 1px solid var(--rule); padding-top: 5px; }
</style>
