<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, type EndName, type SpringDriven } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { percent } from '@/units/format'

/** The nearest springs of the shelf over the same road, each with the rest of the setup as it is. */
const vehicle = useVehicle()
const units = useUnits()
const ENDS: EndName[] = ['front', 'rear']
const asking = (end: EndName) =>
  useAnswer(
    (signal) => {
      const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
      const body = { document: document!, setup: setup!, end, load_state: vehicle.loadState.value }
      return document && setup ? api.POST('/api/prove/springs', { body, signal }) : null
    },
    [vehicle.report, vehicle.loadState],
  )
const answers = { front: asking('front'), rear: asking('rear') }
const rows = (end: EndName): SpringDriven[] => (answers[end].found.value?.springs ?? []) as SpringDriven[]
const refused = ref<string | null>(null)
async function take(end: EndName, row: SpringDriven): Promise<void> {
  refused.value = await vehicle.act(`spring ${row.part.code}, ${end}`, {
    act: 'choose spring',
    end,
    part: row.part,
    sides: 'both',
  } as never)
}
const rate = (r: SpringDriven): string => units.show(r.part.rate.value, 'N/m', { unit: true })
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
</script>

<template>
  <section v-for="end in ENDS" :key="end" class="end" :aria-label="`springs over the road, ${end}`">
    <h2>{{ end === 'front' ? 'Front' : 'Rear' }}</h2>
    <p v-if="answers[end].trouble.value" class="grade-stop">{{ answers[end].trouble.value }}</p>
    <p v-else-if="!answers[end].asked.value" class="quiet" role="status">Driving the shelf's springs…</p>
    <p v-else-if="!rows(end).length" class="quiet">
      No coil spring stands here: there is nothing of the shelf to drive beside it.
    </p>
    <p v-else-if="rows(end).length === 1" class="quiet">No other spring of the shelf fits here.</p>
    <table v-if="rows(end).length">
      <thead>
        <tr>
          <th scope="col">spring</th>
          <th scope="col">comfort, m/s²<small>front, rear</small></th>
          <th scope="col">load swing<small>front, rear</small></th>
          <th scope="col">most bump</th>
          <th scope="col">stop</th>
          <th scope="col"><span class="seen-not">take it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows(end)" :key="r.part.code" :class="{ here: r.chosen }">
          <th scope="row">
            {{ r.part.code }} <span class="quiet">{{ rate(r) }}</span>
          </th>
          <template v-if="r.stands">
            <td>~{{ r.comfort.front!.toFixed(2) }}, ~{{ r.comfort.rear!.toFixed(2) }}</td>
            <td>~{{ percent(r.grip.front!) }}, ~{{ percent(r.grip.rear!) }}</td>
            <td>~{{ units.show(r.bump, 'm', { unit: true }) }}</td>
            <td :class="{ 'grade-look': r.stop_met }">
              {{ r.stop_met ? `~${units.show(r.stop_force, 'N', { unit: true })}` : 'not met' }}
            </td>
          </template>
          <td v-else colspan="4" class="quiet">with it the vehicle cannot be driven</td>
          <td class="do">
            <b v-if="r.chosen">in the setup</b
            ><button
              v-else-if="!fact && r.stands"
              class="link"
              :aria-label="`take ${r.part.code}`"
              @click="take(end, r)">
              take it
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
  <p v-if="refused" class="grade-stop" role="alert">{{ refused }}</p>
  <p class="small quiet mt-2">
    The one in hand and the three of the shelf that fit and lie nearest to its rate. The height asked for stays; dampers
    keep their clicks, so look at Damping before one is bought.
  </p>
</template>

<style scoped>
.end { border-top: 1.5px solid var(--ink); margin-top: 10px; padding-top: 6px; } table { width: 100%; border-collapse: collapse; } th, td { text-align: right; padding: 4px 8px 4px 0; border-top: 1px solid var(--rule); font-weight: 400; } thead th { border: 0; font-size: var(--t-1); color: var(--ink-2); vertical-align: bottom; } thead small { display: block; } th:first-child { text-align: left; } .here > * { background: var(--sheet); font-weight: 600; } .do { min-height: 44px; width: 96px; }
@media (max-width: 600px) { thead small { display: none; } th, td { padding-right: 4px; } }
</style>
