<script setup lang="ts">
import type { Wait } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'

/** What a bench waits for, each a way to the place where it is typed. */
defineProps<{ waits: Wait[] }>()
const vehicle = useVehicle()
const to = (w: Wait): string => `/vehicle/${vehicle.id}/${w.station}${w.anchor ? `#${w.anchor}` : ''}`
</script>

<template>
  <span
    >Waits for
    <template v-for="(w, i) in waits" :key="w.words"
      >{{ i === 0 ? '' : i === waits.length - 1 ? ' and ' : ', '
      }}<router-link class="link" :to="to(w)">{{ w.words }}</router-link></template
    >.</span
  >
</template>
