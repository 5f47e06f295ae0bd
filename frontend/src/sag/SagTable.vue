<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import AskFigure from '@/components/AskFigure.vue'
import QuantityField from '@/components/QuantityField.vue'
import { toleranceAt, written } from '@/logic/walk'
import CycleView from '@/sag/CycleView.vue'

import { useSag } from './useSag'
import { ENDS, PULLS, pullWords, readAt, readCount, type State, STATE_WORDS, STATES, stepAt } from './walk'

/** The sag walk as a table: three states, each lifted and pressed, front and rear; free and rider sag beside. */
const { vehicle, units, sags, along, about, setEnd } = useSag()
const document_ = computed(() => vehicle.document.value!)
const survey = computed(() => document_.value.surveys?.[0])
const loads = computed(() => (document_.value.loads ?? []).filter((l) => l.items?.length))
const rider = computed(() => survey.value?.conditions?.rider ?? loads.value[0]?.id ?? null)
function type(state: State, end: EndName, pull: 'lifted' | 'pressed', value: number | null, t: number | null): void {
  const step = stepAt(state, end, pull)
  vehicle.edit(`${step.row.words}, ${end}`, written(document_.value, step, value, false, undefined, t))
}
const condition = (words: string, member: string, value: unknown): void =>
  vehicle.edit(words, [{ path: ['surveys', 0, 'conditions', member], value }])
const sagOf = (end: EndName, state: State) =>
  state === 'bike' ? sags(end)?.free_read_along : sags(end)?.rider_read_along
const friction = (end: EndName, state: State) =>
  state === 'bike' ? sags(end)?.free_friction : sags(end)?.rider_friction
const force = (end: EndName) => [sags(end)?.free_friction_force, sags(end)?.rider_friction_force].filter((f) => !!f)
const said = computed(() => vehicle.report.value?.steering)
</script>

<template>
  <section class="sagtable" aria-label="Sag as read">
    <div class="grid">
      <span></span>
      <span v-for="s in STATES" :key="s" class="state"
        ><b>{{ STATE_WORDS[s][0]!.toUpperCase() + STATE_WORDS[s].slice(1) }}</b
        ><svg v-if="s === 'bike'" width="14" height="14" aria-hidden="true">
          <circle class="ring" cx="7" cy="7" r="5.500" /></svg
        ><svg v-if="s === 'rider'" width="16" height="14" aria-hidden="true">
          <path class="wedge fact" d="M8 13L1 2h14z" />
        </svg>
        <svg v-if="vehicle.outline.value" class="pic" width="74" height="56" viewBox="0 0 74 56" aria-hidden="true">
          <CycleView
            :outline="vehicle.outline.value"
            :width="74"
            :height="55"
            :rider="s === 'rider'"
            :stand="s === 'extended'"
            :rake="about('front')?.fork?.rake" /></svg
      ></span>
      <span></span>
      <span v-for="s in STATES" :key="`h${s}`" class="heads"
        ><i v-for="p in PULLS" :key="p">{{ pullWords(s, p) }}</i
        ><i v-if="s !== 'extended'" class="sum">{{ s === 'bike' ? 'free sag' : 'rider sag' }}</i></span
      >
      <template v-for="e in ENDS" :key="e">
        <span class="end"
          ><b>{{ e === 'front' ? 'Front' : 'Rear' }}</b
          ><i>{{ units.unit('m').written }}, {{ along(e) ? 'along the tube' : 'straight up' }}</i
          ><button
            v-if="about(e)?.layout === 'fork'"
            class="link small"
            @click="setEnd(e, 'sag read', ['fork', 'read'], along(e) ? 'vertical' : 'along the tube')">
            {{ along(e) ? 'I read straight up' : 'I read along the tube' }}
          </button></span
        >
        <span v-for="s in STATES" :key="s" class="cells" :class="s"
          ><i class="narrow">{{ STATE_WORDS[s] }}: {{ pullWords(s, 'lifted') }}, {{ pullWords(s, 'pressed') }}</i>
          <QuantityField
            v-for="p in PULLS"
            :key="p"
            hide-label
            strong
            :label="`${e}, ${STATE_WORDS[s]}, ${pullWords(s, p)}`"
            of="Reading.height"
            :at="`${s}_${p} ${e}`"
            :decimals="0"
            :model-value="readAt(document_, stepAt(s, e, p))"
            unit-text=""
            :tolerance="toleranceAt(document_, stepAt(s, e, p))"
            tolerant
            @update:model-value="(v, t) => type(s, e, p, v, t)" />
          <span v-if="s !== 'extended'" class="sag"
            ><AskFigure
              :figure="sagOf(e, s)"
              :path="`sags.${e}.${s === 'bike' ? 'free' : 'rider'}_read_along`"
              :title="`${s === 'bike' ? 'free' : 'rider'} sag as read, ${e}`"
              :options="{ decimals: 1 }" /><i v-if="friction(e, s)"
              >±{{ units.show(friction(e, s)!.value, 'm', { decimals: 1 }) }}</i
            ></span
          >
        </span>
      </template>
    </div>
    <p class="check">
      <template v-for="e in ENDS" :key="e"
        ><template v-if="force(e).length"
          >Friction at the {{ e }} wheel
          {{ [...new Set(force(e).map((f) => units.show(f!.value, 'N', { decimals: 0 })))].join(' to ') }}
          {{ units.unit('N').written }}.
        </template></template
      >
      <template v-if="said?.rider_by_sags"
        >The sags carry a rider of
        <AskFigure
          :figure="said.rider_by_sags"
          path="steering.rider_by_sags"
          title="Rider by the sags"
          :options="{ unit: true, decimals: 1 }" /><template v-if="said.rider_told"
          >; told are {{ units.show(said.rider_told.value, 'kg', { unit: true, decimals: 0 }) }}</template
        >.</template
      >
      <span v-if="readCount(document_) < 12">
        With a ring on the tube: type what shows extended, then that less what the ring was pushed.
        {{ readCount(document_) }} of 12 read; one of a pair does, without friction.</span
      >
    </p>
    <p class="under">
      <span class="quiet">rider on means</span>
      <template v-if="loads.length"
        ><button
          v-for="l in loads"
          :key="l.id"
          class="tab"
          role="radio"
          :aria-checked="l.id === rider"
          @click="condition('who sat on it', 'rider', l.id)">
          {{ l.name }}
        </button></template
      >
      <span v-else class="quiet">nobody told yet: type rider and kit under Springs, Loads</span>
      <button
        v-for="p in ['seated', 'standing'] as const"
        :key="p"
        class="tab"
        role="radio"
        :aria-checked="survey?.conditions?.posture === p"
        @click="condition('posture', 'posture', p)">
        {{ p }}
      </button>
    </p>
  </section>
