<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { type Figure, type LetGo, type Place, placeWords } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { percent } from '@/units/format'

import BounceChart from './BounceChart.vue'
import BouncePicture from './BouncePicture.vue'
import BounceRows from './BounceRows.vue'
import LoggerFiles from './LoggerFiles.vue'
import LoggerLive from './LoggerLive.vue'
import { useBounce } from './useBounce'
import { vRoving } from '@/logic/roving'

/** The bounce test: a corner pushed in its own rhythm and let go; what it reads, and how much of the damper is left. */
const vehicle = useVehicle()
const units = useUnits()
const place = ref<Place>(vehicle.places.value[0]!)
const found = computed(() => vehicle.document.value!.setups[0]!.id)
const stands = ref<string>(found.value)
const stood = computed(() => (stands.value === found.value ? undefined : stands.value))
const setups = computed(() => vehicle.document.value!.setups.map((s) => ({ title: s.name, value: s.id })))
const { bench, trouble, asked, told, row, put, setRun, chosen } = useBounce(place, stood)
watch(place, () => (chosen.value = 0))
const runs = computed(() => bench.value?.runs ?? [])
const run = computed(() => runs.value[Math.min(chosen.value, runs.value.length - 1)] ?? null)
const kind = computed(() => told.value.kind ?? 'height')
const fig = (f: Figure | null | undefined): string =>
  f ? (f.assumed ? '~' : '') + units.show(f.value, '', { decimals: 2 }) : ''
const share = (f: Figure | null | undefined): string =>
  f ? (f.assumed ? '~' : '') + percent(f.value, { decimals: 0 }) : ''
const plain = (v: number | null | undefined): string => (v == null ? '' : units.show(v, '', { decimals: 2 }))
const name = computed(() => placeWords(place.value).replace(/^./, (c) => c.toUpperCase()))
const film = computed(() =>
  kind.value === 'height' && told.value.low != null && told.value.next_low != null && run.value
    ? [told.value.low, told.value.next_low]
    : null,
)
const setup = computed(() => vehicle.setup.value!)
const planned = computed(() => setup.value.sides?.[place.value]?.curve_left ?? null)
const canPlan = computed(() => !vehicle.isFound.value && !!row.value?.left && row.value.kept)
const plan = (left: number | null): void =>
  vehicle.edit(
    `${placeWords(place.value)}: ${left === null ? 'plan with the whole damper' : 'plan with what is left'}`,
    [{ path: ['setups', vehicle.setupIndex.value, 'sides', place.value, 'curve_left'], value: left }],
  )
const take = (made: LetGo, of: 'height' | 'acceleration'): void => {
  put(`let-go, ${placeWords(place.value)}`, { kind: of, runs: [...(told.value.runs ?? []), made] })
  chosen.value = told.value.runs?.length ?? 0
}
const out = (i: number): void => {
  put('let-go taken out', { runs: told.value.runs!.filter((_, k) => k !== i) })
  chosen.value = 0
}
const HAND = [
  { member: 'rest', words: 'rest' },
  { member: 'low', words: 'a, let go at' },
  { member: 'next_low', words: 'b, next low' },
] as const
</script>

