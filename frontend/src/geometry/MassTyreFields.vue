<script setup lang="ts">
import type { EndName } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import WrittenField from '@/components/WrittenField.vue'

import { useEnd } from './useEnd'

/** Unsprung mass and tyre of an end. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set, setValued, setPlain } = useEnd(props.end)
</script>

<template>
  <div class="pair">
    <QuantityField
      label="unsprung mass, each corner"
      of="End.unsprung_mass"
      :decimals="1"
      :model-value="about.unsprung_mass?.value"
      :tolerance="about.unsprung_mass?.tolerance"
      tolerant
      @update:model-value="(...v) => setValued('unsprung mass', ['unsprung_mass'], about.unsprung_mass, v, 'scales')" />
    <p class="sum">
      <span class="small quiet">sprung mass, each corner (mean)</span>
      <AskFigure
        :figure="vehicle.report.value?.ends[end]?.sprung_mass"
        :path="`ends.${end}.sprung_mass`"
        :title="`sprung mass, ${end}`"
        :options="{ unit: true, decimals: 1 }" />
    </p>
    <WrittenField
      label="tyre size"
      of="Tyre.size"
      :model-value="about.tyre?.size"
      @update:model-value="(v) => set('tyre size', ['tyre', 'size'], v)" />
    <QuantityField
      label="tyre radius, loaded"
      of="Tyre.radius"
      :model-value="about.tyre?.radius"
      :tolerance="about.tyre?.tolerances?.radius"
      tolerant
      :hint="about.tyre?.size ? 'blank: by its size, marked' : undefined"
      @update:model-value="(...v) => setPlain('tyre radius', 'tyre', 'radius', ...v)" />
    <QuantityField
      label="tyre rate, if known"
      of="Tyre.rate"
      :model-value="about.tyre?.rate?.value"
      :tolerance="about.tyre?.rate?.tolerance"
      tolerant
      @update:model-value="(...v) => setValued('tyre rate', ['tyre', 'rate'], about.tyre?.rate, v, 'maker')" />
  </div>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px 12px; align-items: end; }
.sum { display: grid; margin: 0 0 8px; }
</style>
