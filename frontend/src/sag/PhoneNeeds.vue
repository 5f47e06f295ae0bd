<script setup lang="ts">
import { computed, reactive } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

import { useSag } from './useSag'

/** The few numbers a verdict cannot do without, asked where they are missed: rake, spring rate, travel and stroke. */
const props = defineProps<{ end: EndName }>()
const { vehicle, bike, waits, waitsFor } = useSag()
const typed = reactive<Record<'rake' | 'rate' | 'travel' | 'stroke' | 'pressure', number | null>>({
  rake: null,
  rate: null,
  travel: null,
  stroke: null,
  pressure: null,
})
const asked = computed(() => new Map(waits(props.end).flatMap((w) => (w.asks ? [[w.asks, w] as const] : []))))
const asks = computed(() => ({
  rake: asked.value.has('rake'),
  rate: asked.value.has('rate'),
  pressure: asked.value.has('pressure'),
  stroke: asked.value.has('stroke'),
  travel: asked.value.has('stroke') || asked.value.has('travel'),
}))
const any = computed(() => Object.values(asks.value).some(Boolean))
const whole = computed(() =>
  (Object.keys(asks.value) as (keyof typeof typed)[]).every((k) => !asks.value[k] || typed[k] !== null),
)
/** Taken all at once: a field that went away at its first digit would take the rest of the number with it. */
const take = (): Promise<string | null> => {
  const told = (k: keyof typeof typed): number | null => (asks.value[k] ? typed[k] : null)
  // a bicycle's head angle is told from the floor, a rake from the vertical
  const rake = told('rake')
  return vehicle.act(`${props.end} numbers for the verdict`, {
    act: 'tell needs',
    end: props.end,
    rake,
    head_angle: bike.value === 'bicycle',
    travel: told('travel'),
    stroke: told('stroke'),
    rate: told('rate'),
    pressure: told('pressure'),
  })
}
</script>

<template>
  <div class="needs">
    <p class="say">Waits for {{ waitsFor(end) }}.</p>
    <div v-if="any" class="two">
      <QuantityField
        v-if="asks.rake"
        v-model="typed.rake"
        :label="bike === 'bicycle' ? 'head angle, from the floor' : 'rake, from the vertical'"
        strong
        :of="bike === 'bicycle' ? 'Fork.head_angle' : 'Fork.rake'"
        :decimals="1" />
      <QuantityField
        v-if="asks.travel"
        v-model="typed.travel"
        :label="asks.stroke ? 'whole travel of the wheel' : 'whole travel'"
        strong
        of="End.travel" />
      <QuantityField
        v-if="asks.stroke"
        v-model="typed.stroke"
        label="stroke of the shock"
        strong
        of="AirSpringPart.travel" />
      <QuantityField
        v-if="asks.rate"
        v-model="typed.rate"
        label="spring rate, of one spring"
        strong
        of="SpringPart.rate" />
      <QuantityField
        v-if="asks.pressure"
        v-model="typed.pressure"
        label="pressure, wheel off the floor"
        strong
        of="SideSetup.pressure"
        :decimals="1" />
      <button class="act" :disabled="!whole" @click="take">take them</button>
    </div>
    <p>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/survey`">Survey</router-link>
      <router-link class="link" :to="`/vehicle/${vehicle.id}/geometry`">Geometry</router-link>
    </p>
  </div>
</template>

<style scoped>
.needs { display: grid; gap: 8px; } .say { font-size: var(--t-3); } .two { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; align-items: end; } .two .act { grid-column: 1 / 3; justify-content: center; } .link { margin-right: 18px; }
</style>
