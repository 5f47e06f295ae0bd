<script setup lang="ts">
import { computed } from 'vue'

import type { EndName, Figure } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import WaitsFor from '@/components/WaitsFor.vue'
import { useVehicle } from '@/composables/useVehicle'

import SpringHead from './SpringHead.vue'

/** Roll: bars and their holes, how far the body leans, which end takes the load that moves across; before and after. */
const vehicle = useVehicle()
const units = useUnits()
const figures = computed(() => vehicle.report.value?.vehicle)
const ENDS: EndName[] = ['front', 'rear']
const bar = (e: EndName) => vehicle.document.value?.vehicle.ends?.[e]?.bar
const setting = (e: EndName) => vehicle.setup.value?.[`${e}_bar`]
interface Choice {
  words: string
  rate: number | null
  value: { hole?: string | null; hooked: boolean } | null
}
const choices = (e: EndName): Choice[] => {
  const b = bar(e)
  if (!b) return []
  return [
    { words: 'hole as found', rate: b.rate.value, value: null },
    ...(b.holes ?? []).map((h) => ({ words: h.name, rate: h.rate.value, value: { hole: h.name, hooked: true } })),
    { words: 'unhooked', rate: null, value: { hooked: false } },
  ]
}
const isNow = (e: EndName, c: Choice): boolean => {
  const s = setting(e)
  return c.value === null
    ? !s || (s.hooked !== false && !s.hole)
    : c.value.hooked
      ? s?.hooked !== false && s?.hole === c.value.hole
      : s?.hooked === false
}
const choose = (e: EndName, c: Choice): void =>
  vehicle.edit(`${e} anti-roll bar`, [{ path: ['setups', vehicle.setupIndex.value, `${e}_bar`], value: c.value }])
function setBar(e: EndName, member: 'rate' | 'motion_ratio', value: number | null): void {
  const now = bar(e)
  if (member === 'rate')
    vehicle.edit(`${e} anti-roll bar`, [
      {
        path: ['vehicle', 'ends', e, 'bar'],
        value: value === null ? null : { ...now, rate: { how: 'estimated', ...now?.rate, value } },
      },
    ])
  else if (now) vehicle.edit(`${e} anti-roll bar`, [{ path: ['vehicle', 'ends', e, 'bar', 'motion_ratio'], value }])
}
const gradient = computed(() => figures.value?.roll_gradient)
const waits = computed(() => vehicle.report.value?.waits?.['roll'] ?? [])
const share = computed(() => figures.value?.front_transfer)
const weight = computed(() => figures.value?.front_fraction)
const X = (v: number): number => 60 + v * 560
const stiff = (e: EndName): Figure | null | undefined => figures.value?.[`${e}_roll_stiffness`]
/** Lean of the body at 1 g, deg; drawn as it is. */
const lean = computed(() => (gradient.value ? (gradient.value.value * 180) / Math.PI : null))
const leanWas = computed(() => (gradient.value?.was != null ? (gradient.value.was * 180) / Math.PI : null))
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.rule === 'inner_wheel_lifts'))
</script>

