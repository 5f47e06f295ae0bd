<script setup lang="ts">
import { computed, nextTick, onScopeDispose, reactive, ref, shallowRef, watch } from 'vue'

import {
  api,
  barOf,
  type Candidate,
  coilOf,
  type CornerReport,
  type EndName,
  type Filters,
  messageOf,
  type SpringPart,
} from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import WaitsFor from '@/components/WaitsFor.vue'
import FindingList from '@/components/FindingList.vue'
import { useAsking } from '@/composables/vehicle/useAsking'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import { withValue } from '@/logic/patch'
import { commonRange, marksOf } from '@/stance/ladder'
import BarChoice from '@/torsion/BarChoice.vue'

import CandidateList from './CandidateList.vue'
import FrequencyStrip from './FrequencyStrip.vue'
import ShelfFilters from './ShelfFilters.vue'
import { noFilters } from './bench'
import SpringForm from './SpringForm.vue'
import SpringHead from './SpringHead.vue'
import { vRoving } from '@/logic/roving'

/** A choice, not a form: the strip above, springs that really exist below, each with the first thing against it. */
const vehicle = useVehicle()
const units = useUnits()
const end = ref<EndName>('rear')
const fit = ref<'fits' | 'all'>('fits')
const filtering = ref(false)
const filters = reactive<Filters>(noFilters())
const filtered = computed(() => Object.values(filters).some((v) => v !== null))
// rows and what they are drawn against change together, so that each row is drawn once an answer
const tried = shallowRef<{
  rows: Candidate[]
  corner: CornerReport | undefined
  range: { top: number; bottom: number }
}>({ rows: [], corner: undefined, range: { top: 50, bottom: -50 } })
const rows = computed(() => tried.value.rows)
const range = computed(() => tried.value.range)
const onShelf = ref(0)
const perched = ref(false)
const loaded = ref(false)
const trouble = ref('')
const typing = ref(false)
const list = ref<HTMLElement | null>(null)
const report = computed(() => vehicle.report.value)
/** The load under which frequencies are judged, where the targets are meant with the load on. */
const under = computed(() => report.value?.vehicle.judged_under ?? null)
const underWords = computed(() => vehicle.document.value?.loads?.find((l) => l.id === under.value)?.name ?? '')
const judged = useAsking(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!document || !setup || !under.value) return null
  return { document, setup: setup.id, against: vehicle.against.value, load_state: under.value, weighed: false }
})
watch(report, () => under.value && void judged.ask(), { immediate: true })
/** The report in which frequencies are judged. */
const ridden = computed(() => (under.value ? judged.loaded.value : report.value))
const lead = computed(() => report.value?.corners[end.value === 'front' ? 'front_left' : 'rear_left'])
const SIDES = { front: ['front_left', 'front_right'], rear: ['rear_left', 'rear_right'] } as const
/** On torsion bars, unless coilovers stand in their place. */
const onBar = (e: EndName): boolean =>
  vehicle.document.value?.vehicle.ends?.[e]?.layout === 'torsion arm' &&
  !coilOf(vehicle.setup.value?.sides?.[SIDES[e][0]])
const chosen = (e: EndName): SpringPart | null => coilOf(vehicle.setup.value?.sides?.[SIDES[e][0]])

