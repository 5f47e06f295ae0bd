<script setup lang="ts">
import { computed } from 'vue'

import type { End, EndName } from '@/api/client'
import ByEnd from '@/components/ByEnd.vue'
import FindingList from '@/components/FindingList.vue'
import FoldedRow from '@/components/FoldedRow.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useVehicle } from '@/composables/useVehicle'
import AlignmentAdjusters from '@/geometry/AlignmentAdjusters.vue'
import RunFields from '@/geometry/RunFields.vue'
import RollBarFields from '@/geometry/RollBarFields.vue'
import DamperFields from '@/geometry/DamperFields.vue'
import EndReplaced from '@/geometry/EndReplaced.vue'
import LayoutFields from '@/geometry/LayoutFields.vue'
import LimitFields from '@/geometry/LimitFields.vue'
import MassTyreFields from '@/geometry/MassTyreFields.vue'
import RatioFields from '@/geometry/RatioFields.vue'
import { partsOf } from '@/geometry/replaced'
import StopFields from '@/geometry/StopFields.vue'
import { useStates } from '@/geometry/useStates'

/** Motion ratios and travel limits on top; what else is measured once is folded, its state in one line. */
const vehicle = useVehicle()
const about = computed(() => vehicle.document.value!.vehicle)
const ends = computed(() => about.value.ends!)
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'geometry'))
const ENDS: EndName[] = ['front', 'rear']
const states = useStates()
const set = (words: string, member: (string | number)[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', ...member], value }])
const missing = (has: (end: End) => unknown): boolean => ENDS.some((e) => !has(ends.value[e]!))
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
</script>

<template>
  <div class="bench-top">
    <h1>Geometry</h1>
    <span v-if="differs.length" class="quiet"
      >as found; {{ vehicle.setup.value!.name }} differs in {{ differs.join('; ') }}</span
    >
    <span v-else class="quiet">as found, and so in every setup that replaces nothing</span>
  </div>
  <FindingList :findings="findings" :stations="['geometry']" />
  <ByEnd v-if="!vehicle.isFound.value" v-slot="{ end }" bare class="replaced-parts">
    <EndReplaced :end="end" />
  </ByEnd>
  <ByEnd id="ratios" v-slot="{ end }" class="ratios"><RatioFields :end="end" /></ByEnd>
  <LimitFields />
  <FoldedRow
    id="masses"
    title="Masses and tyres"
    :front="states.masses('front')"
    :rear="states.masses('rear')"
    :open="missing((e) => e.unsprung_mass)">
    <ByEnd v-slot="{ end }" plain><MassTyreFields :end="end" /></ByEnd>
  </FoldedRow>
  <FoldedRow
    id="layout"
    title="Layout and track"
    :front="states.layout('front')"
    :rear="states.layout('rear')"
    :open="missing((e) => e.track)">
    <ByEnd v-slot="{ end }" plain><LayoutFields :end="end" /></ByEnd>
  </FoldedRow>
  <FoldedRow id="stops" title="Bump stop and shaft" :front="states.stop('front')" :rear="states.stop('rear')">
    <ByEnd v-slot="{ end }" plain><StopFields :id="`stop-${end}`" :end="end" /></ByEnd>
  </FoldedRow>
  <FoldedRow
    id="damping-found"
    title="Damper, gas, friction"
    :front="states.damper('front')"
    :rear="states.damper('rear')"
    :open="missing((e) => e.damper_coefficient)">
    <ByEnd v-slot="{ end }" plain><DamperFields :end="end" /></ByEnd>
  </FoldedRow>
  <FoldedRow id="dimensions" title="Size of the vehicle" :state="states.size.value" :open="!about.wheelbase">
    <div class="dims">
      <QuantityField
        label="wheelbase"
        of="Vehicle.wheelbase"
        strong
        :model-value="about.wheelbase?.value"
        :tolerance="about.wheelbase?.tolerance"
        tolerant
        @update:model-value="
          (v, tolerance) =>
            set(
              'wheelbase',
              ['wheelbase'],
              v === null ? null : { how: 'tape', ...about.wheelbase, value: v, tolerance },
            )
        " />
      <QuantityField
        v-for="d in DIMENSIONS"
        :key="d.member"
        :label="`${d.words} (drawing)`"
        of="Vehicle.outline"
        :model-value="about[d.member]"
        @update:model-value="(v) => set(d.words, [d.member], v)" />
    </div>
  </FoldedRow>
  <FoldedRow
    id="roll"
    title="Bars and roll"
    :front="states.roll('front')"
    :rear="states.roll('rear')"
    :open="!about.wheelbase">
    <div class="dims two">
      <QuantityField
        label="sprung centre of gravity over the floor, for roll"
        of="Vehicle.sprung_cg_height"
        :estimated="about.sprung_cg_height?.how === 'estimated'"
        :model-value="about.sprung_cg_height?.value"
        :tolerance="about.sprung_cg_height?.tolerance"
        tolerant
        @update:model-value="cgHeight" />
      <p class="small quiet">
        With both roll centres it gives roll, load moved and the cornering at which a stop is met. An estimate does:
        near the hip of a seated driver in a car.
      </p>
    </div>
    <ByEnd v-slot="{ end }" plain><RollBarFields :end="end" /></ByEnd>
  </FoldedRow>
  <RunFields />
  <FoldedRow
    id="adjusters"
    title="Alignment adjusters"
    :front="states.adjusters('front')"
    :rear="states.adjusters('rear')">
    <ByEnd v-slot="{ end }" plain><AlignmentAdjusters :end="end" /></ByEnd>
  </FoldedRow>
</template>

<style scoped>
.replaced-parts { margin-bottom: 8px; } .ratios { border-top: 1.5px solid var(--ink); padding: 8px 0; }
.dims { display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); gap: 16px; align-items: end; }
.dims.two { grid-template-columns: minmax(0, 1fr) minmax(0, 2fr); margin-bottom: 8px; }
@media (max-width: 620px) { .dims { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } .dims.two { grid-template-columns: minmax(0, 1fr); } }
</style>
