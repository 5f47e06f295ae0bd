<script setup lang="ts">
import type { Filters } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

/** Bounds that narrow the shelf; what a spring does not tell lets it through. */
const filters = defineModel<Filters>('filters', { required: true })
const FILTERS = [
  { low: 'rate_low', high: 'rate_high', words: 'rate', of: 'Filters.rate', kind: undefined },
  { low: 'length_low', high: 'length_high', words: 'free length', of: 'Filters.length', kind: undefined },
  { low: 'inside_low', high: 'inside_high', words: 'inside diameter', of: 'Filters.length', kind: 'fine length' },
] as const
</script>

<template>
  <div class="filters" data-fields>
    <template v-for="f in FILTERS" :key="f.words"
      ><QuantityField
        :label="`${f.words}, from`"
        :of="f.of"
        :kind="f.kind"
        :model-value="filters[f.low]"
        @update:model-value="(v) => (filters[f.low] = v)" /><QuantityField
        label="to"
        :of="f.of"
        :kind="f.kind"
        :model-value="filters[f.high]"
        @update:model-value="(v) => (filters[f.high] = v)"
    /></template>
  </div>
</template>

<style scoped>
.filters { display: grid; grid-template-columns: repeat(6, 1fr); gap: 8px; padding: 8px 0; border-bottom: 1px solid var(--rule); align-items: end; }
</style>
