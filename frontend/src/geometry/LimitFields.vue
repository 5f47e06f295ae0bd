<script setup lang="ts">
import { type EndName, type Figure, type Place } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'

import LimitPicture from './LimitPicture.vue'
import { useEnd } from './useEnd'

/** Where the travel of each end ends, hub to arch as it was jacked, and beside it the travel from ride. */
const ENDS: EndName[] = ['front', 'rear']
const worked = { front: useEnd('front'), rear: useEnd('rear') }
const { vehicle } = worked.front
const LIMITS = [
  { member: 'droop', words: 'full droop', says: 'hanging on the damper' },
  { member: 'solid', words: 'damper solid', says: 'stop off: metal on metal' },
  { member: 'contact', words: 'tyre meets arch', says: 'wheel turned; damper off' },
  { member: 'stop', words: 'stop touched', says: 'bump stop just meets' },
] as const
type Member = (typeof LIMITS)[number]['member']
const left = (end: EndName): Place => `${end}_left` as Place
const travel = (end: EndName, member: Member): Figure | null | undefined =>
  vehicle.report.value?.corners[left(end)]?.[member]
const touched = (end: EndName): Figure | null | undefined => vehicle.report.value?.ends[end]?.stop_touched
</script>

<template>
  <section class="limits" aria-label="Travel limits">
    <h3 aria-level="2">
      Travel limits<span class="quiet"
        >hub to arch: on stands, spring out, wheel jacked in steps; beside them the travel from ride</span
      >
    </h3>
    <div class="heads" aria-hidden="true">
      <i />
      <div v-for="l in LIMITS" :key="l.member" class="head">
        <LimitPicture :limit="l.member" /><span
          ><b>{{ l.words }}</b
          ><small class="quiet">{{ l.says }}</small></span
        >
      </div>
    </div>
    <section v-for="end in ENDS" :id="`limits-${end}`" :key="end" class="readings" role="group" :aria-label="end">
      <svg width="26" height="8" aria-hidden="true">
        <path d="M0 4H26" :stroke-dasharray="end === 'rear' ? '7 4' : undefined" />
      </svg>
      <div v-for="l in LIMITS" :key="l.member" class="limit">
        <small class="narrow quiet"
          ><b>{{ l.words }}</b
          >, {{ l.says }}</small
        >
        <p v-if="l.member === 'stop' && touched(end)" class="from-stop">
          <AskFigure
            :figure="touched(end)"
            :path="`ends.${end}.stop_touched`"
            :title="`stop touched, ${end}`"
            :options="{ unit: true }" /><small class="quiet" title="by shaft and stop">by the shaft</small>
        </p>
        <QuantityField
          v-else
          hide-label
          :label="l.words"
          of="Limits"
          :decimals="1"
          :model-value="worked[end].about.value.limits?.[l.member]"
          :tolerance="worked[end].about.value.limits?.tolerances?.[l.member]"
          tolerant
          @update:model-value="(...v) => worked[end].setPlain(l.words, 'limits', l.member, ...v)" />
        <AskFigure
          class="travel"
          :figure="travel(end, l.member)"
          :path="`corners.${left(end)}.${l.member}`"
          :title="`${l.words}, travel from ride, ${end} left`"
          :options="{ signed: true }" />
      </div>
    </section>
  </section>
</template>

<style scoped>
.limits { border-top: 1px solid var(--rule); padding: 8px 0 4px; }
h3 { display: flex; gap: 12px; align-items: baseline; margin: 0 0 4px; flex-wrap: wrap; } h3 .quiet { font-weight: 400; font-size: var(--t-2); }
.heads, .readings { display: grid; grid-template-columns: 26px repeat(4, minmax(0, 1fr)); gap: 4px 14px; align-items: center; }
.head { display: grid; grid-template-columns: 52px minmax(0, 1fr); gap: 6px; align-items: center; line-height: 1.1; } .head small { display: block; font-size: var(--t-1); }
.limit { display: grid; grid-template-columns: minmax(0, 1fr) 36px; gap: 4px 8px; align-items: center; margin-top: 4px; }
.from-stop { margin: 0; display: grid; line-height: 1.15; font-weight: 500; } .from-stop small { font-weight: 400; font-size: var(--t-1); }
.travel { text-align: right; color: var(--ink-2); }
svg path { stroke: currentColor; stroke-width: 2.25; }
.narrow { display: none; }
@media (max-width: 620px) {
  .heads { display: none; } .readings { grid-template-columns: minmax(0, 1fr); margin-top: 8px; }
  .narrow { display: block; grid-column: 1 / -1; font-size: var(--t-2); }
}
</style>
