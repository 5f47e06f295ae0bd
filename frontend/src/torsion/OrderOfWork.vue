<script setup lang="ts">
import { computed } from 'vue'

import type { IndexBench, MoveRow } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

import { turns, turnWords } from './gear'

/** The order of work at one bar, with the caution at its steps: the wound bar drives the plate and hub down. */
const props = defineProps<{ bench: IndexBench; row: MoveRow; side: 'left' | 'right'; adjustable: boolean }>()
const units = useUnits()
const turn = computed(() => turns(props.row.inner, props.row.outer, props.bench))
const deg = (v: number): string => units.show(v, 'rad', { unit: true, decimals: 1 })
const STEPS = computed(() => [
  { words: 'Mark bar, plate and tube at both ends', stop: false },
  { words: 'Zero the level on the sill', stop: false },
  { words: 'Ease the plate off its stop', stop: true },
  { words: props.bench.read ? 'Plate hangs free' : 'Read the free plate, type it', stop: false },
  { words: `Plate off, bar out to the ${props.side}`, stop: false },
  { words: `Bar ${turnWords(props.row.inner, turn.value.bar)}`, stop: false },
  { words: `Plate ${turnWords(props.row.outer, turn.value.plate)}`, stop: false },
  {
    words: `Level must show ${deg(props.row.free_angle)}${props.adjustable && Math.abs(props.row.adjust ?? 0) > 1e-3 && props.row.reachable ? `, then set to ${deg(props.row.free_angle + (props.row.adjust ?? 0))}` : ''}`,
    stop: false,
  },
  { words: 'Jack the plate over its stop', stop: true },
])
const kg = (f: { value: number } | null | undefined): string =>
  f ? units.show(f.value, 'kg', { unit: true, decimals: 0 }) : ''
</script>

<template>
  <p class="quiet">Order of work; turns as seen from outside the vehicle, at this side.</p>
  <ol class="order" aria-label="Order of work">
    <li v-for="(s, i) in STEPS" :key="i" :class="{ stop: s.stop }">
      <i>{{ i + 1 }}</i><span>{{ s.words }}</span>
    </li>
  </ol>
  <p class="caution">
    <b class="grade-stop">Stop</b> The wound bar drives the hub down<template v-if="bench.press_off"
      >: {{ kg(bench.press_off) }} at 3</template
    ><template v-if="bench.press_on">, {{ kg(bench.press_on) }} at 9</template
    ><template v-if="!bench.press_off && !bench.press_on"
      >; how hard follows once the plate's angle on its ledge is typed under Geometry</template
    >. Vehicle on stands, jack under the plate, the maker's puller, stand clear; left bar to the left. Have the
    alignment set afterwards.
  </p>
</template>

<style scoped>
.order { list-style: none; margin: 6px 0 0; padding: 0; display: grid; grid-template-columns: repeat(9, minmax(0, 1fr)); gap: 6px; }
li { display: grid; justify-items: center; text-align: center; gap: 4px; line-height: 1.15; align-content: start; } li i { font-style: normal; width: 26px; height: 26px; border: 1.5px solid var(--ink); border-radius: 50%; display: grid; place-items: center; font-weight: 600; font-size: var(--t-1); }
li.stop i { border-radius: 0; background: var(--stop); border-color: var(--stop); color: var(--ground); }
.caution { background: var(--stop-tint); border-top: 3px solid var(--stop); padding: 6px 10px; margin-top: 8px; }
@media (max-width: 820px) { .order { grid-template-columns: repeat(3, minmax(0, 1fr)); } }
</style>
