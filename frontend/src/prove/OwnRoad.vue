<script setup lang="ts">
import { computed, ref } from 'vue'

import { messageOf, onTwo, type RoadPiece } from '@/api/client'
import FoldedRow from '@/components/FoldedRow.vue'
import QuantityField from '@/components/QuantityField.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

import { useProve } from './useProve'

/** A road of one's own: pieces one behind the other, or a measured profile from a file. */
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
const two = computed(() => onTwo(vehicle.document.value))
const pieces = computed(() => prove.proving.value.own)
const NEW: Record<string, RoadPiece> = {
  flat: { kind: 'flat', length: 10 },
  bump: { kind: 'bump', length: 3, height: 0.05 },
  step: { kind: 'step', length: 20, height: 0.03 },
  hole: { kind: 'hole', length: 0.8, height: 0.04 },
  waves: { kind: 'waves', length: 36, height: 0.04, wave: 9 },
  sweep: { kind: 'sweep', length: 100, height: 0.012 },
  rough: { kind: 'rough', length: 40, road_class: 'C' },
}
const SIDES = ['both', 'left', 'right', 'opposite'] as const
const set = (words: string, own: RoadPiece[]): void => prove.set(words, { own })
const change = (i: number, members: Partial<RoadPiece>): void =>
  set(
    'piece of road',
    pieces.value.map((p, k) => (k === i ? { ...p, ...members } : p)),
  )
const add = (kind: string): void => set(`${kind}, a piece of road`, [...pieces.value, { ...NEW[kind]! }])
const drop = (i: number): void =>
  set(
    'piece of road taken out',
    pieces.value.filter((_, k) => k !== i),
  )
function move(i: number, by: number): void {
  const made = [...pieces.value]
  const [piece] = made.splice(i, 1)
  made.splice(i + by, 0, piece!)
  set('piece of road moved', made)
}
const state = computed(() =>
  pieces.value.length ? pieces.value.map((p) => `${p.kind} ${p.road_class ?? ''}`.trim()).join(', ') : 'nothing yet',
)
const trouble = ref('')
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const answer = await fetch('/api/prove/profile', {
    method: 'POST',
    body: await file.arrayBuffer(),
    headers: { 'Content-Type': 'text/csv' },
  }).catch(() => null)
  const body = answer ? ((await answer.json()) as { piece?: RoadPiece }) : null
  trouble.value = answer?.ok ? '' : answer ? messageOf(body) : 'The server does not answer'
  if (answer?.ok && body?.piece) set(`profile ${file.name}`, [...pieces.value, body.piece])
}
const random = computed(() => pieces.value.some((p) => p.kind === 'rough'))
const metres = (v: number): string => units.show(v, 'm', { kind: 'road length', unit: true })
</script>

