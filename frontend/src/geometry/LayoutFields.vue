<script setup lang="ts">
import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import { LAYOUTS } from './layouts'
import { useEnd } from './useEnd'

/** How an end is built, and its track. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set } = useEnd(props.end)
function setLayout(layout: string): void {
  const apart = layout === 'divorced' || layout === 'torsion arm'
  const kept = layout === 'live axle' && about.value.damper?.ratio ? about.value.damper : null
  vehicle.edit(`${props.end} layout`, [
    { path: ['vehicle', 'ends', props.end, 'layout'], value: layout },
    { path: ['vehicle', 'ends', props.end, 'damper'], value: apart ? (about.value.damper ?? { ratio: null }) : kept },
  ])
}
</script>

<template>
  <div class="pair">
    <v-select label="layout" :items="LAYOUTS" :model-value="about.layout" @update:model-value="setLayout" />
    <QuantityField
      label="track"
      of="End.track"
      :model-value="about.track"
      @update:model-value="(v) => set('track', ['track'], v)" />
    <QuantityField
      v-if="about.layout === 'live axle'"
      label="between the springs of the axle"
      of="End.spring_base"
      :model-value="about.spring_base"
      @update:model-value="(v) => set('spring base', ['spring_base'], v)" />
  </div>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr); gap: 12px; align-items: end; }
</style>
