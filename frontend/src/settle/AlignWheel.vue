<script setup lang="ts">
import { computed } from 'vue'

import { type AlignedWheel, placeWords, type SideSetup, type WheelRound } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import type { Rounds } from './useRounds'

/** One wheel's read-out: before, now and wanted; toe in mm at the rim or as an angle, as the rack shows it. */
const props = defineProps<{ wheel: AlignedWheel; rounds: Rounds; angles: boolean; wear: boolean }>()
const units = useUnits()
const vehicle = useVehicle()
const read = computed<WheelRound | null>(() => props.rounds.wheel(props.wheel.place))
const words = computed(() => placeWords(props.wheel.place))
const toe = (a: AlignedWheel['now']): string => {
  if (a.toe == null) return '–'
  const way = Math.abs(a.toe) < 1e-6 ? '' : a.toe > 0 ? 'in ' : 'out '
  if (props.angles || a.across == null) return `${way}${minutes(Math.abs(a.toe))}`
  return `${way}${units.show(Math.abs(a.across), 'm', { kind: 'fine length' })}`
}
/** Degrees and minutes, as racks print them. */
function minutes(a: number): string {
  const all = Math.round((a * 180 * 60) / Math.PI)
  return `${Math.floor(all / 60)}° ${String(all % 60).padStart(2, '0')}′`
}
const deg = (a: number | null | undefined): string => (a == null ? '–' : units.show(a, 'rad', { decimals: 1 }))
const set = (member: keyof WheelRound, value: number | null): void =>
  props.rounds.setWheel(`${member.replaceAll('_', ' ')}, ${words.value}`, props.wheel.place, {
    [member]: value,
    ...(member === 'toe' ? { toe_angle: null } : member === 'toe_angle' ? { toe: null } : {}),
  })
type Wanted = 'toe' | 'camber' | 'caster'
const side = computed<SideSetup | undefined>(() => vehicle.setup.value?.sides?.[props.wheel.place])
/** What is wanted, and behind it how near is near enough ("1.0 +- 0.5"). */
function want(member: Wanted, value: number | null, within: number | null): void {
  const at = ['setups', vehicle.setupIndex.value, 'sides', props.wheel.place]
  vehicle.edit(`${member} wanted, ${words.value}`, [
    { path: [...at, member], value },
    { path: [...at, 'within'], value: { ...side.value?.within, [member]: value === null ? null : within } },
  ])
}
const TREADS = [
  ['tread_inner', 'inner'],
  ['tread_middle', 'middle'],
  ['tread_outer', 'outer'],
] as const
const asAngle = computed(() => props.angles || (read.value?.toe_angle != null && read.value.toe == null))
</script>

<template>
  <table class="wheel">
    <thead>
      <tr>
        <th>{{ words }}</th>
        <th><TermWord words="before" /></th>
        <th><TermWord words="now" /></th>
        <th><TermWord words="wanted" /></th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <th :class="{ off: wheel.toe_off }">
          toe <small>{{ asAngle ? '° ′' : units.unit('m').written }}</small>
        </th>
        <td>{{ toe(wheel.before) }}</td>
        <td class="f">
          <QuantityField
            v-if="asAngle"
            hide-label
            strong
            unit-text=""
            :label="`toe ${words} as an angle`"
            of="WheelRound.toe_angle"
            :at="`toe_angle ${wheel.place}`"
            :decimals="2"
            :model-value="read?.toe_angle"
            @update:model-value="(v) => set('toe_angle', v)" /><QuantityField
            v-else
            hide-label
            strong
            unit-text=""
            :label="`toe ${words}`"
            of="WheelRound.toe"
            kind="fine length"
            :model-value="read?.toe"
            @update:model-value="(v) => set('toe', v)" />
        </td>
        <td class="plan">
          <template v-if="asAngle">{{ toe(wheel.wanted) }}</template><QuantityField
            v-else
            hide-label
            tolerant
            unit-text=""
            :label="`toe wanted, ${words}, in +`"
            of="SideSetup.toe"
            kind="fine length"
            :tolerance="side?.within?.toe"
            :model-value="side?.toe"
            @update:model-value="(v, t) => want('toe', v, t)" />
        </td>
      </tr>
      <tr>
        <th :class="{ off: wheel.camber_off }">camber <small>°</small></th>
        <td>{{ deg(wheel.before.camber) }}</td>
        <td class="f">
          <QuantityField
            hide-label
            strong
            unit-text=""
            :label="`camber ${words}`"
            of="WheelRound.camber"
            :at="`camber ${wheel.place}`"
            :decimals="1"
            :model-value="read?.camber"
            @update:model-value="(v) => set('camber', v)" />
        </td>
        <td class="plan">
          <QuantityField
            hide-label
            tolerant
            unit-text=""
            :label="`camber wanted, ${words}`"
            of="SideSetup.camber"
            :decimals="1"
            :tolerance="side?.within?.camber"
            :model-value="side?.camber"
            @update:model-value="(v, t) => want('camber', v, t)" />
        </td>
      </tr>
      <tr v-if="wheel.place.startsWith('front')">
        <th :class="{ off: wheel.caster_off }">caster <small>°</small></th>
        <td>{{ deg(wheel.before.caster) }}</td>
        <td class="f">
          <QuantityField
            hide-label
            strong
            unit-text=""
            :label="`caster ${words}`"
            of="WheelRound.caster"
            :at="`caster ${wheel.place}`"
            :decimals="1"
            :model-value="read?.caster"
            @update:model-value="(v) => set('caster', v)" />
        </td>
        <td class="plan">
          <QuantityField
            hide-label
            tolerant
            unit-text=""
            :label="`caster wanted, ${words}`"
            of="SideSetup.caster"
            :decimals="1"
            :tolerance="side?.within?.caster"
            :model-value="side?.caster"
            @update:model-value="(v, t) => want('caster', v, t)" />
        </td>
      </tr>
      <tr v-if="wear">
        <th>
          tread <small>{{ units.unit('m').written }}</small>
        </th>
        <td v-for="[member, word] in TREADS" :key="member" class="f">
          <QuantityField
            hide-label
            unit-text=""
            :label="`tread ${word}, ${words}`"
            of="WheelRound.tread_middle"
            kind="fine length"
            :model-value="read?.[member]"
            @update:model-value="(v) => set(member, v)" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.wheel { width: 100%; border-collapse: collapse; table-layout: fixed; } thead th { font-weight: 400; font-size: var(--t-1); color: var(--ink-2); text-align: right; } thead th:first-child { text-align: left; font-weight: 600; font-size: var(--t-2); color: var(--ink); width: 68px; } thead th:nth-child(2) { width: 50px; } thead th:nth-child(4) { width: 82px; }
tbody th { font-weight: 400; text-align: left; } tbody th.off::after { content: ' ⚑'; color: var(--look); } td { text-align: right; padding: 0 2px; border-top: 1px solid var(--rule); } tbody th { border-top: 1px solid var(--rule); } .plan { color: var(--plan); font-weight: 600; } .plan :deep(.qf-in) { color: var(--plan); } thead th { white-space: nowrap; } small { color: var(--ink-2); font-size: var(--t-1); }
</style>
