<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import EndMore from '@/components/EndMore.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import RatioField from '@/components/RatioField.vue'
import WrittenField from '@/components/WrittenField.vue'
import { useVehicle } from '@/composables/useVehicle'
import AlignmentAdjusters from '@/geometry/AlignmentAdjusters.vue'
import EndReplaced from '@/geometry/EndReplaced.vue'
import { LAYOUTS } from '@/geometry/layouts'
import { partsOf } from '@/geometry/replaced'
import { toleranceOf } from '@/logic/tolerances'
import ArmFields from '@/torsion/ArmFields.vue'

/** Dimensions, motion ratios, unsprung masses and the four travel limits. */
const vehicle = useVehicle()
const about = computed(() => vehicle.document.value!.vehicle)
const ends = computed(() => about.value.ends!)
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'geometry'))
const ENDS: EndName[] = ['front', 'rear']
const set = (words: string, member: (string | number)[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', ...member], value }])
const setEnd = (end: EndName, words: string, member: string[], value: unknown): void =>
  set(`${end} ${words}`, ['ends', end, ...member], value)
/** A number that knows how it was got: keep that, change the value. */
const setValued = (
  end: EndName,
  words: string,
  member: string[],
  now: object | null | undefined,
  [value, tolerance]: [number | null, number | null],
  how: string,
): void => setEnd(end, words, member, value === null ? null : { how, ...now, value, tolerance })
/** A plain number of a part of an end, with the tolerance typed behind it. */
function setPlain(
  end: EndName,
  words: string,
  part: 'limits' | 'tyre',
  member: string,
  value: number | null,
  t: number | null,
): void {
  const now = ends.value[end]![part]
  setEnd(end, words, [part], { ...now, [member]: value, tolerances: toleranceOf(now, member, t) })
}
function setLayout(end: EndName, layout: string): void {
  const apart = layout === 'divorced' || layout === 'torsion arm'
  vehicle.edit(`${end} layout`, [
    { path: ['vehicle', 'ends', end, 'layout'], value: layout },
    {
      path: ['vehicle', 'ends', end, 'damper'],
      value: apart
        ? (ends.value[end]!.damper ?? { ratio: null })
        : layout === 'live axle' && ends.value[end]!.damper?.ratio
          ? ends.value[end]!.damper
          : null,
    },
  ])
}
/** What the setup in hand changes of what is measured here. */
const CHANGED = {
  damper: 'dampers',
  body: 'damper length',
  top_mount: 'top mounts',
  stack: 'what lies at the seat',
  pads: 'pads at the seat',
  spacer: 'wheel spacers',
  stop: 'bump stops',
} as const
const differs = computed(() => {
  if (vehicle.isFound.value) return []
  const sides = Object.values(vehicle.setup.value?.sides ?? {})
  const parts = (Object.keys(CHANGED) as (keyof typeof CHANGED)[])
    .filter((member) => sides.some((side) => side?.[member]))
    .map((member) => CHANGED[member])
  const replaced = ENDS.flatMap((e) => partsOf(vehicle.setup.value?.[`${e}_end`] ?? null).map((p) => `${p}, ${e}`))
  return [...replaced, ...parts]
})
const LIMITS = [
  { member: 'droop', words: 'full droop', letter: 'D', says: 'wheel hanging on the damper' },
  { member: 'stop', words: 'stop touched', letter: '', says: 'bump stop just meets' },
  { member: 'solid', words: 'damper solid', letter: 'S', says: 'stop off: metal on metal' },
  {
    member: 'contact',
    words: 'tyre meets arch',
    letter: 'T',
    says: 'turn the wheel too; damper off where it is solid first',
  },
] as const
const DIMENSIONS = [
  { member: 'front_overhang', words: 'front overhang' },
  { member: 'rear_overhang', words: 'rear overhang' },
  { member: 'roof_height', words: 'roof height' },
] as const
const cgHeight = (value: number | null, tolerance: number | null): void =>
  set(
    'height of the centre of gravity',
    ['sprung_cg_height'],
    value === null ? null : { how: 'estimated', ...about.value.sprung_cg_height, value, tolerance },
  )
const estimateDamper = (end: EndName, on: boolean): void =>
  setEnd(end, 'damper coefficient, how it was got', ['damper_coefficient', 'how'], on ? 'estimated' : 'typed')
</script>

<template>
  <div class="bench-top">
    <h1>Geometry</h1>
    <span v-if="differs.length" class="quiet"
      >as found; {{ vehicle.setup.value!.name }} differs in {{ differs.join('; ') }}</span
    >
    <span v-else class="quiet">as found, and so in every setup that replaces nothing</span>
  </div>
  <FindingList :findings="findings" />
  <section id="dimensions" class="dims">
    <QuantityField
      label="wheelbase"
      of="Vehicle.wheelbase"
      strong
      :model-value="about.wheelbase?.value"
      :tolerance="about.wheelbase?.tolerance"
      tolerant
      @update:model-value="
        (v, tolerance) =>
          set('wheelbase', ['wheelbase'], v === null ? null : { how: 'tape', ...about.wheelbase, value: v, tolerance })
      " />
    <QuantityField
      v-for="d in DIMENSIONS"
      :key="d.member"
      :label="`${d.words} (drawing)`"
      of="Vehicle.outline"
      :model-value="about[d.member]"
      @update:model-value="(v) => set(d.words, [d.member], v)" />
  </section>
  <section id="roll" class="dims two">
    <QuantityField
      label="sprung centre of gravity over the floor, for roll"
      of="Vehicle.sprung_cg_height"
      :estimated="about.sprung_cg_height?.how === 'estimated'"
      :model-value="about.sprung_cg_height?.value"
      :tolerance="about.sprung_cg_height?.tolerance"
      tolerant
      @update:model-value="cgHeight" />
    <p class="small quiet">
      With both roll centres it gives roll, load moved and the cornering at which a stop is met. An estimate does: near
      the hip of a seated driver in a car.
    </p>
  </section>
  <div id="ratios" class="ends">
    <section v-for="end in ENDS" :key="end" :aria-label="end">
      <h2>
        <svg width="34" height="8" aria-hidden="true">
          <path
            d="M0 4H34"
            stroke="currentColor"
            stroke-width="2.250"
            :stroke-dasharray="end === 'rear' ? '7 4' : undefined" /></svg
        >{{ end === 'front' ? 'Front' : 'Rear' }}
      </h2>
      <EndReplaced v-if="!vehicle.isFound.value" :end="end" />
      <h3 v-if="!vehicle.isFound.value" aria-level="2" class="found">As found</h3>
      <v-select
        label="layout"
        :items="LAYOUTS"
        :model-value="ends[end]!.layout"
        @update:model-value="(v: string) => setLayout(end, v)" />
      <div class="pair">
        <QuantityField
          label="track"
          of="End.track"
          :model-value="ends[end]!.track"
          @update:model-value="(v) => setEnd(end, 'track', ['track'], v)" />
        <QuantityField
          label="unsprung mass, each corner"
          of="End.unsprung_mass"
          :decimals="1"
          :model-value="ends[end]!.unsprung_mass?.value"
          :tolerance="ends[end]!.unsprung_mass?.tolerance"
          tolerant
          @update:model-value="
            (...v) => setValued(end, 'unsprung mass', ['unsprung_mass'], ends[end]!.unsprung_mass, v, 'scales')
          " />
      </div>
      <ArmFields v-if="ends[end]!.layout === 'torsion arm'" :end="end" />
      <RatioField
        v-else
        :label="ends[end]!.layout === 'divorced' ? 'spring motion ratio' : 'motion ratio'"
        :layout="ends[end]!.layout!"
        :ratio="ends[end]!.spring?.ratio ?? null"
        :draft-key="`${vehicle.id} ${end} spring levers`"
        @change="(r) => setEnd(end, 'motion ratio', ['spring', 'ratio'], r)" />
      <RatioField
        v-if="['divorced', 'live axle', 'torsion arm'].includes(ends[end]!.layout!)"
        label="damper motion ratio"
        :layout="ends[end]!.layout!"
        :ratio="ends[end]!.damper?.ratio ?? null"
        :draft-key="`${vehicle.id} ${end} damper levers`"
        @change="
          (r) =>
            setEnd(end, 'damper motion ratio', ['damper'], r || ends[end]!.layout === 'divorced' ? { ratio: r } : null)
        " />
      <p v-if="ends[end]!.layout === 'live axle' && !ends[end]!.damper" class="small quiet">
        Left blank, the damper is taken to move with the spring.
      </p>
      <p v-if="!['divorced', 'live axle', 'torsion arm'].includes(ends[end]!.layout!)" class="moves quiet">
        The damper moves with the spring.
      </p>
      <div class="pair">
        <QuantityField
          label="damper coefficient, or blank"
          of="End.damper_coefficient"
          :estimated="ends[end]!.damper_coefficient?.how === 'estimated'"
          :model-value="ends[end]!.damper_coefficient?.value"
          :tolerance="ends[end]!.damper_coefficient?.tolerance"
          tolerant
          @update:model-value="
            (...v) =>
              setValued(end, 'damper coefficient', ['damper_coefficient'], ends[end]!.damper_coefficient, v, 'typed')
          " />
        <v-checkbox
          class="est"
          label="an estimate"
          :disabled="!ends[end]!.damper_coefficient"
          :model-value="ends[end]!.damper_coefficient?.how === 'estimated'"
          @update:model-value="(v) => estimateDamper(end, !!v)" />
      </div>
      <div class="three">
        <WrittenField
          label="tyre size"
          of="Tyre.size"
          :model-value="ends[end]!.tyre?.size"
          @update:model-value="(v) => setEnd(end, 'tyre size', ['tyre', 'size'], v)" />
        <QuantityField
          label="tyre radius, loaded"
          of="Tyre.radius"
          :model-value="ends[end]!.tyre?.radius"
          :tolerance="ends[end]!.tyre?.tolerances?.radius"
          tolerant
          :hint="ends[end]!.tyre?.size ? 'blank: by its size, marked' : undefined"
          @update:model-value="(...v) => setPlain(end, 'tyre radius', 'tyre', 'radius', ...v)" />
        <QuantityField
          label="tyre rate, if known"
          of="Tyre.rate"
          :model-value="ends[end]!.tyre?.rate?.value"
          :tolerance="ends[end]!.tyre?.rate?.tolerance"
          tolerant
          @update:model-value="
            (...v) => setValued(end, 'tyre rate', ['tyre', 'rate'], ends[end]!.tyre?.rate, v, 'maker')
          " />
      </div>
      <div class="pair">
        <QuantityField
          label="anti-roll bar rate at its link, or blank"
          of="AntiRollBar.rate"
          :model-value="ends[end]!.bar?.rate.value"
          :tolerance="ends[end]!.bar?.rate.tolerance"
          tolerant
          @update:model-value="
            (v, tolerance) =>
              setEnd(
                end,
                'anti-roll bar',
                ['bar'],
                v === null
                  ? null
                  : { ...ends[end]!.bar, rate: { how: 'estimated', ...ends[end]!.bar?.rate, value: v, tolerance } },
              )
          " />
        <QuantityField
          v-if="ends[end]!.bar"
          label="link / wheel travel of the bar"
          of="AntiRollBar.motion_ratio"
          :decimals="2"
          :estimated="ends[end]!.bar!.motion_ratio == null"
          hint="blank: 1, the link at the wheel"
          :model-value="ends[end]!.bar!.motion_ratio ?? 1"
          @update:model-value="(v) => setEnd(end, 'bar motion ratio', ['bar', 'motion_ratio'], v)" />
        <QuantityField
          v-if="ends[end]!.bar"
          label="length of its links"
          of="AntiRollBar.link_length"
          hint="between the joints' middles"
          :model-value="ends[end]!.bar!.link_length"
          @update:model-value="(v) => setEnd(end, 'bar links', ['bar', 'link_length'], v)" />
      </div>
      <QuantityField
        v-if="ends[end]!.layout === 'live axle'"
        label="between the springs of the axle"
        of="End.spring_base"
        :model-value="ends[end]!.spring_base"
        @update:model-value="(v) => setEnd(end, 'spring base', ['spring_base'], v)" />
      <h3 :id="`limits-${end}`" aria-level="2" class="mt-3">Travel limits, hub to arch</h3>
      <p class="small quiet">Spring out, wheel jacked in steps, on stands. Read hub to arch at each.</p>
      <div class="limits">
        <div v-for="l in LIMITS" :key="l.member">
          <p v-if="l.member === 'stop' && vehicle.report.value?.ends[end]?.stop_touched" class="small">
            <span class="quiet">stop touched, from shaft and stop</span><br /><AskFigure
              :figure="vehicle.report.value.ends[end].stop_touched"
              :path="`ends.${end}.stop_touched`"
              title="stop touched"
              :options="{ unit: true }" />
          </p>
          <QuantityField
            v-else
            :label="l.words"
            of="Limits"
            :decimals="1"
            :hint="l.says"
            :model-value="ends[end]!.limits?.[l.member]"
            :tolerance="ends[end]!.limits?.tolerances?.[l.member]"
            tolerant
            @update:model-value="(...v) => setPlain(end, l.words, 'limits', l.member, ...v)" />
        </div>
      </div>
      <EndMore :end="end" />
      <AlignmentAdjusters :end="end" />
      <dl class="sum">
        <dt>sprung mass, each corner (mean)</dt>
        <dd>
          <AskFigure
            :figure="vehicle.report.value?.ends[end]?.sprung_mass"
            :path="`ends.${end}.sprung_mass`"
            :title="`sprung mass, ${end}`"
            :options="{ unit: true, decimals: 1 }" />
        </dd>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.dims { display: grid; grid-template-columns: repeat(4, 1fr); gap: 16px; border-top: 1.5px solid var(--ink); padding-top: 10px; }
.dims.two { grid-template-columns: minmax(0, 1fr) minmax(0, 2fr); border-top: 0; align-items: end; }
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 24px 36px; margin-top: 16px; }
@media (max-width: 620px) { .ends, .dims.two { grid-template-columns: minmax(0, 1fr); } .dims { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } }
h2 { display: flex; gap: 12px; align-items: center; margin-bottom: 4px; }
.ends > section { display: grid; gap: 10px; align-content: start; border-top: 1.5px solid var(--ink); padding-top: 10px; }
.pair, .three { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; align-items: end; } .three { grid-template-columns: repeat(3, minmax(0, 1fr)); }
.limits { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; }
.est { margin-left: -8px; }
.moves { min-height: 58px; display: flex; align-items: end; padding-bottom: 8px; }
.sum { display: flex; justify-content: space-between; margin: 6px 0 0; align-items: baseline; }
.found { margin: 4px 0 -4px; }
.sum dd { margin: 0; font-weight: 600; }
</style>
