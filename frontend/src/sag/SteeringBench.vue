<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import { api, type HardPart, type Lever } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useDraft } from '@/composables/useDraft'

import { useSag } from './useSag'

/** Rake, trail, seat and lean of a two-wheeler, and what a given lean or seat height takes. */
const { vehicle, units, mm, side, set, bike } = useSag()
const said = computed(() => vehicle.shown.value?.steering)
const about = computed(() => vehicle.document.value!.vehicle)
const load = computed(() => (vehicle.document.value?.loads ?? []).find((l) => l.id === vehicle.loadState.value))
const ROWS = [
  { key: 'rake', words: 'rake' },
  { key: 'trail', words: 'trail' },
  { key: 'wheelbase', words: 'wheelbase' },
  { key: 'swingarm', words: 'rear arm to the floor' },
  { key: 'seat_height', words: 'seat over the floor' },
  { key: 'lean', words: 'lean at which it touches, still' },
  { key: 'lean_ridden', words: 'in a steady bend' },
] as const
const rows = computed(() => ROWS.filter((r) => said.value?.[r.key]))
const setVehicle = (words: string, member: (string | number)[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', ...member], value }])
const parts = computed(() => about.value.hard_parts ?? [])
const setParts = (words: string, made: HardPart[]): void => setVehicle(words, ['hard_parts'], made)
const setPart = (i: number, member: keyof HardPart, value: unknown): void =>
  setParts(
    parts.value[i]!.name,
    parts.value.map((p, k) => (k === i ? { ...p, [member]: value } : p)),
  )
const fresh = ref<{ name: string; height: number | null; half_width: number | null; x: number | null }>({
  name: '',
  height: null,
  half_width: null,
  x: null,
})
function add(): void {
  const { name, height, half_width: half, x } = fresh.value
  if (!name.trim() || height === null || half === null || x === null) return
  setParts(`${name.trim()} measured`, [...parts.value, { name: name.trim(), height, half_width: half, x }])
  fresh.value = { name: '', height: null, half_width: null, x: null }
}
// both numbers make a seat; one alone waits
const seatDraft = useDraft(`${vehicle.id} seat`, ['height', 'x'] as const)
const setSeat = (member: 'height' | 'x', value: number | null): void => {
  const now = about.value.seat
  if (value === null && now) {
    seatDraft.park({ ...now, [member]: null })
    return setVehicle('seat', ['seat'], null)
  }
  const whole = seatDraft.put(member, value, now ?? {})
  if (whole) setVehicle('seat', ['seat'], whole)
}
// what it takes
const goal = ref<'lean' | 'seat'>('lean')
const wanted = ref<number | null>(null)
const levers = ref<Lever[]>([])
const trouble = ref('')
watch(
  [goal, said],
  () => {
    if (goal.value === 'lean' && !said.value?.lean_ridden && said.value?.seat_height) goal.value = 'seat'
  },
  { immediate: true },
)
let asked = 0
watch(
  [goal, wanted, vehicle.report, () => vehicle.loadState.value],
  async () => {
    const mine = ++asked
    levers.value = [] // rows of another load or goal are none of this one's
    const [document, setup] = [vehicle.document.value, vehicle.setup.value]
    if (!document || !setup || wanted.value === null) return void (levers.value = [])
    const { data, error } = await api
      .POST('/api/sag/levers', {
        body: {
          document,
          setup: setup.id,
          load_state: vehicle.loadState.value,
          goal: goal.value,
          wanted: wanted.value,
        },
      })
      .catch((e: unknown) => ({ data: undefined, error: e }))
    if (mine !== asked) return
    levers.value = data?.levers ?? []
    trouble.value = error ? 'Feder could not work that out; try a nearer goal' : ''
  },
  { immediate: true },
)
watch(goal, () => (wanted.value = null))
const amount = (l: Lever): string =>
  l.met
    ? 'already reached'
    : l.amount === null
      ? `goes to ${l.farthest == null ? '–' : goal.value === 'lean' ? deg(l.farthest) : units.show(l.farthest, 'm', { unit: true })}: ${l.ends}`
      : `${mm(Math.abs(l.amount!))} ${units.unit('m').written} ${l.amount! >= 0 ? (l.member === 'collar' ? 'more' : l.member === 'clamp' ? 'higher' : 'longer') : l.member === 'collar' ? 'less' : l.member === 'clamp' ? 'lower' : 'shorter'}${l.turns != null ? `, ${Math.abs(l.turns).toFixed(1)} turns` : ''}`
const deg = (v: number | null | undefined): string =>
  v == null ? '–' : units.show(v, 'rad', { unit: true, decimals: 1 })
async function take(l: Lever): Promise<void> {
  if (l.value == null) return
  const member = l.member as 'collar' | 'shock_length' | 'clamp'
  await vehicle.act(`${l.words}, ${l.place}`, { act: 'take lever', place: l.place, member, value: l.value })
}
const CLAMPS = [
  { end: 'front', member: 'clamp', words: 'fork tubes above the top clamp' },
  { end: 'rear', member: 'shock_length', words: 'shock eye to eye, extended' },
] as const
</script>

<template>
  <section class="steer" aria-label="Steering and lean">
    <h3 aria-level="2">
      How it stands<span class="quiet">, {{ load ? load.name : `${bike} alone` }}</span>
    </h3>
    <p v-if="!rows.length" class="say quiet">
      Waits for rake, wheelbase and both tyre radii under
      <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry`">Geometry</router-link>.
    </p>
    <dl v-else>
      <template v-for="r in rows" :key="r.key"
        ><dt>
          {{ r.words }}<small v-if="r.key === 'lean'">, {{ said!.lean_part }}</small>
        </dt>
        <dd>
          <AskFigure
            :figure="said![r.key]"
            :path="`steering.${r.key}`"
            :title="r.words"
            :options="{ unit: true, decimals: ['rake', 'swingarm', 'lean', 'lean_ridden'].includes(r.key) ? 1 : 0 }"
            :at="{ load: vehicle.loadState.value }" /><span
            v-if="said![r.key]!.was != null && Math.abs(said![r.key]!.was! - said![r.key]!.value) > 1e-4"
            class="was"
            >was
            {{
              units.show(said![r.key]!.was, said![r.key]!.unit, { decimals: said![r.key]!.unit === 'rad' ? 1 : 0 })
            }}</span
          >
        </dd></template
      >
    </dl>
    <div class="set">
      <QuantityField
        v-for="c in CLAMPS"
        :key="c.member"
        :label="c.words"
        :of="`SideSetup.${c.member}`"
        kind="fine length"
        :model-value="side(c.end)[c.member]"
        @update:model-value="(v) => set(c.end, c.words, { [c.member]: v })" />
      <p class="small quiet">
        Type both as found first, then in the plan. Higher tubes lower the front; a longer shock lifts the rear. Neither
        changes sag.
      </p>
    </div>
    <div class="takes">
      <h3 aria-level="2">What it takes</h3>
      <div class="under">
        <button
          v-for="g in ['lean', 'seat'] as const"
          :key="g"
          class="tab"
          role="radio"
          :aria-checked="g === goal"
          @click="goal = g">
          {{ g === 'lean' ? 'to lean in a bend' : 'for a seat height' }}
        </button>
        <QuantityField
          v-if="goal === 'lean'"
          v-model="wanted"
          label="lean wanted"
          of="Lever.lean"
          :decimals="1" /><QuantityField v-else v-model="wanted" label="seat height wanted" of="Lever.seat" />
      </div>
      <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
      <table v-if="wanted !== null && levers.length" aria-label="What it takes">
        <thead>
          <tr>
            <th><TermWord words="one of these alone" /></th>
            <th><TermWord words="by" /></th>
            <th><TermWord words="rake" /></th>
            <th><TermWord words="trail" /></th>
            <th><TermWord words="free sag" /></th>
            <th><span class="seen-not">what</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in levers" :key="l.words">
            <td>{{ l.words }}</td>
            <td>{{ amount(l) }}</td>
            <td>{{ deg(l.rake) }}</td>
            <td>{{ mm(l.trail, 0) }}</td>
            <td>{{ mm(l.free_sag) }}</td>
            <td>
              <button v-if="l.amount !== null && !vehicle.isFound.value" class="link" @click="take(l)">take it</button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else-if="wanted !== null" class="quiet">
        Nothing to move yet: type the clamp height and the shock length as found.
      </p>
    </div>
    <details class="parts" :open="!parts.length">
      <summary>What touches, and the seat: measured upright, {{ bike }} alone as found</summary>
      <div v-for="(p, i) in parts" :key="i" class="prow">
        <input
          :value="p.name"
          maxlength="80"
          :aria-label="`name of part ${i + 1}`"
          @change="setPart(i, 'name', ($event.target as HTMLInputElement).value.trim() || p.name)" /><QuantityField
          :label="`${p.name}, over the floor`"
          of="HardPart.height"
          :clearable="false"
          :model-value="p.height"
          @update:model-value="(v) => v !== null && setPart(i, 'height', v)" /><QuantityField
          :label="`${p.name}, out from the middle`"
          of="HardPart.half_width"
          :clearable="false"
          :model-value="p.half_width"
          @update:model-value="(v) => v !== null && setPart(i, 'half_width', v)" /><QuantityField
          :label="`${p.name}, behind the front axle`"
          of="HardPart.x"
          :clearable="false"
          :model-value="p.x"
          @update:model-value="(v) => v !== null && setPart(i, 'x', v)" /><button
          class="link"
          @click="
            setParts(
              `${p.name} taken out`,
              parts.filter((_, k) => k !== i),
            )
          ">
          take out
        </button>
      </div>
      <form class="prow" @submit.prevent="add">
        <input
          v-model="fresh.name"
          maxlength="80"
          placeholder="footrest, silencer"
          aria-label="name of another part" /><QuantityField
          v-model="fresh.height"
          label="over the floor"
          of="HardPart.height" /><QuantityField
          v-model="fresh.half_width"
          label="out from the middle"
          of="HardPart.half_width" /><QuantityField
          v-model="fresh.x"
          label="behind the front axle"
          of="HardPart.x" /><button class="link" type="submit">add</button>
      </form>
      <div class="prow two">
        <QuantityField
          label="seat over the floor"
          of="HardPart.height"
          :model-value="about.seat?.height ?? seatDraft.get('height')"
          @update:model-value="(v) => setSeat('height', v)" /><QuantityField
          label="seat behind the front axle"
          of="HardPart.x"
          :model-value="about.seat?.x ?? seatDraft.get('x')"
          @update:model-value="(v) => setSeat('x', v)" />
      </div>
      <p class="small quiet">
        Tyres are taken as thin, so the true lean is a little greater; bumps, flex and a rider's toes make it less.
        Never find it out on the road.
      </p>
    </details>
  </section>
</template>

<style scoped>
.steer { border-top: var(--l-mid) solid var(--ink); margin-top: 12px; padding-top: 8px; } dl { display: grid; grid-template-columns: repeat(2, 1fr auto); gap: 0 18px; margin: 4px 0; } dt { color: var(--ink-2); border-bottom: 1px solid var(--rule); padding: 6px 0; } dd { margin: 0; border-bottom: 1px solid var(--rule); text-align: right; font-weight: 600; font-size: var(--t-3); } .was { color: var(--ink-2); font-size: var(--t-1); font-weight: 400; margin-left: 8px; }
.set { display: grid; grid-template-columns: 1fr 1fr 1.3fr; gap: 14px; align-items: end; margin: 8px 0; } .under { display: flex; gap: 6px 12px; align-items: end; } .tab { min-height: 44px; padding: 0 10px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
table { width: 100%; border-collapse: collapse; margin-top: 6px; } th { font-weight: 400; color: var(--ink-2); text-align: right; padding: 2px 6px; } td { text-align: right; padding: 2px 6px; border-top: 1px solid var(--rule); } th:first-child, td:first-child { text-align: left; } th:nth-child(2), td:nth-child(2) { text-align: left; font-weight: 600; }
.parts summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; text-decoration: underline; text-underline-offset: 3px; } .prow { display: grid; grid-template-columns: minmax(0, 1fr) 130px 140px 150px 70px; gap: 10px; align-items: end; padding: 2px 0; } .prow.two { grid-template-columns: 180px 200px; } .prow > input { font: inherit; height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; min-width: 0; }
@media (max-width: 760px) { dl { grid-template-columns: 1fr auto; } .set, .prow { grid-template-columns: 1fr 1fr; } }
</style>
