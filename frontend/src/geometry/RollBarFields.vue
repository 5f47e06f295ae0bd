<script setup lang="ts">
import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import RollFields from './RollFields.vue'
import { useEnd } from './useEnd'

/** The anti-roll bar of an end, and what else roll is told by. */
const props = defineProps<{ end: EndName }>()
const { about, set } = useEnd(props.end)
const setBar = (value: number | null, tolerance: number | null): void => {
  const bar = about.value.bar
  set(
    'anti-roll bar',
    ['bar'],
    value === null ? null : { ...bar, rate: { how: 'estimated', ...bar?.rate, value, tolerance } },
  )
}
</script>

<template>
  <div class="pair">
    <QuantityField
      label="anti-roll bar rate at its link, or blank"
      of="AntiRollBar.rate"
      :model-value="about.bar?.rate.value"
      :tolerance="about.bar?.rate.tolerance"
      tolerant
      @update:model-value="setBar" />
    <QuantityField
      v-if="about.bar"
      label="link / wheel travel of the bar"
      of="AntiRollBar.motion_ratio"
      :decimals="2"
      :estimated="about.bar.motion_ratio == null"
      hint="blank: 1, the link at the wheel"
      :model-value="about.bar.motion_ratio ?? 1"
      @update:model-value="(v) => set('bar motion ratio', ['bar', 'motion_ratio'], v)" />
    <QuantityField
      v-if="about.bar"
      label="length of its links"
      of="AntiRollBar.link_length"
      hint="between the joints' middles"
      :model-value="about.bar.link_length"
      @update:model-value="(v) => set('bar links', ['bar', 'link_length'], v)" />
  </div>
  <RollFields :end="end" />
</template>

<style scoped>
.pair { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px 12px; align-items: end; }
</style>
