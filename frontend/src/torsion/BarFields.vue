<script setup lang="ts">
import type { TorsionBarPart } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'

/** A torsion bar: its dimensions or its measured rate, and its splines; whole once diameter and length are typed. */
const props = defineProps<{ part: TorsionBarPart | null; draftKey: string; code: string; splined: boolean }>()
const emit = defineEmits<{ change: [part: TorsionBarPart | null] }>()
const draft = useDraft(props.draftKey, ['diameter', 'effective_length'] as const)
function put(member: 'diameter' | 'effective_length', value: number | null): void {
  if (props.part) return emit('change', value === null ? null : { ...props.part, [member]: value })
  const whole = draft.put(member, value)
  if (whole)
    emit('change', {
      kind: 'torsion bar',
      code: props.code,
      ...whole,
    } as TorsionBarPart)
}
const set = (member: keyof TorsionBarPart, value: unknown): void => {
  if (props.part) emit('change', { ...props.part, [member]: value } as TorsionBarPart)
}
</script>

<template>
  <div class="barf">
    <QuantityField
      label="bar diameter"
      of="TorsionBarPart.diameter"
      kind="fine length"
      :model-value="part?.diameter ?? draft.get('diameter')"
      @update:model-value="(v) => put('diameter', v)" />
    <QuantityField
      label="effective length"
      of="TorsionBarPart.effective_length"
      :model-value="part?.effective_length ?? draft.get('effective_length')"
      @update:model-value="(v) => put('effective_length', v)" />
    <template v-if="part">
      <QuantityField
        label="bore, if hollow"
        of="TorsionBarPart.bore"
        kind="fine length"
        :model-value="part.bore || null"
        @update:model-value="(v) => set('bore', v ?? 0)" />
      <QuantityField
        label="measured rate, if known"
        of="TorsionBarPart.angular_rate"
        :model-value="part.angular_rate?.value"
        @update:model-value="
          (v) => set('angular_rate', v === null ? null : { how: 'bench', ...part!.angular_rate, value: v })
        " />
      <template v-if="splined">
        <QuantityField
          label="inner splines"
          of="TorsionBarPart.inner_splines"
          :decimals="0"
          :model-value="part.inner_splines"
          @update:model-value="(v) => (v === null || Number.isInteger(v)) && set('inner_splines', v)" />
        <QuantityField
          label="outer splines"
          of="TorsionBarPart.outer_splines"
          :decimals="0"
          :model-value="part.outer_splines"
          @update:model-value="(v) => (v === null || Number.isInteger(v)) && set('outer_splines', v)" />
      </template>
      <v-checkbox
        label="handed, marked left and right"
        :model-value="!!part.handed"
        @update:model-value="(v) => set('handed', v ? 'left' : null)" />
      <QuantityField
        label="stress not to exceed, MPa"
        of="TorsionBarPart.most_stress MPa"
        :decimals="0"
        unit-text="MPa"
        :model-value="part.most_stress ? part.most_stress / 1e6 : null"
        @update:model-value="(v) => set('most_stress', v === null ? null : v * 1e6)" />
    </template>
  </div>
</template>

<style scoped>
.barf { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 6px 12px; }
</style>
