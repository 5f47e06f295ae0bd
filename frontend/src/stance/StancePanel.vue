<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, onMounted, onScopeDispose, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'

import StanceLadders from './StanceLadders.vue'
import StanceSide from './StanceSide.vue'
import StanceStrip from './StanceStrip.vue'

/** The stance: what the vehicle will do, always in sight. Where it is driven, the bench fills it. */
defineProps<{ riding?: boolean }>()
const vehicle = useVehicle()
const working = useWorking()
// Heights are told, not negotiated: a flexible drawing would be laid out twice, all its words with it, at every change.
const root = ref<HTMLElement | null>(null)
const room = ref(600)
const width = ref(464)
let watching: ResizeObserver | undefined
onMounted(() => {
  watching = new ResizeObserver(([entry]) => {
    room.value = Math.round(entry!.contentRect.height)
    width.value = Math.round(entry!.contentRect.width)
  })
  watching.observe(root.value!)
})
onScopeDispose(() => watching?.disconnect())
// where there is little room the bench has it: the stance is a strip, and opens over the bench
const little = useMediaQuery('(max-width: 1100px), (max-height: 700px)')
const open = ref(false)
const route = useRoute() as ReturnType<typeof useRoute> | undefined
watch([little, () => route?.path], () => (open.value = false))
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape') open.value = false
})
const loads = computed(() => vehicle.document.value?.loads ?? [])
/** How a figure of the stance comes about, under the load that it shows. */
function ask(path: string, title: string): void {
  const carried = loads.value.find((l) => l.id === vehicle.loadState.value)
  working.ask(path, carried ? `${title}, ${carried.name}` : title, { load: vehicle.loadState.value })
}
</script>

<template>
  <aside
    id="stance"
    ref="root"
    class="stance"
    :class="{ little, open }"
    aria-label="Stance"
    :style="{ '--room': `${room}px`, '--across': `${width}px` }">
    <StanceStrip v-if="little" :open="open" @toggle="open = !open" />
    <template v-if="!little || open">
      <StanceSide v-if="!riding" @ask="ask" />
      <div v-if="loads.length" class="carry" role="radiogroup" aria-label="What is carried">
        <button
          v-for="l in [
            { id: null, name: vehicle.places.value.length === 2 ? 'alone' : 'as weighed' },
            ...loads.filter((l) => vehicle.places.value.length > 2 || l.items?.length),
          ]"
          :key="l.id ?? ''"
          role="radio"
          :aria-checked="vehicle.loadState.value === l.id"
          @click="vehicle.carry(l.id)">
          {{ l.name }}
        </button>
      </div>
      <StanceLadders v-if="!riding" @ask="ask" />
    </template>
    <div v-if="riding" v-show="!little || open" id="riding"></div>
  </aside>
</template>

<style scoped>
.stance { --carry: 0px; }
.stance:has(.carry) { --carry: 44px; }
.carry { display: flex; flex-wrap: wrap; gap: 0 4px; min-height: var(--carry); }
.carry button { min-height: 44px; padding: 0 10px; color: var(--ink-2); border-bottom: 2px solid transparent; white-space: nowrap; }
.carry button[aria-checked="true"] { color: var(--ink); font-weight: 600; border-color: var(--ink); }
.stance.little { contain: none; overflow: visible; padding: 4px 16px; border-left: 0; border-top: var(--l-mid) solid var(--ink); }
.stance.little.open { position: fixed; inset: 0 0 var(--h-work) 0; z-index: 900; overflow: auto; max-width: 560px; margin-left: auto; border-left: var(--l-mid) solid var(--ink); }
.stance.little.open :deep(.strip) { position: sticky; top: -4px; background: var(--vellum); z-index: 2; border-bottom: 1px solid var(--rule); }
</style>
