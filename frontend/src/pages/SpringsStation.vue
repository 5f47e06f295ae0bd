<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'

import LoadPlan from '@/springs/LoadPlan.vue'
import RollBench from '@/springs/RollBench.vue'
import SpringChoice from '@/springs/SpringChoice.vue'

/** Springs: chosen against the target, in every load, and in roll. */
const route = useRoute()
const view = computed(() =>
  route.query.view === 'loads' ? LoadPlan : route.query.view === 'roll' ? RollBench : SpringChoice,
)
</script>

<template>
  <component :is="view" />
</template>
