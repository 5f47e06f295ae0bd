<script setup lang="ts">
import { computed } from 'vue'

import { barOf, type Place, placeWords, type WheelRound } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useVehicle } from '@/composables/useVehicle'

import type { Rounds } from './useRounds'

/** What else was read in a round: tyre pressures, cold and hot, and what the level shows of unloaded plates. */
const props = defineProps<{ rounds: Rounds }>()
const vehicle = useVehicle()
const onBar = (p: Place): boolean => barOf(vehicle.setup.value?.sides?.[p]) !== null
const rows = computed<{ member: 'pressure_cold' | 'pressure_hot' | 'plate'; words: string; of: string }[]>(() => [
  { member: 'pressure_cold', words: 'tyre pressure, cold', of: 'WheelRound.pressure_hot' },
  { member: 'pressure_hot', words: 'tyre pressure, hot', of: 'WheelRound.pressure_hot' },
  ...(vehicle.places.value.some(onBar)
    ? [{ member: 'plate' as const, words: 'level on the plate', of: 'SideSetup.plate_set' }]
    : []),
])
const set = (p: Place, member: keyof WheelRound, words: string, value: number | null): void =>
  props.rounds.setWheel(`${words}, ${placeWords(p)}`, p, { [member]: value })
const told = computed(() =>
  (props.rounds.round.value?.wheels ?? []).some((w) => w.pressure_cold ?? w.pressure_hot ?? w.plate),
)
</script>

<template>
  <details class="more" :open="told">
    <summary>Pressures{{ rows.length > 2 ? ' and plates' : '' }} of this round</summary>
    <table class="by-corner">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th v-for="p in vehicle.places.value" :key="p">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.member">
          <th><TermWord :words="r.words" /></th>
          <td v-for="p in vehicle.places.value" :key="p">
            <QuantityField
              v-if="r.member !== 'plate' || onBar(p)"
              hide-label
              :label="`${r.words}, ${placeWords(p)}, in this round`"
              :of="r.of"
              :at="`${r.member === 'plate' ? 'plate' : 'pressure'} ${p}`"
              :model-value="rounds.wheel(p)?.[r.member]"
              @update:model-value="(v) => set(p, r.member, r.words, v)" />
          </td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
.more { border-top: 1px solid var(--rule); margin-top: 8px; } summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; } table { width: 100%; border-collapse: collapse; table-layout: fixed; } th { font-weight: 400; text-align: left; padding: 4px 8px 4px 0; } thead th { font-size: var(--t-1); text-align: right; } thead th:first-child { width: 150px; } td { padding: 2px 4px; }
</style>
