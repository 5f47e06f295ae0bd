<script setup lang="ts">
import { computed } from 'vue'

import type { Figure, RunCell, RunRow } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { sentence } from '@/logic/sentence'
import { percent } from '@/units/format'

import { useProve } from './useProve'

/** What the run says, row by row: as it was, as it is, whether that is better, and why. */
const prove = useProve()
const units = useUnits()
const run = computed(() => prove.run.value!)
const NAMES: Record<RunRow['name'], { words: string; small: string }> = {
  comfort: { words: 'Comfort', small: 'm/s² weighted' },
  grip: { words: 'Grip', small: 'load swing' },
  travel: { words: 'Travel', small: 'most bump' },
  pitch: { words: 'Pitch', small: 'of the nose' },
  roll: { words: 'Roll', small: 'of the body' },
  dampers: { words: 'Dampers', small: 'both sides' },
}
const JUDGED = { better: 'Better', look: 'Look', same: 'Same' }
const show = (f: Figure): string => {
  if (f.unit === '') return percent(f.value)
  return units.show(f.value, f.unit, {
    decimals: { rad: 2, N: 0, W: 0, s: 2 }[f.unit] ?? (f.unit === 'm/s^2' ? 2 : undefined),
    unit: f.unit === 'rad' || f.unit === 's',
  })
}
const mark = (f: Figure): string => (f.assumed ? '~' : '')
const by = (c: RunCell): string => {
  const change = c.now.value - c.was.value
  if (show(c.now) === show(c.was)) return 'same'
  if (c.now.unit === 'm/s^2' && c.was.value > 0)
    return `${change > 0 ? '+' : '−'}${Math.abs(Math.round((100 * change) / c.was.value))} %`
  if (c.now.unit === '') return `${change > 0 ? '+' : '−'}${Math.abs(100 * change).toFixed(1)}`
  return units.show(change, c.now.unit, { signed: true, decimals: { rad: 2, N: 0, W: 0, s: 2 }[c.now.unit] })
}
/** Of each row the reasons that were found, each told once. */
const reasons = (r: RunRow): string => {
  const said = new Map<string, string[]>()
  for (const w of prove.whys.value.filter((k) => k.row === r.name)) {
    const figure = { value: w.value, unit: w.unit, assumed: true } as Figure
    const part = `${w.end} ${w.part}`
    said.set(part, [...(said.get(part) ?? []), `${w.cell} ${mark(figure)}${show(figure)}`])
  }
  const told = [...said].map(([part, cells]) => `${part} (${cells.join(', ')})`)
  return told.length ? `put back alone: ${told.join('; ')}` : ''
}
const told = (r: RunRow): string => sentence(r.text, r.numbers, units.system.value)
</script>

<template>
  <table class="verdict">
    <caption class="seen-not">
      What the run says, each figure as it was and as it is
    </caption>
    <colgroup>
      <col class="c-name" />
      <col class="c-cell" />
      <col class="c-cell" />
      <col />
    </colgroup>
    <tbody>
      <tr v-for="r in run.verdict.rows" :key="r.name" :class="r.judged">
        <th scope="row">
          <b>{{ NAMES[r.name].words }}</b><small>{{ NAMES[r.name].small }}</small>
        </th>
        <td v-for="c in r.cells" :key="c.words" class="cell" :colspan="r.cells.length === 1 ? 2 : 1">
          <small class="which">{{ c.words.replace('nose ', '') }}</small>
          <span class="was">{{ mark(c.was) }}{{ show(c.was) }}</span>
          <svg width="16" height="9" viewBox="0 0 16 9" aria-label="to"><path d="M0 4.5H15M11 1l4 3.5-4 3.5" /></svg>
          <b class="now">{{ mark(c.now) }}{{ show(c.now) }}</b>
          <em :class="{ bad: c.judged === 'look' }">{{ by(c) }}</em>
        </td>
        <td class="why">
          <b :class="{ 'grade-look': r.judged === 'look' }">{{ JUDGED[r.judged] }}</b> {{ told(r) }}
          <span class="reason">{{ reasons(r) }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.verdict { width: 100%; table-layout: fixed; border-collapse: collapse; margin-top: 6px; line-height: 1.2; } tr > * { border-top: 1px solid var(--rule); padding: 4px 8px 4px 0; vertical-align: top; text-align: left; }
col.c-name { width: 92px; } col.c-cell { width: 192px; } th { font-weight: 400; } th small { display: block; color: var(--ink-2); white-space: nowrap; } .cell { white-space: nowrap; } .which { color: var(--ink-2); margin-right: 5px; }
.was { color: var(--ink-2); } .now { color: var(--plan); font-size: var(--t-3); } .cell svg { display: inline-block; margin: 0 4px; vertical-align: 1px; } .cell svg path { fill: none; stroke: var(--ink-2); stroke-width: 1.25; } em { font-style: normal; font-size: var(--t-1); color: var(--ink-2); margin-left: 5px; } em.bad { color: var(--look); font-weight: 600; }
.why { font-size: var(--t-1); } .reason { display: block; color: var(--ink-2); }
@media (max-width: 900px) { .verdict, tbody { display: block; } colgroup { display: none; } tr { display: grid; grid-template-columns: 90px minmax(0, 1fr) minmax(0, 1fr); border-top: 1px solid var(--rule); padding: 4px 0; } tr > * { border: 0; padding: 0 6px 0 0; } .why { grid-column: 1 / -1; } .cell { width: auto; white-space: normal; } }
</style>
