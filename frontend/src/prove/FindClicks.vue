<script setup lang="ts">
import { computed, ref } from 'vue'

import type { ClickTurn, EndName, Figure } from '@/api/client'
import TexturePatterns from '@/components/TexturePatterns.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { percent } from '@/units/format'

import ClickMap from './ClickMap.vue'
import { useProve } from './useProve'
import { useSearch } from './useSearch'

/** Feder looks for the clicks: every pair on a corner alone, then the best of both ends on the whole vehicle. */
const prove = useProve()
const vehicle = useVehicle()
const units = useUnits()
const found = useSearch()
const search = found.search
const comfort = ref<number | null>(null)
const weight = computed(
  () => comfort.value ?? search.value?.comfort ?? vehicle.document.value?.brief?.targets?.comfort ?? null,
)
const fact = computed(() => vehicle.setup.value?.stage !== 'plan')
const braking = computed(() => ['braking', 'driving', 'corner', 'slalom'].includes(prove.proving.value.road))
const turns = computed(() => search.value?.proposed?.turns ?? [])
const words = (t: ClickTurn): string =>
  `${t.end} ${t.acts} ${Math.abs(t.now - t.was)} ${Math.abs(t.now - t.was) === 1 ? 'click' : 'clicks'} ${t.now < t.was ? 'in' : 'out'}, ${t.was} to ${t.now}`
const says = computed(() => {
  const p = search.value?.proposed
  if (!p) return ''
  if (!p.turns.length)
    return search.value!.finished ? 'Leave the knobs where they are: nothing gains more than 0.5 %.' : ''
  return `Turn ${p.turns.length === 1 ? 'one knob' : `${p.turns.length} knobs`}: ${p.turns.map(words).join('; ')}.`
})
const bars = computed(() => {
  const s = search.value
  if (!s) return []
  const ends = (['front', 'rear'] as EndName[]).map((e) => {
    const m = s.maps.find((k) => k.end === e)
    return { words: `${e} alone`, done: m?.done ?? 0, of: m?.total ?? 0 }
  })
  return [...ends.filter((b) => b.of), { words: 'both together', done: s.together, of: s.together_total }]
})
const show = (f: Figure): string => {
  if (f.unit === '') return `~${percent(f.value)}`
  return `~${units.show(f.value, f.unit, { decimals: 2, unit: f.unit !== 'm/s^2' })}`
}
const by = (was: Figure, now: Figure): string => {
  const change = was.value > 0 ? (now.value - was.value) / was.value : 0
  return Math.abs(change) < 0.0005 ? 'same' : `${change > 0 ? '+' : '−'}${Math.abs(change * 100).toFixed(1)} %`
}
function weigh(event: Event): void {
  comfort.value = Number((event.target as HTMLInputElement).value)
  void found.begin(comfort.value)
}
const busy = ref(false)
const refused = ref<string | null>(null)
async function set(): Promise<void> {
  busy.value = true
  for (const end of ['front', 'rear'] as EndName[]) {
    const mine = turns.value.filter((t) => t.end === end)
    if (!mine.length) continue
    const clicks = Object.fromEntries(mine.map((t) => [t.acts, t.now]))
    refused.value = await vehicle.act(`clicks, ${end}`, { act: 'turn clicks', end, clicks, place: null } as never)
    if (refused.value) break
  }
  busy.value = false
}
const setWords = computed(() =>
  turns.value.length === 1
    ? `Set ${turns.value[0]!.end} ${turns.value[0]!.acts} to ${turns.value[0]!.now}`
    : 'Set these clicks',
)
const MARKS = [
  { at: 0.2, words: 'track' },
  { at: 0.35, words: 'fast road' },
  { at: 0.5, words: 'sporty' },
  { at: 0.7, words: 'comfort road' },
]
</script>

