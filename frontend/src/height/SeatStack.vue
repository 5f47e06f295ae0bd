<script setup lang="ts">
import { computed, ref } from 'vue'

import { endOf, type EndName, type Place, placeWords, type SideSetup } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useHeights } from '@/composables/useHeights'
import { useVehicle } from '@/composables/useVehicle'

import RingWays from './RingWays.vue'

/** What lies between spring and seat, thing by thing; changing one moves the height, or the collar, by as much. */
type Item = NonNullable<SideSetup['stack']>[number]
const vehicle = useVehicle()
const heights = useHeights()
const ENDS: EndName[] = ['front', 'rear']
const place = (e: EndName, right = false): Place => `${e}_${right ? 'right' : 'left'}` as Place
const stack = (p: Place): Item[] | null => vehicle.setup.value!.sides![p]!.stack ?? null
const found = (p: Place): Item[] => vehicle.document.value!.setups[0]!.sides![p]!.stack ?? []
const shown = (p: Place): Item[] => stack(p) ?? found(p)
const open = computed(() => ENDS.some((e) => shown(place(e)).length || shown(place(e, true)).length))
const names = ref<Record<string, string>>({})
const THINGS = ['pad', 'plate', 'ring', 'second ring', 'shim', 'top mount plate']
const alike = (e: EndName): boolean => JSON.stringify(shown(place(e))) === JSON.stringify(shown(place(e, true)))
/** Once for both sides where they go together and hold the same: what differs was meant to. */
const joined = (e: EndName): boolean => heights.together.value && alike(e)
const sides = (e: EndName): Place[] => (joined(e) ? [place(e)] : [place(e), place(e, true)])
function put(p: Place, words: string, items: Item[] | null): void {
  const both = joined(endOf(p)) ? heights.moves(p) : [p]
  vehicle.edit(
    `${words}, ${both.length > 1 ? p.split('_')[0] : placeWords(p)}`,
    both.map((q) => ({ path: ['setups', vehicle.setupIndex.value, 'sides', q, 'stack'], value: items })),
  )
}
function add(p: Place): void {
  const name = names.value[p] ?? THINGS[0]!
  put(p, name, [...shown(p), { name, thickness: 0.005 }])
}
const thick = (p: Place, i: number, value: number | null): void =>
  void (
    value !== null &&
    put(
      p,
      shown(p)[i]!.name,
      shown(p).map((x, k) => (k === i ? { ...x, thickness: value } : x)),
    )
  )
const out = (p: Place, i: number): void =>
  put(
    p,
    `${shown(p)[i]!.name} taken out`,
    shown(p).filter((_, k) => k !== i),
  )
</script>

<template>
  <details class="stack" :open="open">
    <summary>Seat stack: pads, plates, rings between spring and seat</summary>
    <div class="ends">
      <section v-for="e in ENDS" :key="e" :aria-label="`seat stack, ${e}`">
        <div v-for="p in sides(e)" :key="p">
          <h4>
            {{ joined(e) ? e : placeWords(p)
            }}<small v-if="!vehicle.isFound.value && stack(p) === null" class="quiet">as found</small>
          </h4>
          <p v-if="!shown(p).length" class="small quiet">nothing between</p>
          <div v-for="(item, i) in shown(p)" :key="i" class="row">
            <span>{{ item.name }}</span><QuantityField
              hide-label
              :label="`${item.name} ${i + 1}, thickness, ${joined(e) ? e : placeWords(p)}`"
              of="StackItem.thickness"
              kind="fine length"
              :clearable="false"
              :model-value="item.thickness"
              @update:model-value="(v) => thick(p, i, v)" />
            <button
              class="link"
              :aria-label="`take ${item.name} ${i + 1} out, ${joined(e) ? e : placeWords(p)}`"
              @click="out(p, i)">
              take out
            </button>
          </div>
          <div class="row">
            <v-select
              :label="`what, ${joined(e) ? e : placeWords(p)}`"
              density="compact"
              :items="THINGS"
              :model-value="names[p] ?? THINGS[0]"
              @update:model-value="(v: string) => (names[p] = v)" />
            <button class="link" @click="add(p)">put it in</button>
          </div>
          <button
            v-if="!vehicle.isFound.value && stack(p) !== null"
            class="link"
            @click="put(p, 'seat stack as found', null)">
            as found again
          </button>
        </div>
        <RingWays v-if="!vehicle.isFound.value && joined(e)" :end="e" />
      </section>
    </div>
    <p class="small quiet">Each counts as collar: the body rises by its thickness over the motion ratio.</p>
  </details>
</template>

<style scoped>
.stack { border-top: 1px solid var(--rule); } summary { min-height: 44px; display: flex; align-items: center; font-weight: 600; font-size: var(--t-3); cursor: pointer; }
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 12px 32px; } h4 { margin: 4px 0; } h4 small { margin-left: 8px; font-weight: 400; }
.row { display: grid; grid-template-columns: minmax(0, 1fr) 110px 64px; gap: 12px; align-items: center; margin: 4px 0; }
@media (max-width: 620px) { .ends { grid-template-columns: minmax(0, 1fr); } }
</style>
