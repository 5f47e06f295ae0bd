<script setup lang="ts">
import { computed, ref } from 'vue'

import type { EndName } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import TermWord from '@/components/TermWord.vue'

import DamperChoice from '@/dampers/DamperChoice.vue'

import TravelCurve from './TravelCurve.vue'
import { useSag } from './useSag'
import { ENDS } from './walk'
import { vRoving } from '@/logic/roving'

/** How a two-wheeler uses its travel: sags, what is left above the rider, and the curves of both ends. */
const { vehicle, sags } = useSag()
const end = ref<EndName>('rear')
const corner = (e: EndName) => vehicle.shown.value?.corners[e]
const load = computed(() => (vehicle.document.value?.loads ?? []).find((l) => l.id === vehicle.loadState.value))
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'travel'))
const ROWS: {
  key: 'travel' | 'free_sag' | 'free_fraction' | 'rider_sag' | 'rider_fraction'
  words: string
  share?: boolean
}[] = [
  { key: 'travel', words: 'whole travel, at the wheel' },
  { key: 'free_sag', words: 'bike alone' },
  { key: 'free_fraction', words: 'share of the travel', share: true },
  { key: 'rider_sag', words: 'rider on' },
  { key: 'rider_fraction', words: 'share of the travel', share: true },
]
</script>

<template>
  <div class="bench-top">
    <h1>Travel</h1>
    <span class="quiet">what sag takes of it, and what is left</span>
  </div>
  <FindingList :findings="findings" :stations="['travel']" />
  <table class="use" aria-label="Travel used">
    <thead>
      <tr>
        <th><span class="seen-not">what</span></th>
        <th v-for="e in ENDS" :key="e">{{ e }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in ROWS" :key="r.key">
        <th><TermWord :words="r.words" /></th>
        <td v-for="e in ENDS" :key="e">
          <AskFigure
            :figure="sags(e)?.[r.key]"
            :path="`sags.${e}.${r.key}`"
            :title="`${r.words}, ${e}`"
            :as-percent="r.share"
            :options="{ unit: true, decimals: r.share ? 0 : 1 }"
            :change="!r.share" />
        </td>
      </tr>
      <tr>
        <th>left in bump, {{ load ? load.name : 'bike alone' }}</th>
        <td v-for="e in ENDS" :key="e">
          <AskFigure
            :figure="corner(e)?.bump_travel"
            :path="`corners.${e}.bump_travel`"
            :title="`travel left, ${e}`"
            :options="{ unit: true, decimals: 0 }"
            change
            :at="{ load: vehicle.loadState.value }" />
        </td>
      </tr>
    </tbody>
  </table>
  <div v-roving role="tablist" aria-label="Which end" class="tabs">
    <button v-for="e in ENDS" :key="e" class="tab" role="tab" :aria-selected="e === end" @click="end = e">
      {{ e }}
    </button>
  </div>
  <TravelCurve :end="end" />
  <DamperChoice :key="end" :place="end" />
  <p class="small quiet">
    Ride it once hard with a tie round the tube and a ring on the shaft: what they show is the truth of the end stroke.
  </p>
</template>

<style scoped>
.use { width: 100%; border-collapse: collapse; border-top: var(--l-mid) solid var(--ink); } th { font-weight: 400; text-align: left; padding: 6px 0; } thead th { font-weight: 600; text-align: right; } td { text-align: right; border-top: 1px solid var(--rule); font-size: var(--t-3); } tbody th { border-top: 1px solid var(--rule); }
.tabs { display: flex; margin-top: 8px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
</style>
