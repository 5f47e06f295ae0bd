<script setup lang="ts">
import { computed, ref } from 'vue'

import { coilOf, type EndName } from '@/api/client'
import FindingList from '@/components/FindingList.vue'

import AdjusterTable from './AdjusterTable.vue'
import AirBench from './AirBench.vue'
import SagShelf from './SagShelf.vue'
import SagTable from './SagTable.vue'
import SteeringBench from './SteeringBench.vue'
import { useSag } from './useSag'
import VerdictRows from './VerdictRows.vue'
import { ENDS } from './walk'
import { vRoving } from '@/logic/roving'

/** The sag bench: what was read, what to turn, what it says of the spring; front and rear as a pair. */
const { vehicle, sags, side, isAir } = useSag()
const findings = computed(() =>
  (vehicle.report.value?.findings ?? []).filter(
    (f) =>
      f.station === 'height' ||
      f.rule.startsWith('spring_too') ||
      f.rule === 'rider_disagrees' ||
      f.rule === 'sags_out_of_order' ||
      f.rule === 'much_friction',
  ),
)
const coils = computed<EndName[]>(() => ENDS.filter((e) => coilOf(side(e))))
const chosen = ref<EndName | null>(null)
const end = computed<EndName>(
  () => chosen.value ?? ENDS.find((e) => ['too soft', 'too stiff'].includes(sags(e)?.verdict ?? '')) ?? 'rear',
)
</script>

<template>
  <div class="bench-top">
    <h1>Height</h1>
    <span class="quiet">sag, front and rear as a pair</span
    ><router-link class="act end" :to="`/vehicle/${vehicle.id}/walk`">read it on a phone</router-link>
  </div>
  <FindingList :findings="findings" :stations="['height']" />
  <p v-if="vehicle.isFound.value" class="say">
    <b class="grade-look">Look</b> As found is what was read. Take the plan in the heading to set preload, springs and
    air.
  </p>
  <SagTable />
  <VerdictRows />
  <template v-if="coils.length">
    <div v-if="coils.length > 1" v-roving role="tablist" aria-label="Which end" class="tabs">
      <button v-for="e in coils" :key="e" class="tab" role="tab" :aria-selected="e === end" @click="chosen = e">
        {{ e }} springs
      </button>
    </div>
    <SagShelf :end="coils.includes(end) ? end : coils[0]!" />
  </template>
  <template v-for="e in ENDS" :key="e"><AirBench v-if="isAir(e)" :end="e" /></template>
  <SteeringBench />
  <AdjusterTable />
  <p class="small quiet">
    Strap the bike before a wheel comes off the floor. Turn collars with the wheel hanging, clean the thread first,
    count the same on both sides.
  </p>
</template>

<style scoped>
.say { margin: 8px 0; font-size: var(--t-3); } .tabs { display: flex; gap: 4px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
</style>
