<script setup lang="ts">
import { computed } from 'vue'

import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useVehicle } from '@/composables/useVehicle'

/** Damping wanted: of the body, against wheel hop, rebound over bump; and how comfort weighs against grip. */
const vehicle = useVehicle()
const targets = computed(() => vehicle.document.value!.brief!.targets ?? {})
const usual = computed(() => vehicle.report.value?.vehicle)
const set = (words: string, member: string, value: unknown): void =>
  vehicle.edit(words, [{ path: ['brief', 'targets', member], value }])
const BANDS = [
  { member: 'damping', told: 'damping', words: 'body, slow' },
  { member: 'damping_high', told: 'hop', words: 'wheel, fast' },
  { member: 'rebound_over_bump', told: 'split', words: 'rebound over bump' },
] as const
type Band = (typeof BANDS)[number]
type Edges = { low?: number | null; high?: number | null }
const now = (b: Band): Edges =>
  targets.value[b.member] ?? {
    low: usual.value?.[`${b.told}_low`]?.value,
    high: usual.value?.[`${b.told}_high`]?.value,
  }
function change(b: Band, edge: 'low' | 'high', value: number | null): void {
  if (value === null) return set(`${b.words} wanted, back to the usual`, b.member, null)
  const { low, high } = now(b)
  const next = edge === 'low' ? { low: value, high: high ?? value } : { low: low ?? value, high: value }
  set(`${b.words} wanted`, b.member, next)
}
const mine = computed(
  () => BANDS.some((b) => targets.value[b.member]) || targets.value.split != null || targets.value.comfort != null,
)
</script>

<template>
  <section id="damping" aria-label="Damping wanted">
    <h3 aria-level="2">Damping wanted</h3>
    <table class="by-corner">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th><TermWord words="from" /></th>
          <th><TermWord words="to" /></th>
          <th><TermWord words="aimed at" /></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in BANDS" :key="b.member">
          <th>
            {{ b.words }}<small>{{ b.member === 'rebound_over_bump' ? 'at one speed' : 'of critical' }}</small>
          </th>
          <td v-for="edge in ['low', 'high'] as const" :key="edge">
            <QuantityField
              hide-label
              :label="`${b.words}, ${edge === 'low' ? 'from' : 'to'}`"
              :of="`Targets.${b.member}`"
              :decimals="b.member === 'rebound_over_bump' ? 1 : 2"
              :model-value="now(b)[edge]"
              :low="edge === 'high' ? (now(b).low ?? undefined) : undefined"
              :high="edge === 'low' ? (now(b).high ?? undefined) : undefined"
              :beyond="
                edge === 'low' ? 'This is above “to”: raise that first' : 'This is below “from”: lower that first'
              "
              @update:model-value="(v) => change(b, edge, v)" />
          </td>
          <td>
            <QuantityField
              v-if="b.member === 'rebound_over_bump'"
              hide-label
              label="rebound over bump, aimed at"
              of="Targets.split"
              :decimals="1"
              :model-value="targets.split ?? usual?.split_wanted?.value"
              @update:model-value="(v) => set('rebound over bump aimed at', 'split', v)" />
          </td>
        </tr>
        <tr>
          <th>comfort against grip<small>0 grip alone, 1 comfort alone</small></th>
          <td></td>
          <td></td>
          <td>
            <QuantityField
              hide-label
              label="weight of comfort against grip"
              of="Targets.comfort"
              :decimals="2"
              :model-value="targets.comfort ?? usual?.comfort_weight?.value"
              @update:model-value="(v) => set('weight of comfort against grip', 'comfort', v)" />
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">
      {{
        mine
          ? 'Partly yours. Empty a field to go back to the usual.'
          : 'Usual for this use; general practice, yours to edit.'
      }}
    </p>
  </section>
</template>

<style scoped>
section { margin-top: 18px; } table { width: 100%; border-collapse: collapse; } th { font-weight: 400; text-align: left; color: var(--ink-2); } tbody th { color: var(--ink); font-weight: 600; min-width: 130px; line-height: 1.1; } th small { display: block; font-weight: 400; color: var(--ink-2); } td { padding: 4px 6px; vertical-align: top; border-top: 1px solid var(--rule); }
</style>
