<script setup lang="ts">
import { computed, ref, watch } from 'vue'

import type { components } from '@/api/schema'

import { useDraft } from '@/composables/useDraft'

import { toleranceOf } from '@/logic/tolerances'

import QuantityField from './QuantityField.vue'
import SweepChart from './SweepChart.vue'

type Schemas = components['schemas']
export type RatioValue =
  | Schemas['RatioTyped']
  | Schemas['RatioFromLevers']
  | Schemas['RatioFromSweep']
  | Schemas['RatioFromLeverage']
  | Schemas['RatioAssumed']

/** A motion ratio, typed either way round, from levers, or assumed by layout; always with its words. */
const props = defineProps<{ label: string; layout: string; ratio: RatioValue | null; draftKey: string }>()
const emit = defineEmits<{ change: [ratio: RatioValue | null] }>()

const WAYS = computed(() => [
  { value: 'spring per wheel', title: 'spring / wheel' },
  { value: 'wheel per spring', title: 'wheel / spring' },
  { value: 'sweep', title: 'from a sweep' },
  { value: 'levers', title: 'from levers' },
  ...(props.layout === 'divorced' ? [] : [{ value: 'assumed', title: 'assumed by layout' }]),
])
const sweeping = ref(false)
const levering = ref(false)
// which way round, chosen before the number is typed
const picked = ref<'spring per wheel' | 'wheel per spring'>('spring per wheel')
const way = computed(() =>
  sweeping.value
    ? 'sweep'
    : levering.value
      ? 'levers'
      : !props.ratio
        ? picked.value
        : props.ratio.kind === 'ratio'
          ? props.ratio.convention
          : props.ratio.kind,
)
const typed = computed(() => (props.ratio?.kind === 'ratio' ? props.ratio : null))
const levers = computed(() => (props.ratio?.kind === 'levers' ? props.ratio : null))
// three lengths make a lever; until all are typed they wait
const lever = useDraft(props.draftKey, ['spring_distance', 'wheel_distance', 'spring_angle'] as const)
const missing = computed(() =>
  (levers.value || way.value !== 'levers'
    ? []
    : (['spring_distance', 'wheel_distance', 'spring_angle'] as const).filter((m) => lever.get(m) === null)
  ).map(
    (m) => ({ spring_distance: 'pivot to spring', wheel_distance: 'pivot to wheel', spring_angle: 'spring angle' })[m],
  ),
)
// a sweep is kept here until it holds two whole pairs
type Pair = [number | null, number | null]
const rows = ref<Pair[]>([])
watch(
  () => props.ratio,
  (r) => {
    if (r?.kind !== 'sweep') return
    sweeping.value = true
    if (JSON.stringify(whole()) !== JSON.stringify(r.points))
      rows.value = [...r.points.map((p): Pair => [p[0] ?? null, p[1] ?? null]), [null, null]]
  },
  { immediate: true },
)
function whole(): [number, number][] {
  return rows.value.filter((r): r is [number, number] => r[0] !== null && r[1] !== null).map(([h, s]) => [h, s])
}
function setPair(row: number, column: 0 | 1, value: number | null): void {
  rows.value[row]![column] = value
  if (rows.value.at(-1)!.some((v) => v !== null)) rows.value.push([null, null])
  if (whole().length >= 2) emit('change', { kind: 'sweep', points: whole() })
}
function choose(next: string): void {
  sweeping.value = next === 'sweep'
  levering.value = next === 'levers'
  if (next === 'sweep') {
    if (!rows.value.length)
      rows.value = [
        [null, null],
        [null, null],
        [null, null],
      ]
    return
  }
  if (next === 'assumed') return emit('change', { kind: 'assumed' })
  if (next === 'levers') return
  picked.value = next as typeof picked.value
  const value = typed.value?.value
  if (value === undefined) return emit('change', null)
  emit('change', {
    kind: 'ratio',
    value,
    convention: next as 'spring per wheel' | 'wheel per spring',
    how: typed.value?.how ?? 'typed',
    tolerances: typed.value?.tolerances ?? {},
  })
}
function setValue(value: number | null, tolerance: number | null): void {
  if (value === null) return emit('change', null)
  const convention = way.value === 'wheel per spring' ? 'wheel per spring' : 'spring per wheel'
  const tolerances = toleranceOf(typed.value, 'value', tolerance)
  emit('change', { kind: 'ratio', value, convention, how: typed.value?.how ?? 'typed', tolerances })
}
const LEVER = [
  { member: 'spring_distance', label: 'pivot to spring' },
  { member: 'wheel_distance', label: 'pivot to wheel' },
  { member: 'spring_angle', label: 'spring off upright' },
] as const
type LeverMember = (typeof LEVER)[number]['member']
function setLever(member: LeverMember, value: number | null, tolerance: number | null): void {
  if (levers.value) {
    const tolerances = toleranceOf(levers.value, member, tolerance)
    if (value !== null) emit('change', { ...levers.value, [member]: value, tolerances })
    return
  }
  const whole = lever.put(member, value)
  if (whole) emit('change', { kind: 'levers', ...whole, tolerances: toleranceOf(null, member, tolerance) })
}
</script>

