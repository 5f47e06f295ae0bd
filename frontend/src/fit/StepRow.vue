<script setup lang="ts">
import { computed, ref } from 'vue'

import type { EndName, Step } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { sentence } from '@/logic/sentence'

import PhotoStrip from './PhotoStrip.vue'
import PutOff from './PutOff.vue'
import SettingShown from './SettingShown.vue'
import StepEdits from './StepEdits.vue'
import TorqueField from './TorqueField.vue'
import { useCard } from './useCard'
import { useFasteners } from './useFasteners'

/** One step: its box, words, caution, settings and torque; the one in hand is white, what is done is quiet. */
const props = defineProps<{ step: Step; number: number; inHand: boolean; among: Step[] }>()
const card = useCard()
const units = useUnits()
const fasteners = useFasteners()
const open = ref(false)
const said = computed(() => card.tickOf(props.step))
const fallen = computed(() => card.fallen(props.step))
const done = computed(() => card.isDone(props.step))
const locked = computed(() => !!props.step.energy && !card.read.value && !done.value)
const text = (words: string): string => sentence(words, props.step.numbers, units.system.value)
const torqued = computed(() => (props.step.uses ?? []).filter((u) => u.done === 'tight'))
const left = computed(() => (props.step.uses ?? []).filter((u) => u.done === 'ride'))
const renewed = computed(() => (props.step.uses ?? []).filter((u) => u.new && u.done !== 'out' && u.done !== 'slack'))
const toggle = (): void => card.say(props.step, done.value ? 'open' : 'done')
const when = (at: string): string =>
  new Date(`${at}${at.endsWith('Z') ? '' : 'Z'}`).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' })
</script>

<template>
  <li class="step" :class="{ hand: inHand, done, energy: step.energy && !done }" :data-step="step.key">
    <i class="n">{{ number }}</i>
    <button
      v-if="locked"
      class="box locked"
      :aria-label="`Step ${number}: read the cautions first`"
      @click="open = true">
      read<br />first
    </button>
    <button
      v-else
      class="box"
      role="checkbox"
      :aria-checked="done"
      :aria-label="`${number} ${text(step.text)}`"
      @click="toggle">
      <svg v-if="done" viewBox="0 0 24 24" width="30" height="30" aria-hidden="true"><path d="M4 13l6 6L21 5" /></svg>
      <span v-else-if="said?.state === 'off'">off</span>
    </button>
    <div class="what">
      <p class="words">
        <b v-if="step.hand" class="lr">{{ step.hand }}</b>{{ text(step.text) }}
      </p>
      <p v-if="step.caution && !done" class="caution">
        <b class="grade-stop">{{ step.energy ? 'Loaded spring' : 'Look' }}</b> {{ text(step.caution) }}
      </p>
      <p v-if="step.settings?.length" class="sets">
        <SettingShown v-for="s in step.settings" :key="s.words" :setting="s" />
      </p>
      <p v-if="renewed.length || left.length" class="small quiet">
        <span v-for="u in renewed" :key="u.kind" class="tag">new {{ u.kind }} {{ u.count }}</span>
        <span v-for="u in left" :key="`r${u.kind}`">{{ u.kind }}: tight at ride height, {{ u.count }}</span>
      </p>
      <p v-if="fallen" class="small">
        <b class="grade-look">Changed</b> since it was ticked: do it again as it now stands.
      </p>
      <p v-if="said && (said.who || said.reason || said.state === 'not sound')" class="small quiet">
        {{ said.state === 'done' ? '' : said.state }} {{ said.reason }}
        <template v-if="said.who">{{ said.who }}, {{ when(said.at) }}</template>
      </p>
      <div v-if="inHand && torqued.length" class="torques">
        <span v-for="u in torqued" :key="`${u.end}${u.kind}`" class="tq"
          ><small
            >{{ u.kind }} {{ u.count > 1 ? u.count : '' }} {{ fasteners.row(u.end as EndName, u.kind)?.tool }}</small
          ><TorqueField :end="u.end as EndName" :kind="u.kind"
        /></span>
      </div>
      <template v-if="open">
        <p class="why">
          {{ step.why || 'The workshop’s own step.'
          }}<template v-if="step.tools?.length"> Tools: {{ step.tools.join(', ') }}.</template>
        </p>
        <PhotoStrip :about="step.key" />
        <p class="more">
          <template v-if="step.look && !done"
            ><button class="act" @click="card.say(step, 'sound')">Sound</button
            ><button class="act" @click="card.say(step, 'not sound')">Not sound</button></template
          ><PutOff :step="step" /><StepEdits
            :step="step"
            :before="among[number - 2]"
            :two-before="among[number - 3]"
            :after="among[number]" />
        </p>
      </template>
    </div>
    <button class="link whyb" :aria-expanded="open" @click="open = !open">{{ open ? 'less' : 'why' }}</button>
  </li>
</template>

<style scoped>
.step { display: grid; grid-template-columns: 28px 52px minmax(0, 1fr) auto; gap: 0 10px; align-items: start; padding: 6px 0; border-bottom: 1px solid var(--rule); list-style: none; }
.step.hand { background: var(--sheet); border-bottom: 1.5px solid var(--ink); padding: 10px 0; } .step.done .what { color: var(--ink-2); }
.n { font-style: normal; font-size: var(--t-3); padding: 10px 0 0 6px; } .hand .n { font-size: var(--t-5); padding-top: 4px; font-weight: 600; }
.box { width: 46px; height: 46px; border: 1.5px solid var(--edge); background: var(--sheet); display: grid; place-items: center; font-size: var(--t-1); text-align: center; line-height: 1.05; border-radius: var(--corner); } .hand .box { border-color: var(--ink); border-width: 2px; } .box.locked { border-style: dashed; }
.box path { fill: none; stroke: var(--ink); stroke-width: 2.5; } .what { display: grid; gap: 2px; padding-top: 8px; } .hand .words { font-size: var(--t-4); font-weight: 600; line-height: 1.15; } .words { font-size: var(--t-3); }
.caution { color: var(--stop); } .energy:not(.hand) .caution { font-size: var(--t-1); } .sets { display: flex; flex-wrap: wrap; gap: 2px 18px; } .lr { background: var(--ink); color: var(--ground); padding: 0 5px; margin-right: 6px; font-size: var(--t-1); }
.tag { border: 1px solid var(--ink); padding: 0 5px; margin-right: 8px; color: var(--ink); } .torques { display: flex; flex-wrap: wrap; gap: 4px 18px; margin-top: 4px; } .tq { display: grid; } .why { border-left: 3px solid var(--rule); padding-left: 8px; } .more { display: flex; gap: 10px; flex-wrap: wrap; align-items: center; } .whyb { padding: 0 6px; }
@media (max-width: 600px) { .step { grid-template-columns: 22px 50px minmax(0, 1fr) auto; gap: 0 6px; } .n { padding-left: 0; } }
</style>
