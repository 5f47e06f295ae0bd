<script setup lang="ts">
import { computed } from 'vue'

import type { components } from '@/api/schema'

import QuantityField from './QuantityField.vue'

type Schemas = components['schemas']
export type RatioValue = Schemas['RatioTyped'] | Schemas['RatioFromLevers'] | Schemas['RatioAssumed']

/** A motion ratio, typed either way round, from levers, or assumed by layout; always with its words. */
const props = defineProps<{ label: string; layout: string; ratio: RatioValue | null }>()
const emit = defineEmits<{ change: [ratio: RatioValue | null] }>()

const WAYS = computed(() => [
  { value: 'spring per wheel', title: 'spring / wheel' },
  { value: 'wheel per spring', title: 'wheel / spring' },
  { value: 'levers', title: 'from levers' },
  ...(props.layout === 'divorced' ? [] : [{ value: 'assumed', title: 'assumed by layout' }]),
])
const way = computed(() => (!props.ratio ? 'spring per wheel' : props.ratio.kind === 'ratio' ? props.ratio.convention : props.ratio.kind))
const typed = computed(() => (props.ratio?.kind === 'ratio' ? props.ratio : null))
const levers = computed(() => (props.ratio?.kind === 'levers' ? props.ratio : null))
function choose(next: string): void {
  if (next === 'assumed') return emit('change', { kind: 'assumed' })
  if (next === 'levers') return emit('change', { kind: 'levers', spring_distance: 0.3, wheel_distance: 0.36, spring_angle: 0, ...(levers.value ?? {}) })
  const value = typed.value?.value
  if (value === undefined) return emit('change', null)
  emit('change', { kind: 'ratio', value, convention: next as 'spring per wheel' | 'wheel per spring', how: typed.value?.how ?? 'sweep' })
}
function setValue(value: number | null): void {
  if (value === null) return emit('change', null)
  const convention = way.value === 'wheel per spring' ? 'wheel per spring' : 'spring per wheel'
  emit('change', { kind: 'ratio', value, convention, how: typed.value?.how ?? 'sweep' })
}
const setLever = (member: 'spring_distance' | 'wheel_distance' | 'spring_angle', value: number | null): void => {
  if (value !== null && levers.value) emit('change', { ...levers.value, [member]: value })
}
</script>

<template>
  <div class="ratio">
    <div class="pair">
      <QuantityField v-if="way !== 'levers' && way !== 'assumed'" :label="label" si="" :decimals="3" :low="-20" :high="20" :model-value="typed?.value" @update:model-value="setValue" />
      <div v-else class="said"><span class="small quiet">{{ label }}</span><span>{{ way === 'assumed' ? 'the usual one of this layout, marked ~' : 'worked out from:' }}</span></div>
      <v-select :aria-label="`${label}: which way round`" :items="WAYS" :model-value="way" @update:model-value="choose" />
    </div>
    <div v-if="levers" class="three">
      <QuantityField label="pivot to spring" si="m" :low="0.01" :high="3" :clearable="false" :model-value="levers.spring_distance" @update:model-value="(v) => setLever('spring_distance', v)" />
      <QuantityField label="pivot to wheel" si="m" :low="0.01" :high="3" :clearable="false" :model-value="levers.wheel_distance" @update:model-value="(v) => setLever('wheel_distance', v)" />
      <QuantityField label="spring angle" si="rad" :decimals="1" :low="-1.57" :high="1.57" :clearable="false" :model-value="levers.spring_angle" @update:model-value="(v) => setLever('spring_angle', v)" />
    </div>
  </div>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; align-items: end; }
.three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; margin-top: 8px; }
.said { display: grid; }
</style>
