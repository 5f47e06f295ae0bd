<script setup lang="ts">
import { computed } from 'vue'

import type { Candidate, CornerReport, Figure } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { sentence } from '@/logic/sentence'
import { percent } from '@/units/format'

/** One spring of the shelf: its numbers at the wheel, its travel lying on the common ride line, what speaks against it first. */
const props = defineProps<{
  row: Candidate
  corner: CornerReport | undefined
  range: { top: number; bottom: number }
  disabled: boolean
}>()
defineEmits<{ choose: []; pair: []; how: [what: 'wheel_rate' | 'frequency' | 'over_front'] }>()
const units = useUnits()
const WIDTH = 212
const x = (mm: number): number =>
  ((Math.min(props.range.top, Math.max(props.range.bottom, mm)) - props.range.bottom) /
    (props.range.top - props.range.bottom)) *
  WIDTH
const mark = (f: Figure): string => (f.assumed ? '~' : '')
const mm = (f: { value: number } | null | undefined): number | null => (f ? f.value * 1000 : null)
const ladder = computed(() => {
  const c = props.corner
  const bump = [
    { letter: 'H', at: mm(c?.hard) },
    { letter: 'S', at: mm(c?.solid) },
    { letter: 'T', at: mm(c?.contact) },
  ].flatMap((l) => (l.at === null ? [] : [{ ...l, at: l.at }]))
  const first = bump.sort((a, b) => a.at - b.at)[0]
  const [solid, letter] = [first?.at ?? null, first?.letter ?? 'S']
  const bind = mm(props.row.bind)
  const binds = bind !== null && (solid === null || bind < solid)
  const end = binds ? bind : solid
  const droop = mm(c?.droop)
  const loose = mm(props.row.loose)
  const stop = mm(c?.stop)
  const sits = mm(props.row.sits) ?? 0
  const rungs: number[] = []
  if (end !== null && droop !== null) for (let v = Math.ceil((droop + 1) / 10) * 10; v < end; v += 10) rungs.push(v)
  return {
    end,
    letter: binds ? 'B' : letter,
    binds,
    droop,
    loose: loose !== null && droop !== null && loose > droop ? loose : null,
    stop: stop !== null && end !== null && stop < end ? stop : null,
    sits,
    rungs,
  }
})
const damps = computed(() => /damp/.test(props.row.objection?.rule ?? ''))
const GRADES = { stop: 'Stop', look: 'Look', note: 'Note' }
/** What it is: rate and free length; inside diameter, wire and coils to a hand that rests there. */
const short = (value: number, si: string, kind?: 'fine length'): string =>
  units.show(value, si, { kind, unit: si !== 'm' }).replace(/[.,]0(?= |$)/, '')
const about = computed(() => {
  const p = props.row.part
  if (p.quoted_drop) return `quoted drop ${units.show(p.quoted_drop, 'm', { unit: true })}`
  const long = p.free_length ? `${short(p.free_length, 'm')} long` : 'length not known'
  return [short(p.rate.value, 'N/m'), long].join(', ')
})
const wound = computed(() => {
  const p = props.row.part
  return [
    p.inside_diameter ? `inside ${units.show(p.inside_diameter, 'm', { unit: true })}` : '',
    p.wire_diameter ? `wire ${units.show(p.wire_diameter, 'm', { kind: 'fine length', unit: true })}` : '',
    p.active_coils ? `${p.active_coils.toFixed(1)} coils` : '',
  ]
    .filter(Boolean)
    .join(', ')
})
/** What speaks against it first; two lines of it are shown, all of it to a hand that rests there. */
const against = computed(() => {
  const o = props.row.objection
  if (!o) return undefined
  const side = o.side ? `${o.side.replace('_', ' ')}: ` : ''
  return side + sentence(o.text, o.numbers, units.system.value)
})
const offersPair = computed(() => !!props.row.pair && !props.disabled && props.row.objection?.rule === 'loose_at_droop')
/** The figures of the row as they are written, and read out. */
const shownOf = computed(() => {
  const { wheel_rate: rate, frequency, damping, over_front: over } = props.row
  return {
    rate: rate ? mark(rate) + units.show(rate.value, 'N/m') : '–',
    frequency: frequency ? mark(frequency) + units.show(frequency.value, 'Hz') : '–',
    damping: damping ? mark(damping) + units.show(damping.value, '') : '',
    over: over ? mark(over) + percent(over.value, { signed: true }) : '–',
  }
})
</script>