<template>
  <SpringHead view="roll" />
  <FindingList :findings="findings" />
  <p v-if="waits.length" class="say">Stiffnesses below; lean and load moved across wait: <WaitsFor :waits="waits" /></p>
  <div class="split">
    <svg
      v-if="lean !== null"
      class="lean"
      viewBox="0 0 330 236"
      role="img"
      :aria-label="`From behind, in a right-hand corner of 1 g: ${lean.toFixed(1)} degrees of roll`">
      <path class="el-ground" d="M10 206H320" />
      <rect class="tyre" x="58" y="144" width="34" height="62" rx="4" />
      <rect class="tyre" x="238" y="144" width="34" height="62" rx="4" />
      <g v-if="leanWas !== null && !vehicle.isFound.value" :transform="`rotate(${-leanWas} 165 190)`">
        <path class="el-found" d="M54 172V116L84 108L108 58H222L246 108L276 116V172Z" />
      </g>
      <g :transform="`rotate(${-lean} 165 190)`">
        <path
          :class="vehicle.setup.value?.stage === 'plan' ? 'el-plan' : 'el-only'"
          d="M54 172V116L84 108L108 58H222L246 108L276 116V172Z"
          fill-opacity="0.6" />
      </g>
      <path class="dim" d="M286 40H322M322 40l-8-4M322 40l-8 4" />
      <text class="lab" x="282" y="45" text-anchor="end">1 g, a corner to the right, from behind</text>
    </svg>
    <p v-else class="quiet none">No lean is drawn until it is known.</p>
    <dl>
      <dt>roll, at the springs</dt>
      <dd>
        <AskFigure
          :figure="gradient"
          path="vehicle.roll_gradient"
          title="roll gradient"
          change
          :options="{ unit: true }" />
      </dd>
      <dt>front roll stiffness</dt>
      <dd>
        <AskFigure
          :figure="stiff('front')"
          path="vehicle.front_roll_stiffness"
          title="front roll stiffness"
          change
          :options="{ unit: true }" />
      </dd>
      <dt>rear roll stiffness</dt>
      <dd>
        <AskFigure
          :figure="stiff('rear')"
          path="vehicle.rear_roll_stiffness"
          title="rear roll stiffness"
          change
          :options="{ unit: true }" />
      </dd>
      <template v-for="e in ENDS" :key="e"
        ><template v-if="figures?.[`${e}_moved`]"
          ><dt>moved across at 1 g, {{ e }}</dt>
          <dd>
            <AskFigure
              :figure="figures[`${e}_moved`]"
              :path="`vehicle.${e}_moved`"
              :title="`load moved across at 1 g, ${e}`"
              change
              :options="{ unit: true }" /></dd></template
      ></template>
    </dl>
  </div>
  <svg
    v-if="share"
    class="share"
    viewBox="0 0 680 118"
    role="img"
    aria-label="Front share of the load moved across, against the front share of the weight">
    <text class="lab" x="60" y="16">front takes</text>
    <text class="lab" x="620" y="16" text-anchor="end">rear takes</text>
    <rect class="all" x="60" y="26" width="560" height="26" />
    <rect
      :class="vehicle.setup.value?.stage === 'plan' ? 'now' : 'fact'"
      x="60"
      y="26"
      :width="share.value * 560"
      height="26" />
    <path v-if="share.was != null && !vehicle.isFound.value" class="was" :d="`M${X(share.was)} 20V58`" />
    <text v-if="share.was != null && !vehicle.isFound.value" class="num" :x="X(share.was) + 4" y="72">
      as found {{ Math.round(share.was * 100) }} %
    </text>
    <path v-if="weight" class="wt" :d="`M${X(weight.value)} 52V92`" />
    <text v-if="weight" class="num" :x="X(weight.value)" y="107" text-anchor="middle">
      front share of the weight {{ (weight.value * 100).toFixed(1) }} %
    </text>
    <path v-for="t in 11" :key="t" class="tick" :d="`M${60 + (t - 1) * 56} 52v5`" />
  </svg>
  <p v-if="share && weight" class="say">
    The front takes
    <AskFigure
      :figure="share"
      path="vehicle.front_transfer"
      title="front share of the load moved across"
      as-percent
      :options="{ decimals: 1 }" />
    of what moves across, <b>{{ ((share.value - weight.value) * 100).toFixed(1).replace('-', '−') }}</b> points
    {{ share.value >= weight.value ? 'more' : 'less' }} than its weight. More at the front steadies the car and pushes
    its nose wide; more at the rear turns it in and, past a point, around.
  </p>
  <div class="two">
    <section v-for="e in ENDS" :key="e" :aria-label="`${e} anti-roll bar`">
      <h3 aria-level="2">{{ e === 'front' ? 'Front' : 'Rear' }} anti-roll bar</h3>
      <div class="pair">
        <QuantityField
          label="rate at the link, one wheel"
          of="AntiRollBar.rate"
          :estimated="bar(e)?.rate.how === 'estimated'"
          :model-value="bar(e)?.rate.value"
          @update:model-value="(v) => setBar(e, 'rate', v)" />
        <QuantityField
          v-if="bar(e)"
          label="link over wheel travel"
          of="AntiRollBar.motion_ratio"
          :decimals="3"
          :estimated="bar(e)?.motion_ratio == null"
          hint="blank: 1, the link at the wheel"
          :model-value="bar(e)?.motion_ratio ?? 1"
          @update:model-value="(v) => setBar(e, 'motion_ratio', v)" />
      </div>
      <div v-if="bar(e)" role="radiogroup" :aria-label="`hole of the ${e} bar`" class="holes">
        <button
          v-for="c in choices(e)"
          :key="c.words"
          class="hole"
          role="radio"
          :aria-checked="isNow(e, c)"
          :disabled="vehicle.isFound.value"
          @click="choose(e, c)">
          <b>{{ c.words }}</b><span>{{ c.rate === null ? 'no bar' : units.show(c.rate, 'N/m', { unit: true }) }}</span>
        </button>
      </div>
      <p v-else class="quiet small">No bar is typed in; roll rests on the springs alone.</p>
    </section>
  </div>
</template>

<style scoped>
.say { font-size: var(--t-3); margin: 6px 0; }
.split { display: grid; grid-template-columns: 1fr 320px; gap: 24px; align-items: center; }
.lean { width: 100%; max-height: 230px; } .none { padding: 40px 0; }
dl { display: grid; grid-template-columns: 1fr auto; margin: 0; } dt, dd { margin: 0; border-bottom: 1px solid var(--rule); min-height: 40px; display: flex; align-items: center; } dt { color: var(--ink-2); } dd { justify-content: flex-end; font-weight: 600; font-size: var(--t-3); }
.share { width: 100%; margin-top: 6px; } .all { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .now { fill: var(--plan); } .fact { fill: var(--ink); } .was { stroke: var(--ink); stroke-width: 1.5; stroke-dasharray: 3 2.5; } .wt { stroke: var(--ink); stroke-width: 1.5; } .tick { stroke: var(--ink-2); }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 28px; border-top: var(--l-mid) solid var(--ink); padding-top: 8px; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 12px; margin-top: 6px; align-items: end; }
.holes { display: flex; flex-wrap: wrap; gap: 8px; margin: 10px 0; } .hole { min-height: 48px; padding: 4px 12px; border: 1px solid var(--edge); background: var(--sheet); display: grid; line-height: 1.15; } .hole span { font-size: var(--t-1); color: var(--ink-2); } .hole[aria-checked="true"] { background: var(--plan-tint); border: 2px solid var(--plan); } .hole:disabled { cursor: default; color: var(--ink-2); }
</style>
