<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, leafOf, type LeafPart, type Place } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useDraft } from '@/composables/useDraft'
import { useVehicle } from '@/composables/useVehicle'
import { foundAnew } from '@/logic/asFound'

/** Leaf springs as found: by their rate, by two loads and the heights they gave, or by their leaves. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const places: Place[] = [`${props.end}_left` as Place, `${props.end}_right` as Place]
const part = computed(() => leafOf(vehicle.document.value!.setups[0]!.sides![places[0]!]))
const SIZES = ['leaves', 'width', 'thickness', 'length'] as const
const SAGS = ['high', 'light', 'low', 'heavy'] as const
// what does not make a rate yet waits
const sizes = useDraft(`${vehicle.id} ${props.end} leaves`, SIZES)
const sags = useDraft(`${vehicle.id} ${props.end} leaf sags`, SAGS)
const put = (members: Partial<LeafPart>): void => {
  const made = { kind: 'leaf', code: `leaves as found, ${props.end}`, ...part.value, ...members } as LeafPart
  const tells = made.rate || made.sagged || SIZES.every((m) => made[m] != null)
  vehicle.edit(
    `${props.end} leaf springs as found`,
    foundAnew(vehicle.document.value!, places, 'spring', () => (tells ? made : null)),
  )
}
const setRate = (value: number | null, tolerance: number | null): void =>
  put({ rate: value === null ? null : { how: 'typed', ...part.value?.rate, value, tolerance } })
function setSize(member: (typeof SIZES)[number], value: number | null): void {
  const now = Object.fromEntries(SIZES.map((m) => [m, part.value?.[m] ?? null])) as Record<typeof member, number | null>
  if (SIZES.some((m) => now[m] === null)) {
    const whole = sizes.put(member, value)
    return whole ? put(whole) : undefined
  }
  if (value !== null) return put({ [member]: value })
  sizes.park({ ...now, [member]: null })
  put({ leaves: null, width: null, thickness: null, length: null })
}
const sagNow = computed(() => {
  const s = part.value?.sagged
  return s ? { high: s[0]![0]!, light: s[0]![1]!, low: s[1]![0]!, heavy: s[1]![1]! } : null
})
function setSag(member: (typeof SAGS)[number], value: number | null): void {
  if (sagNow.value) {
    if (value === null) {
      sags.park({ ...sagNow.value, [member]: null })
      return put({ sagged: null })
    }
    const s = { ...sagNow.value, [member]: value }
    return put({
      sagged: [
        [s.high, s.light],
        [s.low, s.heavy],
      ],
    })
  }
  const whole = sags.put(member, value)
  if (whole)
    put({
      sagged: [
        [whole.high!, whole.light!],
        [whole.low!, whole.heavy!],
      ],
    })
}
const SAG_WORDS = {
  high: 'height, lightly loaded',
  light: 'load on one spring then',
  low: 'height, more loaded',
  heavy: 'load on one spring then ',
}
const SIZE_WORDS = { leaves: 'leaves', width: 'width', thickness: 'thickness of one', length: 'between the eyes' }
</script>

<template>
  <div class="leaf">
    <div class="three">
      <QuantityField
        label="rate of one, at the axle"
        of="LeafPart.rate"
        :model-value="part?.rate?.value"
        :tolerance="part?.rate?.tolerance"
        tolerant
        @update:model-value="setRate" />
    </div>
    <p class="small quiet">Or two loads, frame over axle at each; they stand before a rate:</p>
    <div class="four">
      <QuantityField
        v-for="m in SAGS"
        :key="m"
        :label="SAG_WORDS[m]"
        :of="m === 'high' || m === 'low' ? 'LeafPart.sagged height' : 'LeafPart.sagged load'"
        :model-value="sagNow?.[m] ?? sags.get(m)"
        @update:model-value="(v) => setSag(m, v)" />
    </div>
    <p class="small quiet">Or by its leaves, within 15 %:</p>
    <div class="four">
      <QuantityField
        v-for="m in SIZES"
        :key="m"
        :label="SIZE_WORDS[m]"
        :of="`LeafPart.${m}`"
        :kind="m === 'thickness' ? 'fine length' : undefined"
        :decimals="m === 'leaves' ? 0 : undefined"
        :model-value="part?.[m] ?? sizes.get(m)"
        @update:model-value="(v) => setSize(m, v)" />
    </div>
    <p class="small quiet">
      A lowering block between spring and axle is a collar of the other way: −30 mm lowers by 30.
    </p>
  </div>
</template>

<style scoped>
.leaf { display: grid; gap: 6px; } .three, .four { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px 12px; align-items: end; }
</style>
