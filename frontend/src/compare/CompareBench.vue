<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type Figure, placeWords } from '@/api/client'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import { percent } from '@/units/format'

import { GROUPS, GROUPS_OF_TWO, rowOf, type Written } from './figures'

/** Two setups side by side: every number with its difference, and what caused the one asked about. */
const vehicle = useVehicle()
const units = useUnits()
const working = useWorking()
const setups = computed(() => vehicle.document.value?.setups ?? [])
const first = ref(vehicle.setup.value?.parent ?? setups.value[0]?.id ?? '')
const second = computed(() => vehicle.setup.value?.id ?? '')
watch(
  second,
  (now) => {
    if (now === first.value) first.value = setups.value.find((s) => s.id !== now)?.id ?? ''
  },
  { immediate: true },
)
const about = ref<string | null>(null)
watch([first, second], () => (about.value = null))
const onlyChanged = ref(true)
const { found, trouble, asked } = useAnswer(() => {
  const document = vehicle.document.value
  return document && first.value && second.value && first.value !== second.value
    ? api.POST('/api/compare', { body: { document, first: first.value, second: second.value, about: about.value } })
    : null
}, [vehicle.report, first, second, about])
type Row = NonNullable<NonNullable<typeof found.value>['found']['differences']>[number]
const byPath = computed(() => new Map((found.value?.found.differences ?? []).map((d) => [d.path, d])))
const nameOf = (id: string): string => setups.value.find((s) => s.id === id)?.name ?? ''
const show = (w: Written, d: Row, value: number | null | undefined, signed = false): string =>
  w.percent ? percent(value, { decimals: 1, signed }) : units.show(value, d.unit, { ...w.options, signed })
const told = (w: Written, d: Row, figure: Figure | null | undefined): string =>
  (figure?.assumed ? '~' : '') + show(w, d, figure?.value)
/** The difference as it is printed, or nothing where print shows none. */
function change(w: Written, d: Row | undefined): string {
  if (!d || d.first == null || d.second == null) return ''
  const text = show(w, d, d.second.value - d.first.value, true)
  return /[1-9]/.test(text) ? text : ''
}
const columns = (of: string): string[] => (of === 'corners' || of === 'sags' ? vehicle.places.value : [''])
const pathOf = (of: string, place: string, name: string): string => (place ? `${of}.${place}.${name}` : `${of}.${name}`)
const groups = computed(() =>
  (vehicle.places.value.length === 2 ? GROUPS_OF_TWO : GROUPS)
    .map((g) => ({
      ...g,
      rows: g.rows.filter((w) =>
        columns(g.of).some((c) => {
          const d = byPath.value.get(pathOf(g.of, c, w.name))
          return d && (!onlyChanged.value || change(w, d) || (d.first == null) !== (d.second == null))
        }),
      ),
    }))
    .filter((g) => g.rows.length),
)
const asked_ = computed(() => {
  const path = found.value?.found.largest
  const row = path ? rowOf(path) : null
  const d = path ? byPath.value.get(path) : undefined
  return path && row && d ? { path, ...row, d } : null
})
const most = computed(() => Math.max(1e-12, ...(found.value?.found.causes ?? []).map((c) => Math.abs(c.effect))))
/** How the figure came about in one of the two setups. */
function how(path: string, setup: string): void {
  const row = rowOf(path)
  if (row) working.ask(path, [row.row.words, row.place, nameOf(setup)].filter(Boolean).join(', '), { setup })
}
const swap = (): void => {
  const [a, b] = [first.value, second.value]
  vehicle.selectSetup(a)
  first.value = b
}
/** A cell as it is written, and read out: before, after, and by how much. */
function cell(w: Parameters<typeof told>[0], path: string): [string, string, string] {
  const d = byPath.value.get(path)!
  return [told(w, d, d.first), told(w, d, d.second), change(w, d) || (d.first == null || d.second == null ? '' : '=')]
}
</script>

