<script setup lang="ts">
import { computed, ref } from 'vue'

import type { EndChange, EndName, Layout } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import RatioField, { type RatioValue } from '@/components/RatioField.vue'
import WrittenField from '@/components/WrittenField.vue'
import { useVehicle } from '@/composables/useVehicle'
import { toleranceOf } from '@/logic/tolerances'

import { LAYOUTS } from './layouts'
import { PARTS, type Part, partsOf } from './replaced'

/** What this setup replaces of an end: each part by itself, as found until it is chosen. */
const props = defineProps<{ end: EndName }>()
const vehicle = useVehicle()
const found = computed(() => vehicle.document.value!.vehicle.ends![props.end]!)
const change = computed<EndChange | null>(() => vehicle.setup.value?.[`${props.end}_end`] ?? null)
const path = (): (string | number)[] => ['setups', vehicle.setupIndex.value, `${props.end}_end`]
const opened = ref<Part[]>([])
const shown = computed<Part[]>(() => {
  const told = partsOf(change.value)
  return PARTS.map((p) => p.part).filter((p) => told.includes(p) || opened.value.includes(p))
})
const left = computed(() =>
  PARTS.filter((p) => !shown.value.includes(p.part))
    .map((p) => p.part)
    .join(),
)
// made anew only when another part is shown: an open list must not lose its rows under the hand
const rest = computed(() =>
  PARTS.filter((p) => left.value.split(',').includes(p.part)).map((p) => ({ title: p.words, value: p.part })),
)
function put(words: string, members: Partial<EndChange>): void {
  const made = { ...change.value, ...members } as EndChange
  vehicle.edit(`${props.end} ${words}`, [{ path: path(), value: partsOf(made).length ? made : null }])
}
function leave(part: Part): void {
  opened.value = opened.value.filter((p) => p !== part)
  const members = PARTS.find((p) => p.part === part)!.members
  if (change.value) put(`${part} as found again`, Object.fromEntries(members.map((m) => [m, null])))
}
const setLimit = (member: 'droop' | 'solid' | 'contact', value: number | null, t: number | null): void =>
  put('limits', {
    limits: { ...change.value?.limits, [member]: value, tolerances: toleranceOf(change.value?.limits, member, t) },
  })
const setTyre = (member: 'radius', value: number | null, t: number | null): void =>
  put('tyre', {
    tyre: { ...change.value?.tyre, [member]: value, tolerances: toleranceOf(change.value?.tyre, member, t) },
  })
const setSize = (size: string | null): void => put('tyre size', { tyre: { ...change.value?.tyre, size } })
const setTyreRate = (value: number | null, tolerance: number | null): void =>
  put('tyre rate', {
    tyre: { ...change.value?.tyre, rate: value === null ? null : { how: 'typed', value, tolerance } },
  })
const ratio = (mount: 'spring' | 'damper'): RatioValue | null => change.value?.[mount]?.ratio ?? null
const layout = computed(() => change.value?.layout ?? found.value.layout!)
const LIMITS = [
  { member: 'droop', words: 'full droop' },
  { member: 'solid', words: 'damper solid' },
  { member: 'contact', words: 'tyre meets arch' },
] as const
const words = (part: Part): string => PARTS.find((p) => p.part === part)!.words
const later = computed(() => {
  const id = vehicle.setup.value?.id
  return !!change.value && (vehicle.document.value?.setups ?? []).some((s) => s.parent === id)
})
const carry = (): Promise<string | null> =>
  vehicle.act(`${props.end} parts carried on`, { act: 'carry end', end: props.end })
</script>

