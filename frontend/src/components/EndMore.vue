<script setup lang="ts">
import { computed, ref } from 'vue'

import type { EndName } from '@/api/client'
import { useDraft } from '@/composables/useDraft'
import { useVehicle } from '@/composables/useVehicle'

import QuantityField from './QuantityField.vue'
import { USUAL } from '@/units/read'

/** What else is measured at an end: bump stop and shaft, roll centre, bar holes, lower arm, gas charge, friction. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const about = computed(() => vehicle.document.value!.vehicle.ends![props.end]!)
const set = (words: string, member: (string | number)[], value: unknown): void =>
  vehicle.edit(`${props.end} ${words}`, [{ path: ['vehicle', 'ends', props.end, ...member], value }])

// a stop is whole once its length, the shaft and the height are typed; the height as found stands in its field
const stopDraft = useDraft(`${vehicle.id} ${props.end} stop`, ['length', 'shaft', 'hub_to_arch'] as const)
function setStop(member: 'length' | 'shaft' | 'hub_to_arch' | 'compressible', value: number | null): void {
  const now = about.value.bump_stop
  if (now) {
    if (value === null && member !== 'compressible') {
      const { length, shaft, hub_to_arch } = now
      stopDraft.park({ length, shaft, hub_to_arch, [member]: null })
      return set('bump stop', ['bump_stop'], null)
    }
    return set('bump stop', ['bump_stop'], { ...now, [member]: value })
  }
  if (member === 'compressible') return
  const whole = stopDraft.put(member, value, { hub_to_arch: asFound.value })
  if (whole) set('bump stop', ['bump_stop'], whole)
}
/** Hub to arch in the first survey, where shaft and arm are usually read. */
const asFound = computed(
  () =>
    vehicle.document.value!.surveys?.[0]?.readings?.find(
      (r) => r.quantity === 'hub_to_arch' && r.place.startsWith(props.end),
    )?.value ?? null,
)
const waiting = ref<[number | null, number | null] | null>(null)
const pairs = computed(() =>
  [...(about.value.bump_stop?.points ?? [])].map((p) => [p[0] ?? null, p[1] ?? null] as [number | null, number | null]),
)
function setPoint(row: number, column: 0 | 1, value: number | null): void {
  const rows = pairs.value.map((p): [number | null, number | null] => [...p])
  if (!rows.length) rows.push([0, 0])
  // the half of a pair typed before stands in the row after them
  while (rows.length <= row) rows.push(rows.length === row && waiting.value ? [...waiting.value] : [null, null])
  rows[row]![column] = value
  waiting.value = rows.at(-1)!.some((v) => v === null) ? rows.at(-1)! : null
  const whole = rows.filter((r): r is [number, number] => r[0] !== null && r[1] !== null)
  set('force of the bump stop', ['bump_stop', 'points'], whole.length >= 2 ? whole : null)
}
const rowsShown = computed(() => [
  ...(pairs.value.length ? pairs.value : [[0, 0] as [number | null, number | null]]),
  waiting.value ?? ([null, null] as [number | null, number | null]),
])
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
const gasDraft = useDraft(`${vehicle.id} ${props.end} gas`, ['pressure', 'rod_diameter'] as const)
function setGas(member: 'pressure' | 'rod_diameter', value: number | null): void {
  const now = about.value.gas
  if (now && value === null) gasDraft.park({ ...now, [member]: null })
  if (now) return set('gas charge', ['gas'], value === null ? null : { ...now, [member]: value })
  const whole = gasDraft.put(member, value)
  if (whole) set('gas charge', ['gas'], whole)
}
const LIES = [
  { title: 'not told', value: null },
  { title: 'across the vehicle', value: 'across' },
  { title: 'along it: trailing arm, twist beam', value: 'along' },
]
const WORDS = {
  length: 'the length',
  shaft: 'the shaft that shows',
  hub_to_arch: 'the hub to arch',
  angle: 'the angle',
  pressure: 'the pressure',
  rod_diameter: 'the rod diameter',
}
const waits = (draft: { missing: () => (keyof typeof WORDS)[] }): string => {
  const rest = draft.missing().filter((m) => m !== 'hub_to_arch' || asFound.value === null)
  return rest.length
    ? `Counts once ${rest.map((m) => WORDS[m]).join(' and ')} ${rest.length > 1 ? 'are' : 'is'} typed too.`
    : ''
}
</script>

