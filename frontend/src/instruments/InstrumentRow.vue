<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, type Instrument } from '@/api/client'
import { useUnits } from '@/composables/useUnits'

import InstrumentPicture from './InstrumentPicture.vue'
import KeepRun from './KeepRun.vue'
import TraceLine from './TraceLine.vue'
import type { useInstruments } from './useInstruments'

/** One instrument: where it is, what it reads, whether it rests, and what can be done with it. */
const props = defineProps<{ instrument: Instrument; instruments: ReturnType<typeof useInstruments> }>()
const emit = defineEmits<{ kept: [words: string] }>()
const units = useUnits()
const name = computed(() => props.instrument.words[0]!.toUpperCase() + props.instrument.words.slice(1))
const bench = computed(() => ['spring_bench', 'damper_bench'].includes(props.instrument.kind))
const lying = computed(() => ['stopped', 'silent', 'lost', 'connecting'].includes(props.instrument.way))
const reading = (of: string): string => {
  const r = props.instrument.readings.find((x) => x.name === of)
  return r ? units.show(r.value, r.si, { decimals: decimals(r.si), signed: props.instrument.kind === 'logger' }) : '–'
}
const decimals = (si: string): number | undefined =>
  si === 'kg'
    ? 1
    : si === 'm'
      ? units.unit('m').name === 'in'
        ? 3
        : props.instrument.kind === 'logger'
          ? 0
          : 1
      : undefined
const shown = computed(() => props.instrument.readings.filter((r) => r.name !== 'time'))
/** Pads and wheels in pairs, as the vehicle stands; one quantity alone by itself. */
const lines = computed(() => {
  const names = shown.value.map((r) => r.name)
  const pairs = [
    ['front_left', 'front_right'],
    ['rear_left', 'rear_right'],
  ].filter((p) => p.some((n) => names.includes(n)))
  return pairs.length ? pairs.map((p) => p.map(reading).join(' ')) : names.slice(0, 2).map(reading)
})
const si = computed(() => shown.value[0]?.si ?? '')
const unit = computed(() => (bench.value ? '' : units.unit(si.value).written))
const under = computed(() => {
  const i = props.instrument
  if (i.kind === 'scales' && shown.value.length)
    return `${units.show(
      shown.value.reduce((sum, r) => sum + r.value, 0),
      'kg',
      { decimals: 1 },
    )} in all`
  if (i.recording !== null) return `${i.recording} readings recorded`
  return ''
})
const state = computed(() => {
  const i = props.instrument
  if (i.way === 'lost') return 'gone'
  if (i.way === 'silent' && i.simulated && !i.readings.length) return 'held nowhere yet'
  if (i.way === 'silent') return i.quiet === null ? 'says nothing yet' : `silent for ${Math.round(i.quiet)} s`
  if (i.way === 'unread') return 'speaks otherwise'
  if (i.way === 'steady' && i.recording !== null) return 'recording'
  return i.way === 'connecting' ? 'connecting…' : i.way
})
const flagged = computed(
  () => state.value !== 'held nowhere yet' && ['lost', 'silent', 'unread'].includes(props.instrument.way),
)
const lines_ = ref<{ line: string; wrong: string }[] | null>(null)
async function test(): Promise<void> {
  if (lines_.value) return void (lines_.value = null)
  const { data } = await api
    .GET('/api/instruments/{instrument}/test', { params: { path: { instrument: props.instrument.id } } })
    .catch(() => ({ data: undefined }))
  lines_.value = data?.lines.slice(-12) ?? []
}
const keeping = ref(false)
function kept(words: string): void {
  keeping.value = false
  emit('kept', words)
}
</script>

