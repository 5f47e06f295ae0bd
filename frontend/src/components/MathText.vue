<script setup lang="ts">
import { computed } from 'vue'

/** A line of working with its indices set low: k_w, MR_d. */
const props = defineProps<{ text: string }>()
const parts = computed(() =>
  props.text
    .split(/(_[A-Za-z0-9/]+)/)
    .map((t) => (t.startsWith('_') ? { low: true, text: t.slice(1) } : { low: false, text: t })),
)
</script>

<template>
  <template v-for="(p, i) in parts" :key="i"
    ><sub v-if="p.low">{{ p.text }}</sub
    ><template v-else>{{ p.text }}</template></template
  >
</template>

<style scoped>
sub { font-size: 0.75em; line-height: 0; }
</style>
