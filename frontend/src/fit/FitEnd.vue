<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'

import type { Setup } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { sentence } from '@/logic/sentence'

import { fittedFrom, KNOBS, type ReallyClicked, type ReallySet } from './fitted'
import { useCard } from './useCard'

/** The end of the card: what is not ticked is named; the fitted setup is made with what was really set. */
const card = useCard()
const vehicle = useVehicle()
const units = useUnits()
const router = useRouter()
const asking = ref(false)
const day = ref(new Date().toISOString().slice(0, 10))
const odometer = ref<number | null>(null)
const set = ref<ReallySet>({})
const rest = computed(() => card.steps.value.filter((s) => !card.isDone(s)))
const plan = computed(() => vehicle.setup.value as Setup)
const collars = computed(() =>
  vehicle.places.value.flatMap((p) => {
    const told = vehicle.report.value?.corners[p]?.collar
    return told && card.steps.value.some((s) => s.key === `${p}.collar` || s.key === `${p}.preload`)
      ? [{ place: p, told }]
      : []
  }),
)
const clicked = ref<ReallyClicked>({})
const knobs = computed(() =>
  vehicle.places.value.flatMap((p) =>
    KNOBS.flatMap((knob) => {
      const told = plan.value?.sides?.[p]?.[knob]
      return told
        ? [{ key: `${p} ${knob}`, told, words: `${knob.replace('_', '-speed ')} clicks, ${p.replace('_', ' ')}` }]
        : []
    }),
  ),
)
const planned = computed(() => plan.value?.stage === 'plan')
function make(): void {
  const setups = vehicle.document.value!.setups
  const made = fittedFrom(plan.value, setups, day.value || null, odometer.value, set.value, clicked.value)
  vehicle.edit(`fitted: ${made.name}`, [{ path: ['setups'], value: [...setups, made] }])
  vehicle.selectSetup(made.id)
  asking.value = false
  // down it stands: its heights are read next
  void router.push(`/vehicle/${vehicle.id}/height`)
}
</script>

<template>
  <section v-if="planned" class="endof" aria-label="End of the card">
    <button v-if="!asking" class="act go" @click="asking = true">It stands: make the fitted setup</button>
    <div v-else class="form">
      <p v-if="rest.length" role="status">
        <b class="grade-look">Look</b> {{ rest.length }} {{ rest.length === 1 ? 'step is' : 'steps are' }} not ticked:
        {{
          rest
            .slice(0, 6)
            .map((s) => sentence(s.short, s.numbers, units.system.value))
            .join(', ')
        }}<template v-if="rest.length > 6"> and {{ rest.length - 6 }} more</template>.
      </p>
      <p class="quiet">What was really set, where it is not what was planned:</p>
      <div class="two">
        <QuantityField
          v-for="c in collars"
          :key="c.place"
          :label="`collar, ${c.place.replace('_', ' ')}`"
          of="SideSetup.collar"
          kind="fine length"
          computed-value
          :model-value="set[c.place] ?? c.told.value"
          @update:model-value="(v) => (set = { ...set, [c.place]: v })" />
      </div>
      <div v-if="knobs.length" class="two">
        <QuantityField
          v-for="k in knobs"
          :key="k.key"
          :label="k.words"
          of="Clicks.count"
          :decimals="0"
          :model-value="clicked[k.key] ?? k.told.count"
          @update:model-value="(v) => (clicked = { ...clicked, [k.key]: v === null ? null : Math.round(v) })" />
      </div>
      <div class="two">
        <label class="small quiet">day<input v-model="day" class="line" type="date" /></label>
        <QuantityField
          label="odometer"
          of="Setup.odometer"
          kind="distance"
          :decimals="0"
          :model-value="odometer"
          @update:model-value="(v) => (odometer = v)" />
      </div>
      <p class="acts">
        <button class="act go" @click="make">Make the fitted setup</button
        ><button class="act" @click="asking = false">Not yet</button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.endof { border-top: 1.5px solid var(--ink); margin-top: 12px; padding-top: 10px; } .form { display: grid; gap: 10px; } .two { display: grid; grid-template-columns: repeat(auto-fit, minmax(180px, 1fr)); gap: 8px 24px; } .line { display: block; font: inherit; height: 40px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; width: 100%; } .acts { display: flex; gap: 10px; }
</style>
