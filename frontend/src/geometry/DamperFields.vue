<script setup lang="ts">
import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import GasFields from './GasFields.vue'
import { useEnd } from './useEnd'

/** What is known of an end's dampers as found: one coefficient for both directions, gas charge, friction. */
const props = defineProps<{ end: EndName }>()
const { about, set, setValued } = useEnd(props.end)
const estimate = (on: boolean): void =>
  set('damper coefficient, how it was got', ['damper_coefficient', 'how'], on ? 'estimated' : 'typed')
</script>

<template>
  <div class="pair">
    <QuantityField
      label="damper coefficient, or blank"
      of="End.damper_coefficient"
      :estimated="about.damper_coefficient?.how === 'estimated'"
      :model-value="about.damper_coefficient?.value"
      :tolerance="about.damper_coefficient?.tolerance"
      tolerant
      @update:model-value="
        (...v) => setValued('damper coefficient', ['damper_coefficient'], about.damper_coefficient, v, 'typed')
      " />
    <v-checkbox
      class="est"
      label="an estimate"
      :disabled="!about.damper_coefficient"
      :model-value="about.damper_coefficient?.how === 'estimated'"
      @update:model-value="(v) => estimate(!!v)" />
  </div>
  <GasFields :end="end" />
</template>

<style scoped>
.pair { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 12px; align-items: end; }
.est { margin-left: -8px; }
</style>
