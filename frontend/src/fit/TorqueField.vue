<script setup lang="ts">
import { computed } from 'vue'

import type { EndName, Fastener } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import { useFasteners } from './useFasteners'

/** The torque of one kind of fastener, as its maker says: blank until typed; an angle after it where there is one. */
const props = defineProps<{ end: EndName; kind: string }>()
const fasteners = useFasteners()
const row = computed<Fastener | null>(() => fasteners.row(props.end, props.kind))
const set = (words: string, members: Partial<Fastener>): void => fasteners.set(props.end, props.kind, words, members)
const words = computed(() => `${props.kind}, ${props.end}`)
</script>

<template>
  <span class="torque">
    <QuantityField
      class="nm"
      hide-label
      :label="`torque of ${words}`"
      of="Fastener.torque"
      :decimals="0"
      :model-value="row?.torque"
      @update:model-value="(v) => set(`torque, ${words}`, { torque: v })" />
    <QuantityField
      class="deg"
      hide-label
      :label="`angle after it, ${words}`"
      of="Fastener.angle"
      :decimals="0"
      :model-value="row?.angle"
      @update:model-value="(v) => set(`angle, ${words}`, { angle: v })" />
  </span>
</template>

<style scoped>
.torque { display: inline-grid; grid-template-columns: 96px 72px; gap: 6px; }
@media (max-width: 600px) { .torque { grid-template-columns: 74px 50px; gap: 4px; } }
</style>