let asking = false
let again = false
async function ask(): Promise<void> {
  if (asking) return void (again = true)
  asking = true
  do {
    again = false
    const document = vehicle.document.value
    const setup = vehicle.setup.value
    if (!document || !setup) break
    const load_state = under.value
    const { data, error } = await api
      .POST('/api/candidates', {
        body: { document, setup: setup.id, end: end.value, fit: fit.value, load_state, filters: { ...filters } },
      })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    if (data) {
      const r = commonRange([marksOf(lead.value)])
      tried.value = { rows: data.rows, corner: lead.value, range: { top: r.top + 10, bottom: r.bottom } }
      onShelf.value = data.on_shelf
      perched.value = data.perched
      trouble.value = ''
    } else trouble.value = messageOf(error)
    loaded.value = true
  } while (again)
  asking = false
}
// while something is dragged the shelf waits until the hand rests
let wait: ReturnType<typeof setTimeout> | undefined
watch(
  [() => vehicle.report.value, fit, filters, vehicle.dragging],
  () => {
    clearTimeout(wait)
    if (!vehicle.dragging.value) return void ask()
    wait = setTimeout(() => void ask(), 350)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(wait))
watch(end, async () => {
  await ask()
  scrollToChosen()
})
watch(loaded, scrollToChosen)
async function scrollToChosen(): Promise<void> {
  await nextTick()
  const row = list.value?.querySelector<HTMLElement>('.sel')
  if (row && list.value) list.value.scrollTop = row.offsetTop - list.value.offsetTop - 108
}

const perch = (on: boolean): Promise<string | null> =>
  vehicle.act(`${end.value} springs ${on ? 'on the standard perch' : 'at a height asked for'}`, {
    act: 'perch',
    end: end.value,
    on,
  })
const which = ref<'both' | 'left' | 'right'>('both')
const unlike = computed(() => {
  const [l, r] = SIDES[end.value].map((p) => coilOf(vehicle.setup.value?.sides?.[p])?.code)
  return l !== r ? [l ?? 'none', r ?? 'none'] : null
})
async function choose(part: SpringPart): Promise<void> {
  if (vehicle.isFound.value) return
  await vehicle.act(`${end.value} spring`, { act: 'choose spring', end: end.value, part, sides: which.value })
}
const barFound = computed(() => barOf(vehicle.document.value?.setups[0]?.sides?.[SIDES[end.value][0]]))
/** The spring as found stays, on its perch as found. */
const asFound = computed(() => coilOf(vehicle.document.value?.setups[0]?.sides?.[SIDES[end.value][0]]))
const keepFound = (): Promise<string | null> =>
  vehicle.act(`${end.value} spring as found kept`, { act: 'keep found', end: end.value })
const ordered = computed(() => [...rows.value].sort((a, b) => a.part.rate.value - b.part.rate.value))
/** The spring on the shelf nearest to a rate, of those that the bench calls best of theirs. */
function nearest(rate: number): Candidate | undefined {
  const off = (c: Candidate): number => Math.abs(Math.log(c.part.rate.value / rate))
  return rows.value
    .filter((c) => c.best)
    .reduce<Candidate | undefined>((a, b) => (a && off(a) <= off(b) ? a : b), undefined)
}
let dragging = false
let asked: Promise<void> = Promise.resolve()
let newest: SpringPart | null = null
/** One act at a time: while one is on its way only the newest is asked next. */
function chooseNext(part: SpringPart): void {
  newest = part
  asked = asked.then(async () => {
    const next = newest
    newest = null
    if (next && next.code !== chosen(end.value)?.code) await choose(next)
  })
}
async function askRate(rate: number, done: boolean): Promise<void> {
  if (!dragging) vehicle.beginGesture()
  dragging = !done
  const found = nearest(rate)
  if (found && found.part.rate.value !== chosen(end.value)?.rate.value) chooseNext(found.part)
  if (!done) return
  await asked
  vehicle.endGesture()
  void scrollToChosen()
}
function step(by: 1 | -1): void {
  const now = chosen(end.value)?.rate.value ?? ridden.value?.ends[end.value]?.rate_low?.value ?? 0
  const rates = [...new Set(ordered.value.map((c) => c.part.rate.value))]
  const next = by > 0 ? rates.find((r) => r > now + 1) : [...rates].reverse().find((r) => r < now - 1)
  if (next !== undefined) void askRate(next, true)
}
const findings = computed(() => (report.value?.findings ?? []).filter((f) => f.station === 'springs'))
const wantedText = computed(() => {
  const r = ridden.value?.ends[end.value]
  return r?.rate_low && r.rate_high
    ? `${units.show(r.rate_low.value, 'N/m')} to ${units.show(r.rate_high.value, 'N/m', { unit: true })} at the ${end.value} spring gives the frequency wanted`
    : ''
})
const inside = computed(() => chosen(end.value)?.inside_diameter)
const working = useWorking()
/** How a number of a row comes about: the working of the document with that spring tried on both sides. */
function how(part: SpringPart, what: 'wheel_rate' | 'frequency' | 'over_front'): void {
  let tried = vehicle.document.value!
  for (const p of SIDES[end.value])
    tried = withValue(tried, ['setups', vehicle.setupIndex.value, 'sides', p, 'spring'], part)
  const path = what === 'over_front' ? 'vehicle.frequency_ratio' : `ends.${end.value}.${what}`
  const words = { wheel_rate: 'wheel rate', frequency: 'frequency', over_front: 'rear over front' }[what]
  working.ask(path, `${words} with ${part.code}`, { document: tried, load: under.value })
}
/** What is put on the shelf stands there; to fit it is another act. */
function added(): void {
  typing.value = false
  void ask()
}
/** What both ends' heights wait for, each with the place where it is typed. */
const waiting = computed(() => {
  const told = report.value?.waits ?? {}
  const kinds = vehicle.isFound.value ? ['rate'] : ['height', 'rate']
  const all = kinds.flatMap((kind) => ['front', 'rear'].flatMap((e) => told[`${kind} ${e}`] ?? []))
  return all.filter((w, i) => all.findIndex((x) => x.words === w.words) === i)
})
</script>

<template>
  <SpringHead view="choice">
    <div v-roving class="ends" role="tablist" aria-label="Which end">
      <button
        v-for="e in ['front', 'rear'] as const"
        :key="e"
        class="tab"
        role="tab"
        :aria-selected="e === end"
        @click="end = e">
        <svg width="25" height="6" aria-hidden="true">
          <path d="M0 3H25" :stroke-dasharray="e === 'rear' ? '7 4' : undefined" /></svg
        >{{ e === 'front' ? 'Front' : 'Rear' }}
        <span class="spring-of">
          <b :class="{ fact: vehicle.setup.value?.stage !== 'plan' }">{{
            chosen(e)?.code ?? barOf(vehicle.setup.value?.sides?.[SIDES[e][0]])?.code ?? 'none yet'
          }}</b>
          {{ ' '
          }}<span v-if="chosen(e)?.rate" class="rate">{{
            units.show(chosen(e)!.rate!.value, 'N/m', { unit: true }).replace(/[.,]0(?= )/, '')
          }}</span>
        </span>
      </button>
    </div>
  </SpringHead>
  <FindingList :findings="findings" :stations="['springs']" />
  <FrequencyStrip
    v-if="ridden"
    :report="ridden"
    :end="end"
    :shelf="rows"
    :movable="!vehicle.isFound.value"
    :fact="vehicle.setup.value?.stage !== 'plan'"
    @ask="askRate"
    @pick="(e) => (end = e)"
    @step="step" />
  <p v-if="ridden?.vehicle.frequency_ratio" class="say">
    <template v-if="under">With {{ underWords }}, as the targets are meant: rear </template>
    <template v-else>Rear </template>
    <em
      ><AskFigure
        :figure="{ ...ridden.vehicle.frequency_ratio, value: ridden.vehicle.frequency_ratio.value - 1 }"
        as-percent
        path="vehicle.frequency_ratio"
        title="rear over front"
        :at="{ load: under }"
        :options="{ signed: true }"
    /></em>
    over front<template v-if="ridden.vehicle.flat_speed"
      >. Pitch dies out in one wave at
      <em
        ><AskFigure
          :figure="ridden.vehicle.flat_speed"
          path="vehicle.flat_speed"
          title="flat-ride speed"
          :at="{ load: under }"
          :options="{ unit: true }" /></em></template
    >.
  </p>
  <p v-else-if="waiting.length" class="say"><WaitsFor :waits="waiting" /></p>
  <p v-else-if="report" class="say">
    {{ wantedText || (vehicle.isFound.value ? 'As found.' : 'Choose a spring for both ends.') }}
  </p>
  <BarChoice v-if="onBar(end)" :end="end" />
  <section v-else class="cands" aria-label="Springs on the shelf">
    <ShelfFilters v-if="filtering" :filters="filters" />
    <div class="c-head">
      <span>{{ end }} springs<br />on the shelf</span><span class="r">wheel<br />{{ units.unit('N/m').written }}</span
      ><span class="r">Hz<br /><small>damped</small></span
      ><span class="r">{{ end === 'rear' ? 'over' : 'rear over' }}<br />{{ end === 'rear' ? 'front' : 'this' }}</span>
      <span class="h-lad"
        ><i :style="{ left: `${((0 - range.bottom) / (range.top - range.bottom)) * 212}px` }">ride</i
        ><i class="l">droop</i><i class="b">bump</i></span
      ><span class="h-ag">first thing against it</span>
    </div>
    <svg width="0" height="0" class="defs" aria-hidden="true">
      <defs>
        <pattern id="hatch-row" width="8" height="8" patternUnits="userSpaceOnUse">
          <path class="txl" d="M-1 1 1-1M-1 9 9-1M7 9 9 7" />
        </pattern>
        <pattern id="dots-row" width="5" height="5" patternUnits="userSpaceOnUse">
          <circle class="txd" cx="1.250" cy="1.250" r="1.100" />
          <circle class="txd" cx="3.750" cy="3.750" r="1.100" />
        </pattern>
      </defs>
    </svg>
    <div ref="list" class="c-list" role="list" aria-label="Springs">
      <p v-if="trouble" class="grade-stop pa-3">{{ trouble }}</p>
      <p v-else-if="!loaded" class="quiet pa-3" role="status">Trying the shelf…</p>
      <p v-else-if="!rows.length" class="pa-3">
        {{
          filtered && onShelf
            ? 'No spring on the shelf lies within what you narrowed to.'
            : onShelf
              ? 'No spring on the shelf has this inside diameter.'
              : 'The shelf is empty.'
        }}
        Type one in, or import a list on the shelf page.
      </p>
      <CandidateList
        :rows="rows"
        :corner="tried.corner"
        :range="range"
        :disabled="vehicle.isFound.value"
        @choose="choose"
        @how="how" />
    </div>
    <div class="c-foot">
      <span
        >{{ rows.length }} of {{ onShelf
        }}<template v-if="fit === 'fits' && inside">
          that fit {{ units.show(inside, 'm', { unit: true }) }}</template
        ></span
      >
      <button v-if="inside || fit === 'all'" class="link" @click="fit = fit === 'fits' ? 'all' : 'fits'">
        {{ fit === 'fits' ? 'show the rest' : 'only those that fit' }}
      </button>
      <button class="link" :aria-expanded="filtering" @click="filtering = !filtering">
        {{ filtered ? 'narrowed' : 'narrow the list' }}
      </button>
      <button class="link" :disabled="vehicle.isFound.value" @click="typing = true">type in another spring</button>
      <router-link class="link" to="/shelf">the shelf</router-link>
      <button v-if="!vehicle.isFound.value && barFound" class="link" @click="keepFound">
        back to the bars as found
      </button>
      <button
        v-if="!vehicle.isFound.value && asFound && asFound.code !== chosen(end)?.code"
        class="link"
        @click="keepFound">
        keep the spring as found
      </button>
      <span v-if="!vehicle.isFound.value" role="radiogroup" aria-label="Which side a spring is chosen for" class="which"
        ><button
          v-for="w in ['both', 'left', 'right'] as const"
          :key="w"
          role="radio"
          :aria-checked="which === w"
          @click="which = w">
          {{ w === 'both' ? 'both sides' : w }}
        </button></span
      >
      <span v-if="unlike">left {{ unlike[0] }}, right {{ unlike[1] }}</span>
      <v-checkbox
        v-if="!vehicle.isFound.value"
        label="on the standard perch"
        :model-value="perched"
        @update:model-value="(v) => perch(!!v)" />
      <span v-if="vehicle.isFound.value" class="grade-look">as found is measured, not chosen; take the plan</span>
    </div>
  </section>
  <SpringForm :open="typing" @close="typing = false" @added="added" />
</template>

<style scoped>
.ends { display: flex; }
.tab { height: 44px; padding: 0 0 0 6px; margin-left: 14px; display: flex; align-items: center; gap: 7px; font-size: var(--t-3); border-bottom: 3px solid transparent; white-space: nowrap; }
.tab[aria-selected="true"] { border-color: var(--ink); font-weight: 600; }
.tab b { font-weight: 600; color: var(--plan); } .spring-of { display: grid; text-align: left; line-height: 1.05; } .rate { font-size: var(--t-1); font-weight: 400; color: var(--ink-2); } .tab b.fact { color: var(--ink); }
.tab path { stroke: currentColor; stroke-width: 2.25; fill: none; }
.say { margin: 2px 0 6px; font-size: var(--t-3); min-height: 32px; } .say em { font-style: normal; font-weight: 600; }
.cands { border-top: var(--l-mid) solid var(--ink); }
.c-head small { font-size: var(--t-1); }
.c-head { display: grid; grid-template-columns: 112px 54px 54px 66px 8px 212px 14px minmax(120px, 1fr); min-height: 44px; align-items: end; color: var(--ink-2); line-height: 1.1; padding: 4px 12px; }
.r { text-align: right; font-size: var(--t-1); }
.h-lad { grid-column: 6; position: relative; height: 18px; font-size: var(--t-1); } .h-lad i { position: absolute; font-style: normal; transform: translateX(-50%); bottom: 0; } .h-lad .l { left: 0; transform: none; } .h-lad .b { right: 0; transform: none; }
.h-ag { grid-column: 8; }
.defs { position: absolute; }
.c-list { max-height: max(220px, calc(100dvh - 528px)); overflow: auto; }
.c-foot { display: flex; gap: 4px 28px; align-items: center; flex-wrap: wrap; border-top: 1px solid var(--rule); color: var(--ink-2); min-height: 44px; }
.which { display: inline-flex; } .which button { min-height: 44px; padding: 0 8px; border-bottom: 2px solid transparent; } .which button[aria-checked='true'] { color: var(--ink); font-weight: 600; border-color: var(--ink); }
.c-foot .link { color: var(--ink); }
.c-foot .link:disabled { color: var(--ink-3); text-decoration: none; }
@media (max-width: 1100px) { .c-list { max-height: max(272px, calc(100dvh - 640px)); } }
</style>