<template>
  <svg width="0" height="0" class="tex" aria-hidden="true"><TexturePatterns /></svg>
  <p v-if="braking" class="mt-2">Clicks are looked for on a road: choose one above.</p>
  <template v-else>
    <div class="weigh">
      <label for="weight">best for</label><span class="quiet">grip</span>
      <span class="slide">
        <input
          id="weight"
          type="range"
          min="0"
          max="1"
          step="0.05"
          :value="weight ?? 0.35"
          :aria-valuetext="`comfort ${Math.round((weight ?? 0.35) * 100)} of 100`"
          @change="weigh" />
        <span v-for="m in MARKS" :key="m.at" class="mark" :style="{ left: `${m.at * 100}%` }">{{ m.words }}</span>
      </span>
      <span class="quiet">comfort</span>
      <button v-if="found.running.value" class="act" @click="found.stop()">Stop</button>
      <button v-else class="act" :class="{ go: !search || found.old.value }" @click="found.begin(comfort)">
        {{ search ? (found.old.value ? 'Look again' : 'Look once more') : 'Look for clicks' }}
      </button>
    </div>
    <p v-if="found.trouble.value" class="refused" role="alert">{{ found.trouble.value }}</p>
    <p v-if="!search && !found.trouble.value" class="quiet">
      Every pair of rebound and bump clicks is driven over this road on a corner alone, then the best pairs of both ends
      together on the whole vehicle. Knobs left alone keep their click; no stop is met harder than as found; the body's
      damping goes no further off its band.
    </p>
    <template v-if="search">
      <p v-if="found.old.value" class="quiet" role="status">Something was changed since: look again.</p>
      <p class="say" aria-live="polite">
        <b>{{ says }}</b>
      </p>
      <div class="bars">
        <div v-for="b in bars" :key="b.words">
          <b>{{ b.words }}</b> {{ b.done }} of {{ b.of }}
          <div
            class="bar"
            role="progressbar"
            :aria-label="b.words"
            aria-valuemin="0"
            :aria-valuemax="b.of || 1"
            :aria-valuenow="b.done">
            <i :style="{ width: `${b.of ? (100 * b.done) / b.of : 0}%` }"></i>
          </div>
        </div>
      </div>
      <p class="small quiet key">
        <i class="wide"></i>wide: less comfort <i class="tall"></i>tall: less grip
        <svg width="18" height="14" aria-hidden="true"><rect width="18" height="14" fill="url(#hatch)" /></svg>meets the
        stop harder
        <svg width="18" height="14" aria-hidden="true">
          <rect x="1" y="1" width="16" height="12" fill="none" stroke="currentColor" /></svg
        >within 0.5 % of the best; line: best compromises; clicks from shut
      </p>
      <div class="maps">
        <section v-for="m in search.maps" :key="m.end">
          <h2>
            {{ m.end === 'front' ? 'Front' : 'Rear' }}
            <small v-if="m.locked.length" class="quiet">{{ m.locked.join(', ').replace('_', ' ') }} left alone</small>
          </h2>
          <ClickMap :map="m" :turns="turns" :fact="fact" />
          <p v-if="m.free_best" class="small quiet">
            Were all knobs free, best would be {{ m.rebound ?? '' }} {{ m.free_best[0]
            }}{{ m.bump ? ` and bump ${m.free_best[1]}` : '' }}.
          </p>
        </section>
        <section v-if="search.proposed" class="answer" aria-label="What it changes">
          <table>
            <tbody>
              <tr v-for="row in search.proposed.compared" :key="row[0]">
                <th scope="row">{{ row[0] }}</th>
                <td class="quiet">{{ show(row[1]) }}</td>
                <td>
                  <b :class="{ pl: !fact }">{{ show(row[2]) }}</b>
                </td>
                <td class="small">{{ by(row[1], row[2]) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="refused" class="grade-stop" role="alert">{{ refused }}</p>
          <button v-if="turns.length && !found.old.value" class="act go mt-2" :disabled="busy" @click="set">
            {{ setWords }}
          </button>
        </section>
      </div>
    </template>
  </template>
</template>

<style scoped>
.tex { position: absolute; } .weigh { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; padding: 8px 0; } .slide { position: relative; flex: 1; min-width: 220px; max-width: 420px; padding-bottom: 18px; } .slide input { width: 100%; min-height: 44px; accent-color: var(--ink); } .mark { position: absolute; bottom: 0; transform: translateX(-50%); font-size: var(--t-1); color: var(--ink-2); white-space: nowrap; }
.say { font-size: var(--t-3); min-height: 24px; } .refused { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; }
.bars { display: grid; grid-template-columns: repeat(auto-fit, minmax(150px, 1fr)); gap: 8px 16px; margin: 4px 0 8px; } .bar { height: 8px; border: 1px solid var(--ink); margin-top: 2px; } .bar i { display: block; height: 100%; background: var(--ink); }
.key { display: flex; flex-wrap: wrap; gap: 4px 8px; align-items: center; } .wide { width: 16px; height: 4px; background: var(--ink-2); } .tall { width: 4px; height: 14px; background: var(--ink-2); margin-left: 8px; } .key svg { display: inline-block; }
.maps { display: grid; grid-template-columns: repeat(auto-fit, minmax(300px, 1fr)); gap: 8px 24px; margin-top: 6px; } h2 small { font-size: var(--t-1); font-weight: 400; }
.answer table { border-collapse: collapse; width: 100%; } .answer th { text-align: left; font-weight: 400; } .answer td { text-align: right; } .answer tr > * { border-top: 1px solid var(--rule); padding: 4px 4px; } .pl { color: var(--plan); }
</style>
