<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, type FastenerKind, onTwo, type StepGroup } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'
import { useUnits } from '@/composables/useUnits'

import TorqueField from './TorqueField.vue'
import { type State, useCard } from './useCard'
import { useFasteners } from './useFasteners'
import TermWord from '@/components/TermWord.vue'

/** Beside the steps: one square for each step of a corner, what waits for ride height, fasteners, parts in the kit. */
const emit = defineEmits<{ go: [id: string] }>()
const card = useCard()
const vehicle = useVehicle()
const units = useUnits()
const fasteners = useFasteners()
const corners = computed<StepGroup[]>(() =>
  (card.card.value?.groups ?? []).filter((g) => !['before', 'ground', 'after'].includes(g.id)),
)
const kinds = computed<FastenerKind[]>(() => card.card.value?.fasteners ?? [])
const ride = computed(() => kinds.value.filter((k) => k.ride))
const set = (k: FastenerKind, words: string, members: object): void =>
  fasteners.set(k.end as EndName, k.kind, `${k.kind}, ${k.end}: ${words}`, members)
const HERE = ['here', 'in the kit', 'to buy'] as const
const next = (k: FastenerKind): (typeof HERE)[number] | null => {
  const at = HERE.findIndex((h) => h === k.here)
  return at < 0 ? HERE[0] : (HERE[at + 1] ?? null)
}
type Part = NonNullable<NonNullable<typeof card.card.value>['parts']>[number]
const keyOf = (p: Part): string => `${p.name}.${p.code}.${p.hand}`
/** A part is here, sound or not where it is used again, or still to buy; a tap goes on to the next. */
const STATE: Record<State, string> = {
  open: '?',
  done: 'here',
  sound: 'sound',
  'not sound': 'not sound',
  off: 'to buy',
}
const AFTER: Record<State, State> = { open: 'done', done: 'sound', sound: 'not sound', 'not sound': 'off', off: 'open' }
const height = (id: string): string => {
  if (onTwo(vehicle.document.value)) return ''
  const f = vehicle.report.value?.corners[id]?.hub_to_arch
  return f ? (f.assumed ? '~' : '') + units.show(f.value, 'm', { unit: true }) : ''
}
function shopping(): void {
  const rows = [
    ['what', 'end', 'count', 'state'],
    ...kinds.value.filter((k) => k.new).map((k) => [k.kind, k.end, String(k.count), k.here ?? '']),
    ...(card.card.value?.parts ?? [])
      .filter((p) => p.state === 'new')
      .map((p) => [
        `${p.name} ${p.code} ${p.hand}`.trim(),
        p.places.join(' '),
        String(p.count),
        STATE[card.partOf(keyOf(p)) ?? 'open'].replace('?', ''),
      ]),
  ]
  const text = rows
    .map((r) => r.map((c) => (/[",]/.test(c) ? `"${c.replaceAll('"', '""')}"` : c)).join(','))
    .join('\r\n')
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = 'fasteners-and-parts.csv'
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <aside class="stance side" aria-label="Fasteners and parts">
    <div class="corners">
      <button v-for="g in corners" :key="g.id" class="corner" @click="emit('go', g.id)">
        <b>{{ g.words }}</b><span class="sq"
          ><i
            v-for="s in g.steps"
            :key="s.key"
            :class="{ on: card.isDone(s), en: s.energy && !card.isDone(s) }"></i></span
        ><small v-if="height(g.id)"
          >hub to arch <em>{{ height(g.id) }}</em></small
        >
      </button>
    </div>
    <section v-if="ride.length" aria-label="Still to tighten at ride height">
      <h3 aria-level="2">To tighten at ride height</h3>
      <p v-for="k in ride" :key="`${k.end}${k.kind}`" class="r">
        <span>{{ k.kind }}, {{ k.end }}</span
        ><b>{{ k.ride }}</b>
      </p>
    </section>
    <section aria-label="Fasteners">
      <h3 aria-level="2">Fasteners</h3>
      <p class="small quiet">Torque from the vehicle’s or the kit’s maker; Feder has none. Blank until you type it.</p>
      <table>
        <thead>
          <tr>
            <th><span class="seen-not">what</span></th>
            <th><TermWord words="all" /></th>
            <th><TermWord words="used once" /></th>
            <th><TermWord words="where" /></th>
            <th><TermWord words="torque, angle" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in kinds" :key="`${k.end}${k.kind}`">
            <th>
              {{ k.kind }}<small>{{ k.end }}</small
              ><input
                class="size"
                :value="k.tool"
                maxlength="60"
                :aria-label="`tool for ${k.kind}, ${k.end}`"
                placeholder="tool, size"
                @change="(e) => set(k, 'tool', { tool: (e.target as HTMLInputElement).value.trim() })" />
            </th>
            <td>{{ k.count }}</td>
            <td>
              <button
                class="tab"
                :aria-label="`${k.kind}, ${k.end}: used once: ${k.new === true ? 'yes, new' : k.new === false ? 'no, again' : 'not told ?'}`"
                @click="set(k, 'used once', { single_use: k.new === null ? true : k.new ? false : null })">
                {{ k.new === true ? 'new' : k.new === false ? 'again' : '?' }}
              </button>
            </td>
            <td>
              <button
                v-if="k.new"
                class="tab"
                :class="{ look: k.here === 'to buy' }"
                :aria-label="`${k.kind}, ${k.end}: new ones are: ${k.here ?? 'not told'}`"
                @click="set(k, 'where', { here: next(k) })">
                {{ k.here ?? '?' }}
              </button>
            </td>
            <td><TorqueField v-if="k.torqued" :end="k.end as EndName" :kind="k.kind" /></td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="card.card.value?.parts.length" aria-label="Parts">
      <h3 aria-level="2">Parts</h3>
      <p v-for="p in card.card.value.parts" :key="`${p.name}${p.code}${p.hand}${p.state}`" class="r">
        <span
          >{{ p.name }} {{ p.code }} <b v-if="p.hand" class="lr">{{ p.hand }}</b>
          <small class="quiet">{{ p.state === 'reused' ? 'reused, look' : '' }}</small></span
        ><span
          ><button
            class="tab"
            :class="{ look: card.partOf(keyOf(p)) === 'off' }"
            :aria-label="`${p.name} ${p.code} ${p.hand}: ${STATE[card.partOf(keyOf(p)) ?? 'open']}`"
            @click="card.sayPart(keyOf(p), AFTER[card.partOf(keyOf(p)) ?? 'open'])">
            {{ STATE[card.partOf(keyOf(p)) ?? 'open'] }}</button
          ><b>{{ p.count }}</b></span
        >
      </p>
      <button class="link" @click="shopping">List to buy and lay out, CSV</button>
    </section>
  </aside>
</template>

<style scoped>
.side { overflow: hidden auto; } .corners { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 20px; } .corner { display: grid; gap: 3px; min-height: 56px; align-content: start; } .corner em { font-style: normal; color: var(--plan); font-weight: 600; } .sq { display: flex; flex-wrap: wrap; gap: 3px; } .sq i { width: 11px; height: 11px; border: 1px solid var(--edge); } .sq i.on { background: var(--ink); border-color: var(--ink); } .sq i.en { border-color: var(--stop); border-width: 2px; }
section { margin-top: 14px; border-top: 1.5px solid var(--ink); padding-top: 4px; } .r { display: flex; justify-content: space-between; min-height: 26px; align-items: baseline; } table { width: 100%; border-collapse: collapse; } th { text-align: left; font-weight: 400; color: var(--ink-2); font-size: var(--t-1); } tbody th { color: var(--ink); font-size: var(--t-2); line-height: 1.1; } th small { display: block; color: var(--ink-2); } td { border-top: 1px solid var(--rule); padding: 2px 4px; } .tab { min-height: 44px; min-width: 36px; text-decoration: underline; text-underline-offset: 3px; } .tab.look { color: var(--look); font-weight: 600; } .lr { background: var(--ink); color: var(--ground); padding: 0 4px; }
@media (max-width: 600px) { .size { width: 72px; } td { padding: 2px; } .side { contain: none; border: 0; padding: 0; background: none; overflow: visible; margin-top: 16px; } }
.size { font: inherit; font-size: var(--t-1); width: 92px; height: 28px; border: 0; border-bottom: 1px solid var(--edge); background: none; color: var(--ink); padding: 0; }
</style>