</template>

<style scoped>
.grid { display: grid; grid-template-columns: 118px minmax(0, 0.85fr) minmax(0, 1.15fr) minmax(0, 1.15fr); gap: 0 14px; }
.state { display: flex; align-items: flex-end; gap: 7px; font-size: var(--t-3); min-height: 58px; position: relative; } .pic { margin-left: auto; } .ring { fill: none; stroke: var(--ink); stroke-width: 2; }
.heads, .cells { display: grid; grid-template-columns: 1fr 1fr; gap: 4px; } .heads i, .end i, .sag i { font-style: normal; color: var(--ink-2); font-size: var(--t-1); } .heads i { text-align: center; }
.heads:nth-child(n), .cells.bike, .cells.rider { grid-template-columns: 1fr 1fr 74px; } .cells.extended { grid-template-columns: 1fr 1fr; } .grid > .heads:nth-child(6) { grid-template-columns: 1fr 1fr; }
.end { display: grid; align-content: center; line-height: 1.1; min-height: 56px; } .end b { font-size: var(--t-3); } .end .link { min-height: 32px; }
.cells { align-items: center; min-height: 56px; } .narrow { display: none; } .sag { display: grid; justify-items: start; padding-left: 6px; line-height: 1; font-size: 1.3125rem; font-weight: 600; }
.check { margin: 4px 0 0; color: var(--ink-2); border-bottom: var(--l-mid) solid var(--ink); padding-bottom: 6px; } .under { display: flex; flex-wrap: wrap; align-items: center; gap: 0 6px; }
.tab { min-height: 44px; padding: 0 10px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
@media (max-width: 760px) { .narrow { display: block; grid-column: 1 / -1; font-style: normal; color: var(--ink-2); font-size: var(--t-1); } .grid { grid-template-columns: 84px 1fr; } .grid > .state, .grid > .heads { display: none; } .end { grid-row: span 3; } .grid > span:first-child, .grid > span:nth-child(5) { display: none; } }
</style>