<template>
  <FoldedRow title="Pieces of your own road" :state="state" :open="!pieces.length"
    ><section class="own" aria-label="Pieces of the road">
      <ol v-if="pieces.length">
        <li v-for="(p, i) in pieces" :key="i">
          <b class="kind">{{ p.kind }}</b>
          <template v-if="p.kind !== 'profile'">
            <QuantityField
              :model-value="p.length"
              of="RoadPiece.length"
              :label="`length, ${p.kind} ${i + 1}`"
              hide-label
              after="long"
              kind="road length"
              :clearable="false"
              @update:model-value="(v) => v && change(i, { length: v })" />
            <QuantityField
              v-if="p.height"
              :model-value="p.height"
              of="RoadPiece.height"
              :label="`height, ${p.kind} ${i + 1}`"
              hide-label
              :after="p.kind === 'hole' ? 'deep' : 'high'"
              :clearable="false"
              @update:model-value="(v) => v && change(i, { height: v })" />
            <QuantityField
              v-if="p.wave"
              :model-value="p.wave"
              of="RoadPiece.wave"
              :label="`wave length, ${p.kind} ${i + 1}`"
              hide-label
              kind="road length"
              after="a wave"
              :clearable="false"
              @update:model-value="(v) => v && change(i, { wave: v })" />
            <select
              v-if="p.kind === 'rough'"
              :value="p.road_class"
              :aria-label="`class, rough ${i + 1}`"
              @change="change(i, { road_class: ($event.target as HTMLSelectElement).value as 'C' })">
              <option v-for="c in 'ABCDEFGH'" :key="c" :value="c">class {{ c }}</option>
            </select>
            <label v-if="p.kind === 'rough' && !two" class="alike"
              ><input
                type="checkbox"
                :checked="p.alike"
                @change="change(i, { alike: ($event.target as HTMLInputElement).checked })" />left and right
              alike</label
            >
            <select
              v-else-if="!two && p.kind !== 'flat' && p.kind !== 'rough'"
              :value="p.sides ?? 'both'"
              :aria-label="`which wheels, ${p.kind} ${i + 1}`"
              @change="change(i, { sides: ($event.target as HTMLSelectElement).value as 'both' })">
              <option v-for="s in SIDES" :key="s" :value="s">
                {{ { both: 'both sides', left: 'left only', right: 'right only', opposite: 'left up, right down' }[s] }}
              </option>
            </select>
          </template>
          <span v-else>measured, {{ metres(p.length) }}, {{ p.points?.length }} heights</span>
          <span class="moves">
            <button v-if="i" class="mv" :aria-label="`piece ${i + 1} one forward`" @click="move(i, -1)">
              <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true"><path d="M3 10l5-5 5 5" /></svg>
            </button>
            <button class="mv" :aria-label="`take out piece ${i + 1}`" @click="drop(i)">
              <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true"><path d="M4 4l8 8M12 4l-8 8" /></svg>
            </button>
          </span>
        </li>
      </ol>
      <p v-else class="quiet">No piece yet. Put a flat start first, then what you drive over.</p>
      <p class="adds">
        <span class="quiet">add</span>
        <button v-for="(_, kind) in NEW" :key="kind" class="link" @click="add(String(kind))">{{ kind }}</button>
        <label class="link file"
          >profile from a CSV file<input
            type="file"
            accept=".csv,text/csv"
            aria-label="Road profile, CSV: distance in m, left in mm, right in mm"
            @change="read"
        /></label>
        <label v-if="random" class="seed"
          >seed
          <input
            class="sd"
            type="number"
            min="0"
            max="1000000"
            :value="prove.proving.value.seed"
            @change="
              prove.set('seed of the road', {
                seed: Math.min(1e6, Math.max(0, Math.round(Number(($event.target as HTMLInputElement).value) || 0))),
              })
            " />
        </label>
      </p>
      <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
    </section></FoldedRow
  >
</template>

<style scoped>
.own { border-bottom: 1px solid var(--rule); padding: 4px 0; } ol { list-style: none; margin: 0; padding: 0; } li { display: flex; flex-wrap: wrap; align-items: center; gap: 4px 12px; min-height: 44px; border-top: 1px solid var(--rule); } li:first-child { border-top: 0; } .kind { width: 56px; } li :deep(.qf) { width: 130px; }
select { border: 0; min-height: 44px; border-bottom: 1.5px solid var(--edge); background: none; color: var(--ink); font: inherit; } .alike { display: inline-flex; align-items: center; gap: 6px; min-height: 44px; } .alike input { width: 20px; height: 20px; accent-color: var(--ink); }
.moves { margin-left: auto; display: flex; } .mv { width: 44px; height: 44px; display: grid; place-items: center; } .mv path { fill: none; stroke: var(--ink); stroke-width: 1.6; }
.adds { display: flex; flex-wrap: wrap; gap: 0 16px; align-items: center; } .file { position: relative; overflow: hidden; } .file input { position: absolute; inset: 0; opacity: 0; cursor: pointer; } .file:focus-within { outline: 3px solid var(--ink); } .seed { display: inline-flex; align-items: center; gap: 6px; margin-left: auto; } .sd { border: 0; width: 90px; min-height: 44px; border-bottom: 1.5px solid var(--edge); font: inherit; color: var(--ink); background: var(--sheet); padding: 0 6px; }
</style>
