<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'

import {
  api,
  type Expected,
  type Learned,
  messageOf,
  onTwo,
  type Place,
  placeWords,
  type SetDownRow,
} from '@/api/client'
import SurveyFiles from '@/components/SurveyFiles.vue'
import { useAnswer } from '@/composables/useAnswer'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import CauseRows from './CauseRows.vue'
import { halfOf, scaleOf } from './downScale'
import DownScale from './DownScale.vue'
import LearnedLine from './LearnedLine.vue'
import RoundBar from './RoundBar.vue'
import RoundMore from './RoundMore.vue'
import TurnCell from './TurnCell.vue'
import { useLog } from './useLog'
import { useRounds } from './useRounds'

/** Set down: where it was expected to stand, where it stands, what could explain the difference, and what to turn. */
const vehicle = useVehicle()
const units = useUnits()
const log = useLog()
const rounds = useRounds(vehicle, () => log.newest.value)
const two = computed(() => onTwo(vehicle.document.value))
const floor = ref(false)
const held = useSessionStorage<Place[]>(`feder-held ${vehicle.id}`, [])
const { found, trouble, current } = useAnswer(() => {
  const [document, setup] = [vehicle.document.value, vehicle.setup.value]
  if (!document || !setup || vehicle.isFound.value) return null
  const basis = two.value ? null : floor.value ? ('floor_to_arch' as const) : ('hub_to_arch' as const)
  return api.POST('/api/setdown', {
    body: { document, setup: setup.id, survey: rounds.index.value, held: held.value, basis, vehicle_id: vehicle.id },
  })
}, [vehicle.report, rounds.index, held, floor])
const down = computed(() => found.value?.set_down ?? null)
const past = computed(() => found.value?.as_it_stood ?? false)

