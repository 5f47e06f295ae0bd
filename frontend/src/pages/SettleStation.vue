<script setup lang="ts">
import { computed, defineAsyncComponent, type Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'

import { onTwo } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'
import LogView from '@/settle/LogView.vue'
import SetDownView from '@/settle/SetDownView.vue'
import { provideLog } from '@/settle/useLog'
import { vRoving } from '@/logic/roving'

/** Settle: is it where it was foretold, what must be turned, what went wrong, and what has this vehicle taught us. */
const vehicle = useVehicle()
const route = useRoute()
const router = useRouter()
const log = provideLog()
const VIEWS: { id: string; words: string; view: Component; cars?: boolean }[] = [
  { id: 'set-down', words: 'Set down', view: SetDownView },
  {
    id: 'weights',
    words: 'Corner weights',
    view: defineAsyncComponent(() => import('@/settle/WeightsView.vue')),
    cars: true,
  },
  {
    id: 'alignment',
    words: 'Alignment',
    view: defineAsyncComponent(() => import('@/settle/AlignmentView.vue')),
    cars: true,
  },
  { id: 'log', words: 'Log', view: LogView },
]
const views = computed(() => VIEWS.filter((v) => !v.cars || !onTwo(vehicle.document.value)))
const here = computed(() => views.value.find((v) => v.id === route.query.view) ?? views.value[0]!)
/** What stands on the wheels, where a plan is in hand. */
const on = computed(() =>
  vehicle.setup.value?.stage === 'plan'
    ? (vehicle.document.value?.setups.findLast((s) => s.stage === 'fitted' || s.stage === 'settled') ?? null)
    : null,
)
const open = (id: string): void => void router.replace({ query: { ...route.query, view: id }, hash: '' })
</script>

<template>
  <div class="bench-top top">
    <h1>Settle</h1>
    <div v-roving role="tablist" aria-label="Views of Settle" class="views">
      <button
        v-for="v in views"
        :id="`tab-${v.id}`"
        :key="v.id"
        role="tab"
        class="view"
        :aria-selected="v.id === here.id"
        aria-controls="settle-view"
        @click="open(v.id)">
        {{ v.words }}
      </button>
    </div>
  </div>
  <p v-if="log.waiting.value" role="status" class="small">
    <b class="grade-look">Look</b> {{ log.waiting.value }} of the log kept here, sent when Feder answers.
  </p>
  <p v-if="log.trouble.value" role="alert"><b class="grade-stop">Stop</b> {{ log.trouble.value }}</p>
  <p v-if="on" class="small">
    <b class="grade-note">Note</b> {{ vehicle.setup.value?.name }} is a plan. On the wheels stands
    <button class="link" @click="vehicle.selectSetup(on.id)">{{ on.name }}</button>
  </p>
  <div id="settle-view" role="tabpanel" :aria-labelledby="`tab-${here.id}`">
    <p v-if="vehicle.isFound.value" class="mt-2">
      As found is what the survey read. Choose what was fitted on the setup line above: it is that which is set down.
    </p>
    <component :is="here.view" v-else />
  </div>
</template>

<style scoped>
.top { gap: 0 14px; flex-wrap: wrap; }
.views { display: flex; flex-wrap: wrap; }
.view { min-height: 44px; padding: 0 10px; font-size: var(--t-3); border-bottom: 3px solid transparent; }
.view[aria-selected='true'] { border-color: var(--ink); font-weight: 600; }
@media (max-width: 600px) { .view { padding: 0 7px; font-size: var(--t-2); } }
</style>
