<script setup lang="ts">
import { computed } from 'vue'

import type { Figure } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { type At, useWorking } from '@/composables/useWorking'
import { percent, type ShowOptions } from '@/units/format'

/** A figure of the report that can be asked "how?"; a dash where there is none. */
const props = defineProps<{
  figure: Figure | null | undefined
  /** Path into the report, such as corners.front_left.collar. */
  path: string
  title: string
  options?: ShowOptions
  asPercent?: boolean
  at?: At
  change?: boolean
}>()
const units = useUnits()
const working = useWorking()
const text = computed(() => {
  const f = props.figure
  if (!f) return '–'
  return (
    (f.assumed ? '~' : '') +
    (props.asPercent
      ? percent(f.value, { ...props.options, decimals: props.options?.decimals ?? 0 })
      : units.show(f.value, f.unit, props.options))
  )
})
const changed = computed(() => {
  const f = props.figure
  return props.change && f && f.was !== null && f.was !== undefined
    ? units.show(f.value - f.was, f.unit, { ...props.options, signed: true, unit: false })
    : ''
})
</script>

<template>
  <span v-if="!figure" class="none">–</span>
  <button
    v-else
    class="fig"
    :aria-label="`${title}: ${changed ? `${text} ${changed}` : text}. How?`"
    @click="working.ask(path, title, at)">
    <span class="val">{{ text }}</span>{{ changed ? ' ' : '' }}<span v-if="changed" class="was">{{ changed }}</span>
  </button>
</template>

<style scoped>
.fig { min-height: 32px; display: inline-flex; align-items: baseline; gap: 8px; white-space: nowrap; }
.val { text-decoration: underline dotted; text-decoration-thickness: 1px; text-underline-offset: 4px; }
.was { color: var(--ink-2); font-size: var(--t-2); font-weight: 400; }
.none { color: var(--ink-3); }
</style>
