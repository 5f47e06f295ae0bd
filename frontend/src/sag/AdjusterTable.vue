<script setup lang="ts">
import type { Clicks, EndName, SideSetup } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useDraft } from '@/composables/useDraft'

import { useSag } from './useSag'
import { ENDS } from './walk'

/** Every knob of this setup: its click, its range, from which end it is counted, and whether it is best left alone. */
const { vehicle, units, side, set, about, isAir } = useSag()
const KNOBS = [
  { member: 'rebound', words: 'rebound' },
  { member: 'bump', words: 'compression' },
  { member: 'high_bump', words: 'high-speed compression' },
] as const
type Knob = (typeof KNOBS)[number]['member']
const knob = (e: EndName, k: Knob): Clicks | null | undefined => side(e)[k]
function change(e: EndName, k: Knob, members: Partial<Clicks>): void {
  const now = knob(e, k)
  const draft = useDraft(`${vehicle.id} ${vehicle.setup.value?.id} ${e} ${k}`, ['of'] as const)
  if (members.count === null) {
    draft.park({ of: now?.of })
    return set(e, `${k} clicks`, { [k]: null })
  }
  if (!now && members.count === undefined) return draft.park({ of: members.of ?? null })
  set(e, `${k} clicks`, {
    [k]: { counted_from: 'fully closed', ...(now ? {} : draft.take()), ...now, ...members } as Clicks,
  })
}
/** A range typed before its click. */
const rangeOf = (e: EndName, k: Knob): number | null =>
  knob(e, k)?.of ?? useDraft(`${vehicle.id} ${vehicle.setup.value?.id} ${e} ${k}`, ['of'] as const).get('of')
const whole = (v: number | null): number | null => (v === null ? null : Math.round(v))
const seat = (e: EndName, member: 'pitch' | 'thread', value: number | null): void => {
  const made = { ...side(e).seat, [member]: value }
  const setups = vehicle.document.value!.setups
  vehicle.edit(
    `${member === 'pitch' ? 'travel of one turn' : 'whole range'}, ${e}`,
    setups.map((s, i) => ({
      path: ['setups', i, 'sides', e, 'seat'],
      value: {
        ...(s.sides?.[e] as SideSetup)?.seat,
        ...made,
        length: (s.sides?.[e] as SideSetup)?.seat?.length ?? null,
        hub_to_arch: (s.sides?.[e] as SideSetup)?.seat?.hub_to_arch ?? null,
      },
    })),
  )
}
</script>

