<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'

import { type Mistake, type Finding, placeWords } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import type { Change } from '@/logic/patch'
import { sentence } from '@/logic/sentence'

import FindingCause from './FindingCause.vue'

/** What speaks against it, at the head of a bench: worst first, a line each, opened in place to reason, mend and working. */
const props = defineProps<{
  findings: Finding[]
  /** The load state these findings hold in, where it is not the vehicle as weighed. */
  of?: string
  /** Stations whose findings these are: what stops them under another load is told with them. */
  stations?: string[]
}>()
const vehicle = useVehicle()
const units = useUnits()
const working = useWorking()
const route = useRoute() as ReturnType<typeof useRoute> | undefined
const WORDS = { stop: 'Stop', look: 'Look', note: 'Note' }
const ORDER = { stop: 0, look: 1, note: 2 }
interface Told {
  key: string
  finding: Finding
  places: string[]
  says: string
  /** The load state in which it holds, where it is another than the one looked at. */
  load?: string
  /** Where it is a cause: what is told of it, and the findings that only follow from it. */
  cause?: Mistake
  follows?: Finding[]
}
const is = (f: { rule: string; place: string }) => (g: { rule: string; place: string }) =>
  f.rule === g.rule && f.place === g.place
/** Mistakes that explain something told here. */
const causes = computed(() =>
  props.of === 'simulated'
    ? []
    : (vehicle.judging?.judged.value?.causes ?? []).filter((c) => c.explains.some((e) => props.findings.some(is(e)))),
)
/** The same finding at several places is told once; what a cause explains stands folded under it. */
const told = computed<Told[]>(() => {
  const groups = new Map<string, Told>()
  const add = (f: Finding, load?: string): void => {
    const says = sentence(f.text, f.numbers, units.system.value)
    const key = `${f.rule}|${says}|${load ?? ''}`
    const group = groups.get(key)
    if (group) group.places.push(f.place)
    else groups.set(key, { key, finding: f, places: [f.place], says, load })
  }
  for (const cause of causes.value) {
    const f = cause.finding
    const says = sentence(f.text, f.numbers, units.system.value)
    const all = vehicle.report.value?.findings ?? props.findings
    const follows = all.filter((g) => cause.explains.some(is(g)) && !is(g)(f))
    groups.set(`cause ${says}`, { key: `cause ${says}`, finding: f, places: [f.place], says, cause, follows })
  }
  for (const f of props.findings) if (!causes.value.some((c) => c.explains.some(is(f)))) add(f)
  if (!props.of)
    for (const state of vehicle.judging?.judged.value?.under_loads ?? [])
      for (const f of state.findings)
        if (props.stations?.includes(f.station) && !props.findings.some(is(f))) add(f, state.name)
  return [...groups.values()].sort((a, b) => ORDER[a.finding.grade] - ORDER[b.finding.grade])
})
/** Two lines stand at once; a third alone stands rather than a word that there is one more. */
const FIRST = computed(() => (told.value.length === 3 ? 3 : 2))
const placesOf = (places: string[]): string => {
  if (places.includes('front_left') && places.includes('front_right') && places.length === 2) return 'front'
  if (places.includes('rear_left') && places.includes('rear_right') && places.length === 2) return 'rear'
  if (places.length === 4) return 'all corners'
  return places
    .filter((p) => p !== 'vehicle')
    .map(placeWords)
    .join(', ')
}
const where = (t: Told): string => [placesOf(t.places), t.load ?? props.of].filter(Boolean).join(', ')
const all = ref(false)
const shown = computed(() => (all.value ? told.value : told.value.slice(0, FIRST.value)))
const rest = computed(() => told.value.length - FIRST.value)
const restWords = computed(() => {
  const left = told.value.slice(FIRST.value)
  const of = (g: Finding['grade'], word: string): string => {
    const n = left.filter((t) => t.finding.grade === g).length
    return n ? `${n} ${word}${n > 1 && word !== 'to stop at' ? 's' : ''}` : ''
  }
  return [of('stop', 'to stop at'), of('look', 'more look'), of('note', 'note')].filter(Boolean).join(', ')
})
const open = ref<string | null>(null)
// a mistake that leads stands open: it is what is to be done; under a hand that types nothing moves away
const typing = (): boolean => document.activeElement instanceof HTMLInputElement
watch(
  () => told.value[0]?.cause && told.value[0].key,
  (first, before) => {
    if (first && !typing() && (open.value === null || open.value === before)) open.value = first
  },
  { immediate: true },
)
// a finding that stood open and turns out to follow from a mistake leaves its place to it
watch(told, (now) => {
  const was = open.value
  if (was === null || now.some((t) => t.key === was)) return
  const rule = was.split('|')[0]
  open.value = now.find((t) => t.cause?.explains.some((e) => e.rule === rule))?.key ?? was
})
const list = ref<HTMLElement | null>(null)
// the flag on the work line leads to the worst one, opened
watch(
  () => [route?.hash, told.value.length > 0],
  async () => {
    if (route?.hash !== '#findings' || !told.value.length) return
    open.value = told.value[0]!.key
    await nextTick()
    list.value?.querySelector<HTMLElement>('button')?.focus()
  },
  { immediate: true },
)
function mend(finding: Finding): void {
  if (finding.mend.patch) vehicle.take(finding.mend.text, finding.mend.patch as Change[])
}
/** Whether the mend can be done at once: it was tried, and leads into nothing as grave. */
const byOneTap = (f: Finding): boolean =>
  !!f.mend.patch &&
  (vehicle.judging?.judged.value?.tried ?? []).some(is(f)) &&
  vehicle.judging?.of.value === vehicle.document.value
