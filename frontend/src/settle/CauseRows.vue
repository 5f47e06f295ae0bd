<script setup lang="ts">
import { computed, ref } from 'vue'

import { type Mishap, type Place, placeWords } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'

import type { Rounds } from './useRounds'

/** What could explain it: each cause as a pattern over the corners, what it leaves, and the reading that decides. */
const props = defineProps<{ causes: Mishap[]; off: Partial<Record<Place, number>>; places: Place[]; rounds: Rounds }>()
const units = useUnits()
const all = ref(false)
const rows = computed(() => (all.value ? props.causes : props.causes.slice(0, 3)))
const most = computed(() =>
  Math.max(
    0.002,
    ...Object.values(props.off).map((v) => Math.abs(v ?? 0)),
    ...props.causes.flatMap((c) => Object.values(c.pattern).map((v) => Math.abs(v))),
  ),
)
const x = (i: number): number => 16 + i * 28 + (i > 1 ? 10 : 0)
const y = (v: number): number => 22 - (v / most.value) * 18
const mm = (v: number): string => units.show(v, 'm', { kind: 'fine length' })
function amount(c: Mishap): string {
  if (!c.amount) return ''
  if (c.amount.unit === 'turn') return `, ${c.amount.value > 0 ? '+' : '−'}${Math.abs(c.amount.value)} turns`
  return `, ${units.show(c.amount.value, c.amount.unit, { unit: true, signed: true, ...(c.amount.unit === 'm' ? { kind: 'fine length' as const } : {}) })}`
}
type Decider = NonNullable<Mishap['decider']>
const value = (d: Decider, v: number | null | undefined): string =>
  v == null
    ? '–'
    : d.unit === 'turn'
      ? v.toFixed(1)
      : units.show(v, d.unit, d.unit === 'm' ? { kind: 'fine length' } : {})
function check(d: Decider, read: number | null): void {
  const others = (props.rounds.round.value?.checks ?? []).filter(
    (c) => c.about !== d.about || (c.place ?? null) !== (d.place ?? null),
  )
  const made = read === null ? others : [...others, { about: d.about, place: d.place ?? null, value: read }]
  props.rounds.set(d.words, 'checks', made)
}
</script>

<template>
  <section aria-label="What could explain it" class="causes">
    <p class="head">
      <b>what could explain it</b><span class="pat quiet small">{{ places.length === 4 ? 'front rear' : '' }}</span
      ><span class="quiet small">leaves</span><span class="quiet small">the reading that decides</span
      ><button v-if="causes.length > 3" class="link small" @click="all = !all">
        {{ all ? 'the first three' : `all ${causes.length} causes` }}
      </button>
    </p>
    <ol>
      <li v-for="(c, n) in rows" :key="c.words + c.place" :class="{ first: n === 0 }">
        <b class="rank">{{ n + 1 }}</b>
        <span class="what"
          ><b>{{ c.place === 'vehicle' ? '' : `${placeWords(c.place)}: ` }}{{ c.words }}{{ amount(c) }}</b
          ><span class="quiet small">{{ Math.min(99, Math.round(c.chance * 100)) }} in 100</span></span
        >
        <svg class="pattern" width="132" height="44" aria-hidden="true">
          <path class="zero" d="M4 22H128" />
          <template v-for="(p, i) in places" :key="p">
            <rect
              class="bar"
              :x="x(i) - 9"
              :width="18"
              :y="Math.min(22, y(c.pattern[p] ?? 0))"
              :height="Math.abs(y(c.pattern[p] ?? 0) - 22)" />
            <path v-if="off[p] != null" class="was" :d="`M${x(i) + 1} ${y(off[p]!)}l8 -5v10z`" />
          </template>
        </svg>
        <span class="leaves"
          >{{ mm(c.leaves) }} <small>{{ units.unit('m').written }}</small></span
        >
        <span v-if="c.decider" class="decide"
          ><template v-if="c.decider.about === 'mark'"
            ><span>{{ c.decider.words }}</span
            ><span class="two"
              ><button class="small-act" :aria-pressed="c.decider.read === 1" @click="check(c.decider, 1)">
                as it should be</button
              ><button class="small-act" :aria-pressed="c.decider.read === 0" @click="check(c.decider, 0)">
                not so
              </button></span
            ></template
          ><template v-else
            ><span class="small">{{ c.decider.words }}</span
            ><span class="two"
              ><QuantityField
                class="f"
                hide-label
                :label="`${c.decider.words}${c.decider.place ? '' : ', whole vehicle'}`"
                :si="c.decider.unit === 'turn' ? '' : c.decider.unit"
                :unit-text="c.decider.unit === 'turn' ? 'turns' : undefined"
                :low="0"
                :model-value="c.decider.read"
                @update:model-value="(v) => check(c.decider!, v)" /><span class="small"
                ><b>{{ value(c.decider, c.decider.if_so) }}</b> it was this<template v-if="c.decider.if_not != null"
                  >, <b>{{ value(c.decider, c.decider.if_not) }}</b> it was not</template
                ></span
              ></span
            ></template
          ></span
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.causes { border-top: 1.5px solid var(--ink); margin-top: 8px; } .head { display: grid; grid-template-columns: 236px 132px 58px minmax(0, 1fr) auto; gap: 10px; align-items: center; min-height: 28px; } .head .link { min-height: 28px; } .pat { text-align: center; word-spacing: 28px; }
ol { list-style: none; margin: 0; padding: 0; } li { display: grid; grid-template-columns: 16px 210px 132px 58px minmax(0, 1fr); gap: 10px; align-items: center; border-top: 1px solid var(--rule); padding: 4px 0; } li.first { background: var(--sheet); }
.rank { font-size: var(--t-4); } .what { display: grid; line-height: 1.2; } .leaves { text-align: right; } .decide { display: grid; gap: 2px; line-height: 1.2; } .two { display: flex; gap: 10px; align-items: center; } .f { width: 112px; flex: none; }
.small-act { min-height: 44px; padding: 0 10px; border: 1px solid var(--edge); } .small-act[aria-pressed='true'] { background: var(--ink); color: var(--ground); }
.zero { stroke: var(--ink-2); } .bar { fill: var(--rule); stroke: var(--ink-2); stroke-width: 0.75; } .was { fill: var(--ink); }
@media (max-width: 600px) { .head { grid-template-columns: 1fr auto; } .head > span { display: none; } li { grid-template-columns: 16px minmax(0, 1fr) 58px; } .pattern { grid-column: 2 / 4; } .decide { grid-column: 2 / 4; } .leaves { grid-row: 1; grid-column: 3; } }
</style>
