<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'

import { api, messageOf } from '@/api/client'
import type { components } from '@/api/schema'
import PageHead from '@/components/PageHead.vue'
import { useUnits } from '@/composables/useUnits'
import { percent } from '@/units/format'

/** Every rule with its reason, and every range that numbers are held against: what is watched, and so what is not. */
type Watched = components['schemas']['Watched']
type UsualRange = components['schemas']['UsualRange']
const units = useUnits()
const rules = shallowRef<Watched[]>([])
const ranges = shallowRef<UsualRange[]>([])
const trouble = ref('')
const text = ref('')
const WORDS: Record<string, string> = { stop: 'Stop', look: 'Look', note: 'Note' }
const GROUPS = [
  ['cause', 'Mistakes'],
  ['odd', 'Numbers that no vehicle has'],
  ['finding', 'What speaks against a setup, by station'],
] as const
onMounted(async () => {
  const { data, error } = await api.GET('/api/watched').catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) {
    rules.value = data.rules
    ranges.value = data.ranges
  } else trouble.value = messageOf(error)
})
const fits = (words: string): boolean =>
  text.value
    .toLowerCase()
    .split(/\s+/)
    .every((t) => words.toLowerCase().includes(t))
const shown = computed(() =>
  GROUPS.map(([kind, title]) => ({
    kind,
    title,
    rules: rules.value.filter((r) => r.kind === kind && fits(`${r.says} ${r.reason} ${r.station}`)),
  })).filter((g) => g.rules.length),
)
const shownRanges = computed(() => ranges.value.filter((r) => fits(`${r.quantity} ${r.of}`)))
const value = (v: number, r: UsualRange): string =>
  r.unit === '' ? (r.share ? percent(v) : units.show(v, '')) : units.show(v, r.unit)
const unitOf = (r: UsualRange): string => (r.unit === '' ? '' : units.unit(r.unit).written)
document.title = 'What Feder looks for · Feder'
</script>

<template>
  <div class="page">
    <PageHead here="words" />
    <main class="in">
      <h1>What Feder looks for</h1>
      <p class="lead">
        Each rule with its reason, as it stands in the program; dots stand for your numbers. What is not here is not
        watched: it stays with you and your eyes. Torque, condition and the law are never judged.
      </p>
      <p><router-link to="/words" class="link">the words of the trade</router-link></p>
      <label class="look"
        ><span class="small quiet">find a rule by its words</span
        ><input v-model="text" class="find" type="search" autocomplete="off"
      /></label>
      <p v-if="trouble" role="alert" class="mt-3">{{ trouble }}</p>
      <p v-else-if="!rules.length" class="mt-3" role="status">Reading the rules…</p>
      <p v-else-if="!shown.length && !shownRanges.length" class="mt-3" role="status">No rule by these words.</p>
      <section v-for="g in shown" :key="g.kind" :aria-label="g.title">
        <h2>
          {{ g.title }} <span class="quiet">{{ g.rules.length }}</span>
        </h2>
        <p v-if="g.kind === 'cause'" class="quiet">{{ g.rules[0]!.reason }}</p>
        <ul :class="g.kind">
          <li v-for="r in g.rules" :key="r.rule">
            <span v-if="g.kind !== 'cause'" class="at"
              ><b v-for="grade in r.grades" :key="grade" :class="`grade-${grade}`">{{ WORDS[grade] }}</b>
              <span class="quiet">{{ r.station }}</span></span
            >
            <span class="says"
              >{{ r.says }}<span v-if="g.kind !== 'cause'" class="reason quiet">{{ r.reason }}</span></span
            >
          </li>
        </ul>
      </section>
      <section v-if="shownRanges.length" aria-label="Usual ranges">
        <h2>
          Usual ranges <span class="quiet">{{ shownRanges.length }}</span>
        </h2>
        <p class="quiet">Wide on purpose: what lies outside is asked about, and stands if you say that it is so.</p>
        <table>
          <thead>
            <tr>
              <th scope="col">quantity</th>
              <th scope="col">of</th>
              <th scope="col" class="n">from</th>
              <th scope="col" class="n">to</th>
              <th scope="col">unit</th>
              <th scope="col">source</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in shownRanges" :key="`${r.quantity} ${r.of}`">
              <td>{{ r.quantity }}</td>
              <td>{{ r.of }}</td>
              <td class="n">{{ value(r.low, r) }}</td>
              <td class="n">{{ value(r.high, r) }}</td>
              <td>{{ unitOf(r) }}</td>
              <td class="quiet">{{ r.source }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </main>
  </div>
</template>

<style scoped>
.in { box-sizing: border-box; width: 100%; min-width: 0; max-width: 900px; margin: 0 auto; padding: 16px 24px 40px; } .lead { max-width: 70ch; line-height: 1.35; margin: 4px 0 12px; } .look { display: block; max-width: 420px; } .find { font: inherit; width: 100%; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 8px; }
h2 { font-size: var(--t-3); font-weight: 600; margin: 24px 0 4px; } ul { list-style: none; margin: 0; padding: 0; } li { display: grid; grid-template-columns: 150px minmax(0, 1fr); gap: 16px; border-top: 1px solid var(--rule); padding: 8px 0; line-height: 1.3; }
.cause li { grid-template-columns: minmax(0, 1fr); } .at { display: flex; flex-wrap: wrap; gap: 0 8px; align-content: flex-start; } .reason { display: block; } table { width: 100%; border-collapse: collapse; } th { text-align: left; font-weight: 500; color: var(--ink-2); font-size: var(--t-1); } th, td { padding: 5px 8px 5px 0; border-top: 1px solid var(--rule); } .n { text-align: right; padding-right: 12px; font-variant-numeric: tabular-nums; }
@media (max-width: 600px) { .in { padding: 12px 16px 32px; } li { grid-template-columns: minmax(0, 1fr); gap: 2px; } th:last-child, td:last-child { display: none; } }
</style>
