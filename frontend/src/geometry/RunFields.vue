<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, onTwo } from '@/api/client'
import ByEnd from '@/components/ByEnd.vue'
import FoldedRow from '@/components/FoldedRow.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** What a run on Prove takes beyond the rest: inertias, and what the links carry in braking and driving. */
const vehicle = useVehicle()
const units = useUnits()
const two = computed(() => onTwo(vehicle.document.value))
const about = computed(() => vehicle.document.value!.vehicle)
const end = (e: EndName) => about.value.ends![e]!
const set = (words: string, path: (string | number)[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', ...path], value }])
const state = computed(() => {
  const { pitch_inertia: pitch, roll_inertia: roll } = about.value
  const told = [
    pitch == null ? '' : `pitch ${units.show(pitch, 'kg*m^2', { unit: true })}`,
    roll == null || two.value ? '' : `roll ${units.show(roll, 'kg*m^2', { unit: true })}`,
  ].filter(Boolean)
  return told.join(', ') || 'assumed'
})
</script>

<template>
  <FoldedRow id="runs" title="Runs on Prove" :state="state">
    <div class="grid">
      <QuantityField
        v-if="two"
        label="centre of gravity over the floor, sprung mass"
        of="Vehicle.sprung_cg_height"
        tolerant
        :tolerance="about.sprung_cg_height?.tolerance"
        :estimated="about.sprung_cg_height?.how === 'estimated'"
        :model-value="about.sprung_cg_height?.value"
        @update:model-value="
          (value, tolerance) =>
            set(
              'centre of gravity',
              ['sprung_cg_height'],
              value === null ? null : { how: 'estimated', ...about.sprung_cg_height, value, tolerance },
            )
        " />
      <QuantityField
        label="pitch inertia of the body"
        of="Vehicle.pitch_inertia"
        :model-value="about.pitch_inertia"
        @update:model-value="(v) => set('pitch inertia', ['pitch_inertia'], v)" />
      <QuantityField
        v-if="!two"
        label="roll inertia of the body"
        of="Vehicle.roll_inertia"
        :model-value="about.roll_inertia"
        @update:model-value="(v) => set('roll inertia', ['roll_inertia'], v)" />
    </div>
    <ByEnd v-slot="{ end: e }" plain>
      <QuantityField
        :label="
          e === 'front'
            ? 'anti-dive, share carried by the links in braking'
            : 'anti-lift, share carried by the links in braking'
        "
        of="End.links_braking"
        :model-value="end(e).links_braking"
        @update:model-value="(v) => set('links in braking', ['ends', e, 'links_braking'], v)" />
      <QuantityField
        :label="
          e === 'front'
            ? 'anti-lift, share carried by the links in driving'
            : 'anti-squat, share carried by the links in driving'
        "
        of="End.links_driving"
        :model-value="end(e).links_driving"
        @update:model-value="(v) => set('links in driving', ['ends', e, 'links_driving'], v)" />
    </ByEnd>
    <p class="small quiet">
      Not told, the body's inertias are taken from its mass and wheelbase, and the links carry nothing; every run says
      so.
    </p>
  </FoldedRow>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 8px 12px; align-items: end; }
</style>
