<script setup lang="ts">
import type { Step } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import type { Kind } from '@/units/format'

/** What is set in a step, in the blue of the plan, with the other side's beside it. */
defineProps<{ setting: NonNullable<Step['settings']>[number]; large?: boolean }>()
const units = useUnits()
type Setting = NonNullable<Step['settings']>[number]
const shown = (f: Setting['value'], s: Setting): string =>
  f
    ? (f.assumed ? '~' : '') +
      units.show(f.value, f.unit, {
        ...(s.kind ? { kind: s.kind as Kind } : {}),
        ...(s.signed ? { signed: true } : {}),
        ...(f.unit === 'turn' ? { decimals: 1 } : {}),
      })
    : ''
const unit = (s: Setting): string => (s.value && s.value.unit !== 'turn' ? units.unit(s.value.unit).written : '')
</script>

<template>
  <span class="set" :class="{ large }"
    ><small>{{ setting.words }}</small
    ><b v-if="setting.value">{{ shown(setting.value, setting) }}</b
    ><small v-if="setting.value && unit(setting)">{{ unit(setting) }}</small
    ><b v-if="setting.text" class="tx">{{ setting.text }}</b
    ><small v-if="setting.other" class="quiet">other side {{ shown(setting.other, setting) }}</small></span
  >
</template>

<style scoped>
.set { display: inline-flex; align-items: baseline; gap: 5px; flex-wrap: wrap; } small { font-size: var(--t-1); color: var(--ink-2); } b { color: var(--plan); font-weight: 600; font-size: var(--t-4); } b.tx { font-size: var(--t-3); }
.large b { font-size: var(--t-6); line-height: 1.05; } .large b.tx { font-size: var(--t-4); }
</style>
