<script setup lang="ts">
import type { Candidate, CornerReport, SpringPart } from '@/api/client'

import CandidateRow from './CandidateRow.vue'

/** The rows of the shelf; drawn again only when the rows themselves change, not with every number on the screen. */
defineProps<{
  rows: Candidate[]
  corner: CornerReport | undefined
  range: { top: number; bottom: number }
  disabled: boolean
}>()
const emit = defineEmits<{
  choose: [part: SpringPart]
  how: [part: SpringPart, what: 'wheel_rate' | 'frequency' | 'over_front']
}>()
</script>

<template>
  <CandidateRow
    v-for="row in rows"
    :key="`${row.part.code}-${row.part.rate.value}-${row.part.free_length}`"
    :row="row"
    :corner="corner"
    :range="range"
    :disabled="disabled"
    @choose="emit('choose', row.part)"
    @pair="row.pair && emit('choose', row.pair)"
    @how="(what) => emit('how', row.part, what)" />
</template>
