<script setup lang="ts">
import { computed } from 'vue'

import type { CornerWeights } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { percent } from '@/units/format'

/** The cross weight as a beam: now, in earlier rounds, and once turned; the band wanted is the pale wedge. */
const props = defineProps<{ weights: CornerWeights; then: number | null }>()
const units = useUnits()
const share = computed(() => props.weights.share!)
const widest = computed(() =>
  Math.max(
    0.02,
    ...[share.value.cross, ...(props.weights.before ?? []).map((b) => b.cross)].map((c) =>
      Math.abs(c - props.weights.target),
    ),
  ),
)
/** Up at the right where the counted diagonal is too light. */
const tilt = (cross: number): number => ((props.weights.target - cross) / widest.value) * 34
const kg = (v: number): string => units.show(v, 'kg', { decimals: 1, unit: true })
const counted = computed(() => share.value.cross * share.value.total)
</script>

<template>
  <div class="beam">
    <svg width="320" height="84" viewBox="0 8 320 84" aria-hidden="true">
      <path
        class="band"
        :d="`M12 ${52 + tilt(weights.target - weights.band)}L308 ${52 - tilt(weights.target - weights.band)}V${52 - tilt(weights.target + weights.band)}L12 ${52 + tilt(weights.target + weights.band)}Z`" />
      <path
        v-for="b in weights.before"
        :key="b.number"
        class="before"
        :d="`M12 ${52 + tilt(b.cross)}L308 ${52 - tilt(b.cross)}`" />
      <path v-if="then !== null" class="then" :d="`M12 ${52 + tilt(then)}L308 ${52 - tilt(then)}`" />
      <path class="now" :d="`M12 ${52 + tilt(share.cross)}L308 ${52 - tilt(share.cross)}`" />
      <path class="foot" d="M160 54l-16 30h32z" />
    </svg>
    <dl>
      <template v-for="b in weights.before" :key="b.number"
        ><dt class="quiet">round {{ b.number }}</dt>
        <dd>{{ percent(b.cross, { decimals: 1 }) }}</dd></template
      >
      <dt>now</dt>
      <dd>
        <b class="now-n">{{ percent(share.cross, { decimals: 1 }) }}</b>
        <span class="quiet">±{{ (share.cross_sure * 100).toFixed(1) }}</span>
      </dd>
      <template v-if="weights.expected != null"
        ><dt class="quiet">was expected</dt>
        <dd>{{ percent(weights.expected, { decimals: 1 }) }}</dd></template
      ><template v-if="then !== null"
        ><dt class="quiet">then</dt>
        <dd class="plan">{{ percent(then, { decimals: 1 }) }}</dd></template
      >
    </dl>
    <p class="small two">
      <span
        >front left, rear right <b>{{ kg(share.total - counted) }}</b></span
      ><span
        >front right, rear left <b>{{ kg(counted) }}</b></span
      ><span
        >left <b>{{ percent(share.left, { decimals: 1 }) }}</b></span
      ><span
        >front <b>{{ percent(share.front, { decimals: 1 }) }}</b></span
      ><span
        >in all <b>{{ kg(share.total) }}</b></span
      >
    </p>
  </div>
</template>

<style scoped>
.beam { display: grid; grid-template-columns: 320px minmax(0, 1fr); gap: 0 16px; align-items: center; } dl { display: grid; grid-template-columns: auto 1fr; gap: 0 10px; margin: 0; line-height: 1.25; } dd { margin: 0; } .now-n { font-size: var(--t-5); } .plan { color: var(--plan); font-weight: 600; } .two { grid-column: 1 / 3; display: flex; flex-wrap: wrap; gap: 0 18px; }
.band { fill: var(--plan-tint); } .before { stroke: var(--ink); stroke-width: 1; } .then { stroke: var(--plan); stroke-width: 2.25; } .now { stroke: var(--ink); stroke-width: 3.5; } .foot { fill: var(--ink); }
@media (max-width: 600px) { .beam { grid-template-columns: minmax(0, 1fr); } .two { grid-column: 1; } svg { width: 100%; height: auto; } }
</style>