<template>
  <div class="stands">
    <v-select v-model="stands" class="on" label="as it stands" density="compact" :items="setups" />
    <span class="quiet">{{ bench?.clicks ? `clicks ${bench.clicks}` : asked ? 'clicks not known, or none' : '' }}</span>
  </div>
  <div class="say">
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <p v-else-if="row?.reads" aria-live="polite">
      <b v-if="row.verdict === 'worn'" class="grade-stop">Stop </b>
      <b v-else-if="row.verdict === 'too firm'" class="grade-look">Look </b>
      {{ name }}<template v-if="row.verdict === 'worn'"> is worn: it</template> reads
      <b>{{ fig(row.reads) }}</b><template v-if="row.expected">
        where a sound one reads <b>{{ fig(row.expected) }}</b></template
      >.
      <template v-if="row.left">
        <template v-if="row.verdict === 'worn'"
          >Renew the {{ place.startsWith('f') ? 'front' : 'rear' }} pair.
        </template>
        <template v-if="row.plan && row.plan_left && !vehicle.isFound.value"
          >With the <b>{{ share(row.left) }}</b> left {{ setup.name }} gets <b>{{ fig(row.plan_left) }}</b>, not
          {{ fig(row.plan) }}.</template
        ><template v-else-if="!row.kept">{{ setup.name }} has another damper there.</template>
        <template v-if="row.verdict === 'too firm'">
          That is more than its curve gives: clicks or curve are not as told.
        </template>
        <template v-if="row.verdict === 'not told'">
          Between worn and sound: bounce it again, or have it measured.
        </template>
      </template>
      <template v-else-if="row.waits"> What a sound one reads waits for {{ row.waits }}. </template>
      <template v-else> No share of its curve reads so: push harder, and look at the let-go. </template>
    </p>
    <p v-else>
      {{ name }} is not bounced yet.<template v-if="row?.waits">
        What a sound one reads waits for {{ row.waits }}.</template
      >
    </p>
    <button v-if="planned !== null" class="act" @click="plan(null)">Plan with the whole damper</button>
    <button v-else-if="canPlan" class="act" @click="plan(Math.round(row!.left!.value * 1000) / 1000)">
      Plan with {{ share(row!.left) }}
    </button>
  </div>
  <ol class="do">
    <li>Push the wing three times, in its own rhythm.</li>
    <li>Let go at the bottom.</li>
    <li>Read the swings.</li>
  </ol>
  <div v-if="run" class="drawing">
    <BouncePicture v-if="kind === 'height'" class="picture" />
    <BounceChart
      :run="run"
      :kind="kind"
      :ratio="plain(run.ratio)"
      :sound="fig(row?.expected)"
      :film="film"
      @release="(at) => setRun(Math.min(chosen, runs.length - 1), { release: at })" />
  </div>
  <p v-if="run?.trouble" class="grade-stop" role="alert">{{ run.name }}: {{ run.trouble }}</p>
  <p v-if="run && row?.frequency" class="small">
    <b>{{ units.show(row.frequency, 'Hz', { unit: true }) }}</b><template v-if="row.frequency_expected">
      where spring, weight and tyre make {{ row.frequency_expected.assumed ? '~' : ''
      }}{{ units.show(row.frequency_expected.value, 'Hz') }}</template
    >
  </p>
  <div class="ways">
    <section aria-label="From a logger">
      <h2>
        From a logger <LoggerFiles :kind="kind" :runs="told.runs?.length ?? 0" @take="take" /><LoggerLive
          v-if="kind === 'height' || !runs.length"
          :place="place"
          @take="(made) => take(made, 'height')" /><button
          v-if="runs.length"
          class="link"
          :aria-label="`take out let-go ${Math.min(chosen, runs.length - 1) + 1}`"
          @click="out(Math.min(chosen, runs.length - 1))">
          take out
        </button>
      </h2>
      <div v-if="runs.length" v-roving class="runs" role="tablist" aria-label="let-goes">
        <button
          v-for="(r, i) in runs"
          :key="i"
          class="run"
          role="tab"
          :aria-selected="i === Math.min(chosen, runs.length - 1)"
          @click="chosen = i">
          <small>{{ ['1st', '2nd', '3rd'][i] ?? `${i + 1}th` }}</small><span class="seen-not">
            let-go {{ i + 1 }}, {{ r.name }}, ratio </span
          >{{ r.trouble ? '–' : plain(r.ratio) }}
        </button>
        <span v-if="row?.by === 'logger'" class="mean"
          ><b>{{ fig(row.reads) }}</b
          ><small>±{{ Math.max(0.01, row.uncertain ?? 0).toFixed(2) }}<br />{{ share(row.left) }} left</small></span
        >
      </div>
      <p v-else class="small quiet">
        Height of the body or its acceleration over time, 20 readings a second or more; three let-goes are better than
        one.
      </p>
    </section>
    <section aria-label="By hand">
      <h2>Or by hand <span class="quiet">off a film of a ruler at the arch</span></h2>
      <div class="hand">
        <QuantityField
          v-for="h in HAND"
          :key="h.member"
          :label="h.words"
          of="Bounce.rest"
          :model-value="told[h.member]"
          @update:model-value="(v) => put(`${h.words}, ${placeWords(place)}`, { [h.member]: v })" />
        <span v-if="bench?.by_hand" class="mean"
          ><b>{{ plain(bench.by_hand.ratio) }}</b
          ><small
            >±{{ bench.by_hand.uncertain.toFixed(2)
            }}<template v-if="bench.by_hand.left != null"
              ><br />{{ row?.expected?.assumed ? '~' : ''
              }}{{ percent(bench.by_hand.left, { decimals: 0 }) }} left</template
            ></small
          ></span
        >
      </div>
      <p v-if="bench?.hand_waits" class="small grade-look" role="status">{{ bench.hand_waits }}</p>
    </section>
  </div>
  <BounceRows v-if="bench" :bench="bench" :place="place" @choose="(p) => (place = p)" />
  <details v-if="bench?.resting.length" class="rests">
    <summary>What a sound one rests on, {{ placeWords(place) }}</summary>
    <dl>
      <template v-for="r in bench.resting" :key="r.words"
        ><dt>{{ r.words }}</dt>
        <dd>
          {{ r.figure.assumed ? '~' : '' }}{{ units.show(r.figure.value, r.figure.unit, { unit: true }) }}
        </dd></template
      >
    </dl>
    <p class="small quiet">
      The same let-go is worked out on body and wheel with the whole curve of the damper, and read alike. The share left
      is the one on all its forces that makes it read what was measured. Tyre damping is 2 % of critical against wheel
      hop.
    </p>
  </details>
  <p class="small quiet mt-3">
    Nobody is under the vehicle while it is bounced: wheels chocked, brake off at the corner that is pushed, hands flat
    on sound metal. A charged damper is not opened.
  </p>
