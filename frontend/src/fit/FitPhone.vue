<script setup lang="ts">
import { computed } from 'vue'

import type { EndName, Step } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { sentence } from '@/logic/sentence'

import PhotoStrip from './PhotoStrip.vue'
import PutOff from './PutOff.vue'
import SettingShown from './SettingShown.vue'
import TorqueField from './TorqueField.vue'
import { useCard } from './useCard'

/** One step at a time, for a hand in a glove: where, what, the number large, and Done. */
const props = defineProps<{ steps: Step[]; at: number; words: string }>()
const emit = defineEmits<{ move: [by: number] }>()
const card = useCard()
const units = useUnits()
const step = computed(() => props.steps[props.at] ?? null)
const text = (words: string): string => sentence(words, step.value?.numbers, units.system.value)
const torqued = computed(() => (step.value?.uses ?? []).filter((u) => u.done === 'tight'))
const locked = computed(() => !!step.value?.energy && !card.read.value)
function done(): void {
  const now = step.value
  if (!now) return
  if (card.isDone(now)) return card.say(now, 'open')
  card.say(now, 'done')
  emit('move', 1)
}
</script>

<template>
  <article v-if="step" class="phone" :data-step="step.key">
    <p class="where">
      <b v-if="step.hand" class="lr">{{ step.hand }}</b> <b>{{ words }}</b> step {{ at + 1 }} of {{ steps.length }}
    </p>
    <h2>{{ text(step.text) }}</h2>
    <p v-if="step.caution" class="caution" :class="{ energy: step.energy }">
      <b class="grade-stop">{{ step.energy ? 'Loaded spring' : 'Look' }}</b> {{ text(step.caution) }}
    </p>
    <p v-if="step.settings?.length" class="sets">
      <SettingShown v-for="s in step.settings" :key="s.words" :setting="s" large />
    </p>
    <div v-for="u in torqued" :key="`${u.end}${u.kind}`" class="tq">
      <span>{{ u.kind }}<small class="quiet"> as its maker says</small></span
      ><TorqueField :end="u.end as EndName" :kind="u.kind" />
    </div>
    <details>
      <summary>why, tools, picture</summary>
      <p>
        {{ step.why || 'The workshop’s own step.'
        }}<template v-if="step.tools?.length"> Tools: {{ step.tools.join(', ') }}.</template>
      </p>
      <PhotoStrip :about="step.key" />
    </details>
    <p><PutOff :step="step" /></p>
    <footer>
      <button class="act" :disabled="at === 0" @click="emit('move', -1)">back</button>
      <button v-if="locked" class="act go" @click="card.acknowledge()">Read it, go on</button>
      <button v-else class="act go" role="checkbox" :aria-checked="card.isDone(step)" @click="done">
        <span class="b">{{ card.isDone(step) ? '✓' : '' }}</span>{{ card.isDone(step) ? 'Done, open again' : 'Done' }}
      </button>
      <button class="act" :disabled="at >= steps.length - 1" @click="emit('move', 1)">next</button>
    </footer>
  </article>
</template>

<style scoped>
.phone { display: grid; gap: 8px; padding-bottom: 96px; } h2 { font-size: var(--t-5); line-height: 1.12; } .where { font-size: var(--t-3); } .lr { background: var(--ink); color: var(--ground); padding: 0 6px; } .caution { border-left: 4px solid var(--stop); padding: 6px 10px; background: var(--stop-tint); } .sets { display: grid; gap: 2px; } .tq { display: flex; justify-content: space-between; align-items: center; gap: 10px; border-top: 1px solid var(--rule); padding-top: 4px; } small { display: block; } summary { min-height: 44px; display: flex; align-items: center; text-decoration: underline; text-underline-offset: 3px; cursor: pointer; }
footer { position: sticky; bottom: 0; display: grid; grid-template-columns: 76px minmax(0, 1fr) 76px; gap: 8px; background: var(--ground); padding: 6px 0; } footer .act { min-height: 72px; padding: 0 6px; white-space: normal; text-align: center; } .b { width: 34px; height: 34px; border: 2px solid currentColor; display: grid; place-items: center; font-size: var(--t-4); }
</style>
