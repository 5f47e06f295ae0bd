<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type ChartRow, type EndName, type Figure, type MoveRow, type Place, PLACES } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useHeights } from '@/composables/useHeights'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'
import { setting } from '@/logic/setting'

import { turns, turnWords } from './gear'
import IndexDrawing from './IndexDrawing.vue'
import LevelCheck from './LevelCheck.vue'
import OrderOfWork from './OrderOfWork.vue'
import TurnEffect from './TurnEffect.vue'
import { vRoving } from '@/logic/roving'

/** The index bench: a height on a torsion bar asked for, spline moves answered, or turns of its bolt. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const heights = useHeights()
const units = useUnits()
const side = ref<'left' | 'right'>('left')
const place = computed<Place>(() => PLACES.find((p) => p === `${props.end}_${side.value}`)!)
const mirror = computed<Place>(() =>
  PLACES.find((p) => p === `${props.end}_${side.value === 'left' ? 'right' : 'left'}`)!,
)
const meant = computed(() => vehicle.setup.value?.[`${props.end}_meant`] ?? null)
const load = ref<string | null>(null)
watch([meant, () => vehicle.setup.value?.id], () => (load.value = meant.value), { immediate: true })
const loads = computed(() => vehicle.document.value?.loads ?? [])
const arm = computed(() => vehicle.document.value?.vehicle.ends?.[props.end]?.arm ?? null)
const sideSetup = (p: Place) => vehicle.setup.value?.sides?.[p]
const ask = (p: Place) => () => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  return document && setup && arm.value
    ? api.POST('/api/index', { body: { document, setup: setup.id, place: p, load_state: load.value } })
    : null
}
const { found, trouble, asked, current } = useAnswer(() => ask(place.value)(), [vehicle.report, place, load])
const other = useAnswer(() => ask(mirror.value)(), [vehicle.report, mirror, load])
const bench = computed(() => (found.value?.bench?.place === place.value ? found.value.bench : null))
const rows = computed(() => bench.value?.rows ?? [])
const row = computed<MoveRow | null>(() => rows.value.find((r) => r.chosen) ?? rows.value[0] ?? null)
/** What the plate of the other side should show, for telling swapped sides. */
const otherReads = computed(() => {
  const made = other.found.value?.bench
  return (made?.rows?.find((r) => r.chosen) ?? made?.rows?.[0])?.free_angle ?? null
})
const base = (p: Place): (string | number)[] => ['setups', vehicle.setupIndex.value, 'sides', p]
const askHeight = (value: number | null): void => void (value !== null && heights.ask(place.value, value))
const askAngle = (value: number | null): void =>
  void (
    value !== null &&
    vehicle.edit(`free angle, ${props.end} ${side.value}`, setting(base(place.value), { free_angle: value }))
  )
function take(r: MoveRow): void {
  vehicle.edit(`spline moves, ${props.end} ${side.value}`, [
    { path: [...base(place.value), 'index'], value: { inner: r.inner, outer: r.outer } },
  ])
}
/** Whether both plates' answers are of the load chosen and of the vehicle as it is now. */
const answered = computed(
  () => current.value && other.current.value && vehicle.reported.value === vehicle.document.value,
)
const setForLoad = (): Promise<string | null> =>
  vehicle.act(`${props.end} free angles for the load`, { act: 'set for load', end: props.end, load_state: load.value })
watch(
  () => loads.value.length,
  () => {
    if (!loads.value.some((l) => l.id === load.value)) load.value = null
  },
)
const barless = computed(() => sideSetup(place.value)?.spring?.kind !== 'torsion bar')
const foundBar = computed(() => {
  const part = vehicle.document.value?.setups[0]?.sides?.[place.value]?.spring
  return part?.kind === 'torsion bar' ? part.code : null
})
const keepFound = (): Promise<string | null> =>
  vehicle.act(`${props.end} bar as found`, { act: 'keep found', end: props.end })