<template>
  <details class="more" :open="!!about.bump_stop">
    <summary :id="`stop-${end}`">Bump stop and shaft</summary>
    <p class="small quiet">Shaft between damper body and the stop's seat, and the hub to arch at which it shows.</p>
    <div class="grid">
      <QuantityField
        label="stop as supplied"
        of="BumpStopPart.length"
        kind="fine length"
        :model-value="about.bump_stop?.length ?? stopDraft.get('length')"
        @update:model-value="(v) => setStop('length', v)" />
      <QuantityField
        label="shaft that shows"
        of="BumpStopPart.shaft"
        kind="fine length"
        :model-value="about.bump_stop?.shaft ?? stopDraft.get('shaft')"
        @update:model-value="(v) => setStop('shaft', v)" />
      <QuantityField
        label="at hub to arch"
        of="BumpStopPart.hub_to_arch"
        :model-value="about.bump_stop?.hub_to_arch ?? stopDraft.get('hub_to_arch') ?? asFound"
        @update:model-value="(v) => setStop('hub_to_arch', v)" />
      <QuantityField
        v-if="about.bump_stop"
        label="squeezes by, of its length"
        of="BumpStopPart.compressible"
        :decimals="2"
        :estimated="about.bump_stop.compressible == null"
        hint="blank: half, as is usual for foam"
        :model-value="about.bump_stop.compressible ?? USUAL['BumpStopPart.compressible']"
        @update:model-value="(v) => setStop('compressible', v)" />
    </div>
    <p v-if="!about.bump_stop && waits(stopDraft)" class="small quiet" role="status">{{ waits(stopDraft) }}</p>
    <details v-if="about.bump_stop" class="inner">
      <summary>Its force, if it was pressed on a bench</summary>
      <div v-for="(p, i) in rowsShown" :key="i" class="pair">
        <QuantityField
          :label="`squeeze ${i + 1}`"
          hide-label
          of="BumpStopPart.points squeeze"
          kind="fine length"
          :model-value="p[0]"
          @update:model-value="(v) => setPoint(i, 0, v)" />
        <QuantityField
          :label="`force ${i + 1}`"
          hide-label
          of="BumpStopPart.points force"
          :model-value="p[1]"
          @update:model-value="(v) => setPoint(i, 1, v)" />
      </div>
    </details>
  </details>
  <details class="more" :open="about.roll_centre !== null && about.roll_centre !== undefined">
    <summary>Roll centre, bar holes, lower arm</summary>
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
    <p v-if="!about.lower_arm && waits(armDraft)" class="small quiet" role="status">{{ waits(armDraft) }}</p>
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
  </details>
  <details class="more" :open="!!about.gas || !!about.friction">
    <summary>Gas charge and friction</summary>
    <div class="grid">
      <QuantityField
        label="gas pressure of the damper"
        of="GasCharge.pressure"
        :model-value="about.gas?.pressure ?? gasDraft.get('pressure')"
        @update:model-value="(v) => setGas('pressure', v)" />
      <QuantityField
        label="rod diameter"
        of="GasCharge.rod_diameter"
        kind="fine length"
        :model-value="about.gas?.rod_diameter ?? gasDraft.get('rod_diameter')"
        @update:model-value="(v) => setGas('rod_diameter', v)" />
      <QuantityField
        label="friction at the wheel, one corner"
        of="End.friction"
        :model-value="about.friction?.value"
        @update:model-value="
          (v) => set('friction', ['friction'], v === null ? null : { how: 'estimated', ...about.friction, value: v })
        " />
    </div>
    <p v-if="!about.gas && waits(gasDraft)" class="small quiet" role="status">{{ waits(gasDraft) }}</p>
    <p class="small quiet">A charged damper is opened and filled only by a licensed workshop.</p>
  </details>
</template>

<style scoped>
.more { border-top: 1px solid var(--rule); padding: 2px 0 4px; }
summary { min-height: 44px; display: flex; align-items: center; font-weight: 600; font-size: var(--t-3); cursor: pointer; list-style: none; }
summary::before { content: ''; width: 9px; height: 9px; border-right: 2px solid var(--ink); border-bottom: 2px solid var(--ink); transform: rotate(-45deg); margin: 0 12px 0 2px; }
details[open] > summary::before { transform: rotate(45deg); }
.inner > summary { font-weight: 400; font-size: var(--t-2); }
.grid { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; align-items: end; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; align-items: center; margin-top: 4px; }
.hole { font-size: var(--t-3); }
</style>