/** Looked at again, and it is so. */
function stand(finding: Finding): void {
  if (finding.stand_by) vehicle.take('it is so', finding.stand_by as Change[])
}
</script>

<template>
  <ul v-if="told.length" id="findings" ref="list" class="list" aria-label="Findings">
    <li v-for="t in shown" :key="t.key" :class="[t.finding.grade, { open: open === t.key }]">
      <button class="line" :aria-expanded="open === t.key" @click="open = open === t.key ? null : t.key">
        <svg class="turn" width="12" height="12" viewBox="0 0 12 12" aria-hidden="true"><path d="M3 1l6 5-6 5" /></svg>
        <b class="word" :class="`grade-${t.finding.grade}`">{{ WORDS[t.finding.grade] }}</b>
        <span v-if="where(t)" class="quiet place">{{ where(t) }}</span>
        <span class="says">{{ t.says }}</span>
      </button>
      <FindingCause v-if="open === t.key && t.cause" :cause="t.cause" :follows="t.follows ?? []" />
      <div v-else-if="open === t.key" class="more">
        <p class="why">{{ t.finding.reason }}</p>
        <p v-if="!byOneTap(t.finding)" class="how">{{ t.finding.mend.text }}.</p>
        <p class="acts">
          <button v-if="byOneTap(t.finding)" class="act go" @click="mend(t.finding)">
            {{ t.finding.mend.text }}</button><button
            v-if="t.finding.about"
            class="link"
            @click="working.ask(t.finding.about, t.says)">
            how these numbers come about
          </button>
          <button v-if="t.finding.stand_by" class="link" @click="stand(t.finding)">it is so</button>
        </p>
      </div>
    </li>
    <li v-if="rest > 0" class="rest">
      <button class="link" :aria-expanded="all" @click="all = !all">
        {{ all ? 'only the worst' : `and ${restWords}` }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.list { list-style: none; margin: 2px -12px 8px; padding: 0; border-bottom: 1px solid var(--rule); }
li { border-left: 6px solid transparent; padding-left: 6px; }
li.stop { border-color: var(--stop); } li.look { border-color: var(--look-fill); }
li.open { background: var(--sheet); }
.line { display: flex; gap: 8px; align-items: baseline; width: 100%; min-height: 44px; padding: 9px 12px 9px 0; text-align: left; font-size: var(--t-3); line-height: 1.25; cursor: pointer; }
.turn { flex: none; fill: none; stroke: var(--ink); stroke-width: 2; transition: transform 0.12s; } .open .turn { transform: rotate(90deg); }
.word { flex: none; } .place { flex: none; } .says { min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; } .open .says { white-space: normal; font-weight: 600; }
.more { padding: 0 12px 10px 20px; } .why { color: var(--ink-2); max-width: 70ch; line-height: 1.3; } .how { margin-top: 4px; } .acts { display: flex; flex-wrap: wrap; gap: 4px 18px; align-items: center; margin-top: 4px; }
.rest .link { padding-left: 20px; }
@media (max-width: 600px) { .line { flex-wrap: wrap; gap: 0 8px; } .says { white-space: normal; flex-basis: 100%; padding-left: 20px; } .list { margin-inline: -8px; } }
</style>
