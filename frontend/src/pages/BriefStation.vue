<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, onTwo } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useVehicle } from '@/composables/useVehicle'
import DampingTargets from '@/damping/DampingTargets.vue'
import SagTargets from '@/sag/SagTargets.vue'
import { USUAL } from '@/units/read'

/** What the vehicle is for, what is wrong, what may not be given up; school and targets. */
const vehicle = useVehicle()
const brief = computed(() => vehicle.document.value!.brief!)
const about = computed(() => vehicle.document.value!.vehicle)
const set = (words: string, member: (string | number)[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['brief', ...member], value }])
const setVehicle = (words: string, member: string, value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', member], value }])

const two = computed(() => onTwo(vehicle.document.value))
const kind = computed(() => about.value.kind)
const USES_OF_TWO = {
  motorcycle: [
    { value: 'road motorcycle', words: 'Road', says: 'everyday and touring' },
    { value: 'track motorcycle', words: 'Track', says: 'smooth, hard on the brakes' },
    { value: 'off-road motorcycle', words: 'Off-road', says: 'long travel, rough ground' },
  ],
  bicycle: [
    { value: 'cross-country', words: 'Cross-country', says: 'firm, pedals well' },
    { value: 'trail', words: 'Trail', says: 'up and down again' },
    { value: 'enduro and downhill', words: 'Enduro, downhill', says: 'deep in its travel' },
  ],
}
const uses = computed(() => (kind.value === 'motorcycle' || kind.value === 'bicycle' ? USES_OF_TWO[kind.value] : USES))
const USES = [
  { value: 'comfort road', words: 'Comfort road', says: 'soft and quiet' },
  { value: 'sporty road', words: 'Sporty road', says: 'taut, still a road car' },
  { value: 'fast road, track days', words: 'Fast road, track days', says: 'driven there and back' },
  { value: 'circuit', words: 'Circuit', says: 'smooth track, no aero' },
  { value: 'load carrier', words: 'Load carrier', says: 'judged when loaded' },
]
const SCHOOLS = [
  {
    member: 'pitch_school',
    title: 'Front to rear',
    choices: [
      { value: 'flat ride', words: 'Rear higher: flat ride', says: 'pitch dies out in one wave' },
      { value: 'stiff front', words: 'Front higher', says: 'response and traction on smooth ground' },
    ],
  },
  {
    member: 'stop_school',
    title: 'Bump stops',
    choices: [
      { value: 'not touched', words: 'Not touched in normal use', says: 'the spring alone carries' },
      { value: 'as springs', words: 'A third spring', says: 'met early, tuned with stops and packers' },
    ],
  },
  {
    member: 'frequency_basis',
    title: 'Frequency counts',
    choices: [
      { value: 'wheel rate', words: 'On the wheel rate alone', says: 'the usual way to compare' },
      { value: 'with tyre', words: 'With the tyre in series', says: 'what the body does; needs a tyre rate' },
    ],
  },
] as const
const ENDS: readonly EndName[] = ['front', 'rear']
const FLAT = USUAL['Targets.frequency_ratio'] as [number, number]
type Edges = { low: number; high: number }
type BandName = 'frequency' | 'front_frequency' | 'rear_frequency' | 'frequency_ratio'
const targets = computed(() => brief.value.targets ?? {})
/** What holds at an end: its own band, the one of both, or the usual of the use as the report tells it. */
function bandOf(end: EndName): Partial<Edges> {
  const typed = targets.value[`${end}_frequency`] ?? targets.value.frequency
  const usual = vehicle.report.value?.ends[end]
  return typed ?? { low: usual?.frequency_low?.value, high: usual?.frequency_high?.value }
}
const apart = computed(() => !!(targets.value.front_frequency || targets.value.rear_frequency))
/** One row for both ends, or one for each. */
const bands = computed<{ words: string; member: BandName; now: Partial<Edges> }[]>(() =>
  apart.value
    ? ENDS.map((end) => ({ words: `${end}, `, member: `${end}_frequency` as const, now: bandOf(end) }))
    : [{ words: '', member: 'frequency', now: bandOf('front') }],
)
/** Each end gets a band of its own, or both the front one's again. */
function part(on: boolean): void {
  const [front, rear] = ENDS.map(bandOf)
  const own = (b: Partial<Edges> | undefined) => (on && b?.low && b.high ? { low: b.low, high: b.high } : null)
  vehicle.edit(on ? 'targets, each end its own' : 'targets, one for both ends', [
    { path: ['brief', 'targets', 'front_frequency'], value: own(front) },
    { path: ['brief', 'targets', 'rear_frequency'], value: own(rear) },
  ])
}
const ratioNow = computed<Edges>(() => targets.value.frequency_ratio ?? { low: FLAT[0], high: FLAT[1] })
function setBand(member: BandName, now: Partial<Edges>, edge: 'low' | 'high', value: number | null): void {
  if (value === null) return set('target, back to the usual', ['targets', member], null)
  const other = edge === 'low' ? now.high : now.low
  const next = { low: value, high: value, ...(edge === 'low' ? { high: other ?? value } : { low: other ?? value }) }
  set('target', ['targets', member], next)
}
</script>

<template>
  <div class="bench-top"><h1>Brief</h1></div>
  <div class="two">
    <div class="field">
      <label for="v-name" class="small quiet">Vehicle</label
      ><input
        id="v-name"
        class="line"
        :value="about.name"
        maxlength="80"
        @input="
          ($event.target as HTMLInputElement).value.trim() &&
          setVehicle('name', 'name', ($event.target as HTMLInputElement).value)
        " />
    </div>
    <div class="field">
      <label for="v-about" class="small quiet">In a few words, and as it was weighed</label
      ><input
        id="v-about"
        class="line"
        :value="about.description"
        maxlength="200"
        :placeholder="two ? 'middleweight roadster, tank full' : 'hatchback, driver aboard, half tank'"
        @input="setVehicle('description', 'description', ($event.target as HTMLInputElement).value)" />
    </div>
  </div>
  <section id="use" aria-labelledby="use-h">
    <h3 id="use-h" aria-level="2">What is it for</h3>
    <div class="uses" role="radiogroup" aria-labelledby="use-h">
      <button
        v-for="u in uses"
        :key="u.value"
        role="radio"
        class="choice"
        :aria-checked="brief.use === u.value"
        @click="
          vehicle.edit('use', [
            { path: ['brief', 'use'], value: u.value },
            ...(['frequency', 'front_frequency', 'rear_frequency'] as const).map((band) => ({
              path: ['brief', 'targets', band],
              value: null,
            })),
          ])
        ">
        <b>{{ u.words }}</b><span>{{ u.says }}</span>
      </button>
    </div>
  </section>
  <SagTargets v-if="two" />
  <section v-else class="two" aria-label="Targets">
    <div>
      <h3 aria-level="2">Frequency wanted</h3>
      <div v-for="b in bands" :key="b.member" class="pair">
        <QuantityField
          :label="`${b.words}from`"
          of="Targets.frequency"
          :model-value="b.now.low"
          :high="b.now.high"
          beyond="This is above “to”: raise that first"
          @update:model-value="(v) => setBand(b.member, b.now, 'low', v)" />
        <QuantityField
          :label="`${b.words}to`"
          of="Targets.frequency"
          :model-value="b.now.high"
          :low="b.now.low"
          beyond="This is below “from”: lower that first"
          @update:model-value="(v) => setBand(b.member, b.now, 'high', v)" />
      </div>
      <v-checkbox label="each end its own" :model-value="apart" @update:model-value="(v) => part(!!v)" />
      <p class="small quiet mt-1">
        {{
          targets.frequency || apart
            ? 'Yours. Empty a field to go back to the usual.'
            : 'Usual for this use; general practice, yours to edit.'
        }}
      </p>
    </div>
    <div v-if="brief.pitch_school === 'flat ride'">
      <h3 aria-level="2">Rear over front wanted</h3>
      <div class="pair">
        <QuantityField
          label="ratio of frequencies, from"
          of="Targets.frequency_ratio"
          :decimals="2"
          :model-value="ratioNow.low"
          :high="ratioNow.high"
          beyond="This is above “to”: raise that first"
          @update:model-value="(v) => setBand('frequency_ratio', ratioNow, 'low', v)" />
        <QuantityField
          label="ratio of frequencies, to"
          of="Targets.frequency_ratio"
          :decimals="2"
          :model-value="ratioNow.high"
          :low="ratioNow.low"
          beyond="This is below “from”: lower that first"
          @update:model-value="(v) => setBand('frequency_ratio', ratioNow, 'high', v)" />
      </div>
      <p class="small quiet mt-1">
        {{
          brief.targets?.frequency_ratio
            ? 'Yours. Empty a field to go back to the usual.'
            : '5 to 20 % over is usual for a flat ride; yours to edit.'
        }}
      </p>
    </div>
    <div>
      <h3 aria-level="2">Held at full droop</h3>
      <QuantityField
        label="at least"
        of="Targets.held_at_droop"
        kind="fine length"
        :model-value="brief.targets?.held_at_droop ?? USUAL['Targets.held_at_droop']"
        @update:model-value="(v) => set('target, held at droop', ['targets', 'held_at_droop'], v)" />
      <p class="small quiet mt-1">So that no spring comes loose. General practice.</p>
    </div>
  </section>
  <DampingTargets />
  <section class="two">
    <div id="complaint">
      <h3 aria-level="2">What is wrong now</h3>
      <v-textarea
        aria-label="What is wrong now"
        :model-value="brief.complaint"
        :placeholder="
          two
            ? 'bottoms, harsh, wallows, scrapes in a lean, runs wide'
            : 'floats, bottoms, harsh, sits nose-high, arch gap'
        "
        maxlength="2000"
        @update:model-value="(v: string) => set('complaint', ['complaint'], v)" />
    </div>
    <div>
      <h3 aria-level="2">What may not be given up</h3>
      <v-textarea
        aria-label="What may not be given up"
        :model-value="brief.keep"
        :placeholder="
          two ? 'seat height, comfort two-up, grip on wet roots' : 'ramp clearance, comfort, roadworthiness, tyre wear'
        "
        maxlength="2000"
        @update:model-value="(v: string) => set('what to keep', ['keep'], v)" />
    </div>
  </section>
  <section v-if="!two" id="schools" class="schools" aria-label="Schools">
    <fieldset v-for="s in SCHOOLS" :key="s.member">
      <legend>{{ s.title }}</legend>
      <button
        v-for="c in s.choices"
        :key="c.value"
        role="radio"
        class="choice"
        :aria-checked="brief[s.member] === c.value"
        @click="set(s.title.toLowerCase(), [s.member], c.value)">
        <b>{{ c.words }}</b><span>{{ c.says }}</span>
      </button>
    </fieldset>
  </section>
</template>

<style scoped>
section { margin-top: 18px; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 32px; }
.field { display: grid; }
.line { font: inherit; font-size: var(--t-3); height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; outline: 0; min-width: 0; }
.line:focus { border-bottom: 3px solid var(--ink); }
.uses { display: grid; grid-template-columns: repeat(auto-fit, minmax(130px, 1fr)); border-top: 1.5px solid var(--ink); margin-top: 6px; }
.choice { display: grid; align-content: start; gap: 2px; min-height: 56px; padding: 8px 10px 8px 12px; border-bottom: 1px solid var(--rule); line-height: 1.2; width: 100%; }
.choice b { font-weight: 500; }
.choice span { color: var(--ink-2); font-size: var(--t-1); }
.choice[aria-checked="true"] { background: var(--vellum); box-shadow: inset 5px 0 var(--ink); }
.choice[aria-checked="true"] b { font-weight: 600; }
.two[aria-label='Targets'] { grid-template-columns: repeat(auto-fit, minmax(200px, 1fr)); }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; }
.schools { display: grid; grid-template-columns: repeat(3, 1fr); gap: 24px; }
fieldset { border: 0; padding: 0; margin: 0; border-top: 1.5px solid var(--ink); }
legend { font-size: var(--t-3); font-weight: 600; padding: 0 8px 4px 0; float: left; width: 100%; }
</style>
