<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'

import { api, type Place, placeWords, type Way } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { percent } from '@/units/format'

import CrossBeam from './CrossBeam.vue'
import CarAbove from './CarAbove.vue'
import PadCorner from './PadCorner.vue'
import RoundBar from './RoundBar.vue'
import { useLog } from './useLog'
import { useRounds } from './useRounds'

/** Corner weights: four pads, the diagonal, and the ways to the cross weight wanted with what speaks against each. */
const vehicle = useVehicle()
const units = useUnits()
const log = useLog()
const rounds = useRounds(vehicle, () => log.newest.value)
const held = useSessionStorage<Place[]>(`feder-locked ${vehicle.id}`, [])
const target = useSessionStorage<number>(`feder-cross ${vehicle.id}`, 0.5)
const { found, trouble, current } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup && !vehicle.isFound.value
    ? api.POST('/api/weights', {
        body: {
          document,
          setup: setup.id,
          survey: rounds.index.value,
          held: held.value,
          target: target.value,
          vehicle_id: vehicle.id,
        },
      })
    : null
}, [vehicle.report, rounds.index, held, target])
const weights = computed(() => found.value?.weights ?? null)
const past = computed(() => found.value?.as_it_stood ?? false)
/** The scale fields write into the round in hand, not into the newest that has weights. */
const shown = computed(() => (weights.value && weights.value.round === rounds.index.value ? weights.value : null))
const chosen = ref('')
const ways = computed<Way[]>(() => weights.value?.ways ?? [])
const way = computed(() => ways.value.find((w) => w.words === chosen.value) ?? ways.value[0] ?? null)
const row = (p: Place) => weights.value?.rows.find((r) => r.place === p) ?? null
const hold = (p: Place): void =>
  void (held.value = held.value.includes(p) ? held.value.filter((x) => x !== p) : [...held.value, p])
const GRADE = { note: 'Note', look: 'Look', stop: 'Stop', '': '' }
const against = (w: Way): string => {
  if (!w.grade) return ''
  const value =
    w.against_value == null ? '' : `, ${units.show(w.against_value, 'm', { kind: 'fine length', unit: true })}`
  return `${w.against_place ? `${placeWords(w.against_place)}: ` : ''}${w.against}${value}`
}
const most = computed(() => Math.max(0.002, ...ways.value.map((w) => w.worst_height ?? 0)))
const bar = (off: number | null | undefined): { y: number; height: number } => {
  const h = (Math.abs(off ?? 0) / most.value) * 14
  return { y: (off ?? 0) > 0 ? 16 - h : 16, height: h }
}
const PLACES: Place[] = ['front_left', 'front_right', 'rear_left', 'rear_right']
const unready = computed(() => {
  const c = rounds.round.value?.conditions
  return [
    !c?.bars_unhooked && 'bars unhooked',
    !c?.loaded && 'driver and fuel aboard',
    !c?.pressures_set && 'pressures set',
    !c?.pads_level && 'pads level',
    !c?.rolled && 'rolled on',
  ].filter((w): w is string => !!w)
})
const text = ref('')
const refused = ref('')
/** Four numbers pasted in the order of the corners, or each with the name of its corner. */
function pasted(): void {
  const named = [
    ...text.value.matchAll(/\b(fl|fr|rl|rr|front left|front right|rear left|rear right)\b\D{0,4}(\d+(?:[.,]\d+)?)/gi),
  ]
  const short: Record<string, Place> = { fl: 'front_left', fr: 'front_right', rl: 'rear_left', rr: 'rear_right' }
  const plain = text.value.match(/\d+(?:[.,]\d+)?/g) ?? []
  const number = (t: string): number => Number(t.replace(',', '.')) * units.unit('kg').factor
  const told: [Place, number][] = named.length
    ? named.map((m) => [short[m[1]!.toLowerCase()] ?? (m[1]!.toLowerCase().replace(' ', '_') as Place), number(m[2]!)])
    : PLACES.map((p, i) => [p, number(plain[i] ?? '')])
  if (told.length !== 4 || told.some(([, v]) => !Number.isFinite(v) || v < 5 || v > 5000)) {
    refused.value = 'Four weights are needed: front left, front right, rear left, rear right'
    return
  }
  refused.value = ''
  text.value = ''
  const others = (rounds.round.value?.readings ?? []).filter((r) => r.quantity !== 'mass')
  rounds.set('the four scales', 'readings', [
    ...others,
    ...told.map(([place, value]) => ({ place, quantity: 'mass', value, how: 'scales' })),
  ])
}
async function taken(): Promise<void> {
  if (!way.value) return
  const moves = way.value.moves.filter((m) => Math.abs(m.move) > 1e-9)
  const to = Object.fromEntries(moves.map((m) => [m.place, (row(m.place)?.now ?? 0) + m.move]))
  const along = log.along(
    `corner weights, ${percent(weights.value!.share!.cross, { decimals: 1 })} to ${percent(way.value.cross_then, { decimals: 1 })}`,
  )
  along.before()
  const why = await vehicle.act(
    'turned for the corner weights',
    { act: 'take turns', to, survey: rounds.index.value },
    along.beside,
  )
  if (why === null) along.after()
}
</script>

