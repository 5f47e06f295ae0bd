<script setup lang="ts">
import { computed } from 'vue'

import { placeWords, type SetDownRow } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

/** What to turn at one corner, seen from above: the turns as a spiral, clockwise down; a lock where it is held. */
const props = defineProps<{ row: SetDownRow; waits: boolean }>()
const emit = defineEmits<{ hold: [] }>()
const units = useUnits()
const turn = computed(() => props.row.turn ?? null)
const KIND: Record<string, string> = {
  collar: 'collar',
  body: 'damper body',
  cap: 'preload',
  splines: 'plate',
  adjuster: 'adjuster',
  bolt: 'bolt',
  pressure: 'pressure',
}
const KINDS = { m: 'fine length' } as const
const shown = (v: number): string =>
  units.show(v, turn.value!.unit, {
    unit: true,
    ...(turn.value!.unit === 'm' ? { kind: KINDS.m } : turn.value!.unit === 'rad' ? { decimals: 1 } : {}),
  })
const way = computed(() => ((turn.value?.move ?? 0) > 0 ? 'up' : 'down'))
const spiral = computed(() => {
  const turns = Math.min(6, Math.abs(turn.value?.turns ?? 0))
  if (turns < 0.05) return ''
  const down = (turn.value?.turns ?? 0) < 0
  const points: string[] = []
  for (let i = 0; i <= turns * 36; i++) {
    const a = ((down ? 1 : -1) * (i * 10 * Math.PI)) / 180 - Math.PI / 2
    const r = 11 + (i / 36) * 3.2
    points.push(`${(24 + r * Math.cos(a)).toFixed(1)} ${(24 + r * Math.sin(a)).toFixed(1)}`)
  }
  return `M${points.join('L')}`
})
const held = computed(() => turn.value?.held ?? false)
const then = computed(() => turn.value?.stands_then)
</script>

<template>
  <div v-if="turn" class="turn">
    <button
      class="knob"
      :aria-pressed="held"
      :aria-label="`${placeWords(row.place)}, ${held ? 'held: let it be turned' : 'may be turned: hold it'}`"
      @click="emit('hold')">
      <svg width="48" height="48" viewBox="0 0 48 48" aria-hidden="true">
        <circle class="ring" :class="{ off: held || turn.small }" cx="24" cy="24" r="9" />
        <template v-if="held">
          <path class="lock" d="M19 23h10v8H19z" />
          <path class="bow" d="M21 23v-3a3 3 0 0 1 6 0v3" />
        </template>
        <path v-else-if="spiral" class="way" :d="spiral" />
      </svg>
    </button>
    <p v-if="held" class="words">
      <b>stays</b><span class="quiet small">{{ KIND[turn.kind] }} held</span>
    </p>
    <p v-else-if="turn.small" class="words">
      <b>leave it</b><span class="quiet small">{{ KIND[turn.kind] }} at {{ shown(turn.now) }}</span>
    </p>
    <p v-else class="words" :class="{ waits }">
      <b v-if="row.words">{{ row.words }}</b><b v-else-if="turn.kind === 'pressure'">to {{ shown(turn.then) }}</b
      ><b v-else-if="turn.turns != null">{{ Math.abs(turn.turns).toFixed(1) }} turns {{ way }}</b
      ><b v-else>{{ shown(Math.abs(turn.move)) }} {{ way }}</b>
      <span class="quiet small"
        >{{ KIND[turn.kind] }} {{ turn.assumed ? '~' : '' }}{{ shown(turn.now) }} to {{ shown(turn.then)
        }}<template v-if="turn.bounded">, its end</template
        ><template v-if="!row.whole">; splines not told: no pair can be found</template></span
      ><span v-if="then != null" class="quiet small"
        >then {{ units.show(then, 'm', { kind: 'fine length', unit: true }) }}</span
      >
    </p>
  </div>
  <p v-else class="quiet small none">
    {{ row.read == null ? 'not read' : 'nothing to turn here, or its setting is not known' }}
  </p>
</template>

<style scoped>
.turn { display: grid; grid-template-columns: 52px minmax(0, 1fr); gap: 4px; align-items: center; } .knob { width: 52px; height: 52px; display: grid; place-items: center; }
.words { display: grid; line-height: 1.2; } .words b { color: var(--plan); font-size: var(--t-3); } .words.waits b { color: var(--ink-2); }
.ring { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; } .ring.off { stroke: var(--edge); fill: none; } .way { fill: none; stroke: var(--plan); stroke-width: 2; } .lock { fill: var(--ink); } .bow { fill: none; stroke: var(--ink); stroke-width: 1.5; }
.none { align-self: center; }
</style>