// what was expected takes a second to foretell: it follows once the hand rests
const learned = shallowRef<Learned | null>(null)
const refused = ref('')
/** Whether what was foretold is of the document as it is now. */
const pending = ref(true)
let asked = 0
let foretoldOf = ''
let rests: ReturnType<typeof setTimeout> | undefined
async function foretell(mine: number): Promise<void> {
  const [document, setup, survey] = [vehicle.document.value, vehicle.setup.value, rounds.index.value]
  if (!document || !setup || vehicle.isFound.value) {
    learned.value = null
    return
  }
  const { data, error } = await api
    .POST('/api/learn', { body: { document, setup: setup.id, survey, vehicle_id: vehicle.id, held: [] } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  if (mine !== asked) return
  pending.value = false
  refused.value = data ? '' : messageOf(error)
  learned.value = data?.learned ?? null
}
watch(
  [vehicle.report, rounds.index, log.newest],
  () => {
    const mine = ++asked
    pending.value = true
    const of = `${vehicle.setup.value?.id} ${rounds.index.value}`
    // of another round it is another car's
    if (of !== foretoldOf) learned.value = null
    foretoldOf = of
    clearTimeout(rests)
    rests = setTimeout(() => void foretell(mine), 350)
  },
  { immediate: true },
)
const expected = (p: Place): Expected | null =>
  floor.value ? null : (learned.value?.rows.find((r) => r.place === p) ?? null)
const rows = computed(() => down.value?.rows ?? [])
const withBounds = (p: Place, r: SetDownRow) => ({
  read: r.read,
  wanted: r.wanted,
  low: expected(p)?.low,
  high: expected(p)?.high,
})
const groups = computed(() =>
  (['front', 'rear'] as const).map((e) =>
    rows.value.filter((r) => r.place.startsWith(e)).map((r) => withBounds(r.place, r)),
  ),
)
const scales = computed(() => {
  const half = halfOf(groups.value)
  return groups.value.map((g) => scaleOf(g, half, 136))
})
const strange = computed(() => rows.value.filter((r) => expected(r.place)?.strange))
const waitsForCause = computed(() => !!learned.value && !learned.value.ordinary)
const turns = computed(() => rows.value.filter((r) => r.turn && !r.turn.small && !r.turn.held))
const fine = (v: number | null | undefined, unit = true): string => units.show(v, 'm', { kind: 'fine length', unit })
const offOf = computed(
  () =>
    Object.fromEntries(
      (learned.value?.rows ?? []).flatMap((r) => (r.read == null ? [] : [[r.place, r.read - r.expected] as const])),
    ) as Partial<Record<Place, number>>,
)
const chance = (p: number): string => (p > 0.0001 ? `once in ${Math.max(2, Math.round(1 / p))}` : 'hardly ever')
const hold = (p: Place): void =>
  void (held.value = held.value.includes(p) ? held.value.filter((x) => x !== p) : [...held.value, p])
async function taken(): Promise<void> {
  const to = Object.fromEntries(turns.value.map((r) => [r.place, r.turn!.then]))
  const words = turns.value
    .map((r) => `${placeWords(r.place)} ${r.turn!.turns != null ? `${r.turn!.turns.toFixed(1)} turns` : 'set anew'}`)
    .join(', ')
  const along = log.along(`set down, round ${rounds.indices.value.indexOf(rounds.index.value ?? -1) + 1}: ${words}`)
  along.before()
  const why = await vehicle.act('turned as told', { act: 'take turns', to, survey: rounds.index.value }, along.beside)
  if (why === null) along.after()
}
const label = (p: Place): string =>
  two.value
    ? `rider sag, ${placeWords(p)}, as set down`
    : `${floor.value ? 'floor to arch' : 'hub to arch'}, ${placeWords(p)}, as set down`
</script>

<template>
  <RoundBar
    :rounds="rounds"
    :ticks="[
      ['level_floor', 'level'],
      ['pressures_set', 'pressures'],
      ['rolled', 'rolled'],
      ['loaded', 'loaded'],
    ]" />
  <p v-if="trouble || refused" class="grade-stop" role="alert">{{ trouble || refused }}</p>
  <div v-if="down" class="say" role="status">
    <template v-if="!rows.some((r) => r.read != null)">
      <template v-if="two">
        Read the sags with the rider on, lifted and pressed, at each wheel:
        <router-link class="link" :to="`/vehicle/${vehicle.id}/walk`">the sag walk</router-link>; they come here by
        themselves.</template
      ><template v-else
        >On its wheels, rolled back and forth, loaded as it was weighed: read hub to arch at each corner, twice where it
        matters. <router-link class="link" :to="`/vehicle/${vehicle.id}/setdown`">One hand, on a phone</router-link>
      </template></template
    >
    <p v-else-if="strange.length && waitsForCause">
      <b class="grade-look">Look</b>
      <template v-for="(r, i) in strange" :key="r.place"
        >{{ i ? '; ' : ' '
        }}<b
          >{{ placeWords(r.place) }} stands {{ fine(Math.abs(offOf[r.place] ?? 0)) }}
          {{ (offOf[r.place] ?? 0) > 0 !== two ? 'above' : 'below' }} where it should</b
        >, by chance {{ chance(expected(r.place)!.chance) }}</template
      >. {{ strange.length < rows.length ? 'The rest are ordinary. ' : '' }}Find the cause first: turned now, it would
      stand wrong again once the cause is gone.
    </p>
    <p v-else-if="waitsForCause">
      <b class="grade-look">Look</b> <b>Together they stand off what was expected</b> farther than chance does, though
      none by itself. Find the cause first.
    </p>
    <p v-else-if="down.level">
      <b>Every {{ two ? 'wheel' : 'corner' }} read stands near enough to what is wanted:</b> leave it.
    </p>
    <p v-else-if="turns.length">
      <b v-if="learned && !pending">Nothing needs explaining.</b>
      <template v-if="!pending && learned?.after_earlier"> By the round before and what was turned since.</template>
      Turn as told, and all read stand within {{ fine(down.worst_then) }}.
    </p>
    <p v-else-if="!rows.some((r) => r.turn)">Nothing here can be turned: parts, not collars, set its heights.</p>
    <p v-else>What is off is too little to turn, or held.</p>
  </div>
  <div v-if="down" class="legend small">
    <span
      ><svg class="i" width="12" height="14" aria-hidden="true"><path class="i-exp" d="M1 1h10M1 13h10M6 1v12" /></svg>
      expected, 19 of 20 readings fall in it</span
    ><span
      ><svg class="i" width="12" height="14" aria-hidden="true"><path d="M0 7l11 -6v12z" fill="var(--ink)" /></svg>
      read</span
    ><span
      ><svg class="i" width="12" height="14" aria-hidden="true"><path d="M12 7l-11 -6v12z" fill="var(--plan)" /></svg>
      wanted</span
    ><span v-if="pending" class="quiet" role="status">foretelling…</span
    ><label v-if="!two" class="end"><input v-model="floor" type="checkbox" class="box" /> floor to arch instead</label
    ><span class="quiet" :class="{ end: two }">{{ units.unit('m').written }}</span>
  </div>
  <div v-if="down" class="scales" :class="{ two }">
    <DownScale
      v-for="r in rows"
      :key="r.place"
      :place="r.place"
      :row="r"
      :expected="expected(r.place)"
      :scale="scales[r.place.startsWith('front') ? 0 : 1] ?? null"
      :numerals="!r.place.endsWith('right')"
      :of="down.basis"
      :label="label(r.place)"
      :readings="two ? [] : rounds.values(r.place, floor ? 'floor_to_arch' : 'hub_to_arch')"
      :fixed="two"
      @read="(v, again) => rounds.read(r.place, floor ? 'floor_to_arch' : 'hub_to_arch', v, again)" />
  </div>
  <template v-if="down && rows.some((r) => r.read != null)">
    <p class="turnhead">
      <b>what to turn, as it stands</b
      ><span v-if="waitsForCause && turns.length" class="grade-look">wait for the cause</span
      ><span class="quiet small end">seen from above, clockwise is down</span>
    </p>
    <div class="scales" :class="{ two }">
      <TurnCell v-for="r in rows" :key="r.place" :row="r" :waits="waitsForCause" @hold="hold(r.place)" />
    </div>
    <div v-if="turns.length" class="takes">
      <p class="small">
        <b class="grade-look">Look</b> On stands, wheel hanging, before anything is turned; hands clear of a loaded
        collar. Wheel bolts to the maker’s torque, and again after 50 km.
      </p>
      <span v-if="past" class="quiet">An earlier round, told as it stood then.</span
      ><button
        v-else
        class="act"
        :class="{ go: !waitsForCause }"
        :disabled="!current || pending || !log.known.value"
        @click="taken">
        Taken: turned so
      </button>
    </div>
    <CauseRows
      v-if="learned && !learned.ordinary && learned.causes.length"
      :causes="learned.causes"
      :off="offOf"
      :places="rows.map((r) => r.place)"
      :rounds="rounds" />
    <LearnedLine v-if="learned && (learned.taught.length || learned.nearest)" :learned="learned" />
  </template>
  <RoundMore v-if="rounds.index.value !== null" :rounds="rounds" />
  <div class="files">
    <router-link v-if="!two" class="link" :to="`/vehicle/${vehicle.id}/setdown`">read it on a phone</router-link
    ><SurveyFiles v-if="rounds.index.value !== null" :survey="rounds.index.value" />
  </div>
</template>

<style scoped>
.say { font-size: var(--t-3); line-height: 1.25; margin: 4px 0; } .say .link { white-space: normal; min-height: 0; }
.legend { display: flex; flex-wrap: wrap; gap: 2px 18px; border-top: 1.5px solid var(--ink); padding-top: 4px; align-items: center; } .i { display: inline-block; vertical-align: -2px; margin-right: 4px; } .i-exp { stroke: var(--ink); fill: none; stroke-width: 1.25; } .end { margin-left: auto; } .box { width: 18px; height: 18px; accent-color: var(--ink); vertical-align: -4px; }
.scales { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 8px 10px; margin-top: 6px; } .scales.two { grid-template-columns: repeat(2, minmax(0, 1fr)); }
.files { display: flex; flex-wrap: wrap; gap: 0 28px; margin-top: 8px; border-top: 1px solid var(--rule); } .turnhead { display: flex; flex-wrap: wrap; gap: 0 14px; border-top: 1px solid var(--rule); margin-top: 6px; padding-top: 4px; align-items: baseline; }
.takes { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 14px; align-items: center; margin-top: 6px; }
@media (max-width: 700px) { .scales { grid-template-columns: repeat(2, minmax(0, 1fr)); } .takes { grid-template-columns: minmax(0, 1fr); } }
</style>
