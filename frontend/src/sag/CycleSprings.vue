<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'

import { coilOf, type EndName, type SpringPart } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import BenchViews from '@/components/BenchViews.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'

import AirBench from './AirBench.vue'
import RiderLoads from './RiderLoads.vue'
import SagShelf from './SagShelf.vue'
import { useSag } from './useSag'
import { ENDS } from './walk'
import { vRoving } from '@/logic/roving'

/** Springs of a two-wheeler by sag: what is in it, what the sags ask for, what the shelf has; and who rides. */
const route = useRoute()
const { vehicle, units, sags, side, isAir, about, set } = useSag()
const view = computed(() => (route.query.view === 'loads' ? 'loads' : 'choice'))
const end = ref<EndName>('rear')
const legs = (e: EndName): boolean =>
  (about(e)?.layout === 'fork' && about(e)?.fork?.legs !== 1) || about(e)?.layout === 'twin shock'
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'springs'))
function setRate(e: EndName, value: number | null): void {
  const now = coilOf(side(e))
  if (value !== null)
    set(e, 'spring rate', {
      spring: {
        kind: 'coil',
        free_length: null,
        ...now,
        code: now?.rate.value === value ? now.code : 'typed in',
        rate: { how: 'maker', value },
      } satisfies SpringPart,
    })
}
function setOther(e: EndName, value: number | null): void {
  const now = coilOf(side(e))
  if (now)
    set(e, 'other spring', {
      second_spring: value === null ? null : { ...now, code: 'other leg', rate: { how: 'maker', value } },
    })
}
const VIEWS = [
  { id: 'choice', words: 'Choice' },
  { id: 'loads', words: 'Loads' },
]
</script>

<template>
  <div class="bench-top">
    <h1>Springs</h1>
    <BenchViews label="Views of the springs" :views="VIEWS" :here="view" />
  </div>
  <FindingList :findings="findings" :stations="['springs']" />
  <RiderLoads v-if="view === 'loads'" />
  <template v-else>
    <div class="ends">
      <section v-for="e in ENDS" :key="e" :aria-label="`${e} spring`">
        <h3 aria-level="2">
          {{ e === 'front' ? 'Front' : 'Rear'
          }}<span class="quiet">, {{ isAir(e) ? 'air' : legs(e) ? 'each of two' : 'one spring' }}</span>
        </h3>
        <div v-if="!isAir(e)" class="two">
          <QuantityField
            :label="`${e} spring rate`"
            strong
            of="SpringPart.rate"
            :clearable="false"
            :readonly="vehicle.isFound.value"
            :model-value="coilOf(side(e))?.rate.value"
            @update:model-value="(v) => setRate(e, v)" /><QuantityField
            v-if="legs(e)"
            :label="`${e} other spring, if unlike`"
            of="SpringPart.rate"
            :readonly="vehicle.isFound.value"
            :model-value="side(e).second_spring?.rate.value"
            @update:model-value="(v) => setOther(e, v)" />
        </div>
        <dl>
          <dt>wheel rate</dt>
          <dd>
            <AskFigure
              :figure="vehicle.shown.value?.corners[e]?.wheel_rate"
              :path="`corners.${e}.wheel_rate`"
              :title="`wheel rate, ${e}`"
              change
              :options="{ unit: true }"
              :at="{ load: vehicle.loadState.value }" />
          </dd>
          <dt>rate the sags ask for</dt>
          <dd>
            <AskFigure
              :figure="sags(e)?.wanted_rate"
              :path="`sags.${e}.wanted_rate`"
              :title="`rate wanted, ${e}`"
              :options="{ unit: true }" />
          </dd>
          <dt>free sag</dt>
          <dd>
            <AskFigure
              :figure="sags(e)?.free_sag_along"
              :path="`sags.${e}.free_sag_along`"
              :title="`free sag, ${e}`"
              change
              :options="{ unit: true, decimals: 1 }" />
          </dd>
          <dt>rider sag</dt>
          <dd>
            <AskFigure
              :figure="sags(e)?.rider_sag_along"
              :path="`sags.${e}.rider_sag_along`"
              :title="`rider sag, ${e}`"
              change
              :options="{ unit: true, decimals: 1 }" />
          </dd>
          <dt>pressed at full extension</dt>
          <dd>
            <AskFigure
              :figure="sags(e)?.preload"
              :path="`sags.${e}.preload`"
              :title="`preload, ${e}`"
              :options="{ unit: true, decimals: 1 }" />
          </dd>
        </dl>
      </section>
    </div>
    <div v-roving role="tablist" aria-label="Which end" class="tabs">
      <button v-for="e in ENDS" :key="e" class="tab" role="tab" :aria-selected="e === end" @click="end = e">
        {{ e }} {{ isAir(e) ? 'air' : 'springs' }}
      </button>
    </div>
    <AirBench v-if="isAir(end)" :end="end" /><SagShelf v-else :end="end" />
    <p class="small quiet">
      A spring is fitted by whoever has the tool for it: a shock's spring is held by its collar under load, a fork's
      pushes its cap off. {{ units.unit('N/m').written }} shown; type any unit.
    </p>
  </template>
</template>

<style scoped>
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 32px; border-top: var(--l-mid) solid var(--ink); padding-top: 8px; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; } dl { display: grid; grid-template-columns: 1fr auto; margin: 6px 0; align-items: baseline; } dt { color: var(--ink-2); } dd { margin: 0; text-align: right; font-weight: 500; }
.tabs { display: flex; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
@media (max-width: 600px) { .ends { grid-template-columns: 1fr; } }
</style>
