<script setup lang="ts">
import { computed } from 'vue'

import { type Finding, placeWords } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import type { Change } from '@/logic/patch'
import { sentence } from '@/logic/sentence'

/** Findings in plain words: grade, place, the number, why, and what mends it. */
const props = defineProps<{ findings: Finding[] }>()
const vehicle = useVehicle()
const units = useUnits()
const working = useWorking()
const WORDS = { stop: 'Stop', look: 'Look', note: 'Note' }
/** The same finding at several places is told once. */
const told = computed(() => {
  const groups = new Map<string, { finding: Finding; places: string[] }>()
  for (const f of props.findings) {
    const key = `${f.rule}|${sentence(f.text, f.numbers, units.system.value)}`
    const group = groups.get(key)
    if (group) group.places.push(f.place)
    else groups.set(key, { finding: f, places: [f.place] })
  }
  return [...groups.values()]
})
const placesOf = (places: string[]): string => {
  if (places.includes('front_left') && places.includes('front_right') && places.length === 2) return 'front'
  if (places.includes('rear_left') && places.includes('rear_right') && places.length === 2) return 'rear'
  if (places.length === 4) return 'all corners'
  return places
    .filter((p) => p !== 'vehicle')
    .map(placeWords)
    .join(', ')
}
function mend(finding: Finding): void {
  if (finding.mend.patch) vehicle.take(finding.mend.text, finding.mend.patch as Change[])
}
</script>

<template>
  <ul v-if="told.length" class="list" aria-label="Findings">
    <li v-for="t in told" :key="t.finding.rule + t.places.join()" :class="t.finding.grade">
      <details>
        <summary>
          <span class="word" :class="`grade-${t.finding.grade}`">{{ WORDS[t.finding.grade] }}</span>
          <span
            ><template v-if="placesOf(t.places)"
              ><b class="strong">{{ placesOf(t.places) }}:</b>{{ ' ' }}</template
            >{{ sentence(t.finding.text, t.finding.numbers, units.system.value) }}</span
          >
        </summary>
        <p class="why">{{ t.finding.reason }}</p>
      </details>
      <button v-if="t.finding.mend.patch" class="act" @click="mend(t.finding)">{{ t.finding.mend.text }}</button>
      <p v-else class="how">{{ t.finding.mend.text }}.</p>
      <button
        v-if="t.finding.about"
        class="link small"
        @click="working.ask(t.finding.about, sentence(t.finding.text, t.finding.numbers, units.system.value))">
        how these numbers come about
      </button>
    </li>
  </ul>
</template>

<style scoped>
.list { list-style: none; margin: 12px 0 0; padding: 0; display: grid; gap: 8px; }
li { border-left: 4px solid var(--edge); padding: 4px 0 6px 12px; }
li.stop { border-color: var(--stop); background: var(--stop-tint); }
li.look { border-color: var(--look); background: var(--look-tint); }
summary { cursor: pointer; min-height: 32px; font-size: var(--t-3); list-style: none; line-height: 1.25; display: flex; gap: 8px; align-items: baseline; }
summary::after { content: "why"; margin-left: auto; padding: 0 12px; color: var(--ink-2); font-size: var(--t-1); text-decoration: underline; text-underline-offset: 3px; }
.why { color: var(--ink-2); padding: 2px 12px 4px 0; max-width: 66ch; }
.how { padding-right: 12px; }
</style>
