<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, type EndName, type Place, type RingWay } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** The kit's perch with no ring, one or two, side by side. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const units = useUnits()
const place = computed(() => `${props.end}_left` as Place)
const told = computed(
  () => vehicle.setup.value!.sides![place.value]!.stack?.find((x) => x.name === 'ring')?.thickness ?? null,
)
const typed = ref<number | null>(null)
const thickness = computed(() => typed.value ?? told.value)
const answer = useAnswer(
  (signal) => {
    const [document, setup] = [vehicle.reported.value, vehicle.report.value?.setup]
    return document && setup && thickness.value
      ? api.POST('/api/rings', { body: { document, setup, place: place.value, thickness: thickness.value }, signal })
      : null
  },
  [vehicle.report, thickness],
)
const ways = computed<RingWay[]>(() => answer.found.value?.ways ?? [])
const NAMES = ['no ring', 'one ring', 'two rings']
const take = (way: RingWay): void =>
  vehicle.edit(
    `${NAMES[way.rings]}, ${props.end}`,
    [`${props.end}_left`, `${props.end}_right`].map((p) => ({
      path: ['setups', vehicle.setupIndex.value, 'sides', p, 'stack'],
      value: way.stack,
    })),
  )
const mm = (f: { value: number; assumed?: boolean } | null | undefined): string =>
  f ? `${f.assumed ? '~' : ''}${units.show(f.value, 'm', { kind: 'fine length' })}` : '–'
const reach = (w: RingWay): string =>
  w.reach_low && w.reach_high ? `${units.show(w.reach_low.value, 'm')} to ${units.show(w.reach_high.value, 'm')}` : '–'
</script>

<template>
  <div class="rings">
    <QuantityField
      :label="`one ring, thickness, ${end}`"
      of="StackItem.thickness"
      kind="fine length"
      :model-value="thickness"
      @update:model-value="(v) => (typed = v)" />
    <table v-if="ways.length" :aria-label="`Rings at the perch, ${end} left`">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th class="r"><TermWord words="collar" /></th>
          <th class="r"><TermWord words="reaches" /></th>
          <th class="r"><TermWord words="held" /></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in ways" :key="w.rings" :class="{ on: w.chosen }">
          <td>
            <button class="link" :aria-pressed="w.chosen" @click="take(w)">{{ NAMES[w.rings] }}</button>
          </td>
          <td class="r">{{ mm(w.collar) }}</td>
          <td class="r">{{ reach(w) }}</td>
          <td class="r">{{ mm(w.held_at_droop) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.rings { border-top: 1px solid var(--rule); margin-top: 8px; padding-top: 6px; } .rings > :first-child { max-width: 160px; }
table { width: 100%; border-collapse: collapse; } th { font-weight: 400; color: var(--ink-2); font-size: var(--t-1); text-align: left; } td { padding: 0 6px 0 0; height: 44px; border-top: 1px solid var(--rule); } .r { text-align: right; } .on td { background: var(--plan-tint); font-weight: 600; }
</style>