<template>
  <div class="c-row" role="listitem" :class="{ sel: row.chosen }">
    <button class="c-part" :aria-pressed="row.chosen" :disabled="disabled" @click="$emit('choose')">
      <b>{{ row.part.code }}</b><i :title="wound">{{ about }}</i>
    </button>
    <button
      class="c-n"
      :disabled="!row.wheel_rate"
      :aria-label="`wheel rate with ${row.part.code}: ${shownOf.rate}. How?`"
      @click="$emit('how', 'wheel_rate')">
      {{ shownOf.rate }}
    </button>
    <button
      class="c-n"
      :disabled="!row.frequency"
      :aria-label="`frequency with ${row.part.code}: ${shownOf.frequency}${shownOf.damping ? ` ${shownOf.damping}` : ''}. How?`"
      @click="$emit('how', 'frequency')">
      {{ shownOf.frequency }}{{ ' ' }}<small v-if="row.damping" :class="{ why: damps }">{{ shownOf.damping }}</small>
    </button>
    <button
      class="c-n"
      :disabled="!row.over_front"
      :aria-label="`rear over front with ${row.part.code}: ${shownOf.over}. How?`"
      :class="{ why: row.objection && ['flat_ride', 'stiff_front'].includes(row.objection.rule) }"
      @click="$emit('how', 'over_front')">
      {{ shownOf.over }}
    </button>
    <svg class="c-lad" :width="WIDTH" height="44" :viewBox="`0 4 ${WIDTH} 44`" aria-hidden="true">
      <path class="plumb" :d="`M${x(0)} 0V54`" />
      <template v-if="ladder.end !== null && ladder.droop !== null">
        <rect x="0" y="15" :width="x(ladder.droop)" height="24" fill="url(#hatch-row)" />
        <rect :x="x(ladder.end)" y="15" :width="WIDTH - x(ladder.end)" height="24" fill="url(#hatch-row)" />
        <rect
          class="ld-bed"
          :x="x(ladder.droop)"
          y="15"
          :width="Math.max(0, x(ladder.end) - x(ladder.droop))"
          height="24" />
        <path v-for="r in ladder.rungs" :key="r" class="ld-rung" :d="`M${x(r)} 15v24`" />
        <rect
          v-if="ladder.stop !== null"
          :x="x(ladder.stop)"
          y="15"
          :width="Math.max(0, x(ladder.end) - x(ladder.stop))"
          height="24"
          fill="url(#dots-row)" />
        <path class="ld-rail" :d="`M${x(ladder.droop)} 15H${x(ladder.end)}M${x(ladder.droop)} 39H${x(ladder.end)}`" />
        <path class="ld-bar" :d="`M${x(ladder.droop)} 13v28`" />
        <path class="ld-bar" :class="{ stop: ladder.binds }" :d="`M${x(ladder.end)} 13v28`" />
        <rect class="ld-tag" :class="{ stop: ladder.binds }" :x="x(ladder.end) + 2" y="19" width="16" height="16" />
        <text class="ld-tx" :x="x(ladder.end) + 10" y="32">{{ ladder.letter }}</text>
        <template v-if="ladder.loose !== null">
          <path class="ld-bar look" :d="`M${x(ladder.loose)} 13v28`" />
          <rect class="ld-tag look" :x="x(ladder.loose) + 2" y="19" width="16" height="16" />
          <text class="ld-tx" :x="x(ladder.loose) + 10" y="32">L</text>
        </template>
        <path v-if="Math.abs(ladder.sits) > 0.5" class="gapline" :d="`M${x(0)} 7H${x(-ladder.sits)}`" />
      </template>
      <path
        class="wedge"
        :class="{ fact: !row.chosen, stop: Math.abs(ladder.sits) > 0.5 }"
        :d="`M${x(-ladder.sits) - 7} 4h14l-7 12z`" />
    </svg>
    <span class="c-ag">
      <span v-if="row.objection" class="says" :class="{ one: offersPair }" :title="against"
        ><b :class="`grade-${row.objection.grade}`">{{ GRADES[row.objection.grade] }}</b> {{ against }}</span
      >
      <span v-else class="quiet">{{ row.frequency ? 'nothing against it' : 'not judged yet' }}</span>
      <button v-if="offersPair" class="pair" @click="$emit('pair')">
        with {{ row.pair!.code.split('+').at(-1)?.trim() }}
      </button>
    </span>
  </div>
</template>

<style scoped>
.c-row { content-visibility: auto; contain-intrinsic-size: auto 45px; display: grid; grid-template-columns: 112px 54px 54px 66px 8px 212px 14px minmax(120px, 1fr); align-items: center; width: 100%; min-height: 44px; position: relative; border-top: 1px solid var(--rule); padding: 0 12px; scroll-margin: 120px; }
.c-part { text-align: left; min-width: 0; min-height: 44px; }
.c-part::after { content: ""; position: absolute; inset: 0; }
.c-part:focus-visible { outline: none; } .c-part:focus-visible::after { outline: 3px solid var(--ink); outline-offset: -3px; }
.c-part:disabled { cursor: default; }
.c-part b { display: block; font-size: var(--t-4); font-weight: 600; line-height: 1.1; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.c-part i { font-style: normal; font-size: var(--t-1); color: var(--ink-2); white-space: nowrap; }
.c-n { text-align: right; font-size: var(--t-4); white-space: nowrap; position: relative; z-index: 1; min-height: 44px; cursor: help; } .c-n:disabled { cursor: default; } .c-n:hover:enabled { text-decoration: underline dotted; text-underline-offset: 4px; text-decoration-thickness: 1px; } .c-n.why { color: var(--look); font-weight: 600; }
.c-lad { grid-column: 6; } .c-ag { grid-column: 8; line-height: 1.15; min-width: 0; } .says { display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 2; overflow: hidden; } .says.one { -webkit-line-clamp: 1; }
.c-n small { display: block; font-size: var(--t-1); color: var(--ink-2); line-height: 1; } .c-n small.why { color: var(--look); font-weight: 600; }
.pair { position: relative; z-index: 1; min-height: 28px; text-decoration: underline; text-underline-offset: 3px; }
.plumb { stroke: var(--plan); stroke-width: 1; }
.sel { background: var(--plan-tint); } .sel .c-part b { color: var(--plan); }
@media (max-width: 700px) { .c-row { content-visibility: auto; contain-intrinsic-size: auto 45px; grid-template-columns: 112px 54px 54px 1fr; } .c-lad { grid-column: 1 / 4; } .c-ag { grid-column: 4; } }
@media (pointer: coarse) { .pair { display: block; min-height: 44px; } }
</style>