<template>
  <RoundBar
    :rounds="rounds"
    :ticks="[
      ['bars_unhooked', 'bars unhooked'],
      ['loaded', 'driver, fuel'],
      ['pressures_set', 'pressures'],
      ['pads_level', 'pads level'],
      ['rolled', 'rolled on'],
    ]" />
  <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
  <template v-if="weights">
    <p v-if="weights.waits" class="mt-2">{{ weights.waits }}.</p>
    <p v-if="unready.length" class="say">
      <b class="grade-look">Look</b> Not ticked yet: {{ unready.join(', ') }}. Until then the weights are of another
      car.
    </p>
    <p v-else-if="weights.there" class="say">
      <b>Cross weight lies within {{ percent(weights.band, { decimals: 1 }) }} of what is wanted:</b> leave it.
    </p>
    <div class="plan">
      <PadCorner
        v-for="p in PLACES"
        :key="p"
        :class="p"
        :row="{ ...row(p)!, mass: shown ? row(p)!.mass : (rounds.values(p, 'mass')[0] ?? null) }"
        :way="shown ? way : null"
        :readings="rounds.values(p, 'mass')"
        @hold="hold(p)"
        @read="(v) => rounds.read(p, 'mass', v)" />
      <div class="car"><CarAbove :cross="shown?.share?.cross ?? null" /></div>
    </div>
    <div v-if="!weights.share || !shown" class="mt-2">
      <p v-if="weights.by_model" class="quiet">
        Without scales, as the plan foretells it with its bars unhooked:
        {{ units.show(weights.by_model.total, 'kg', { unit: true }) }} in all, cross
        {{ percent(weights.by_model.cross, { decimals: 1 }) }}. A pad under each wheel, all four level; or a scale under
        one wheel with blocks as high under the others.
      </p>
      <p class="paste">
        <label class="grow"
          ><span class="small quiet">or paste the four of them</span
          ><input
            v-model="text"
            class="line"
            placeholder="FL 312.5, FR 293.5, RL 203, RR 201"
            @keydown.enter="pasted" /></label
        ><button class="act" :disabled="!text.trim()" @click="pasted">Take</button>
      </p>
      <p><router-link class="link" :to="`/vehicle/${vehicle.id}/weigh`">read them on a phone</router-link></p>
      <p v-if="refused" class="grade-stop" role="alert">{{ refused }}</p>
    </div>
    <template v-else>
      <p v-if="weights.rows.some((r) => r.height != null && !r.height_read)" class="small quiet">
        ~ heights were not read in this round: as foretold with bars off
      </p>
      <div class="middle">
        <CrossBeam :weights="weights" :then="way?.cross_then ?? null" />
        <div class="wants">
          <QuantityField
            label="cross wanted"
            si=""
            :low="40"
            :high="60"
            unit-text="%"
            :decimals="1"
            :clearable="false"
            :model-value="target * 100"
            @update:model-value="(v) => v !== null && (target = v / 100)" /><span class="small quiet"
            >± {{ percent(weights.band, { decimals: 1 }) }}</span
          ><span v-if="weights.least != null && weights.most != null" class="small"
            >{{ percent(weights.least, { decimals: 1 }) }} to {{ percent(weights.most, { decimals: 1 }) }} within
            thread, hold and 2 mm</span
          >
        </div>
      </div>
      <table v-if="ways.length" class="ways">
        <thead>
          <tr>
            <th>ways to {{ percent(weights.target, { decimals: 1 }) }}</th>
            <th class="n"><TermWord words="turns in all" /></th>
            <th><TermWord words="arch off plan" /></th>
            <th><TermWord words="first thing against it" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in ways" :key="w.words" :class="{ on: w === way }">
            <td>
              <button class="way" :aria-pressed="w === way" @click="chosen = w.words">{{ w.words }}</button>
            </td>
            <td class="n">{{ w.turns == null ? units.show(w.travel, 'm', { unit: true }) : w.turns.toFixed(1) }}</td>
            <td>
              <span class="off"
                ><svg width="104" height="32" aria-hidden="true">
                  <path class="zero" d="M0 16h104" />
                  <rect
                    v-for="(m, i) in w.moves"
                    :key="m.place"
                    class="offbar"
                    :class="{ look: Math.abs(m.height_off ?? 0) > 0.002 }"
                    :x="6 + i * 25"
                    width="17"
                    v-bind="bar(m.height_off)" /></svg
                >{{ units.show(w.worst_height, 'm', { kind: 'fine length' }) }}</span
              >
            </td>
            <td class="small">
              <b v-if="w.grade" :class="`grade-${w.grade}`">{{ GRADE[w.grade] }}</b> {{ against(w) || 'nothing' }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="mt-2">No adjuster that may be turned moves the diagonal.</p>
      <div v-if="way && !weights.there" class="takes">
        <p class="small">
          <b class="grade-look">Look</b> On stands before a loaded collar is turned; a pad is no stand. Roll it off and
          on again, then read again: the ticks of this round fall. No drive with bars unhooked.
        </p>
        <span v-if="past" class="quiet">An earlier round, told as it stood then.</span
        ><button
          v-else
          class="act go"
          :disabled="!current || !log.known.value || way.grade === 'stop' || unready.length > 0"
          @click="taken">
          Taken: turned so
        </button>
      </div>
      <label v-if="weights.there" class="after"
        ><input
          type="checkbox"
          :checked="!!rounds.round.value?.conditions?.bars_hooked"
          @change="
            rounds.condition('bars hooked again', 'bars_hooked', ($event.target as HTMLInputElement).checked)
          " /><span
          ><b>Bars on their links again, without twist:</b> driver aboard, links as long as this height asks, bolts to
          the maker’s torque. First drive slow.</span
        ></label
      >
    </template>
  </template>
</template>

<style scoped>
.say { font-size: var(--t-3); margin: 2px 0 6px; }
.plan { display: grid; grid-template-columns: minmax(0, 1fr) 150px minmax(0, 1fr); gap: 4px 16px; align-items: start; border-top: 1.5px solid var(--ink); padding-top: 8px; } .car { grid-column: 2; grid-row: 1 / 3; } .front_left { grid-column: 1; grid-row: 1; } .front_right { grid-column: 3; grid-row: 1; } .rear_left { grid-column: 1; grid-row: 2; } .rear_right { grid-column: 3; grid-row: 2; }
.middle { display: grid; grid-template-columns: minmax(0, 1fr) 150px; gap: 16px; border-top: 1px solid var(--rule); margin-top: 6px; align-items: center; } .wants { display: grid; gap: 2px; line-height: 1.2; }
.ways { width: 100%; border-collapse: collapse; border-top: 1.5px solid var(--ink); margin-top: 6px; } th { font-weight: 400; font-size: var(--t-1); color: var(--ink-2); text-align: left; padding: 2px 6px; } td { border-top: 1px solid var(--rule); padding: 0 6px; } .n { text-align: right; } tr.on td { background: var(--plan-tint); } .way { min-height: 44px; text-align: left; width: 100%; } .on .way { color: var(--plan); font-weight: 600; } .off { display: flex; align-items: center; gap: 8px; } .zero { stroke: var(--ink-2); } .offbar { fill: var(--ink); } .offbar.look { fill: var(--look); }
.takes { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 14px; align-items: center; margin-top: 6px; } .after { display: grid; grid-template-columns: 24px minmax(0, 1fr); gap: 10px; align-items: center; min-height: 44px; margin-top: 6px; } .after input { width: 20px; height: 20px; accent-color: var(--ink); }
.paste { display: flex; gap: 12px; align-items: end; } .grow { flex: 1; } .line { display: block; width: 100%; font: inherit; height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 8px; }
@media (max-width: 700px) { .plan { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } .car { display: none; } .front_right, .rear_right { grid-column: 2; } .middle, .takes { grid-template-columns: minmax(0, 1fr); } th:nth-child(3), td:nth-child(3) { display: none; } }
</style>
