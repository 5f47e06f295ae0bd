<script setup lang="ts">
import { type BounceBench, type BounceRow, type Figure, type Place, placeWords } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { percent } from '@/units/format'

/** Every corner: what it reads against a sound one, the share of its curve that is left, and the plan with it. */
defineProps<{ bench: BounceBench; place: Place }>()
defineEmits<{ choose: [place: Place] }>()
const units = useUnits()
const VERDICTS = { worn: 'Worn', sound: 'Sound', 'not told': 'Not told', 'too firm': 'Too firm' }
const SCALE = 176
const at = (v: number): number => Math.min(1, Math.max(0, v / 0.8)) * SCALE
const shown = (f: Figure | null | undefined): string =>
  f ? (f.assumed ? '~' : '') + units.show(f.value, '', { decimals: 2 }) : ''
const share = (f: Figure | null | undefined): string =>
  f ? (f.assumed ? '~' : '') + percent(f.value, { decimals: 0 }) : ''
const plan = (r: BounceRow): string => {
  if (!r.plan) return ''
  if (!r.kept) return 'another damper'
  return r.plan_left ? `${shown(r.plan)} → ${shown(r.plan_left)}` : shown(r.plan)
}
</script>

<template>
  <div class="rows" role="list" aria-label="corners">
    <div class="head" aria-hidden="true">
      <span>corner</span><span>● reads</span
      ><span class="scale"
        ><i v-for="v in [0, 0.2, 0.4, 0.6, 0.8]" :key="v" :style="{ left: `${(at(v) / SCALE) * 100}%` }">{{
          v
        }}</i></span
      ><span>| a sound one</span><span>curve left</span><span>plan, assumed and measured</span><span></span>
    </div>
    <div v-for="r in bench.rows" :key="r.place" role="listitem">
      <button
        class="row"
        :class="{ here: r.place === place }"
        :aria-current="r.place === place || undefined"
        @click="$emit('choose', r.place)">
        <span class="name">{{ placeWords(r.place) }}</span>
        <span class="reads"
          ><template v-if="r.reads"
            ><b>{{ shown(r.reads) }}</b> <small>±{{ Math.max(0.01, r.uncertain ?? 0).toFixed(2) }}</small></template
          ><template v-else>not yet</template></span
        >
        <svg class="scale" :viewBox="`-6 0 ${SCALE + 12} 24`" aria-hidden="true">
          <path class="track" :d="`M0 12H${SCALE}`" />
          <template v-if="r.reads">
            <path
              v-if="r.expected"
              class="gap"
              :class="{ bad: r.verdict === 'worn' }"
              :d="`M${at(r.reads.value)} 12H${at(r.expected.value)}`" />
            <path v-if="r.expected" class="expected" :d="`M${at(r.expected.value)} 3v18`" />
            <circle class="mark" :class="{ bad: r.verdict === 'worn' }" :cx="at(r.reads.value)" cy="12" r="5" />
          </template>
        </svg>
        <span>{{ shown(r.expected) }}</span>
        <span>{{ share(r.left) }}</span>
        <span class="plan"><i>plan </i>{{ plan(r) }}</span>
        <b class="verdict" :class="{ 'grade-stop': r.verdict === 'worn' }">{{
          r.verdict ? VERDICTS[r.verdict] : r.reads ? '' : 'bounce it'
        }}</b>
      </button>
    </div>
  </div>
</template>

<style scoped>
.rows { border-top: var(--l-mid) solid var(--ink); margin-top: 8px; }
.head, .row { display: grid; grid-template-columns: 92px 104px minmax(90px, 200px) 74px 62px 128px minmax(72px, 1fr); gap: 0 8px; align-items: center; width: 100%; text-align: right; }
.head { font-size: var(--t-1); color: var(--ink-2); line-height: 1.05; min-height: 34px; }
.row { min-height: 44px; border-top: 1px solid var(--rule); font-size: var(--t-2); } .row.here { background: var(--vellum); box-shadow: inset 4px 0 0 var(--ink); } .row.here .name { font-weight: 600; padding-left: 10px; }
.name, .head span:first-child { text-align: left; font-size: var(--t-3); } .head span:first-child { font-size: var(--t-1); }
.reads b { font-size: var(--t-4); } .reads small { color: var(--ink-2); }
.head .scale { position: relative; height: 16px; margin: 0 6px; } .head i { font-style: normal; position: absolute; transform: translateX(-50%); }
svg.scale { width: 100%; height: 24px; } .track { stroke: var(--edge); } .gap { stroke: var(--ink); stroke-width: 2; } .expected { stroke: var(--ink); stroke-width: 2.5; } .mark { fill: var(--ink); } .gap.bad { stroke: var(--stop); } .mark.bad { fill: var(--stop); }
.plan i { display: none; font-style: normal; }
@media (max-width: 640px) {
  .plan i { display: inline; } .row.here > * { padding-left: 10px; }
  .head { display: none; } .row { grid-template-columns: 84px 1fr 70px 70px; padding: 4px 0; } svg.scale { grid-column: 1 / -1; grid-row: 2; } .row > span:nth-child(4) { display: none; } .row > span:nth-child(6) { grid-column: 1 / -1; text-align: left; grid-row: 3; color: var(--ink-2); } .verdict { grid-row: 1; grid-column: 4; } .row > span:nth-child(5) { grid-row: 1; grid-column: 3; }
}
</style>
