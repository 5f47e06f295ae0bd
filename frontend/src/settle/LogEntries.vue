<script setup lang="ts">
import { computed } from 'vue'

import type { Logged } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { type Felt, told } from './changes'
import FeltRungs from './FeltRungs.vue'

/** Entries side by side: changed, why, felt, the day; a way back on each, and what cannot be told apart. */
const props = defineProps<{
  entries: Logged[]
  newest: number
  fittedAt: number | null
  show: { heights: boolean; clicks: boolean; collars: boolean; felt: boolean }
  /** What was read after an entry against before it, by its id and end. */
  read: Record<string, { end: string; moved: number }[]>
}>()
const emit = defineEmits<{ back: [entry: Logged]; amend: [entry: Logged]; apart: [entry: Logged] }>()
const units = useUnits()
const vehicle = useVehicle()
const HIDES: Record<string, keyof typeof props.show> = { clicks: 'clicks', collars: 'collars', heights: 'heights' }
const rows = (e: Logged) =>
  e.changes.filter((c) => !HIDES[c.group] || props.show[HIDES[c.group]!]).map((c) => told(c, units))
const far = (e: Logged): string =>
  e.entry.odometer == null
    ? ''
    : props.fittedAt == null
      ? units.show(e.entry.odometer, 'm', { kind: 'distance', decimals: 0, unit: true })
      : units.show(e.entry.odometer - props.fittedAt, 'm', { kind: 'distance', decimals: 0, unit: true })
const day = (e: Logged): string =>
  new Date(`${e.entry.at}:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })
const mm = (v: number): string => units.show(v, 'm', { kind: 'fine length', signed: true })
const tyres = (e: Logged, which: 'cold' | 'hot'): string => {
  const ends = (['front', 'rear'] as const).map((end) => {
    const values = (e.entry.pressures ?? []).filter((p) => p.place.startsWith(end)).flatMap((p) => p[which] ?? [])
    return values.length ? units.show(values.reduce((a, b) => a + b, 0) / values.length, 'Pa') : ''
  })
  return ends.some(Boolean) ? `${ends.join(' · ')} ${which}` : ''
}
/** Two things of different kinds changed at once: what was felt cannot be told apart. */
const two = (e: Logged): boolean =>
  e.number > 1 && new Set(e.changes.map((c) => c.words.replace(/^(front|rear) /, '$1|') + c.group)).size > 1
const feltOf = (e: Logged): Felt | null => e.entry.felt ?? null
const columns = computed(() => props.entries)
</script>

<template>
  <ol
    class="entries"
    :style="{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))` }"
    aria-label="Entries">
    <li v-for="e in columns" :key="e.entry.id">
      <p class="head">
        <span class="n">{{ e.number }}</span> <b>{{ far(e) }}</b><span class="quiet small block">{{ day(e) }}</span>
      </p>
      <template v-for="r in rows(e).slice(0, e.number === 1 ? 2 : 5)" :key="r.words"
        ><p class="chg">
          {{ r.words }}<br /><span class="quiet">{{ r.before }}</span> → <b class="plan">{{ r.after }}</b>
        </p></template
      >
      <p v-if="e.number === 1 && rows(e).length > 2" class="quiet small">and {{ rows(e).length - 2 }} more</p>
      <p v-if="!e.changes.length" class="quiet small">nothing changed</p>
      <template v-if="show.heights"
        ><p v-for="x in e.expected" :key="x.end" class="small">
          {{ x.end }} expected {{ mm(x.height)
          }}<template v-for="r in (read[e.entry.id] ?? []).filter((y) => y.end === x.end)" :key="r.end"
            >, read {{ mm(r.moved) }}</template
          >
        </p></template
      >
      <p v-if="e.entry.why" class="why">{{ e.entry.why }}</p>
      <p v-if="two(e)" class="grade-look small">
        several changes: the feel of them cannot be told apart; put one back to know
        <button class="link small" :aria-label="`entry ${e.number}: which did what?`" @click="emit('apart', e)">
          which did what?
        </button>
      </p>
      <div v-if="show.felt" class="felt">
        <FeltRungs small :felt="feltOf(e)" /><b>{{ (e.entry.words ?? []).join(', ') || e.entry.felt || '' }}</b>
      </div>
      <p class="small quiet day">
        <template v-if="e.entry.surface">{{ e.entry.surface }}{{ ' ' }}</template
        ><template v-if="e.entry.air != null">{{ e.entry.air.toFixed(0) }}° </template
        ><template v-if="e.entry.time != null"> {{ e.entry.time.toFixed(1) }} s</template><br />{{ tyres(e, 'cold') }}
        {{ tyres(e, 'hot') }}
      </p>
      <p class="acts">
        <button class="link small" @click="emit('amend', e)">write on</button>
        <b v-if="e.number === newest" class="small">on the {{ vehicle.places.value.length === 2 ? 'bike' : 'car' }}</b
        ><button v-else class="link small" :aria-label="`return to entry ${e.number}`" @click="emit('back', e)">
          return
        </button>
      </p>
    </li>
  </ol>
</template>

<style scoped>
.entries { list-style: none; margin: 0; padding: 0 0 0 64px; display: grid; } li { border-left: 1px solid var(--edge); padding: 2px 6px 4px; display: flex; flex-direction: column; gap: 4px; line-height: 1.2; min-width: 0; overflow-wrap: anywhere; font-size: var(--t-2); } .n { display: inline-grid; place-items: center; min-width: 20px; height: 20px; background: var(--ink); color: var(--ground); font-weight: 600; font-size: var(--t-1); padding: 0 3px; } .block { display: block; } .plan { color: var(--plan); } .felt { display: flex; gap: 6px; align-items: center; font-size: var(--t-1); } .why { font-size: var(--t-1); } .acts { display: flex; flex-wrap: wrap; gap: 0 10px; align-items: center; margin-top: auto; } .chg { font-size: var(--t-1); }
@media (max-width: 700px) { .entries { grid-template-columns: minmax(0, 1fr) !important; padding: 0; } li { border-left: 0; border-top: 1px solid var(--rule); } }
</style>