<template>
  <li class="ins" :aria-label="name">
    <div class="line">
      <InstrumentPicture :kind="instrument.kind" />
      <div class="nm">
        <h2>{{ name }}</h2>
        <p>
          <em :class="{ sim: instrument.simulated }">{{
            instrument.simulated
              ? 'simulated'
              : instrument.at.startsWith('/dev') || instrument.at.startsWith('COM')
                ? 'serial port'
                : 'network'
          }}</em><br />{{ instrument.at }}
        </p>
      </div>
      <TraceLine class="trc" :instrument="instrument" />
      <div class="rd">
        <template v-if="bench && instrument.run?.rate">
          <span class="val"
            ><b>{{ units.show(instrument.run.rate, 'N/m', { decimals: 1 }) }}</b
            ><u>{{ units.unit('N/m').written }}</u></span
          >
          <i
            >±{{ units.show(instrument.run.error, 'N/m', { decimals: 1 }) }},
            {{ instrument.run.points.length }} points{{ instrument.run.curved ? ', curved' : '' }}</i
          >
        </template>
        <template v-else-if="bench && instrument.run">
          <i class="hand"
            >{{ instrument.run.points.length }} points{{
              instrument.run.waits && instrument.run.points.length ? ` · ${instrument.run.waits}` : ''
            }}</i
          >
        </template>
        <template v-else-if="shown.length && !bench">
          <span class="val" :class="{ old: lying, four: lines.length > 1 }"
            ><span
              ><b v-for="(l, i) in lines" :key="i">{{ l }}</b></span
            ><u>{{ unit }}</u></span
          >
          <i v-if="under">{{ under }}</i>
        </template>
        <i v-else class="hand">{{ bench ? 'no run yet' : 'nothing read yet' }}</i>
      </div>
      <span class="st" :class="{ lost: flagged }"
        ><svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
          <template v-if="flagged">
            <path class="fl-s" d="M3 15V1" />
            <path class="fl-f" d="M3 1l11 4l-11 4Z" />
          </template>
          <rect v-else-if="instrument.way === 'stopped'" class="m-d" x="3" y="3" width="10" height="10" />
          <path v-else-if="instrument.way === 'steady'" class="m-f" d="M1 8h14M1 4v8M15 4v8" />
          <path v-else class="m-f" d="M1 9q2 -9 4 0t4 0t3 0t3 0" /></svg
        >{{ state }}</span
      >
      <button
        class="act"
        :aria-label="`${instrument.way === 'stopped' ? 'Start' : 'Stop'} ${instrument.words}`"
        @click="instrument.way === 'stopped' ? instruments.start(instrument.id) : instruments.stop(instrument.id)">
        {{ instrument.way === 'stopped' ? 'Start' : 'Stop' }}
      </button>
      <button class="link" :aria-expanded="!!lines_" :aria-label="`Test ${instrument.words}`" @click="test">
        Test
      </button>
    </div>
    <p v-if="instrument.way === 'lost'" class="say">{{ instrument.trouble }}</p>
    <p v-else-if="instrument.way === 'unread'" class="say">
      Its lines fit no pattern: see Test, then connect it again with a line pattern of its own.
    </p>
    <p v-if="instrument.skipped" class="say">
      It sends faster than anybody reads: {{ instrument.skipped }} lines were passed over.
    </p>
    <div v-if="bench && instrument.way !== 'stopped'" class="bench-run">
      <p class="caution">{{ instrument.caution }}.</p>
      <button class="act" @click="instruments.run(instrument.id)">
        {{ instrument.run ? 'Run again' : 'Start a run' }}</button><button
        v-if="instrument.run?.points.length"
        class="act go"
        @click="keeping = true">
        Keep as a part…
      </button>
    </div>
    <p v-else-if="instrument.caution && instrument.way !== 'stopped'" class="caution">{{ instrument.caution }}.</p>
    <div v-if="lines_" class="test">
      <p v-if="!lines_.length" class="quiet">No line came yet.</p>
      <ol v-else>
        <li v-for="(l, i) in lines_" :key="i">
          <code>{{ l.line }}</code><span v-if="l.wrong" class="grade-look">{{ l.wrong }}</span>
        </li>
      </ol>
      <button class="link" :aria-label="`Look again at ${instrument.words}`" @click="((lines_ = null), test())">
        look again
      </button>
      <button
        class="link"
        :aria-label="`remove this instrument, the ${instrument.words}`"
        @click="instruments.remove(instrument.id)">
        remove this instrument
      </button>
    </div>
    <KeepRun v-if="keeping" :instrument="instrument" @kept="kept" @close="keeping = false" />
  </li>
</template>

<style scoped>
.ins { border-bottom: 1px solid var(--rule); padding: 6px 0; list-style: none; } .line { display: grid; grid-template-columns: 60px minmax(120px, 1fr) 116px 150px 112px 76px 44px; column-gap: 10px; align-items: center; min-height: 74px; }
.nm p { font-size: var(--t-1); color: var(--ink-2); line-height: 1.2; overflow-wrap: anywhere; } .nm em { font-style: normal; font-weight: 500; color: var(--ink); } .nm em.sim { text-decoration: underline dashed 1px; text-underline-offset: 3px; }
.rd { text-align: right; line-height: 1.1; } .rd i { display: block; font-style: normal; font-size: var(--t-1); color: var(--ink-2); } .val { display: inline-flex; align-items: baseline; gap: 5px; } .val b { font-size: var(--t-5); font-weight: 600; white-space: nowrap; } .val.four b { font-size: var(--t-4); display: block; } .val u { text-decoration: none; color: var(--ink-2); } .val.old b { color: var(--ink-2); font-weight: 500; } .hand { text-align: right; }
.st { display: flex; align-items: center; gap: 6px; line-height: 1.1; } .st.lost { color: var(--look); font-weight: 600; } .act { padding: 0 8px; } .m-f { stroke: var(--ink); stroke-width: 1.75; fill: none; } .m-d { fill: var(--ink); }
.say { border-left: 4px solid var(--look); background: var(--look-tint); padding: 6px 12px; margin: 0 0 6px 70px; } .caution { color: var(--ink-2); font-size: var(--t-1); margin: 0 0 4px 70px; } .bench-run { display: flex; flex-wrap: wrap; align-items: center; gap: 8px 12px; margin-bottom: 6px; } .bench-run .caution { flex: 1 1 260px; }
.test { background: var(--vellum); padding: 8px 12px; margin: 0 0 6px 70px; } .test ol { margin: 0; padding: 0; list-style: none; max-height: 220px; overflow: auto; } .test li { display: flex; flex-wrap: wrap; gap: 4px 16px; } code { font-variant-numeric: tabular-nums; font-family: inherit; } .test .link { margin-right: 20px; }
@media (max-width: 900px) { .line { grid-template-columns: 48px minmax(0, 1fr) auto auto; row-gap: 4px; } .trc { display: none; } .rd { grid-column: 3 / 5; } .st { grid-column: 2; } .say, .caution, .test { margin-left: 0; } .pic { width: 48px; } }
</style>
