<script setup lang="ts">
import { computed } from 'vue'

import { endOf, type Place, PLACES, placeWords } from '@/api/client'
import TermWord from '@/components/TermWord.vue'
import { useHeights } from '@/composables/useHeights'

/** Numbers by corner: once for both sides where these are alike, parted where they are not, or by hand. */
const props = defineProps<{
  rows: readonly { key: string; words: string }[]
  /** Whether both sides of every axle hold the same. */
  alike: boolean
}>()
const heights = useHeights()
const parted = computed(() => !props.alike || !heights.together.value)
const places = computed<Place[]>(() => (parted.value ? PLACES : PLACES.filter((p) => p.endsWith('left'))))
const where = (p: Place): string => (parted.value ? placeWords(p) : endOf(p))
</script>

<template>
  <table class="by-corner" :class="{ parted }">
    <thead>
      <tr>
        <th><span class="seen-not">what</span></th>
        <th v-for="p in places" :key="p">{{ where(p) }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.key">
        <th><TermWord :words="r.words" /></th>
        <td v-for="p in places" :key="p"><slot :row="r" :place="p" :where="where(p)" /></td>
      </tr>
    </tbody>
  </table>
  <button v-if="!parted" class="link" @click="heights.together.value = false">left and right differ</button>
  <button v-else-if="alike" class="link" @click="heights.together.value = true">both sides together again</button>
</template>

<style scoped>
table { border-collapse: collapse; margin: 4px 0; width: 66%; } table.parted { width: 100%; table-layout: fixed; }
th { text-align: left; font-weight: 400; padding: 4px 8px 4px 0; line-height: 1.2; } thead th { font-weight: 600; text-align: right; padding-right: 6px; } thead th:first-child { width: 132px; }
td { padding: 3px 4px; }
@media (max-width: 620px) { table { width: 100%; } }
</style>
