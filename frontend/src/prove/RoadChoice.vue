<script setup lang="ts">
import { computed } from 'vue'

import QuantityField from '@/components/QuantityField.vue'

import { useUnits } from '@/composables/useUnits'

import RoadIcon from './RoadIcon.vue'
import { useProve } from './useProve'

/** What both are driven over, and how fast. */
const prove = useProve()
const units = useUnits()
const FIRST = ['bump', 'step', 'hole', 'waves', 'rough_b', 'rough_c', 'braking', 'corner']
const roads = computed(() => [
  ...prove.roads.value.filter((r) => FIRST.includes(r.name) || r.name === here.value),
  { name: 'own', words: ownWords.value, told: 'put together of pieces, or a measured profile' },
])
const more = computed(() => prove.roads.value.filter((r) => !FIRST.includes(r.name)))
const ownWords = computed(() => {
  const length = prove.proving.value.own.reduce((sum, p) => sum + p.length, 0)
  return length ? `your own, ${units.show(length, 'm', { kind: 'road length', decimals: 0, unit: true })}` : 'your own'
})
const here = computed(() => prove.proving.value.road)
function walk(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
  if (!by) return
  event.preventDefault()
  const i = roads.value.findIndex((r) => r.name === here.value)
  const next = roads.value[(i + by + roads.value.length) % roads.value.length]!
  choose(next.name)
  const box = event.currentTarget as HTMLElement
  requestAnimationFrame(() => box.querySelector<HTMLElement>('[aria-checked="true"]')?.focus())
}
const choose = (road: string): void => prove.set('road', { road })
</script>

<template>
  <div class="roads">
    <div class="kinds" role="radiogroup" aria-label="Road" @keydown="walk">
      <button
        v-for="r in roads"
        :key="r.name"
        class="rd"
        role="radio"
        :aria-checked="r.name === here"
        :tabindex="r.name === here ? 0 : -1"
        :title="r.told"
        @click="choose(r.name)">
        <RoadIcon :name="r.name" />{{ r.words }}
      </button>
      <label class="rd more">
        <select
          :value="more.some((r) => r.name === here) ? here : ''"
          aria-label="more roads"
          @change="choose(($event.target as HTMLSelectElement).value)">
          <option value="" disabled>more</option>
          <option v-for="r in more" :key="r.name" :value="r.name">{{ r.words }}</option>
        </select>
      </label>
    </div>
    <div class="speed">
      <QuantityField
        :model-value="prove.proving.value.speed"
        of="Proving.speed"
        label="Speed"
        hide-label
        strong
        :clearable="false"
        @update:model-value="(v) => v && prove.set('speed', { speed: v })" />
    </div>
  </div>
</template>

<style scoped>
.roads { display: flex; gap: 12px; border-top: 1px solid var(--rule); border-bottom: 1px solid var(--rule); align-items: stretch; }
.kinds { display: flex; gap: 0 2px; flex: 1; min-width: 0; overflow-x: auto; scrollbar-width: thin; }
.rd { display: flex; flex-direction: column; align-items: center; justify-content: flex-end; gap: 1px; min-width: 50px; min-height: 56px; padding: 4px 2px 2px; flex: none; border-bottom: 3px solid transparent; color: var(--ink-2); white-space: nowrap; }
.rd[aria-checked="true"] { border-color: var(--ink); color: var(--ink); font-weight: 600; }
.more select { border: 0; min-height: 44px; width: 58px; color: var(--ink); background: none; font: inherit; }
.speed { width: 96px; align-self: center; flex: none; }
</style>
