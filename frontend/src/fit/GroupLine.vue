<script setup lang="ts">
import type { StepGroup } from '@/api/client'

import { useCard } from './useCard'

/** The groups of the card on a small line of their own, each with how far it has come. */
defineProps<{ groups: StepGroup[]; here: string }>()
const emit = defineEmits<{ go: [id: string] }>()
const card = useCard()
const state = (g: StepGroup): string => {
  const { done, of } = card.count(g)
  return done === of ? 'done' : done ? 'begun' : 'untouched'
}
const blocked = (g: StepGroup): boolean =>
  (card.card.value?.damages ?? []).some(
    (d) => !d.dealt && (d.place === g.id || (g.id.length < 6 && d.place?.startsWith(g.id))),
  )
</script>

<template>
  <nav class="groups" aria-label="Groups of the card">
    <button
      v-for="g in groups"
      :key="g.id"
      class="g"
      :class="{ here: g.id === here }"
      :aria-current="g.id === here ? 'step' : undefined"
      @click="emit('go', g.id)">
      <svg width="26" height="22" viewBox="-13 -13 26 22" aria-hidden="true">
        <path v-if="g.id === here" class="ink" d="M-8 -13h16l-8 7z" />
        <circle v-if="state(g) === 'done'" r="6" class="ink" />
        <template v-else-if="state(g) === 'begun'">
          <circle r="6" class="ring" />
          <path class="ink" d="M0 -6a6 6 0 0 0 0 12z" />
        </template>
        <path v-else class="ring" d="M-5 0h10M0 -5v10" />
        <path v-if="blocked(g)" class="flag" d="M6 2V-12l8 3-8 3" />
      </svg>
      <span>{{ g.words }}</span><small
        >{{ card.count(g).done }} of {{ card.count(g).of
        }}<template v-if="card.count(g).off">, {{ card.count(g).off }} put off</template></small
      >
    </button>
  </nav>
</template>

<style scoped>
.groups { display: flex; overflow-x: auto; scrollbar-width: none; border-bottom: 1px solid var(--rule); } .g { flex: 1 1 0; min-width: 88px; min-height: 64px; display: grid; justify-items: center; align-content: start; line-height: 1.15; padding: 2px 4px; text-align: center; } .g.here span { font-weight: 600; } .g.here { box-shadow: inset 0 -3px var(--ink); } small { font-size: var(--t-1); color: var(--ink-2); }
.ink { fill: var(--ink); } .ring { fill: none; stroke: var(--ink); stroke-width: 1.5; } .flag { fill: var(--look-fill); stroke: var(--ink); }
</style>