<template>
  <div class="bench-top">
    <h1>Compare</h1>
    <div class="pickers">
      <label
        >from
        <select v-model="first">
          <option v-for="s in setups" :key="s.id" :value="s.id" :disabled="s.id === second">{{ s.name }}</option>
        </select></label
      >
      <label
        >to
        <select :value="second" @change="vehicle.selectSetup(($event.target as HTMLSelectElement).value)">
          <option v-for="s in setups" :key="s.id" :value="s.id" :disabled="s.id === first">{{ s.name }}</option>
        </select></label
      >
      <button class="link" @click="swap">swap</button>
    </div>
    <v-checkbox
      class="end"
      label="only what differs"
      :model-value="onlyChanged"
      @update:model-value="(v) => (onlyChanged = !!v)" />
  </div>
  <p v-if="setups.length < 2" class="say">
    There is one setup so far. Make a plan in the heading, or branch one from the menu beside it, and compare the two
    here.
  </p>
  <p v-else-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
  <p v-else-if="!asked" class="quiet" role="status">Comparing…</p>
  <template v-else-if="found">
    <section v-if="asked_" class="cause" aria-live="polite">
      <p>
        <b>{{ [asked_.place, asked_.row.words].filter(Boolean).join(', ') }}</b>:
        <button class="link" @click="how(asked_.d.path, first)">
          {{ told(asked_.row, asked_.d, asked_.d.first) }}
        </button>
        becomes
        <button class="link" @click="how(asked_.d.path, second)">
          {{ told(asked_.row, asked_.d, asked_.d.second) }}</button>{{
          asked_.row.percent ? '' : ` ${units.unit(asked_.d.unit, asked_.row.options?.kind).written}`
        }}<template v-if="!about">, the largest difference of all</template>. What does it, one change at a time:
      </p>
      <div v-for="c in found.found.causes" :key="c.words" class="bar">
        <span>{{ c.words }}</span><i
          :class="{ less: c.effect < 0 }"
          :style="{ width: `${(Math.abs(c.effect) / most) * 100}%` }"></i
        ><b>{{ show(asked_.row, asked_.d, c.effect, true) }}</b>
      </div>
      <p v-if="!found.found.causes?.length" class="quiet">No single change moves it: they only do it together.</p>
      <p v-else class="small quiet">
        Alone, each on top of {{ nameOf(first) }}; changes that lean on one another need not add up.
      </p>
    </section>
    <p v-else class="say">No figure differs between {{ nameOf(first) }} and {{ nameOf(second) }}.</p>
    <table v-for="g in groups" :key="g.words">
      <caption>
        {{
          g.words
        }}
      </caption>
      <thead v-if="columns(g.of).length > 1">
        <tr>
          <th><span class="seen-not">what</span></th>
          <th v-for="p in columns(g.of)" :key="p">{{ placeWords(p) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="w in g.rows" :key="w.name + w.words">
          <th>{{ w.words }}</th>
          <td v-for="c in columns(g.of)" :key="c" :colspan="columns(g.of).length > 1 ? 1 : vehicle.places.value.length">
            <button
              v-if="byPath.get(pathOf(g.of, c, w.name))"
              class="cell"
              :class="{ on: asked_?.path === pathOf(g.of, c, w.name) }"
              :aria-label="`What changes the ${w.words} ${placeWords(c)}: ${cell(w, pathOf(g.of, c, w.name))
                .join(' ')
                .trim()}`"
              @click="about = pathOf(g.of, c, w.name)">
              <span class="was">{{ cell(w, pathOf(g.of, c, w.name))[0] }}</span>{{ ' '
              }}<b>{{ cell(w, pathOf(g.of, c, w.name))[1] }}</b
              >{{ ' ' }}<span class="by">{{ cell(w, pathOf(g.of, c, w.name))[2] }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet mt-2">
      Light: {{ nameOf(first) }}. Heavy: {{ nameOf(second) }}. Press a number to see what moves it, and then how it
      comes about.
    </p>
  </template>
</template>

<style scoped>
.pickers { display: flex; gap: 14px; align-items: center; flex-wrap: wrap; } label { display: flex; align-items: center; gap: 8px; color: var(--ink-2); }
select { font: inherit; height: 44px; min-width: 120px; background: var(--sheet); color: var(--ink); border: 0; border-bottom: 1.5px solid var(--edge); padding: 0 8px; font-weight: 600; }
.say { font-size: var(--t-3); margin: 10px 0; }
.cause { border-top: var(--l-mid) solid var(--ink); border-bottom: 1px solid var(--rule); padding: 8px 0; font-size: var(--t-3); } .cause p::first-letter { text-transform: uppercase; }
.bar { display: grid; grid-template-columns: 200px 1fr 90px; align-items: center; gap: 10px; min-height: 28px; } .bar i { height: 12px; background: var(--ink); } .bar i.less { background: none; border: 1.5px solid var(--ink); } .bar b { text-align: right; }
table { width: 100%; border-collapse: collapse; table-layout: fixed; margin-top: 10px; } caption { text-align: left; font-weight: 600; font-size: var(--t-3); border-bottom: 1.5px solid var(--ink); padding: 6px 0 2px; }
th { text-align: left; font-weight: 400; color: var(--ink-2); width: 142px; line-height: 1.15; } thead th { text-align: right; font-size: var(--t-1); width: auto; } thead th:first-child { width: 142px; }
td { border-top: 1px solid var(--rule); } tbody th { border-top: 1px solid var(--rule); }
.cell { width: 100%; min-height: 44px; display: grid; grid-template-columns: 1fr 1fr 1fr; gap: 4px; align-items: center; text-align: right; white-space: nowrap; padding-right: 4px; } .cell:hover { background: var(--vellum); } .cell.on { background: var(--vellum); box-shadow: inset 0 -3px var(--ink); }
.was { color: var(--ink-2); } .by { color: var(--ink-2); font-size: var(--t-1); }
</style>
