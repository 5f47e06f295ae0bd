<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import RatioField from '@/components/RatioField.vue'
import ArmFields from '@/torsion/ArmFields.vue'

import { useEnd } from './useEnd'

/** Motion ratios of an end: of its spring, or the arm of its torsion bar, and of a damper that stands apart. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set } = useEnd(props.end)
const apart = computed(() => ['divorced', 'live axle', 'torsion arm'].includes(about.value.layout!))
</script>

<template>
  <ArmFields v-if="about.layout === 'torsion arm'" :end="end" />
  <RatioField
    v-else
    :label="about.layout === 'divorced' ? 'spring motion ratio' : 'motion ratio'"
    :layout="about.layout!"
    :ratio="about.spring?.ratio ?? null"
    :draft-key="`${vehicle.id} ${end} spring levers`"
    @change="(r) => set('motion ratio', ['spring', 'ratio'], r)" />
  <RatioField
    v-if="apart"
    label="damper motion ratio"
    :layout="about.layout!"
    :ratio="about.damper?.ratio ?? null"
    :draft-key="`${vehicle.id} ${end} damper levers`"
    @change="(r) => set('damper motion ratio', ['damper'], r || about.layout === 'divorced' ? { ratio: r } : null)" />
  <p v-if="about.layout === 'live axle' && !about.damper" class="small quiet">
    Left blank, the damper is taken to move with the spring.
  </p>
  <p v-if="!apart" class="small quiet">The damper moves with the spring.</p>
</template>
