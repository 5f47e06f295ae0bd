<script setup lang="ts">
import { computed, ref } from 'vue'

import { api, type EndName, messageOf } from '@/api/client'
import FindingList from '@/components/FindingList.vue'
import QuantityField from '@/components/QuantityField.vue'
import RatioField from '@/components/RatioField.vue'
import WrittenField from '@/components/WrittenField.vue'
import TermWord from '@/components/TermWord.vue'
import { useDraft } from '@/composables/useDraft'

import RunFields from '@/geometry/RunFields.vue'

import TravelCurve from './TravelCurve.vue'
import { useSag } from './useSag'
import { ENDS } from './walk'

/** What is measured once of a two-wheeler: wheelbase, fork, rear arm, linkage, travel, what rides below the springs. */
const { vehicle, units, mm, setEnd, about, bike } = useSag()
const vehicle_ = computed(() => vehicle.document.value!.vehicle)
const set = (words: string, member: string[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['vehicle', ...member], value }])
const fork = computed(() => about('front')?.fork ?? null)
const rake = ref<number | null>(null)
function setFork(member: 'rake' | 'offset' | 'bore' | 'legs' | 'damped', value: number | null): void {
  if (member === 'rake' && value === null) return
  if (!fork.value && member !== 'rake') return forkDraft.park({ [member]: value })
  setEnd('front', member === 'rake' ? 'rake' : `fork ${member}`, ['fork'], {
    legs: 2,
    read: 'along the tube',
    ...(fork.value ? {} : forkDraft.take()),
    ...fork.value,
    [member]: value,
  })
}
const forkDraft = useDraft(`${vehicle.id} fork`, ['offset', 'bore', 'legs'] as const)
const armDraft = useDraft(`${vehicle.id} rear arm`, ['length', 'pivot_height'] as const)
const arm = (member: 'length' | 'pivot_height', value: number | null): void => {
  const now = about('rear')?.swingarm
  const made = armDraft.put(member, value, now ?? {})
  if (value === null && now) {
    armDraft.park({ ...now, [member]: null })
    return setEnd('rear', 'rear arm', ['swingarm'], null)
  }
  if (made) setEnd('rear', 'rear arm', ['swingarm'], made)
}
const valued = (
  e: EndName,
  words: string,
  member: string,
  now: object | null | undefined,
  value: number | null,
  how: string,
): void => setEnd(e, words, [member], value === null ? null : { how, ...now, value })
const LAYOUTS = [
  { value: 'linkage', title: 'One shock, on a linkage or arm' },
  { value: 'twin shock', title: 'Two shocks' },
]
const ratio = computed(() => about('rear')?.spring?.ratio ?? null)
const file = ref<HTMLInputElement | null>(null)
const trouble = ref('')
async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  const { data, error } = await api
    .POST('/api/sag/leverage', { body: { text: await chosen.text() } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  trouble.value = data ? '' : messageOf(error)
  if (data) setEnd('rear', 'leverage curve', ['spring', 'ratio'], { kind: 'leverage', points: data.points })
}
const points = computed(() => (ratio.value?.kind === 'leverage' ? (ratio.value.points as [number, number][]) : []))
const setPoints = (made: [number, number][]): void =>
  setEnd('rear', 'leverage curve', ['spring', 'ratio'], made.length >= 2 ? { kind: 'leverage', points: made } : null)
const fresh = ref<{ travel: number | null; leverage: number | null }>({ travel: null, leverage: null })
// the first pair of a curve waits for the second
const pairDraft = useDraft(`${vehicle.id} first leverage pair`, ['travel', 'leverage'] as const)
const started = computed<[number, number][]>(() => {
  const [travel, leverage] = [pairDraft.get('travel'), pairDraft.get('leverage')]
  return travel !== null && leverage !== null ? [[travel, leverage]] : []
})
function add(): void {
  const { travel, leverage } = fresh.value
  if (travel === null || leverage === null) return
  const made = [
    ...(points.value.length ? points.value : started.value).filter(([z]) => Math.abs(z - travel) > 1e-6),
    [travel, leverage] as [number, number],
  ].sort((a, b) => a[0] - b[0])
  fresh.value = { travel: null, leverage: null }
  if (made.length >= 2) {
    pairDraft.take()
    setPoints(made)
  } else pairDraft.park({ travel: made[0]![0], leverage: made[0]![1] })
}
const findings = computed(() => (vehicle.report.value?.findings ?? []).filter((f) => f.station === 'geometry'))
const degrees = (v: number | null | undefined): number | null => (v == null ? null : Math.PI / 2 - v)
</script>

<template>
  <div class="bench-top">
    <h1>Geometry</h1>
    <span class="quiet">measured once, {{ bike }} alone and upright, as found</span>
  </div>
  <FindingList :findings="findings" :stations="['geometry']" />
  <section id="dimensions" class="four">
    <QuantityField
      label="wheelbase"
      strong
      of="Vehicle.wheelbase"
      :model-value="vehicle_.wheelbase?.value"
      @update:model-value="
        (v) => set('wheelbase', ['wheelbase'], v === null ? null : { how: 'tape', ...vehicle_.wheelbase, value: v })
      " />
    <QuantityField
      v-for="e in ENDS"
      :key="e"
      :label="`${e} tyre radius, on the floor`"
      of="Tyre.radius"
      :model-value="about(e)?.tyre?.radius"
      @update:model-value="(v) => setEnd(e, 'tyre radius', ['tyre', 'radius'], v)" />
    <template v-if="bike === 'motorcycle'">
      <WrittenField
        v-for="e in ENDS"
        :key="e"
        :label="`${e} tyre size`"
        of="Tyre.size"
        :hint="about(e)?.tyre?.size ? 'radius blank: by its size, marked' : undefined"
        :model-value="about(e)?.tyre?.size"
        @update:model-value="(v) => setEnd(e, 'tyre size', ['tyre', 'size'], v)" />
    </template>
    <QuantityField
      label="height over all (drawing)"
      of="Vehicle.roof_height"
      :model-value="vehicle_.roof_height"
      @update:model-value="(v) => set('height over all', ['roof_height'], v)" />
  </section>
  <div class="ends">
    <section aria-label="front">
      <h2>Front</h2>
      <div class="two">
        <QuantityField
          v-if="bike === 'bicycle'"
          label="head angle, from the floor"
          strong
          of="Fork.head_angle"
          :decimals="1"
          :model-value="degrees(fork?.rake)"
          @update:model-value="(v) => setFork('rake', degrees(v))" />
        <QuantityField
          v-else
          label="rake, from the vertical"
          strong
          of="Fork.rake"
          :decimals="1"
          :model-value="fork?.rake ?? rake"
          @update:model-value="(v) => setFork('rake', v)" />
        <QuantityField
          label="offset of the axle from the steering axis"
          of="Fork.offset"
          :readonly="!fork"
          :model-value="fork?.offset ?? forkDraft.get('offset')"
          @update:model-value="(v) => setFork('offset', v)" />
        <QuantityField
          label="travel, along the tube"
          strong
          of="End.travel"
          :model-value="about('front')?.travel"
          @update:model-value="(v) => setEnd('front', 'travel', ['travel'], v)" />
        <QuantityField
          label="tube, inside, for the air over the oil"
          of="Fork.bore"
          kind="fine length"
          :readonly="!fork"
          :model-value="fork?.bore ?? forkDraft.get('bore')"
          @update:model-value="(v) => setFork('bore', v)" />
      </div>
      <div class="legs" role="radiogroup" aria-label="Springs stand in">
        <span class="quiet">springs in</span
        ><button
          v-for="n in [2, 1]"
          :key="n"
          class="tab"
          role="radio"
          :disabled="!fork"
          :aria-checked="(fork?.legs ?? forkDraft.get('legs') ?? 2) === n"
          @click="setFork('legs', n)">
          {{ n === 2 ? 'both legs' : 'one leg' }}
        </button>
      </div>
      <div class="legs" role="radiogroup" aria-label="Each way is damped in">
        <span class="quiet">each way damped in</span
        ><button
          v-for="n in [2, 1]"
          :key="n"
          class="tab"
          role="radio"
          :disabled="!fork"
          :aria-checked="(fork?.damped ?? 2) === n"
          @click="setFork('damped', n)">
          {{ n === 2 ? 'both legs' : 'one leg' }}
        </button>
      </div>
      <QuantityField
        label="unsprung mass: wheel, brakes, half the fork"
        of="End.unsprung_mass"
        :decimals="1"
        :estimated="about('front')?.unsprung_mass?.how === 'estimated'"
        :model-value="about('front')?.unsprung_mass?.value"
        @update:model-value="
          (v) => valued('front', 'unsprung mass', 'unsprung_mass', about('front')?.unsprung_mass, v, 'estimated')
        " />
      <QuantityField
        label="damper coefficient of one leg, or blank"
        of="End.damper_coefficient"
        :estimated="about('front')?.damper_coefficient?.how === 'estimated'"
        :model-value="about('front')?.damper_coefficient?.value"
        @update:model-value="
          (v) =>
            valued(
              'front',
              'damper coefficient',
              'damper_coefficient',
              about('front')?.damper_coefficient,
              v,
              'estimated',
            )
        " />
    </section>
    <section aria-label="rear">
      <h2>Rear</h2>
      <v-select
        label="layout"
        :items="LAYOUTS"
        :model-value="about('rear')?.layout"
        @update:model-value="(v: string) => setEnd('rear', 'layout', ['layout'], v)" />
      <div class="two">
        <QuantityField
          label="travel, at the wheel"
          strong
          of="End.travel"
          :model-value="about('rear')?.travel"
          @update:model-value="(v) => setEnd('rear', 'travel', ['travel'], v)" />
        <QuantityField
          label="unsprung mass: wheel, brake, half the arm"
          of="End.unsprung_mass"
          :decimals="1"
          :estimated="about('rear')?.unsprung_mass?.how === 'estimated'"
          :model-value="about('rear')?.unsprung_mass?.value"
          @update:model-value="
            (v) => valued('rear', 'unsprung mass', 'unsprung_mass', about('rear')?.unsprung_mass, v, 'estimated')
          " />
        <QuantityField
          label="rear arm, pivot to axle"
          of="Swingarm.length"
          :model-value="about('rear')?.swingarm?.length ?? armDraft.get('length')"
          @update:model-value="(v) => arm('length', v)" />
        <QuantityField
          label="its pivot over the floor"
          of="Swingarm.pivot_height"
          :model-value="about('rear')?.swingarm?.pivot_height ?? armDraft.get('pivot_height')"
          @update:model-value="(v) => arm('pivot_height', v)" />
      </div>
      <RatioField
        v-if="ratio?.kind !== 'leverage'"
        :label="about('rear')?.layout === 'twin shock' ? 'motion ratio of a shock' : 'motion ratio'"
        layout="linkage"
        :ratio="ratio"
        :draft-key="`${vehicle.id} rear levers`"
        @change="(r) => setEnd('rear', 'motion ratio', ['spring', 'ratio'], r)" />
      <table v-if="points.length || started.length" class="curve" aria-label="Leverage curve">
        <thead>
          <tr>
            <th><TermWord words="wheel, from extended" /></th>
            <th>wheel / shock</th>
            <th><span class="seen-not">what</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="([z, l], i) in points.length ? points : started" :key="z">
            <td>{{ mm(z, 0) }} {{ units.unit('m').written }}</td>
            <td>{{ l.toFixed(3) }}</td>
            <td>
              <button
                class="link"
                @click="points.length ? setPoints(points.filter((_, k) => k !== i)) : void pairDraft.take()">
                take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <form class="lever" @submit.prevent="add">
        <QuantityField
          v-model="fresh.travel"
          label="wheel, from extended"
          of="RatioFromLeverage.points travel" /><QuantityField
          v-model="fresh.leverage"
          label="wheel / shock travel there"
          of="RatioFromLeverage.points leverage"
          :decimals="3" /><button class="link" type="submit">add</button
        ><button class="link" type="button" @click="file?.click()">leverage as CSV</button
        ><input
          ref="file"
          type="file"
          accept=".csv,text/csv"
          class="seen-not"
          aria-label="Leverage file"
          @change="read" />
      </form>
      <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
      <p class="small quiet">
        CSV: travel, leverage; or travel, shock (its eye to eye as the wheel is lifted in steps, spring off, bike
        strapped).
      </p>
      <QuantityField
        label="damper coefficient of one shock, or blank"
        of="End.damper_coefficient"
        :estimated="about('rear')?.damper_coefficient?.how === 'estimated'"
        :model-value="about('rear')?.damper_coefficient?.value"
        @update:model-value="
          (v) =>
            valued(
              'rear',
              'damper coefficient',
              'damper_coefficient',
              about('rear')?.damper_coefficient,
              v,
              'estimated',
            )
        " />
    </section>
  </div>
  <TravelCurve end="rear" />
  <RunFields />
</template>

<style scoped>
.four { display: grid; grid-template-columns: repeat(4, 1fr); gap: 16px; align-items: end; border-top: var(--l-mid) solid var(--ink); padding-top: 10px; } .ends { display: grid; grid-template-columns: 1fr 1fr; gap: 24px 36px; margin-top: 16px; } .ends > section { display: grid; gap: 10px; align-content: start; border-top: var(--l-mid) solid var(--ink); padding-top: 10px; }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 10px 12px; align-items: end; } .legs { display: flex; align-items: center; gap: 6px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
.lever { display: grid; grid-template-columns: 1fr 1fr auto auto; gap: 10px; align-items: end; } .curve { border-collapse: collapse; } .curve th { font-weight: 400; color: var(--ink-2); text-align: right; } .curve td { text-align: right; padding: 0 8px; border-top: 1px solid var(--rule); } .curve .link { min-height: 32px; }
@media (max-width: 760px) { .four, .ends { grid-template-columns: 1fr 1fr; } }
</style>