const loadName = computed(() => loads.value.find((l) => l.id === load.value)?.name ?? 'as weighed')
const deg = (f: Figure | null | undefined): string =>
  f ? (f.assumed ? '~' : '') + units.show(f.value, 'rad', { unit: true, decimals: 1 }) : '–'
const most = computed(() => Math.max(0.012, ...rows.value.map((r) => Math.abs(r.off ?? 0))))
const x = (off: number): number => 74 + (off / most.value) * 66
/** How far the adjuster carries the height of a pair each way, by the pairs' own degrees to millimetres. */
const perAngle = computed(() => {
  const known = rows.value.filter((r) => r.off !== null && r.off !== undefined)
  const [a, b] = [known[0], known.find((r) => Math.abs(r.change - (known[0]?.change ?? 0)) > 1e-6)]
  return a && b ? (b.off! - a.off!) / (b.change - a.change) : 0
})
const says = (r: MoveRow): string => {
  const text = sentence(r.says ?? '', r.numbers ?? {}, units.system.value)
  return text.charAt(0).toUpperCase() + text.slice(1)
}
const GRADES: Record<string, string> = { note: 'Note', look: 'Look', stop: 'Stop' }
const ways = (r: { inner: number; outer: number }) => turns(r.inner, r.outer, bench.value!)
const charted = ref<ChartRow[]>([])
async function show(): Promise<void> {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (charted.value.length || !document || !setup) return void (charted.value = [])
  const { data } = await api.POST('/api/index/chart', {
    body: { document, setup: setup.id, place: place.value, load_state: load.value },
  })
  charted.value = data?.rows ?? []
}
watch([place, load, vehicle.report], () => (charted.value = []))
async function chart(): Promise<void> {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!document || !setup) return
  const { data } = await api.POST('/api/index/chart.csv', {
    body: { document, setup: setup.id, place: place.value, load_state: load.value },
    parseAs: 'text',
  } as never)
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(new Blob([data as unknown as string], { type: 'text/csv' }))
  link.download = `${document.vehicle.name} index chart ${props.end} ${side.value}.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <section class="index" :aria-label="`Index bench, ${end}`">
    <div class="asked">
      <QuantityField
        :label="`${end} ${side}, hub to arch wanted`"
        strong
        of="SideSetup.hub_to_arch"
        :clearable="false"
        :computed-value="sideSetup(place)?.set_by === 'free angle'"
        :readonly="vehicle.isFound.value"
        :model-value="bench?.hub_wanted?.value ?? sideSetup(place)?.hub_to_arch"
        @update:model-value="askHeight" />
      <QuantityField
        label="or free plate angle"
        of="SideSetup.free_angle"
        :decimals="1"
        :clearable="false"
        :computed-value="sideSetup(place)?.set_by !== 'free angle'"
        :readonly="vehicle.isFound.value"
        :model-value="bench?.plate_wanted?.value"
        @update:model-value="askAngle" />
      <QuantityField
        v-if="arm?.motion !== 'wishbone'"
        label="plate reads now, unloaded"
        of="SideSetup.plate_read"
        :decimals="1"
        hint="blank: as found"
        :readonly="vehicle.isFound.value"
        :model-value="sideSetup(place)?.plate_read"
        @update:model-value="
          (v) => vehicle.edit(`plate as read, ${end} ${side}`, [{ path: [...base(place), 'plate_read'], value: v }])
        " />
      <div v-roving role="tablist" aria-label="Which side" class="sides">
        <button
          v-for="s in ['left', 'right'] as const"
          :key="s"
          class="tab"
          role="tab"
          :aria-selected="s === side"
          @click="side = s">
          {{ s === 'left' ? 'Left' : 'Right' }}
        </button>
      </div>
    </div>
    <div class="under" role="radiogroup" aria-label="Under which load the height is meant">
      <span class="quiet">height meant</span
      ><button
        v-for="l in [{ id: null, name: 'as weighed' }, ...loads]"
        :key="l.id ?? ''"
        role="radio"
        :aria-checked="l.id === load"
        class="tab"
        @click="load = l.id">
        {{ l.name }}
      </button>
      <template v-if="!vehicle.isFound.value && (load !== meant || bench?.set_so === false)"
        ><b class="grade-look">not set yet</b
        ><button class="act" :disabled="!answered" @click="setForLoad">Set both plates for this</button></template
      >
      <span class="quiet was"
        >{{ loadName }}: was {{ units.show(bench?.hub_found?.value, 'm', { unit: true }) }}; arm
        {{ deg(bench?.arm_wanted) }}, was {{ deg(bench?.arm_found) }}</span
      >
    </div>
    <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    <p v-else-if="!arm" class="say">
      The arm, its length and its angle are typed under
      <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry#limits-${end}`">Geometry</router-link>; the moves
      follow.
    </p>
    <p v-else-if="barless" class="say">
      This setup has no bar yet.
      <button v-if="foundBar && !vehicle.isFound.value" class="act" @click="keepFound">
        Keep {{ foundBar }}, as found</button
      ><template v-else
        >Type it as found under
        <router-link class="link" :to="`/vehicle/${vehicle.id}/survey#as-found`">Survey</router-link>.</template
      >
    </p>
    <p v-else-if="!asked" class="quiet" role="status">Trying the splines…</p>
    <p v-else-if="!bench" class="say">
      Type the torsion bar as found under Survey and its arm under Geometry; the moves follow.
    </p>
    <p v-else-if="bench.trouble" class="say">
      <b class="grade-look">Look</b> {{ bench.trouble }}. Wanted:
      <AskFigure
        :figure="bench.free_wanted"
        :path="`corners.${place}.free_angle`"
        title="free angle"
        :options="{ unit: true, decimals: 1 }" />.
    </p>
    <template v-else-if="bench.bolt">
      <dl class="bolt">
        <dt>turns of the bolt</dt>
        <dd>
          <b>{{ bench.bolt.turns.assumed ? '~' : '' }}{{ Math.abs(bench.bolt.turns.value).toFixed(1) }}</b>
          {{ bench.bolt.turns.value >= 0 ? 'tighter' : 'looser' }}
        </dd>
        <dt>one turn</dt>
        <dd>
          {{ deg(bench.bolt.angle_per_turn)
          }}<template v-if="bench.bolt.height_per_turn"
            >, {{ bench.bolt.height_per_turn.assumed ? '~' : ''
            }}{{ units.show(bench.bolt.height_per_turn.value, 'm', { unit: true, kind: 'fine length' }) }} of height
            here, this side alone<template v-if="bench.bolt.height_of_both"
              >; {{ units.show(bench.bolt.height_of_both.value, 'm', { unit: true, kind: 'fine length' }) }} with both
              turned</template
            ></template
          >
        </dd>
        <dt>bar end, unloaded</dt>
        <dd>
          <AskFigure
            :figure="bench.free_wanted"
            :path="`corners.${place}.free_angle`"
            title="free angle"
            :options="{ unit: true, decimals: 1 }" />, was {{ deg(bench.free_found) }}
        </dd>
      </dl>
      <TurnEffect :bench="bench" :place="place" />
      <p class="small quiet">
        Lift the vehicle so that the bar is nearly unwound before its bolt is turned; count the same from the same mark
        on both sides. The maker of the vehicle says how far a bolt may go. Have the alignment set afterwards.
      </p>
    </template>
    <template v-else-if="row && bench.splines">
      <p v-if="bench.read_off && Math.abs(bench.read_off.value) > 0.005" class="say">
        <b class="grade-look">Look</b> The plate read {{ deg(bench.free_found) }} where weight, height, arm and bar make
        {{ deg(bench.free_computed) }}. Moves are counted from what was read, the change wanted is that of the numbers.
      </p>
      <p v-else-if="!bench.read" class="say">
        <b class="grade-look">First</b> Read the unloaded plate before anything is moved and type it above: then an
        error of the bar's rate does not count.
      </p>
      <IndexDrawing :bench="bench" :row="row" :side="side" />
      <table class="moves" aria-label="Spline moves">
        <thead>
          <tr>
            <th><TermWord words="bar, from outside" /></th>
            <th><TermWord words="plate, from outside" /></th>
            <th class="mid">
              {{ arm?.adjuster ? 'adjuster' : '' }} <b>{{ units.show(bench.hub_wanted?.value, 'm') }} wanted</b>
            </th>
            <th class="r">{{ units.unit('m').written }}</th>
            <th class="r">{{ arm?.adjuster?.per_turn ? 'turns' : 'left' }}</th>
            <th><TermWord words="first thing against it" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="`${r.inner} ${r.outer}`" :class="{ sel: r === row }">
            <td colspan="2">
              <button class="pick" :disabled="vehicle.isFound.value" :aria-pressed="r === row" @click="take(r)">
                <span>{{
                  r.inner ? turnWords(r.inner, ways(r).bar).replace(/ splines?/, '') : 'as it is'
                }}</span><span>{{
                  r.outer ? turnWords(r.outer, ways(r).plate).replace(/ splines?/, '') : 'as it is'
                }}</span>
              </button>
            </td>
            <td>
              <svg width="148" height="36" viewBox="0 0 148 36" aria-hidden="true">
                <path class="plumb" d="M74 0V36" />
                <template v-if="r.off != null">
                  <rect
                    v-if="arm?.adjuster"
                    class="reach"
                    :x="x(r.off - arm.adjuster.down * perAngle)"
                    y="9"
                    :width="
                      Math.max(2, x(r.off + arm.adjuster.up * perAngle) - x(r.off - arm.adjuster.down * perAngle))
                    "
                    height="18" />
                  <path v-if="r.grade === 'stop'" class="gapline" :d="`M74 18H${x(r.off)}`" />
                  <path
                    class="wedge"
                    :class="{ stop: r.grade === 'stop', fact: r !== row }"
                    :d="`M${x(r.off)} 13l-7 -11h14z`" />
                </template>
              </svg>
            </td>
            <td class="r">{{ r.off == null ? '–' : units.show(r.off, 'm', { signed: true, kind: 'fine length' }) }}</td>
            <td class="r">
              {{
                r.turns != null
                  ? Math.abs(r.turns) < 0.05
                    ? '0'
                    : `${r.turns > 0 ? '+' : '−'}${Math.abs(r.turns).toFixed(1)}`
                  : units.show(r.adjust, 'rad', { signed: true, decimals: 1, unit: true })
              }}
            </td>
            <td class="why">
              <b v-if="r.grade" :class="`grade-${r.grade}`">{{ GRADES[r.grade] }}</b> {{ says(r) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="n in bench.notes" :key="n" class="quiet">{{ n.charAt(0).toUpperCase() + n.slice(1) }}.</p>
      <LevelCheck :bench="bench" :row="row" :place="place" :load="load" :other="otherReads" />
      <OrderOfWork :bench="bench" :row="row" :side="side" :adjustable="!!arm?.adjuster" />
      <TurnEffect :bench="bench" :place="place" />
      <p class="foot">
        <button class="link" :aria-expanded="charted.length > 0" @click="show">index chart of this vehicle</button>
        <button class="link" @click="chart">index chart of this vehicle, CSV</button>
        <span class="quiet">Indexing moves the height; the bar's rate stays its own.</span>
      </p>
      <table v-if="charted.length" class="chart" aria-label="Index chart">
        <caption>
          Index chart,
          {{
            end
          }}
          {{
            side
          }}, heights
          {{
            load ? `under ${loadName}` : 'as weighed'
          }}
        </caption>
        <thead>
          <tr>
            <th><TermWord words="bar" /></th>
            <th><TermWord words="plate" /></th>
            <th><TermWord words="turned by" /></th>
            <th><TermWord words="plate shows" /></th>
            <th><TermWord words="hub to arch" /></th>
            <th><TermWord words="wheel rate" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in charted" :key="c.change" :class="{ sel: c.inner === 0 && c.outer === 0 }">
            <td>{{ c.inner ? turnWords(c.inner, ways(c).bar) : '–' }}</td>
            <td>{{ c.outer ? turnWords(c.outer, ways(c).plate) : '–' }}</td>
            <td>{{ units.show(c.change, 'rad', { signed: true, decimals: 1, unit: true }) }}</td>
            <td>{{ units.show(c.free_angle, 'rad', { decimals: 1, unit: true }) }}</td>
            <td>{{ units.show(c.hub_to_arch, 'm', { unit: true }) }}</td>
            <td>{{ units.show(c.wheel_rate, 'N/m', { unit: true }) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p v-else class="say">
      The bar's splines, inner and outer, are typed under
      <router-link class="link" :to="`/vehicle/${vehicle.id}/survey#as-found`">Survey</router-link>; moves follow from
      them. Wanted: a free plate angle of
      <AskFigure
        :figure="bench.free_wanted"
        :path="`corners.${place}.free_angle`"
        title="free angle"
        :options="{ unit: true, decimals: 1 }" />.
    </p>
  </section>
</template>

<style scoped>
.asked { display: grid; grid-template-columns: 190px 130px 160px 1fr; gap: 14px; align-items: start; } .asked .sides { padding-top: 18px; justify-self: end; } .under .was { margin-left: auto; } .was { line-height: 1.2; } .sides, .under { display: flex; align-items: center; gap: 4px 10px; flex-wrap: wrap; }
.tab { min-height: 44px; padding: 0 12px; font-size: var(--t-3); border-bottom: 3px solid transparent; } .tab[aria-selected="true"], .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
.say { font-size: var(--t-3); margin: 10px 0; }
.moves { width: 100%; border-collapse: collapse; border-top: var(--l-mid) solid var(--ink); } .moves th { font-weight: 400; color: var(--ink-2); text-align: left; padding: 4px 8px; font-size: var(--t-2); } .moves th b { color: var(--plan); font-weight: 600; } .moves .mid { text-align: center; } .moves .r { text-align: right; font-size: var(--t-3); }
.moves td { border-top: 1px solid var(--rule); padding: 2px 8px; vertical-align: middle; } .moves .sel td { background: var(--plan-tint); } .pick { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; width: 100%; min-height: 44px; align-items: center; text-align: left; font-size: var(--t-3); } .sel .pick { font-weight: 600; color: var(--plan); } .why { line-height: 1.15; width: 25%; } .moves th:first-child, .moves th:nth-child(2) { width: 19%; }
.plumb { stroke: var(--plan); stroke-width: 1; } .reach { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.25; } .gapline { stroke: var(--stop); stroke-width: 2; }
.bolt { display: grid; grid-template-columns: 220px 1fr; margin: 10px 0; border-top: var(--l-mid) solid var(--ink); } .bolt dt, .bolt dd { margin: 0; border-bottom: 1px solid var(--rule); min-height: 48px; display: flex; align-items: center; gap: 6px; font-size: var(--t-3); } .bolt b { font-size: var(--t-5, 28px); color: var(--plan); }
.chart { width: 100%; border-collapse: collapse; } .chart th { font-weight: 400; color: var(--ink-2); } .chart th, .chart td { text-align: right; padding: 3px 6px; border-bottom: 1px solid var(--rule); } .chart td:nth-child(-n+2), .chart th:nth-child(-n+2) { text-align: left; } .chart .sel td { background: var(--vellum); font-weight: 600; }
.foot { display: flex; gap: 18px; align-items: center; flex-wrap: wrap; margin-top: 6px; }
@media (max-width: 700px) { .asked { grid-template-columns: 1fr 1fr; } }
</style>
