<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'

import { useEnd } from './useEnd'

/** What roll is told by: roll centre, lower arm, the holes of the bar, how the arm lies. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set } = useEnd(props.end)

/** Hub to arch in the first survey, where shaft and arm are usually read. */
const asFound = computed(
  () =>
    vehicle.document.value!.surveys?.[0]?.readings?.find(
      (r) => r.quantity === 'hub_to_arch' && r.place.startsWith(props.end),
    )?.value ?? null,
)
const holes = computed(() => about.value.bar?.holes ?? [])
function addHole(): void {
  const bar = about.value.bar
  if (bar)
    set(
      'hole of the bar',
      ['bar', 'holes'],
      [...holes.value, { name: `hole ${holes.value.length + 1}`, rate: { ...bar.rate } }],
    )
}
function setHole(i: number, rate: number | null): void {
  const kept = holes.value
    .map((h, k) => (k === i && rate !== null ? { ...h, rate: { ...h.rate, value: rate } } : h))
    .filter((_, k) => k !== i || rate !== null)
  set('hole of the bar', ['bar', 'holes'], kept)
}
const armDraft = useDraft(`${vehicle.id} ${props.end} lower arm`, ['length', 'angle', 'hub_to_arch'] as const)
function setArm(member: 'length' | 'angle', value: number | null): void {
  const now = about.value.lower_arm
  if (now && value === null) armDraft.park({ ...now, [member]: null })
  if (now) return set('lower arm', ['lower_arm'], value === null ? null : { ...now, [member]: value })
  const whole = armDraft.put(member, value, { hub_to_arch: asFound.value })
  if (whole) set('lower arm', ['lower_arm'], whole)
}
const LIES = [
  { title: 'not told', value: null },
  { title: 'across the vehicle', value: 'across' },
  { title: 'along it: trailing arm, twist beam', value: 'along' },
]
const WORDS = { length: 'the length', angle: 'the angle', hub_to_arch: 'the hub to arch' }
const waits = computed(() => {
  const rest = armDraft.missing().filter((m) => m !== 'hub_to_arch' || asFound.value === null)
  return rest.length
    ? `Counts once ${rest.map((m) => WORDS[m]).join(' and ')} ${rest.length > 1 ? 'are' : 'is'} typed too.`
    : ''
})
</script>

<template>
  <div class="fields">
    <div class="grid">
      <QuantityField
        label="roll centre over the floor"
        of="End.roll_centre"
        :model-value="about.roll_centre"
        @update:model-value="(v) => set('roll centre', ['roll_centre'], v)" />
      <QuantityField
        label="lower arm, length"
        of="LowerArm.length"
        :model-value="about.lower_arm?.length ?? armDraft.get('length')"
        @update:model-value="(v) => setArm('length', v)" />
      <QuantityField
        label="lower arm, angle as found, outer end up +"
        of="LowerArm.angle"
        :decimals="1"
        :model-value="about.lower_arm?.angle ?? armDraft.get('angle')"
        @update:model-value="(v) => setArm('angle', v)" />
      <v-select
        v-if="about.layout === 'divorced'"
        label="the wheel's arm lies"
        density="compact"
        :items="LIES"
        :model-value="about.arm_lies ?? null"
        @update:model-value="(v: string | null) => set('way the arm lies', ['arm_lies'], v)" />
    </div>
    <p v-if="!about.lower_arm && waits" class="small quiet" role="status">{{ waits }}</p>
    <template v-if="about.bar">
      <div v-for="(h, i) in holes" :key="i" class="pair">
        <span class="hole">{{ h.name }}</span><QuantityField
          :label="`bar rate at the link, ${h.name}`"
          hide-label
          of="BarHole.rate"
          :model-value="h.rate.value"
          @update:model-value="(v) => setHole(i, v)" />
      </div>
      <button class="link" @click="addHole">another hole of the bar</button>
    </template>
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px 12px; align-items: end; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; align-items: center; margin-top: 4px; }
.hole { font-size: var(--t-3); }
</style>