<template>
  <section id="settings" class="knobs" aria-label="Adjusters">
    <h3 aria-level="2">Adjusters</h3>
    <div class="ends">
      <table v-for="e in ENDS" :key="e">
        <thead>
          <tr>
            <th class="end">{{ e }}</th>
            <th><TermWord words="click" /></th>
            <th><TermWord words="of" /></th>
            <th><TermWord words="counted from" /></th>
            <th><TermWord words="leave alone" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in KNOBS" :key="k.member">
            <th>{{ k.words }}</th>
            <td>
              <QuantityField
                hide-label
                :label="`${k.words} clicks, ${e}`"
                of="Clicks.count"
                :decimals="0"
                unit-text=""
                :model-value="knob(e, k.member)?.count"
                @update:model-value="(v) => change(e, k.member, { count: whole(v) as number })" />
            </td>
            <td>
              <QuantityField
                hide-label
                :label="`${k.words}, range of clicks, ${e}`"
                of="Clicks.of"
                :decimals="0"
                unit-text=""
                :model-value="rangeOf(e, k.member)"
                @update:model-value="(v) => change(e, k.member, { of: whole(v) })" />
            </td>
            <td class="mid">
              <button
                v-if="knob(e, k.member)"
                class="link"
                @click="
                  change(e, k.member, {
                    counted_from: knob(e, k.member)!.counted_from === 'fully open' ? 'fully closed' : 'fully open',
                  })
                ">
                {{ knob(e, k.member)!.counted_from === 'fully open' ? 'open' : 'closed' }}
              </button>
            </td>
            <td class="mid">
              <v-checkbox
                v-if="knob(e, k.member)"
                :aria-label="`${k.words}, ${e}, best left alone`"
                :model-value="!!knob(e, k.member)!.alone"
                @update:model-value="(v) => change(e, k.member, { alone: !!v })" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="more">
      <template v-for="e in ENDS" :key="e"
        ><QuantityField
          v-if="!isAir(e)"
          :label="`${about(e)?.layout === 'fork' ? 'cap' : 'collar'}, one turn, ${e}`"
          of="Seat.pitch"
          kind="fine length"
          :model-value="side(e).seat?.pitch"
          @update:model-value="(v) => seat(e, 'pitch', v)" /><QuantityField
          v-if="!isAir(e)"
          :label="`${about(e)?.layout === 'fork' ? 'cap' : 'thread'}, whole range, ${e}`"
          of="Seat.thread"
          kind="fine length"
          :model-value="side(e).seat?.thread"
          @update:model-value="(v) => seat(e, 'thread', v)"
      /></template>
      <template v-if="about('front')?.layout === 'fork' && !isAir('front')"
        ><QuantityField
          label="spacers on the fork springs"
          of="SideSetup.fork_spacer"
          kind="fine length"
          :model-value="side('front').fork_spacer"
          @update:model-value="(v) => set('front', 'fork spacers', { fork_spacer: v })" /><QuantityField
          label="oil level, springs out, leg pushed together"
          of="SideSetup.oil_level"
          :model-value="side('front').oil_level"
          @update:model-value="(v) => set('front', 'oil level', { oil_level: v })" /><QuantityField
          label="oil in one leg, as filled"
          of="SideSetup.oil_quantity"
          :model-value="side('front').oil_quantity"
          @update:model-value="(v) => set('front', 'oil quantity', { oil_quantity: v })" />
        <v-text-field
          label="grade of the oil"
          maxlength="40"
          density="compact"
          :model-value="side('front').oil_grade"
          @update:model-value="(v: string | null) => set('front', 'grade of the oil', { oil_grade: v ?? '' })"
      /></template>
      <QuantityField
        v-for="e in ENDS"
        :key="e"
        :label="`tyre, cold, ${e}`"
        of="SideSetup.tyre_pressure"
        :decimals="units.unit('Pa').name === 'psi' ? 0 : 1"
        :model-value="side(e).tyre_pressure"
        @update:model-value="(v) => set(e, 'tyre pressure', { tyre_pressure: v })" />
    </div>
    <p class="small quiet">
      Count gently from the stop that is named, and put it back. Higher oil makes the end of the stroke firmer, not the
      start. The fork's springs push its caps off: bike strapped, front wheel off the floor, caps held while the last
      thread comes out, or a workshop. Torque values are the maker's.
    </p>
  </section>
</template>

<style scoped>
.knobs { border-top: var(--l-mid) solid var(--ink); margin-top: 12px; padding-top: 8px; }
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 24px; }
table { width: 100%; border-collapse: collapse; table-layout: fixed; }
th { font-weight: 400; text-align: left; color: var(--ink-2); padding: 2px 4px; line-height: 1.1; } thead th { text-align: center; font-size: var(--t-1); vertical-align: bottom; }
thead .end { text-align: left; font-size: var(--t-3); font-weight: 600; color: var(--ink); width: 108px; } tbody th { color: var(--ink); }
td { padding: 2px 4px; border-top: 1px solid var(--rule); } .mid { text-align: center; }
.mid :deep(.v-selection-control) { justify-content: center; }
.more { display: grid; grid-template-columns: repeat(4, 1fr); gap: 8px 14px; align-items: end; margin: 8px 0; }
@media (max-width: 820px) { .more { grid-template-columns: 1fr 1fr; } .ends { grid-template-columns: 1fr; } }
</style>
