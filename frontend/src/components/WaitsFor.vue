<script setup lang="ts">
import type { Wait } from '@/api/client'
import type { Change } from '@/logic/patch'
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
    >.<template v-for="w in waits.filter((x) => x.offer)" :key="w.words">
      Or
      <button class="link" @click="vehicle.take(w.offer!.text, w.offer!.patch as Change[])">
        {{ w.offer!.text }}</button>.</template
    ></span
  >
</template>
