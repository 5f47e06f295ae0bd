<script setup lang="ts">
import { computed } from 'vue'

import type { EndName } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import TermWord from '@/components/TermWord.vue'
import { useDraft } from '@/composables/useDraft'

import { useSag } from './useSag'
import { ENDS } from './walk'

/** Sags wanted, in mm as they are read or as a share of the travel; the rider sag aimed at; the lean wanted. */
const { vehicle, units, sags, along, bike, about } = useSag()
const brief = computed(() => vehicle.document.value!.brief!)
const targets = computed(() => brief.value.targets ?? {})
const set = (words: string, member: string[], value: unknown): void =>
  vehicle.edit(words, [{ path: ['brief', ...member], value }])
const share = computed(() => (brief.value.sag_written ?? (bike.value === 'bicycle' ? 'share' : 'length')) === 'share')
const factor = (e: EndName): number => sags(e)?.read_factor ?? 1
/** Whole travel as sag is read, m. */
const whole = (e: EndName): number | null => (sags(e)?.travel ? sags(e)!.travel!.value / factor(e) : null)
const edge = (e: EndName, of: 'rider' | 'free', at: 'low' | 'high'): number | null => {
  const f = sags(e)?.[`${of}_${at}`]?.value ?? null
  return f === null ? null : f / factor(e)
}
/** Both edges as they stand, one typed that does not fit the other yet before the one that holds. */
const bandDraft = (e: EndName, of: 'rider' | 'free') =>
  useDraft(`${vehicle.id} ${e} ${of} band`, ['low', 'high'] as const)
const shown = (e: EndName, of: 'rider' | 'free', at: 'low' | 'high'): number | null => {
  const v = bandDraft(e, of).get(at) ?? edge(e, of, at)
  return v === null ? null : share.value ? (whole(e) ? v / whole(e)! : null) : v
}
const crossed = (e: EndName, of: 'rider' | 'free'): boolean => bandDraft(e, of).missing().length > 0
function change(e: EndName, of: 'rider' | 'free', at: 'low' | 'high', value: number | null): void {
  const member = `${e}_${of}_sag`
  const draft = bandDraft(e, of)
  if (value === null) {
    draft.take()
    return set('sag wanted, back to the usual', ['targets', member], null)
  }
  const typed = share.value ? value * (whole(e) ?? 0) : value
  const next = { low: edge(e, of, 'low'), high: edge(e, of, 'high'), ...draft.take(), [at]: typed }
  if (next.low !== null && next.high !== null && next.low > 0 && next.low <= next.high)
    return set(`${of} sag wanted, ${e}`, ['targets', member], { low: next.low, high: next.high })
  draft.park({ [at]: typed })
}
const OF = ['rider', 'free'] as const
const known = (e: EndName, of: 'rider' | 'free'): boolean => edge(e, of, 'low') !== null
</script>

<template>
  <section class="targets" aria-label="Targets">
    <h3 aria-level="2">Sag wanted</h3>
    <div class="under" role="radiogroup" aria-label="Sag is told">
      <button
        v-for="w in ['length', 'share'] as const"
        :key="w"
        class="tab"
        role="radio"
        :aria-checked="share === (w === 'share')"
        @click="set('how sag is told', ['sag_written'], w)">
        {{ w === 'length' ? `in ${units.unit('m').written}` : 'in % of the travel' }}
      </button>
    </div>
    <table class="by-corner">
      <thead>
        <tr>
          <th><span class="seen-not">what</span></th>
          <th v-for="o in OF" :key="o" colspan="2">{{ o === 'rider' ? 'rider on' : `${bike} alone` }}</th>
          <th><TermWord words="aimed at, rider on" /></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="e in ENDS" :key="e">
          <th>
            {{ e }}<small>{{ along(e) ? 'along the tube' : 'at the wheel' }}</small>
          </th>
          <template v-for="o in OF" :key="o"
            ><template v-if="known(e, o)"
              ><td v-for="a in ['low', 'high'] as const" :key="a">
                <QuantityField
                  hide-label
                  :label="`${e} ${o} sag, ${a === 'low' ? 'from' : 'to'}`"
                  :of="share ? 'SagTarget.share' : 'SagTarget.length'"
                  :decimals="share ? 2 : 0"
                  :unit-text="share ? 'of travel' : undefined"
                  :model-value="shown(e, o, a)"
                  :hint="a === 'high' && crossed(e, o) ? 'from lies above to: counts once both fit' : undefined"
                  @update:model-value="(v) => change(e, o, a, v)" /></td
            ></template>
            <td v-else colspan="2" class="quiet">
              {{ about(e)?.travel || bike === 'motorcycle' ? 'not judged' : 'waits for the travel' }}
            </td></template
          >
          <td>
            <QuantityField
              hide-label
              :label="`${e} rider sag aimed at`"
              of="Targets.front_rider_wanted"
              :decimals="1"
              hint="blank: the middle"
              :model-value="targets[`${e}_rider_wanted`]"
              @update:model-value="(v) => set(`${e} rider sag aimed at`, ['targets', `${e}_rider_wanted`], v)" />
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">
      General practice for this use, yours to edit; empty a field to go back. Rider sag first, by preload or pressure;
      then the {{ bike }} alone says whether the spring is right.
    </p>
    <div v-if="bike === 'motorcycle'" class="lean">
      <QuantityField
        label="lean wanted before anything touches, as loaded"
        of="Targets.lean"
        :decimals="0"
        :model-value="targets.lean"
        @update:model-value="(v) => set('lean wanted', ['targets', 'lean'], v)" />
    </div>
  </section>
</template>

<style scoped>
.targets { margin-top: 18px; } .under { display: flex; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; } table { width: 100%; border-collapse: collapse; } th { font-weight: 400; text-align: left; color: var(--ink-2); } tbody th { color: var(--ink); font-weight: 600; width: 90px; line-height: 1.1; } th small { display: block; font-weight: 400; color: var(--ink-2); } td { padding: 4px 6px; vertical-align: top; border-top: 1px solid var(--rule); } .lean { max-width: 320px; }
</style>
