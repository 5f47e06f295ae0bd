<script setup lang="ts">
import type { Change } from '@/logic/patch'
import { type Learned, placeWords, type Taught } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** What this vehicle has taught: numbers that are more likely others, each an offer with what it rests on. */
defineProps<{ learned: Learned }>()
const vehicle = useVehicle()
const units = useUnits()
const figure = (v: number, row: Taught): string =>
  row.unit === ''
    ? v.toFixed(3)
    : units.show(v, row.unit, { unit: true, ...(row.unit === 'm' ? { kind: 'fine length' as const } : {}) })
const take = (row: Taught): void =>
  vehicle.take(`${row.label}, by fit to the heights read`, (row.patch ?? []) as Change[])
const share = (row: Taught): string => {
  const by = Math.abs(row.after - row.before) / row.sure_before
  return by < 0.15 ? 'hardly at all' : by < 0.42 ? 'by a third' : by < 0.6 ? 'by half' : 'by less than all'
}
/** Two intervals on one line: what was told, and what is more likely. */
const bars = (row: Taught) => {
  const low = Math.min(row.before - 2 * row.sure_before, row.after - 2 * row.sure_after)
  const high = Math.max(row.before + 2 * row.sure_before, row.after + 2 * row.sure_after)
  const x = (v: number): number => 6 + ((v - low) / (high - low || 1)) * 148
  const bar = (v: number, sure: number, y: number): string =>
    `M${x(v - sure)} ${y - 5}v10M${x(v - sure)} ${y}H${x(v + sure)}M${x(v + sure)} ${y - 5}v10`
  return {
    was: bar(row.before, row.sure_before, 9),
    now: bar(row.after, row.sure_after, 25),
    wasAt: x(row.before),
    nowAt: x(row.after),
  }
}
</script>

<template>
  <section class="learned" aria-label="What it taught">
    <p>
      <b
        >Learned{{
          learned.set_aside?.length ? `, with ${learned.set_aside.map(placeWords).join(' and ')} set aside` : ''
        }}:</b
      >
      {{ ' ' }}<template v-if="learned.taught.length">these are more likely, by the heights read.</template
      ><template v-else-if="learned.nearest"
        >{{ learned.nearest.label }} {{ figure(learned.nearest.after, learned.nearest) }}, told
        {{ figure(learned.nearest.before, learned.nearest) }}. It moves {{ share(learned.nearest) }} of its own ±{{
          figure(learned.nearest.sure_before, learned.nearest)
        }}: nothing to take over yet.</template
      ><template v-else>nothing that could be told apart.</template>
    </p>
    <ul v-if="learned.taught.length">
      <li v-for="t in learned.taught" :key="t.label">
        <span
          >{{ t.label }} <b>{{ figure(t.after, t) }}</b> ±{{ figure(t.sure_after, t) }}, told
          {{ figure(t.before, t) }} ±{{ figure(t.sure_before, t) }}</span
        >
        <svg width="160" height="34" aria-hidden="true">
          <path class="told" :d="bars(t).was" />
          <path class="now" :d="bars(t).now" />
          <circle :cx="bars(t).wasAt" cy="9" r="2.500" class="told-at" />
          <circle :cx="bars(t).nowAt" cy="25" r="3" class="now-at" />
        </svg>
        <button class="act" @click="take(t)">Take over</button>
      </li>
    </ul>
    <p v-if="learned.taught.length" class="small quiet">
      Taken over, it stands in the document as got by fit, with how sure it is; later plans rest on it, and undo brings
      it back.
    </p>
  </section>
</template>

<style scoped>
.learned { border-top: 1.5px solid var(--ink); margin-top: 8px; padding-top: 6px; } ul { list-style: none; margin: 0; padding: 0; } li { display: grid; grid-template-columns: minmax(0, 1fr) 160px auto; gap: 12px; align-items: center; border-top: 1px solid var(--rule); min-height: 50px; }
.told { stroke: var(--edge); stroke-width: 1.25; } .now { stroke: var(--ink); stroke-width: 1.75; } .told-at { fill: var(--edge); } .now-at { fill: var(--ink); }
@media (max-width: 600px) { li { grid-template-columns: minmax(0, 1fr) auto; } li svg { display: none; } }
</style>