</template>

<style scoped>
.say { display: flex; gap: 12px; align-items: center; justify-content: space-between; font-size: var(--t-3); } .say p { margin: 2px 0; line-height: 1.3; }
.stands { display: flex; gap: 14px; align-items: center; } .on { max-width: 220px; }
@media (min-width: 761px) { .stands { position: absolute; right: 24px; top: 12px; } }
.do { list-style: none; counter-reset: do; display: flex; flex-wrap: wrap; gap: 2px 18px; padding: 0; margin: 4px 0 2px; font-size: var(--t-2); } .do li { counter-increment: do; } .do li::before { content: counter(do); display: inline-flex; width: 20px; height: 20px; border-radius: 50%; background: var(--ink); color: var(--ground); font-size: .875rem; font-weight: 600; align-items: center; justify-content: center; margin-right: 6px; }
.drawing { display: flex; align-items: flex-end; } .drawing .picture { flex: 0 0 200px; width: 200px; height: 226px; } .drawing > :last-child { flex: 1; min-width: 0; }
.ways { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr); gap: 8px 22px; border-top: 1px solid var(--rule); padding-top: 6px; margin-top: 4px; } h2 { margin: 0; font-size: var(--t-2); } h2 span, h2 button { font-weight: 400; } h2 button { margin-left: 10px; }
.runs, .hand { display: flex; gap: 8px; align-items: center; flex-wrap: wrap; } .run { min-width: 48px; min-height: 48px; border-bottom: 3px solid transparent; display: grid; justify-items: center; line-height: 1.1; } .run small { color: var(--ink-2); } .run[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.mean { display: inline-flex; gap: 6px; align-items: center; } .mean b { font-size: var(--t-5); line-height: 1; } .mean small { line-height: 1.2; color: var(--ink-2); }
.hand { align-items: end; gap: 6px; } .hand > .qf { width: 84px; }
.rests { margin-top: 8px; } summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; text-decoration: underline; } dl { display: grid; grid-template-columns: max-content max-content; gap: 2px 24px; margin: 0; } dd { margin: 0; text-align: right; }
@media (max-width: 760px) { .ways { grid-template-columns: 1fr; } .picture { display: none; } .say { flex-direction: column; align-items: stretch; } }
</style>
