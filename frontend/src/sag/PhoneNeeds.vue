<script setup lang="ts">
import { computed, reactive } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import { useSag } from './useSag'

/** The few numbers a verdict cannot do without, asked where they are missed: rake, spring rate, travel and stroke. */
const props = defineProps<{ end: EndName }>()
const { vehicle, bike, about, waitsFor } = useSag()
const typed = reactive<Record<'rake' | 'rate' | 'travel' | 'stroke', number | null>>({
  rake: null,
  rate: null,
  travel: null,
  stroke: null,
})
const found = computed(() => vehicle.document.value?.setups[0]?.sides?.[props.end])
const asks = computed(() => {
  const here = about(props.end)
  const fork = here?.layout === 'fork'
  return {
    rake: fork && !here?.fork,
    rate: bike.value === 'motorcycle' && !found.value?.spring,
    stroke: !fork && !here?.spring?.ratio,
    travel: (!fork && !here?.spring?.ratio) || (bike.value === 'bicycle' && !here?.travel),
  }
})
const any = computed(() => Object.values(asks.value).some(Boolean))
const whole = computed(() =>
  (Object.keys(asks.value) as (keyof typeof typed)[]).every((k) => !asks.value[k] || typed[k] !== null),
)
/** Taken all at once: a field that went away at its first digit would take the rest of the number with it. */
function take(): void {
  const end = ['vehicle', 'ends', props.end]
  const changes: { path: (string | number)[]; value: unknown }[] = []
  if (asks.value.rake)
    changes.push({
      path: [...end, 'fork'],
      value: {
        legs: bike.value === 'bicycle' ? 1 : 2,
        read: 'along the tube',
        rake: bike.value === 'bicycle' ? Math.PI / 2 - typed.rake! : typed.rake,
      },
    })
  if (asks.value.travel) changes.push({ path: [...end, 'travel'], value: typed.travel })
  // stroke over wheel travel is the motion ratio on the whole; a leverage curve, measured later, says more
  if (asks.value.stroke)
    changes.push({
      path: [...end, 'spring'],
      value: {
        ratio: {
          kind: 'ratio',
          value: typed.stroke! / typed.travel!,
          convention: 'spring per wheel',
          how: 'estimated',
        },
      },
    })
  if (asks.value.rate) {
    const part = { kind: 'coil', code: 'as found', rate: { how: 'maker', value: typed.rate } }
    vehicle.document.value!.setups.forEach((s, k) => {
      if (!s.sides?.[props.end]?.spring)
        changes.push({ path: ['setups', k, 'sides', props.end, 'spring'], value: part })
    })
  }
  vehicle.edit(`${props.end} numbers for the verdict`, changes)
}
</script>

<template>
  <div class="needs">
    <p class="say">Waits for {{ waitsFor(end) }}.</p>
    <div v-if="any" class="two">
      <QuantityField
        v-if="asks.rake"
        v-model="typed.rake"
        :label="bike === 'bicycle' ? 'head angle, from the floor' : 'rake, from the vertical'"
        strong
        si="rad"
        :decimals="1"
        :low="bike === 'bicycle' ? 0.7 : 0.1"
        :high="bike === 'bicycle' ? 1.5 : 0.9" />
      <QuantityField
        v-if="asks.travel"
        v-model="typed.travel"
        :label="asks.stroke ? 'whole travel of the wheel' : 'whole travel'"
        strong
        si="m"
        :low="0.02"
        :high="0.5" />
      <QuantityField
        v-if="asks.stroke"
        v-model="typed.stroke"
        label="stroke of the shock"
        strong
        si="m"
        :low="0.01"
        :high="0.3" />
      <QuantityField
        v-if="asks.rate"
        v-model="typed.rate"
        label="spring rate, of one spring"
        strong
        si="N/m"
        :low="500"
        :high="1e6" />
      <button class="act" :disabled="!whole" @click="take">take them</button>
    </div>
    <p>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/survey`">Survey</router-link>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry`">Geometry</router-link>
    </p>
  </div>
</template>

<style scoped>
.needs { display: grid; gap: 8px; } .say { font-size: var(--t-3); } .two { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; align-items: end; } .two .act { grid-column: 1 / 3; justify-content: center; } .link { margin-right: 18px; }
</style>
