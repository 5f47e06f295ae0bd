<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'

import { useEnd } from './useEnd'

/** Gas charge of the dampers, and friction at the wheel. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set } = useEnd(props.end)

const gasDraft = useDraft(`${vehicle.id} ${props.end} gas`, ['pressure', 'rod_diameter'] as const)
function setGas(member: 'pressure' | 'rod_diameter', value: number | null): void {
  const now = about.value.gas
  if (now && value === null) gasDraft.park({ ...now, [member]: null })
  if (now) return set('gas charge', ['gas'], value === null ? null : { ...now, [member]: value })
  const whole = gasDraft.put(member, value)
  if (whole) set('gas charge', ['gas'], whole)
}
const WORDS = { pressure: 'the pressure', rod_diameter: 'the rod diameter' }
const waits = computed(() => {
  const rest = gasDraft.missing()
  return rest.length
    ? `Counts once ${rest.map((m) => WORDS[m]).join(' and ')} ${rest.length > 1 ? 'are' : 'is'} typed too.`
    : ''
})
</script>

<template>
  <div class="fields">
    <div class="grid">
      <QuantityField
        label="gas pressure of the damper"
        of="GasCharge.pressure"
        :model-value="about.gas?.pressure ?? gasDraft.get('pressure')"
        @update:model-value="(v) => setGas('pressure', v)" />
      <QuantityField
        label="rod diameter"
        of="GasCharge.rod_diameter"
        kind="fine length"
        :model-value="about.gas?.rod_diameter ?? gasDraft.get('rod_diameter')"
        @update:model-value="(v) => setGas('rod_diameter', v)" />
      <QuantityField
        label="friction at the wheel, one corner"
        of="End.friction"
        :model-value="about.friction?.value"
        @update:model-value="
          (v) => set('friction', ['friction'], v === null ? null : { how: 'estimated', ...about.friction, value: v })
        " />
    </div>
    <p v-if="!about.gas && waits" class="small quiet" role="status">{{ waits }}</p>
    <p class="small quiet">A charged damper is opened and filled only by a licensed workshop.</p>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px 12px; align-items: end; }
</style>