<template>
  <section class="replaced" :aria-label="`${end}, what this setup replaces`">
    <div class="title">
      <h3 aria-level="2">{{ shown.length ? `replaced, ${end}` : `${end}: all as found` }}</h3>
      <button v-if="later" class="link" @click="carry">carry into later setups</button>
      <v-select
        v-if="rest.length"
        class="another"
        label="replace another part"
        density="compact"
        :items="rest"
        :model-value="null"
        @update:model-value="(v: Part | null) => v && opened.push(v)" />
    </div>
    <div v-for="p in shown" :key="p" class="part">
      <div class="head">
        <b>{{ words(p) }}</b><button class="link" :aria-label="`${words(p)}, ${end}: as found again`" @click="leave(p)">
          as found
        </button>
      </div>
      <template v-if="p === 'suspension'">
        <v-select
          label="layout"
          :items="LAYOUTS"
          :model-value="change?.layout ?? null"
          placeholder="choose"
          @update:model-value="(v: Layout) => put('layout', { layout: v })" />
        <p v-if="change?.layout" class="small quiet">
          Its ratios, limits, stop, gas and friction are its own: type what you measured; what is left blank is not
          known. Structural work and welded mounts: a licensed workshop, and local approval first.
        </p>
        <QuantityField
          v-if="change?.layout === 'live axle'"
          label="between the springs of the axle"
          of="EndChange.spring_base"
          :model-value="change?.spring_base"
          @update:model-value="(v) => put('spring base', { spring_base: v })" />
      </template>
      <template v-if="p === 'ratios'">
        <RatioField
          label="spring motion ratio"
          :layout="layout"
          :ratio="ratio('spring')"
          :draft-key="`${vehicle.id} ${vehicle.setup.value!.id} ${end} spring levers`"
          @change="(r) => put('spring motion ratio', { spring: r ? { ratio: r } : null })" />
        <RatioField
          label="damper motion ratio, blank: as the spring, or as found"
          :layout="layout"
          :ratio="ratio('damper')"
          :draft-key="`${vehicle.id} ${vehicle.setup.value!.id} ${end} damper levers`"
          @change="(r) => put('damper motion ratio', { damper: r ? { ratio: r } : null })" />
        <p class="small quiet">
          The spring stands elsewhere then: its seat is typed under Height, or its collar is not known.
        </p>
      </template>
      <div v-if="p === 'limits'" class="three">
        <QuantityField
          v-for="l in LIMITS"
          :key="l.member"
          :label="l.words"
          of="Limits"
          :decimals="1"
          :model-value="change?.limits?.[l.member]"
          :tolerance="change?.limits?.tolerances?.[l.member]"
          tolerant
          @update:model-value="(...v) => setLimit(l.member, ...v)" />
      </div>
      <div v-if="p === 'tyre and wheel'" class="three">
        <WrittenField
          label="tyre size"
          of="Tyre.size"
          :model-value="change?.tyre?.size"
          @update:model-value="setSize" />
        <QuantityField
          label="tyre radius, loaded"
          of="Tyre.radius"
          :model-value="change?.tyre?.radius"
          :tolerance="change?.tyre?.tolerances?.radius"
          tolerant
          :hint="change?.tyre?.size ? 'blank: by its size, marked' : undefined"
          @update:model-value="(...v) => setTyre('radius', ...v)" />
        <QuantityField
          label="tyre rate"
          of="Tyre.rate"
          :model-value="change?.tyre?.rate?.value"
          :tolerance="change?.tyre?.rate?.tolerance"
          tolerant
          @update:model-value="setTyreRate" />
        <QuantityField
          label="unsprung mass, each corner"
          of="EndChange.unsprung_mass"
          :decimals="1"
          :model-value="change?.unsprung_mass?.value"
          :tolerance="change?.unsprung_mass?.tolerance"
          tolerant
          @update:model-value="
            (value, tolerance) =>
              put('unsprung mass', { unsprung_mass: value === null ? null : { how: 'typed', value, tolerance } })
          " />
      </div>
      <QuantityField
        v-if="p === 'track'"
        label="track"
        of="EndChange.track"
        :model-value="change?.track"
        @update:model-value="(v) => put('track', { track: v })" />
      <div v-if="p === 'ball joints'" class="three">
        <QuantityField
          label="spacer under the lower arm's joint"
          of="EndChange.joint_spacer"
          kind="fine length"
          :model-value="change?.joint_spacer"
          @update:model-value="(v) => put('ball-joint spacer', { joint_spacer: v })" />
        <QuantityField
          label="roll centre with it, if told"
          of="EndChange.roll_centre"
          :model-value="change?.roll_centre"
          @update:model-value="(v) => put('roll centre', { roll_centre: v })" />
      </div>
      <div v-if="p === 'anti-roll bar'" class="three">
        <QuantityField
          label="bar rate at its link"
          of="AntiRollBar.rate"
          :model-value="change?.bar?.rate.value"
          :tolerance="change?.bar?.rate.tolerance"
          tolerant
          @update:model-value="
            (value, tolerance) =>
              put('anti-roll bar', {
                bar:
                  value === null ? null : { ...(change?.bar ?? found.bar), rate: { how: 'typed', value, tolerance } },
              })
          " />
        <QuantityField
          label="its links, length"
          of="EndChange.link_length"
          :model-value="change?.link_length"
          @update:model-value="(v) => put('bar links', { link_length: v })" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.replaced { border-left: 3px solid var(--plan); padding-left: 10px; display: grid; gap: 10px; }
.title { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; } h3 { color: var(--plan); margin: 0; flex: 1 1 auto; } .another { flex: 0 1 188px; }
.part { display: grid; gap: 8px; border-top: 1px solid var(--rule); padding-top: 6px; } .head { display: flex; justify-content: space-between; align-items: baseline; }
.three { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 8px 12px; align-items: end; }
@media (max-width: 600px) { .three { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } }
</style>