<template>
  <div class="ratio">
    <div class="pair">
      <QuantityField
        v-if="!['levers', 'assumed', 'sweep'].includes(way ?? '')"
        :label="label"
        of="RatioTyped.value"
        :decimals="3"
        :model-value="typed?.value"
        :tolerance="typed?.tolerances?.value"
        tolerant
        @update:model-value="setValue" />
      <div v-else class="said">
        <span class="small quiet">{{ label }}</span><span>{{
          way === 'assumed'
            ? 'the usual one of this layout, marked ~'
            : way === 'sweep'
              ? 'along the travel, from:'
              : 'worked out from:'
        }}</span>
      </div>
      <v-select
        :aria-label="`${label}: which way round`"
        :items="WAYS"
        :model-value="way"
        @update:model-value="choose" />
    </div>
    <div v-if="way === 'sweep'" class="sweep">
      <p class="small quiet">
        Spring out, wheel jacked in steps: hub to arch, and the distance between the spring's seats.
      </p>
      <div v-for="(r, i) in rows" :key="i" class="pair">
        <QuantityField
          :label="`hub to arch, step ${i + 1}`"
          of="RatioFromSweep.points"
          :decimals="1"
          :model-value="r[0]"
          @update:model-value="(v) => setPair(i, 0, v)" />
        <QuantityField
          :label="`between the seats, step ${i + 1}`"
          of="RatioFromSweep.points"
          :decimals="1"
          :model-value="r[1]"
          @update:model-value="(v) => setPair(i, 1, v)" />
      </div>
    </div>
    <div v-if="way === 'levers'" class="three">
      <QuantityField
        v-for="l in LEVER"
        :key="l.member"
        :label="l.label"
        :of="`RatioFromLevers.${l.member}`"
        :decimals="l.member === 'spring_angle' ? 1 : undefined"
        :clearable="!levers"
        :model-value="levers?.[l.member] ?? lever.get(l.member)"
        :tolerance="levers?.tolerances?.[l.member]"
        :tolerant="!!levers"
        @update:model-value="(v, t) => setLever(l.member, v, t)" />
    </div>
    <p v-if="missing.length" class="small quiet" role="status">
      Counts once {{ missing.join(', ') }} {{ missing.length > 1 ? 'are' : 'is' }} typed{{
        ratio ? '; until then the ratio before stands' : ''
      }}.
    </p>
    <SweepChart v-if="way === 'sweep' && ratio?.kind === 'sweep'" :points="ratio.points" />
  </div>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; align-items: end; }
.three { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; margin-top: 8px; }
.said { display: grid; }
.sweep { display: grid; gap: 6px; margin-top: 8px; }
</style>
