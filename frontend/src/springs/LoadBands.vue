<script setup lang="ts">
import { reactive } from 'vue'

import type { BandSpring, EndName, LoadRanks } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'

/** Load springs of which only band and lift are known: typed here, ranked by what each load state adds to one spring. */
const props = defineProps<{ found: LoadRanks | null; end: EndName; states: string[] }>()
const vehicle = useVehicle()
const units = useUnits()
const made = reactive<{
  code: string
  added_from: number | null
  added_to: number | null
  lift: number | null
  most_load: number | null
}>({
  code: '',
  added_from: null,
  added_to: null,
  lift: null,
  most_load: null,
})
const all = (): BandSpring[] => vehicle.document.value?.load_springs ?? []
const put = (words: string, value: BandSpring[]): void => vehicle.edit(words, [{ path: ['load_springs'], value }])
function add(): void {
  if (!made.code.trim() || made.added_to === null) return
  const { code, added_from, added_to, lift, most_load } = made
  put(`load spring ${code}`, [
    ...all(),
    { code: code.trim(), end: props.end, added_from: added_from ?? 0, added_to, lift, most_load },
  ])
  Object.assign(made, { code: '', added_from: null, added_to: null, lift: null, most_load: null })
}
const away = (part: BandSpring): void =>
  put(
    'load spring, away',
    all().filter((p) => !(p.code === part.code && p.end === part.end)),
  )
const short = (): string =>
  made.added_to !== null && made.added_from !== null && made.added_from >= made.added_to
    ? 'The band must end above where it begins'
    : ''
</script>

<template>
  <section class="bands" aria-label="Load springs by band and lift">
    <h3 aria-level="2">Load springs by band and lift alone, {{ end }}</h3>
    <table v-if="found?.bands.length">
      <thead>
        <tr>
          <th><TermWord words="spring" /></th>
          <th>band, {{ units.unit('N').written }}</th>
          <th>lifts, {{ units.unit('m').written }}</th>
          <th v-for="s in states.slice(1)" :key="s">{{ s }} adds</th>
          <th class="l"><TermWord words="against it" /></th>
          <th><span class="seen-not">what</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in found.bands" :key="r.part.code">
          <td class="l">
            <b>{{ r.part.code }}</b>
          </td>
          <td>{{ units.show(r.part.added_from, 'N') }}–{{ units.show(r.part.added_to, 'N') }}</td>
          <td>{{ r.part.lift == null ? '–' : units.show(r.part.lift, 'm', { signed: true }) }}</td>
          <td v-for="(f, i) in r.added" :key="i">{{ f?.assumed ? '~' : '' }}{{ units.show(f?.value, 'N') }}</td>
          <td class="l">{{ r.against || 'holds every load state' }}</td>
          <td><button class="link" :aria-label="`take ${r.part.code} away`" @click="away(r.part)">away</button></td>
        </tr>
      </tbody>
    </table>
    <form class="new" @submit.prevent="add">
      <v-text-field v-model="made.code" label="its code" maxlength="80" hide-details />
      <QuantityField
        label="added load on one, from"
        of="BandSpring.added_from"
        :decimals="0"
        :model-value="made.added_from"
        @update:model-value="(v) => (made.added_from = v)" />
      <QuantityField
        label="to"
        of="BandSpring.added_to"
        :decimals="0"
        :hint="short()"
        :model-value="made.added_to"
        @update:model-value="(v) => (made.added_to = v)" />
      <QuantityField
        label="lifts it empty by"
        of="BandSpring.lift"
        :model-value="made.lift"
        @update:model-value="(v) => (made.lift = v)" />
      <QuantityField
        label="most load"
        of="BandSpring.most_load"
        :decimals="0"
        :model-value="made.most_load"
        @update:model-value="(v) => (made.most_load = v)" />
      <button class="act" :disabled="!made.code.trim() || made.added_to === null || !!short()">Add</button>
    </form>
    <p class="small quiet">
      Without a rate its height and frequency cannot be foretold: measure it (press it by a known length, read the
      scale) and put it on the shelf.
    </p>
  </section>
</template>

<style scoped>
.bands { border-top: 1px solid var(--rule); margin-top: 10px; padding-top: 6px; } table { width: 100%; border-collapse: collapse; } th { font-weight: 400; color: var(--ink-2); font-size: var(--t-1); text-align: right; padding: 2px 6px; } td { text-align: right; border-top: 1px solid var(--rule); padding: 0 6px; height: 44px; } .l, th:first-child { text-align: left; } .new { display: grid; grid-template-columns: repeat(auto-fit, minmax(120px, 1fr)); gap: 8px 12px; align-items: end; }
</style>
