<script setup lang="ts">
import { computed } from 'vue'

import { api, type Place, PLACES, placeWords } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import WhatItTaught from './WhatItTaught.vue'
import { meanOf, ROWS, valuesAt, written } from '@/logic/walk'

/** After fitting: the heights it really stands at, and the collar moves that level it and bring it to its target. */
const vehicle = useVehicle()
const units = useUnits()
const { found, trouble } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup && !vehicle.isFound.value
    ? api.POST('/api/correction', { body: { document, setup: setup.id } })
    : null
}, [vehicle.report])
const rows = computed(() => found.value?.corners ?? [])
const row = (p: Place) => rows.value.find((r) => r.place === p)
const HUB = ROWS.find((r) => r.id === 'hub')!
const of = computed(() => vehicle.setup.value?.id)
const measured = (p: Place): number | null =>
  vehicle.isFound.value ? null : meanOf(valuesAt(vehicle.document.value!, { row: HUB, place: p }, of.value))
const wanted = (p: Place): number | null | undefined => vehicle.setup.value?.sides?.[p]?.hub_to_arch
const missing = computed(() => PLACES.filter((p) => measured(p) == null))
const unasked = computed(() => PLACES.filter((p) => wanted(p) == null))
const set = (p: Place, value: number | null): void =>
  vehicle.edit(
    `measured after fitting, ${placeWords(p)}`,
    written(vehicle.document.value!, { row: HUB, place: p }, value, false, of.value),
  )
const level = computed(() => rows.value.length === 4 && rows.value.every((r) => r.within))
</script>

<template>
  <section id="fitted" class="after" aria-label="After fitting">
    <h3>After fitting</h3>
    <p class="small quiet">
      Set down, rolled back and forth, loaded as it was weighed: hub to arch again. The answer counts what one corner
      does to the others.
    </p>
    <table class="by-corner">
      <thead>
        <tr>
          <th></th>
          <th v-for="p in PLACES" :key="p">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th>wanted</th>
          <td v-for="p in PLACES" :key="p" class="n">{{ units.show(wanted(p), 'm', { unit: true }) }}</td>
        </tr>
        <tr>
          <th>measured</th>
          <td v-for="p in PLACES" :key="p">
            <QuantityField
              hide-label
              :label="`measured after fitting, ${placeWords(p)}`"
              of="Survey.hub_to_arch"
              :readonly="vehicle.isFound.value"
              :model-value="measured(p)"
              @update:model-value="(v) => set(p, v)" />
          </td>
        </tr>
        <template v-if="rows.length">
          <tr class="say">
            <th>turn the collar</th>
            <td v-for="p in PLACES" :key="p" class="n">
              <template v-if="row(p)?.collar != null"
                ><b>{{ units.show(Math.abs(row(p)!.collar!), 'm', { unit: true, kind: 'fine length' }) }}</b>
                {{ row(p)!.collar! >= 0 ? 'up' : 'down'
                }}<small v-if="row(p)!.turns != null">{{ Math.abs(row(p)!.turns!).toFixed(1) }} turns</small></template
              ><template v-else>–</template>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-if="trouble" class="grade-stop">{{ trouble }}</p>
    <p v-else-if="vehicle.isFound.value" class="quiet">
      Take the plan in the heading: it is the plan that gets fitted.
    </p>
    <p v-else-if="unasked.length" class="quiet">Ask a height first at {{ unasked.map(placeWords).join(', ') }}.</p>
    <p v-else-if="missing.length && missing.length < 4" class="quiet" role="status">
      Still to measure: {{ missing.map(placeWords).join(', ') }}.
    </p>
    <p v-else-if="level" class="quiet" role="status">Every corner stands within 2 mm of its target; leave it.</p>
    <p v-else-if="rows.length" class="quiet">
      Move all four, roll it, measure again. Unload each spring on stands before its collar is turned.
    </p>
    <WhatItTaught v-if="!vehicle.isFound.value && missing.length < 4" />
  </section>
</template>

<style scoped>
.after { margin-top: 16px; border-top: 1.5px solid var(--ink); padding-top: 10px; }
table { width: 100%; border-collapse: collapse; table-layout: fixed; margin: 6px 0; }
th { text-align: left; font-weight: 400; padding: 4px 8px 4px 0; } thead th { font-weight: 600; text-align: right; padding-right: 6px; } thead th:first-child { width: 132px; }
td { padding: 3px 4px; } .n { text-align: right; padding-right: 8px; font-size: var(--t-3); } .say td { background: var(--plan-tint); padding: 8px; } small { display: block; color: var(--ink-2); font-size: var(--t-1); }
</style>
