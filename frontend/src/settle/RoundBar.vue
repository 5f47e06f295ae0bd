<script setup lang="ts">
import { computed } from 'vue'

import type { Survey } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useBlankPage } from '@/composables/useBlankPage'
import { useVehicle } from '@/composables/useVehicle'

import { useLog } from './useLog'
import type { Rounds } from './useRounds'

/** The rounds of a setup, a new one, and what was true of the one looked at. Nothing written into one changes another. */
const props = defineProps<{
  rounds: Rounds
  ticks: [keyof NonNullable<Survey['conditions']>, string][]
  /** Without what only heights and weights need. */
  plain?: boolean
}>()
const log = useLog()
const vehicle = useVehicle()
const { print, trouble } = useBlankPage()
const all = computed(() => props.rounds.indices.value)
const now = computed(() => props.rounds.round.value)
</script>

<template>
  <div class="bar">
    <div class="which" role="group" aria-label="Rounds">
      <button
        v-for="(i, n) in all"
        :key="i"
        class="round"
        :aria-pressed="i === rounds.index.value"
        :aria-label="`round ${n + 1}`"
        @click="rounds.choose(i)">
        {{ n + 1 }}
      </button>
      <button class="link" :disabled="!log.known.value" @click="rounds.begin(log.newest.value)">new round</button
      ><button class="link" @click="print(vehicle.setup.value!.id)">blank page</button>
    </div>
    <label class="day"
      ><span class="seen-not">day of this round</span
      ><input
        type="date"
        class="line"
        :value="now?.date ?? ''"
        @change="rounds.set('day of the round', 'date', ($event.target as HTMLInputElement).value || null)" /></label
    ><QuantityField
      class="odo"
      hide-label
      label="odometer at this round"
      of="Setup.odometer"
      kind="distance"
      :decimals="0"
      :model-value="now?.odometer"
      @update:model-value="(v) => rounds.set('odometer of the round', 'odometer', v)" />
    <label v-if="now && !plain" class="tick"
      ><input
        type="checkbox"
        :checked="!!now.set_aside"
        @change="rounds.set('round set aside', 'set_aside', ($event.target as HTMLInputElement).checked)" />set
      aside</label
    ><label v-for="[member, words] in ticks" :key="member" class="tick"
      ><input
        type="checkbox"
        :checked="!!now?.conditions?.[member]"
        @change="rounds.condition(words, member, ($event.target as HTMLInputElement).checked)" />{{ words }}</label
    >
  </div>
  <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
</template>

<style scoped>
.bar { display: flex; flex-wrap: wrap; align-items: center; gap: 0 10px; min-height: 44px; }
.which { display: flex; flex-wrap: wrap; align-items: center; gap: 2px; } .round { min-width: 34px; height: 44px; text-align: center; } .round[aria-pressed='true'] { background: var(--ink); color: var(--ground); font-weight: 600; }
.link { padding: 0 6px; }
.line { font: inherit; font-size: var(--t-2); height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 4px; width: 116px; font-size: var(--t-1); }
.odo { width: 104px; }
.tick { display: inline-flex; align-items: center; gap: 7px; min-height: 44px; cursor: pointer; } .tick input { width: 20px; height: 20px; accent-color: var(--ink); }
</style>
