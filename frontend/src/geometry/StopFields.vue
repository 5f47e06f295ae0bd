<script setup lang="ts">
import { computed, ref } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'
import { USUAL } from '@/units/read'

import { useEnd } from './useEnd'

/** The bump stop of an end and the shaft it sits on; its force where it was pressed on a bench. */
const props = defineProps<{ end: EndName }>()
const { vehicle, about, set } = useEnd(props.end)

/** Hub to arch in the first survey, where shaft and arm are usually read. */
const asFound = computed(
  () =>
    vehicle.document.value!.surveys?.[0]?.readings?.find(
      (r) => r.quantity === 'hub_to_arch' && r.place.startsWith(props.end),
    )?.value ?? null,
)
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
const WORDS = { length: 'the length', shaft: 'the shaft that shows', hub_to_arch: 'the hub to arch' }
const waits = computed(() => {
  const rest = stopDraft.missing().filter((m) => m !== 'hub_to_arch' || asFound.value === null)
  return rest.length
    ? `Counts once ${rest.map((m) => WORDS[m]).join(' and ')} ${rest.length > 1 ? 'are' : 'is'} typed too.`
    : ''
})
</script>

<template>
  <div class="fields">
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
    <p v-if="!about.bump_stop && waits" class="small quiet" role="status">{{ waits }}</p>
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
  </div>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 8px 12px; align-items: end; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 8px; align-items: center; margin-top: 4px; }
summary { min-height: 44px; display: flex; align-items: center; cursor: pointer; }
</style>
