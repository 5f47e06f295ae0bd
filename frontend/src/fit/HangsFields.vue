<script setup lang="ts">
import { computed } from 'vue'

import { type EndName, type Hangs, onTwo } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'
import { useVehicle } from '@/composables/useVehicle'

/** What hangs on each end, asked once: the card then names it instead of telling to look. */
const vehicle = useVehicle()
const ENDS: EndName[] = ['front', 'rear']
const end = (e: EndName) => vehicle.document.value!.vehicle.ends![e]!
const hangs = (e: EndName): Hangs => end(e).hangs ?? {}
const two = computed(() => onTwo(vehicle.document.value))
const set = (e: EndName, words: string, member: keyof Hangs, value: unknown): void =>
  vehicle.edit(`${e} ${words}`, [{ path: ['vehicle', 'ends', e, 'hangs', member], value }])
type Flag =
  | 'brake_hose'
  | 'wheel_lead'
  | 'level_rod'
  | 'bar_link'
  | 'damper_cable'
  | 'drive_shaft'
  | 'reservoir'
  | 'mount_handed'
  | 'damper_bush'
const ASKED: { member: Flag; words: string; of: (e: EndName) => boolean }[] = [
  { member: 'brake_hose', words: 'brake hose', of: () => !two.value },
  { member: 'wheel_lead', words: 'wheel-speed lead', of: () => !two.value },
  { member: 'level_rod', words: 'rod of a level sensor', of: () => !two.value },
  { member: 'bar_link', words: 'roll-bar link', of: () => !two.value },
  { member: 'damper_cable', words: 'damper cable or mode plug', of: (e) => !two.value || e === 'rear' },
  { member: 'drive_shaft', words: 'drive shaft', of: (e) => end(e).layout === 'strut' },
  { member: 'reservoir', words: 'reservoir on a line', of: (e) => !two.value || e === 'rear' },
  {
    member: 'mount_handed',
    words: 'top mount with a direction',
    of: (e) => ['strut', 'wishbone'].includes(end(e).layout ?? ''),
  },
  { member: 'damper_bush', words: 'damper’s lower eye in rubber', of: (e) => !two.value && end(e).layout !== 'strut' },
]
const ANSWERS = [
  { value: true, words: 'yes' },
  { value: false, words: 'no' },
] as const
const HELD = [
  { value: 'pinch clamp', words: 'in a clamp with one bolt' },
  { value: 'two bolts', words: 'by two bolts' },
  { value: 'fork', words: 'in a fork' },
] as const
const untold = (e: EndName): number => ASKED.filter((q) => q.of(e) && hangs(e)[q.member] == null).length
defineExpose({ untold })
</script>

<template>
  <section id="hangs" class="ends" aria-label="What hangs on each end">
    <div v-for="e in ENDS" :key="e">
      <h3 aria-level="2">{{ e === 'front' ? 'Front' : 'Rear' }}, what hangs there</h3>
      <div
        v-for="q in ASKED.filter((a) => a.of(e))"
        :key="q.member"
        class="q"
        role="radiogroup"
        :aria-label="`${e}: ${q.words}`">
        <span>{{ q.words }}</span>
        <button
          v-for="a in ANSWERS"
          :key="a.words"
          class="tab"
          role="radio"
          :aria-checked="hangs(e)[q.member] === a.value"
          @click="set(e, q.words, q.member, hangs(e)[q.member] === a.value ? null : a.value)">
          {{ a.words }}
        </button>
      </div>
      <div v-if="end(e).layout === 'strut'" class="q" role="radiogroup" :aria-label="`${e}: foot of the strut is held`">
        <span>foot of the strut held</span>
        <button
          v-for="h in HELD"
          :key="h.value"
          class="tab"
          role="radio"
          :aria-checked="hangs(e).held === h.value"
          @click="set(e, 'foot of the strut', 'held', hangs(e).held === h.value ? null : h.value)">
          {{ h.words }}
        </button>
      </div>
      <QuantityField
        v-if="!two && end(e).layout !== 'torsion arm'"
        label="bolts in rubber at the arms of one side"
        of="Hangs.bushes"
        :decimals="0"
        :model-value="hangs(e).bushes"
        @update:model-value="(v) => set(e, 'bolts in rubber', 'bushes', v === null ? null : Math.round(v))" />
    </div>
  </section>
</template>

<style scoped>
.ends { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 32px; margin-top: 8px; } .q { display: flex; align-items: center; flex-wrap: wrap; min-height: 44px; border-bottom: 1px solid var(--rule); } .q > span { flex: 1 1 150px; } .tab { min-height: 44px; padding: 0 12px; border-bottom: 3px solid transparent; } .tab[aria-checked="true"] { border-color: var(--ink); font-weight: 600; }
@media (max-width: 600px) { .ends { grid-template-columns: minmax(0, 1fr); } }
</style>
