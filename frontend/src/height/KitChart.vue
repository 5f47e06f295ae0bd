<script setup lang="ts">
import { computed, ref } from 'vue'

import { type EndName, type Place } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** The kit's chart, collar settings and the drops its maker gives: it stands for a seat whose length nobody read. */
const vehicle = useVehicle()
const units = useUnits()
const ENDS: EndName[] = ['front', 'rear']
const lead = (e: EndName): Place => `${e}_left` as Place
const seat = (p: Place) => vehicle.setup.value!.sides![p]!.seat
const chart = (e: EndName): number[][] => seat(lead(e))?.chart ?? []
// a row counts once both its numbers are typed
const half = ref<Record<string, [number | null, number | null]>>({})
const open = computed(() => ENDS.some((e) => chart(e).length))
function put(e: EndName, rows: number[][]): void {
  vehicle.edit(
    `kit's chart, ${e}`,
    [`${e}_left`, `${e}_right`].map((p) => ({
      path: ['setups', vehicle.setupIndex.value, 'sides', p, 'seat'],
      value: { ...seat(p as Place), chart: rows },
    })),
  )
}
const set = (e: EndName, i: number, column: 0 | 1, value: number | null): void =>
  void (
    value !== null &&
    put(
      e,
      chart(e).map((r, k) => (k === i ? r.map((v, c) => (c === column ? value : v)) : r)),
    )
  )
const out = (e: EndName, i: number): void =>
  put(
    e,
    chart(e).filter((_, k) => k !== i),
  )
function typed(e: EndName, column: 0 | 1, value: number | null): void {
  const row = (half.value[e] ??= [null, null])
  row[column] = value
  if (row[0] !== null && row[1] !== null) {
    put(e, [...chart(e), [row[0], row[1]]])
    half.value[e] = [null, null]
  }
}
const stands = (e: EndName): boolean =>
  !!chart(e).length && (seat(lead(e))?.length == null || seat(lead(e))?.hub_to_arch == null)
const length = (e: EndName) => vehicle.report.value?.corners[lead(e)]?.seat_length
</script>

<template>
  <details class="chart" :open="open">
    <summary>The kit's chart, where the seat was not read</summary>
    <p class="small quiet">
      Collar from its datum, and the drop its maker gives there: the highest and the lowest setting do. Kits are charted
      on a standard vehicle, so what follows is marked ~.
    </p>
    <div class="ends">
      <section v-for="e in ENDS" :key="e" :aria-label="`kit's chart, ${e}`">
        <h4>{{ e }}</h4>
        <div v-for="(r, i) in chart(e)" :key="i" class="row">
          <QuantityField
            :label="`collar, row ${i + 1}, ${e}`"
            of="Seat.chart collar"
            kind="fine length"
            :clearable="false"
            :model-value="r[0]"
            @update:model-value="(v) => set(e, i, 0, v)" />
          <QuantityField
            :label="`drop, row ${i + 1}, ${e}`"
            of="Seat.chart drop"
            :clearable="false"
            :model-value="r[1]"
            @update:model-value="(v) => set(e, i, 1, v)" />
          <button class="link" :aria-label="`take row ${i + 1} out, ${e}`" @click="out(e, i)">take out</button>
        </div>
        <div class="row">
          <QuantityField
            :label="`collar, another row, ${e}`"
            of="Seat.chart collar"
            kind="fine length"
            :model-value="half[e]?.[0] ?? null"
            @update:model-value="(v) => typed(e, 0, v)" />
          <QuantityField
            :label="`drop, another row, ${e}`"
            of="Seat.chart drop"
            :model-value="half[e]?.[1] ?? null"
            @update:model-value="(v) => typed(e, 1, v)" />
        </div>
        <p v-if="stands(e) && length(e)" class="small">
          Seat by the chart: ~{{ units.show(length(e)!.value, 'm', { unit: true }) }} at the height as found.
        </p>
        <p v-else-if="chart(e).length && !stands(e)" class="small quiet">
          The seat length that was typed stands before it.
        </p>
      </section>
    </div>
  </details>
</template>

<style scoped>
.chart { border-top: 1px solid var(--rule); } summary { min-height: 44px; display: flex; align-items: center; font-weight: 600; font-size: var(--t-3); cursor: pointer; }
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 12px 32px; } h4 { margin: 4px 0; }
.row { display: grid; grid-template-columns: 1fr 1fr 64px; gap: 12px; align-items: end; margin: 4px 0; }
@media (max-width: 620px) { .ends { grid-template-columns: minmax(0, 1fr); } }
</style>
