<script setup lang="ts">
import { computed } from 'vue'

import { coilOf, type CornerReport, type SideSetup } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** The spring between its seats, to scale with its thread: where the collar stands, how long the spring is. */
const props = defineProps<{ corner: CornerReport | undefined; side: SideSetup; fact: boolean }>()
const units = useUnits()
const HEIGHT = 208
const scene = computed(() => {
  const length = props.corner?.spring_length?.value
  if (!length) return null
  const collar = props.corner?.collar?.value ?? null
  const thread = props.side.seat?.thread ?? null
  const below = Math.max(0, collar ?? 0) + 0.012
  const above = 0.012
  const all = length + below + above + (thread !== null && collar !== null ? Math.max(0, thread - collar - length) : 0)
  const scale = (HEIGHT - 24) / all
  const top = 12 + above * scale
  const y = (up: number): number => 12 + (above + length + (collar ?? 0) - up) * scale
  const active = coilOf(props.side)?.active_coils
  const coils = active ? Math.min(14, Math.max(3, Math.round(active))) : 7
  const seat = y(collar ?? 0)
  const lead = (seat - top) / coils
  let d = `M30 ${seat}`
  for (let i = 0; i < coils; i++) d += `L62 ${seat - (i + 0.5) * lead}L30 ${seat - (i + 1) * lead}`
  return {
    top,
    seat,
    d,
    thread: thread !== null && collar !== null ? { from: y(0), to: y(thread) } : null,
    datum: y(0),
    collar,
  }
})
</script>

<template>
  <svg
    width="92"
    :height="HEIGHT"
    :viewBox="`0 0 92 ${HEIGHT}`"
    role="img"
    :aria-label="
      scene?.collar !== null && scene
        ? `collar ${units.show(scene.collar, 'm', { kind: 'fine length', unit: true })} from its datum`
        : 'spring between its seats'
    ">
    <template v-if="scene">
      <path class="axis" :d="`M46 4V${HEIGHT - 4}`" />
      <path
        v-if="scene.thread"
        class="thread"
        :d="`M40 ${scene.thread.from}V${scene.thread.to}M52 ${scene.thread.from}V${scene.thread.to}`" />
      <path v-if="scene.thread" class="thread lim" :d="`M36 ${scene.thread.from}h20M36 ${scene.thread.to}h20`" />
      <path class="coil" :class="{ fact }" :d="scene.d" />
      <path class="seat" :d="`M24 ${scene.top}H68`" />
      <path class="collar" :class="{ fact }" :d="`M22 ${scene.seat}H70`" />
      <path
        v-if="scene.collar"
        class="dim"
        :d="`M78 ${scene.datum}V${scene.seat}M74 ${scene.datum}h8M74 ${scene.seat}h8`" />
    </template>
    <text v-else class="lab" x="46" y="104" text-anchor="middle">no length</text>
  </svg>
</template>

<style scoped>
.axis { stroke: var(--edge); stroke-width: 0.75; stroke-dasharray: 10 3 2 3; }
.thread { stroke: var(--ink-2); stroke-width: 3; stroke-dasharray: 1.5 1.5; fill: none; } .thread.lim { stroke-width: 1.5; stroke-dasharray: none; stroke: var(--ink); }
.coil { stroke: var(--plan); stroke-width: 3; fill: none; stroke-linejoin: round; } .coil.fact { stroke: var(--ink); }
.seat { stroke: var(--ink); stroke-width: 5; } .collar { stroke: var(--plan); stroke-width: 6; } .collar.fact { stroke: var(--ink); }
</style>
