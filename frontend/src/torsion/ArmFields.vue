<script setup lang="ts">
import { ref } from 'vue'

import { api, type EndName, messageOf, type TorsionArm } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'
import { useVehicle } from '@/composables/useVehicle'

import { useArm } from './useArm'

/** The arm of a torsion bar: length, angles read with the level, and what adjusts its plate or the bar's end. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const { arm, found, put, set, get } = useArm(vehicle, props.end)
function setAdjuster(member: 'up' | 'down' | 'per_turn', value: number | null): void {
  const now = arm.value?.adjuster
  if (member === 'per_turn') return now ? set({ adjuster: { ...now, per_turn: value } }) : undefined
  if (value === null) return set({ adjuster: null })
  set({ adjuster: { up: value, down: value, ...now, [member]: value } })
}
const bolt = useDraft(`${vehicle.id} ${props.end} bolt`, ['lead', 'lever'] as const)
function setBolt(member: 'lead' | 'lever', value: number | null): void {
  const now = arm.value?.bolt
  if (now && value === null) bolt.park({ ...now, [member]: null })
  if (now) return set({ bolt: value === null ? null : { ...now, [member]: value } })
  const whole = bolt.put(member, value)
  if (whole) set({ bolt: whole })
}
// a semi-trailing arm, or a wheel further out than its plate, acts as another length: two readings tell it
const second = ref<{ angle: number | null; height: number | null }>({ angle: null, height: null })
const refused = ref('')
async function read(): Promise<void> {
  const [a, s] = [arm.value, second.value]
  if (!a || s.angle === null || s.height === null) return
  const zero = a.chassis ?? 0
  const { data, error } = await api
    .POST('/api/index/arm', {
      body: {
        first_angle: a.angle - zero,
        first_height: a.hub_to_arch,
        second_angle: s.angle - zero,
        second_height: s.height,
      },
    })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  refused.value = data ? '' : messageOf(error)
  if (data) set({ length: Math.round(data.length * 1e4) / 1e4 })
}
const MOTIONS = [
  { value: 'trailing', title: 'trailing arm, bar across' },
  { value: 'leading', title: 'leading arm, bar across' },
  { value: 'wishbone', title: 'wishbone, bar along, bolt' },
]
</script>

<template>
  <div class="armf">
    <p class="small quiet wide">
      Level zeroed on the chassis, the same way round at every reading; wheel end down is positive. 21 deg 30 is
      understood.
    </p>
    <QuantityField
      label="arm, bar axis to wheel centre"
      of="TorsionArm.length"
      :model-value="get('length')"
      @update:model-value="(v) => put('length', v)" />
    <QuantityField
      label="left arm reads"
      of="TorsionArm.angle"
      :decimals="1"
      :model-value="get('angle')"
      @update:model-value="(v) => put('angle', v)" />
    <QuantityField
      label="at hub to arch"
      of="TorsionArm.hub_to_arch"
      :model-value="get('hub_to_arch') ?? found('left')"
      @update:model-value="(v) => put('hub_to_arch', v)" />
    <template v-if="arm">
      <QuantityField
        label="right arm reads"
        of="TorsionArm.right_angle"
        :decimals="1"
        hint="blank: as the left"
        :model-value="arm.right_angle"
        @update:model-value="(v) => set({ right_angle: v })" />
      <QuantityField
        label="chassis reads"
        of="TorsionArm.chassis"
        :decimals="1"
        hint="0 when zeroed on it"
        :model-value="arm.chassis"
        @update:model-value="(v) => set({ chassis: v })" />
      <QuantityField
        v-if="arm.motion !== 'wishbone'"
        label="plate on its ledge reads"
        of="TorsionArm.ledge"
        :decimals="1"
        hint="as low as it goes, damper off"
        :model-value="arm.ledge"
        @update:model-value="(v) => set({ ledge: v })" />
      <details class="wide">
        <summary class="link">arm length from a second reading</summary>
        <p class="small quiet">
          Semi-trailing, or the wheel further out than its plate: jack the wheel, read plate and hub to arch again,
          spring unloaded or not.
        </p>
        <div class="pair">
          <QuantityField
            label="left plate then reads"
            of="TorsionArm.angle"
            :decimals="1"
            :model-value="second.angle"
            @update:model-value="(v) => (second.angle = v)" /><QuantityField
            label="hub to arch then"
            of="TorsionArm.hub_to_arch"
            :model-value="second.height"
            @update:model-value="(v) => (second.height = v)" />
        </div>
        <button class="act" :disabled="second.angle === null || second.height === null" @click="read">
          Take the length it makes
        </button>
        <span v-if="refused" class="grade-stop" role="alert">{{ refused }}</span>
      </details>
      <v-select
        label="how it lies"
        :items="MOTIONS"
        :model-value="arm.motion ?? 'trailing'"
        @update:model-value="(v: TorsionArm['motion']) => set({ motion: v })" />
      <template v-if="arm.motion === 'wishbone'">
        <QuantityField
          label="lead of the bolt, one turn"
          of="BoltAdjuster.lead"
          kind="fine length"
          :model-value="arm.bolt?.lead ?? bolt.get('lead')"
          @update:model-value="(v) => setBolt('lead', v)" />
        <QuantityField
          label="lever the bolt pushes"
          of="BoltAdjuster.lever"
          :model-value="arm.bolt?.lever ?? bolt.get('lever')"
          @update:model-value="(v) => setBolt('lever', v)" />
      </template>
      <template v-else>
        <QuantityField
          label="plate adjusts up by"
          of="PlateAdjuster.up"
          :decimals="1"
          hint="blank: fixed plate"
          :model-value="arm.adjuster?.up"
          @update:model-value="(v) => setAdjuster('up', v)" />
        <QuantityField
          label="and down by"
          of="PlateAdjuster.down"
          :decimals="1"
          :model-value="arm.adjuster?.down"
          @update:model-value="(v) => setAdjuster('down', v)" />
        <QuantityField
          v-if="arm.adjuster"
          label="one turn is"
          of="PlateAdjuster.per_turn"
          :decimals="2"
          :model-value="arm.adjuster.per_turn"
          @update:model-value="(v) => setAdjuster('per_turn', v)" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.armf { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 6px 12px; align-items: start; } .wide { grid-column: 1 / -1; } .pair { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; margin-bottom: 8px; }
</style>
