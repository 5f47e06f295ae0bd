<script setup lang="ts">
import { computed } from 'vue'

import type { EndName, Figure, LoadRanks, SpringPart } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import TermWord from '@/components/TermWord.vue'
import { vRoving } from '@/logic/roving'

/** The shelf ranked by its worst load, and what a spacer under the spring fitted would do instead. */
const props = defineProps<{
  found: LoadRanks | null
  trouble: string
  asked: boolean
  end: EndName
  state: string
  states: string[]
  now: string
  movable: boolean
}>()
defineEmits<{ end: [end: EndName]; fit: [part: SpringPart] }>()
const units = useUnits()
const MOST = 6
const rows = computed(() => {
  const all = props.found?.ranks ?? []
  const first = all.slice(0, MOST)
  const own = all.find((r) => r.part.code === props.now)
  return own && !first.includes(own) ? [...first, own] : first
})
const mark = (f: Figure | null | undefined): string => (f?.assumed ? '~' : '')
const most = (all: (Figure | null)[] | undefined): Figure | null =>
  (all ?? []).reduce((low, f) => (f && (!low || f.value < low.value) ? f : low), null)
const why = (r: NonNullable<typeof rows.value>[number]): string =>
  r.against && !(r.past_stop > 5e-4)
    ? r.against
    : r.past_stop > 5e-4
      ? `${units.show(r.past_stop, 'm', { unit: true })} into the stop, ${r.worst}`
      : r.off > 0.005
        ? `${units.show(r.off, 'Hz', { unit: true })} off the band, ${r.worst}`
        : 'within the band in every state'
</script>

<template>
  <section class="ranks" aria-label="The shelf under every load">
    <div class="top">
      <h3 aria-level="2">The shelf under every load</h3>
      <div v-roving role="tablist" aria-label="Which end" class="ends">
        <button
          v-for="e in ['front', 'rear'] as const"
          :key="e"
          class="tab"
          role="tab"
          :aria-selected="e === end"
          @click="$emit('end', e)">
          {{ e }}
        </button>
      </div>
    </div>
    <p v-if="trouble" class="grade-stop">{{ trouble }}</p>
    <p v-else-if="!asked" class="quiet" role="status">Trying the shelf under every load…</p>
    <p v-else-if="!rows.length" class="quiet">Nothing on the shelf to rank.</p>
    <table v-else>
      <thead>
        <tr>
          <th><TermWord words="spring" /></th>
          <th>rate, {{ units.unit('N/m').written }}</th>
          <th v-for="s in states" :key="s">{{ s }}, Hz</th>
          <th><TermWord words="change loaded" /></th>
          <th class="l"><TermWord words="its worst" /></th>
          <th><span class="seen-not">what</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in rows" :key="`${r.part.code}${i}`" :class="{ sel: r.part.code === now }">
          <td class="l">
            <b>{{ r.part.code }}</b>
          </td>
          <td>{{ units.show(r.part.rate.value, 'N/m') }}</td>
          <td v-for="(f, k) in r.frequencies" :key="k">{{ mark(f) }}{{ units.show(f?.value, 'Hz') }}</td>
          <td>{{ mark(most(r.changes)) }}{{ units.show(most(r.changes)?.value, 'm', { signed: true }) }}</td>
          <td class="l" :class="{ 'grade-stop': r.past_stop > 5e-4 }">{{ why(r) }}</td>
          <td>
            <button v-if="r.part.code !== now" class="link" :disabled="!movable" @click="$emit('fit', r.part)">
              take it</button
            ><span v-else>fitted</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="found?.instead" class="instead">
      A spacer of <b>{{ units.show(found.instead.spacer, 'm', { unit: true }) }}</b> under the {{ end }} spring, or a
      spring as much longer, holds the height with {{ state }} instead: frequency
      {{ units.show(found.instead.frequency_without, 'Hz') }} becomes
      {{ units.show(found.instead.frequency, 'Hz', { unit: true })
      }}<template v-if="found.instead.stop != null && found.instead.stop_without != null"
        >, to the stop {{ units.show(found.instead.stop_without, 'm') }} becomes
        {{ units.show(found.instead.stop, 'm', { unit: true }) }}</template
      ><template v-if="found.instead.empty_rise != null"
        >; empty it then stands {{ units.show(found.instead.empty_rise, 'm', { unit: true }) }} higher</template
      >. A spacer is preload, not rate.
    </p>
  </section>
</template>

<style scoped>
.ranks { border-top: var(--l-mid) solid var(--ink); margin-top: 10px; }
.top { display: flex; align-items: center; justify-content: space-between; } .ends { display: flex; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-selected="true"] { font-weight: 600; border-color: var(--ink); }
table { width: 100%; border-collapse: collapse; } th { font-weight: 400; color: var(--ink-2); font-size: var(--t-1); text-align: right; padding: 2px 6px; vertical-align: bottom; } td { text-align: right; border-top: 1px solid var(--rule); padding: 0 6px; height: 44px; } .l, th:first-child { text-align: left; }
.sel { background: var(--plan-tint); } .instead { margin: 10px 0; font-size: var(--t-3); max-width: 680px; }
</style>
