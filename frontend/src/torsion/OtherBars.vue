<script setup lang="ts">
import type { OtherBar, TorsionBarPart } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import TermWord from '@/components/TermWord.vue'

/** The bars at hand at the same height: rate and free angle change together; stress at the end of the bump travel. */
defineProps<{ bars: OtherBar[]; movable: boolean }>()
defineEmits<{ fit: [part: TorsionBarPart]; remove: [part: TorsionBarPart] }>()
const units = useUnits()
const mark = (f: { assumed?: boolean } | null | undefined): string => (f?.assumed ? '~' : '')
const mpa = (f: { value: number } | null | undefined): string => (f ? (f.value / 1e6).toFixed(0) : '–')
</script>

<template>
  <table v-if="bars.length" class="bars" aria-label="Bars at hand">
    <thead>
      <tr>
        <th><TermWord words="bar" /></th>
        <th>diameter, {{ units.unit('m', 'fine length').written }}</th>
        <th>wheel rate, {{ units.unit('N/m').written }}</th>
        <th>Hz</th>
        <th><TermWord words="free plate" /></th>
        <th>stress at ride, MPa</th>
        <th><TermWord words="at full bump" /></th>
        <th><span class="seen-not">what</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="b in bars" :key="b.part.code" :class="{ sel: b.fitted }">
        <td class="w">
          <b>{{ b.part.code }}</b>
        </td>
        <td>
          {{ units.show(b.part.diameter, 'm', { kind: 'fine length' })
          }}<small v-if="b.part.bore">bore {{ units.show(b.part.bore, 'm', { kind: 'fine length' }) }}</small>
        </td>
        <td>{{ mark(b.wheel_rate) }}{{ units.show(b.wheel_rate?.value, 'N/m') }}</td>
        <td>{{ mark(b.frequency) }}{{ units.show(b.frequency?.value, 'Hz') }}</td>
        <td>{{ mark(b.free_angle) }}{{ units.show(b.free_angle?.value, 'rad', { unit: true, decimals: 1 }) }}</td>
        <td>{{ mpa(b.stress_at_ride) }}</td>
        <td :class="{ 'grade-stop': b.over }">
          {{ mpa(b.stress) }}<small v-if="b.part.most_stress">of {{ (b.part.most_stress / 1e6).toFixed(0) }}</small>
        </td>
        <td>
          <span v-if="b.fitted">fitted</span
          ><button v-else class="link" :disabled="!movable" @click="$emit('fit', b.part)">take it</button>
          <button
            v-if="!b.fitted"
            class="link small"
            :aria-label="`put away ${b.part.code}`"
            @click="$emit('remove', b.part)">
            put away
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.bars { width: 100%; border-collapse: collapse; border-top: var(--l-mid) solid var(--ink); margin-top: 8px; } th { font-weight: 400; color: var(--ink-2); text-align: right; padding: 4px 6px; font-size: var(--t-1); vertical-align: bottom; line-height: 1.1; } th:first-child, .w { text-align: left; }
td { text-align: right; padding: 4px 6px; border-top: 1px solid var(--rule); font-size: var(--t-3); vertical-align: middle; } td small { display: block; font-size: var(--t-1); color: var(--ink-2); line-height: 1; } .sel td { background: var(--plan-tint); } td:last-child { white-space: nowrap; }
</style>
