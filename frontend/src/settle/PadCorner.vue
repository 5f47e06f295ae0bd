<script setup lang="ts">
import { computed } from 'vue'

import { type PadRow, placeWords, type Way } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'

/** One corner on the scales: its pad, its adjuster locked or free, the turn as a screw line, and what it weighs then. */
const props = defineProps<{ row: PadRow; way: Way | null; readings: number[] }>()
const emit = defineEmits<{ hold: []; read: [value: number | null] }>()
const units = useUnits()
const move = computed(() => props.way?.moves.find((m) => m.place === props.row.place) ?? null)
const turned = computed(() => !!move.value && Math.abs(move.value.move) > 1e-9)
const KINDS = { kind: 'fine length' } as const
const shown = (v: number): string =>
  units.show(v, props.row.unit || 'm', { unit: true, ...(props.row.unit === 'm' ? KINDS : { decimals: 1 }) })
const left = computed(() => props.row.place.endsWith('left'))
const up = computed(() => (move.value?.move ?? 0) > 0)
/** Where the collar stands on its thread, and where it goes, as shares from the bottom. */
const share = (v: number): number => {
  const [low, high] = [props.row.low ?? 0, props.row.high ?? 0.06]
  return high > low ? Math.min(1, Math.max(0, (v - low) / (high - low))) : 0.5
}
const y = (v: number): number => 74 - share(v) * 64
const screw = computed(() => {
  if (!move.value || !turned.value || props.row.now == null) return ''
  const [a, b] = [y(props.row.now), y(props.row.now + move.value.move)]
  const turns = Math.max(1, Math.min(4, Math.round(Math.abs(move.value.turns ?? 1))))
  const points: string[] = []
  for (let i = 0; i <= turns * 16; i++) {
    const t = i / (turns * 16)
    const angle = t * turns * 2 * Math.PI
    points.push(`${(24 + 21 * Math.sin(angle)).toFixed(1)} ${(a + (b - a) * t + 5 * Math.cos(angle)).toFixed(1)}`)
  }
  return `M${points.join('L')}`
})
</script>

<template>
  <div class="pad" :class="{ left }">
    <button
      v-if="row.knob"
      class="thread"
      :aria-pressed="row.held"
      :aria-label="`${placeWords(row.place)} ${row.knob}, ${row.held ? 'locked: set free' : 'free: lock it'}`"
      @click="emit('hold')">
      <span class="lock small">{{ row.held ? 'locked' : 'free' }}</span>
      <svg width="48" height="86" viewBox="0 0 48 86" aria-hidden="true">
        <path class="tube" d="M14 4v78M34 4v78" />
        <path v-for="n in 12" :key="n" class="flank" :d="`M14 ${4 + n * 6}l20 -3`" />
        <path v-if="row.now != null" class="collar" :class="{ held: row.held }" :d="`M8 ${y(row.now) - 3}h32v6H8z`" />
        <template v-if="move && turned && row.now != null">
          <path class="goes" :d="`M10 ${y(row.now + move.move) - 3}h28v6H10z`" />
          <path class="screw" :d="screw" />
          <path class="tip" :d="up ? 'M45 4l-5 9h10z' : 'M45 82l-5 -9h10z'" />
        </template>
      </svg>
    </button>
    <span v-else class="thread quiet small">nothing to turn</span>
    <div class="told">
      <b class="name">{{ placeWords(row.place) }}</b>
      <QuantityField
        strong
        hide-label
        :label="`scale, ${placeWords(row.place)}`"
        of="Survey.mass"
        :at="`mass ${row.place}`"
        :decimals="1"
        :model-value="row.mass"
        @update:model-value="(v) => emit('read', v)" />
      <p v-if="move && turned" class="turn">
        <b v-if="move.turns != null">{{ Math.abs(move.turns).toFixed(1) }} turns {{ up ? 'up' : 'down' }}</b
        ><b v-else>{{ shown(Math.abs(move.move)) }} {{ up ? 'up' : 'down' }}</b>
        <span v-if="row.now != null" class="quiet small">{{ shown(row.now) }} to {{ shown(row.now + move.move) }}</span>
      </p>
      <p v-else-if="row.now != null" class="quiet">{{ row.knob }} stays at {{ shown(row.now) }}</p>
      <p v-if="move" class="small">
        then <b class="plan">{{ units.show(move.mass_then, 'kg', { decimals: 1, unit: true }) }}</b><template
          v-if="move.height_then != null"
          >, arch
          <b class="plan"
            >{{ row.height_read ? '' : '~' }}{{ units.show(move.height_then, 'm', { kind: 'fine length' }) }}</b
          ></template
        >
      </p>
      <p v-if="readings.length > 1" class="quiet small">mean of {{ readings.length }}</p>
    </div>
  </div>
</template>

<style scoped>
.pad { display: grid; grid-template-columns: 56px minmax(0, 1fr); gap: 8px; align-items: start; } .pad:not(.left) { grid-template-columns: minmax(0, 1fr) 56px; } .pad:not(.left) .told { grid-column: 1; grid-row: 1; }
.thread { display: grid; justify-items: center; min-height: 44px; } .told { display: grid; gap: 1px; line-height: 1.25; } .pad.left .told { text-align: right; } .turn { display: grid; } .turn b, .plan { color: var(--plan); } .turn b { font-size: var(--t-3); }
.tube { stroke: var(--ink); stroke-width: 1.5; } .flank { stroke: var(--edge); stroke-width: 1; } .collar { fill: var(--ink); } .collar.held { fill: var(--ink); stroke: var(--ink); } .goes { fill: none; stroke: var(--plan); stroke-width: 1.5; stroke-dasharray: 3 2; } .screw { fill: none; stroke: var(--plan); stroke-width: 2.25; } .tip { fill: var(--plan); }
</style>
