<script setup lang="ts">
import { nextTick, ref } from 'vue'

import QuantityField from '@/components/QuantityField.vue'

import type { LoadItem } from './loads'

/** The things carried in a load state, as a list: name, mass, place. */
const props = defineProps<{ items: LoadItem[]; chosen: number | null; middle: number }>()
const emit = defineEmits<{
  choose: [index: number]
  set: [index: number, values: Partial<LoadItem>]
  all: [words: string, items: LoadItem[]]
}>()
const fresh = ref<{ name: string; mass: number | null }>({ name: '', mass: null })
const nameField = ref<HTMLInputElement | null>(null)
function add(): void {
  const { name, mass } = fresh.value
  if (!name.trim() || mass === null) return
  emit('all', `${name.trim()} carried`, [...props.items, { name: name.trim(), mass, x: null, y: null }])
  fresh.value = { name: '', mass: null }
  void nextTick(() => nameField.value?.focus())
}
const rename = (index: number, text: string): void => {
  if (text.trim()) emit('set', index, { name: text.trim().slice(0, 80) })
}
</script>

<template>
  <div class="items" role="table" aria-label="What is carried">
    <div class="head" role="row">
      <span>thing</span><span>mass</span><span>behind front axle</span><span>right of middle, left −</span><span></span>
    </div>
    <div
      v-for="(item, i) in items"
      :key="i"
      class="item"
      :class="{ on: i === chosen }"
      role="row"
      @focusin="emit('choose', i)">
      <input
        :value="item.name"
        maxlength="80"
        :aria-label="`name of thing ${i + 1}`"
        @change="rename(i, ($event.target as HTMLInputElement).value)" />
      <QuantityField
        :label="`mass of ${item.name}`"
        hide-label
        of="LoadItem.mass"
        :decimals="0"
        :clearable="false"
        :model-value="item.mass"
        @update:model-value="(v) => v !== null && emit('set', i, { mass: v })" />
      <QuantityField
        :label="`${item.name}, behind the front axle`"
        hide-label
        of="LoadItem.x"
        :estimated="item.x == null"
        :model-value="item.x ?? middle"
        @update:model-value="(v) => emit('set', i, { x: v })" />
      <QuantityField
        :label="`${item.name}, right of the middle`"
        hide-label
        of="LoadItem.y"
        :estimated="item.y == null"
        :model-value="item.y ?? 0"
        @update:model-value="(v) => emit('set', i, { y: v })" />
      <button
        class="link"
        :aria-label="`take ${item.name} out`"
        @click="
          emit(
            'all',
            `${item.name} taken out`,
            items.filter((_, k) => k !== i),
          )
        ">
        take out
      </button>
    </div>
    <form class="item" role="row" @submit.prevent="add">
      <input
        ref="nameField"
        v-model="fresh.name"
        maxlength="80"
        placeholder="another thing"
        aria-label="name of another thing" />
      <QuantityField v-model="fresh.mass" label="its mass" hide-label of="LoadItem.mass" :decimals="0" />
      <span class="quiet small where">~ stands in the middle until its place is told</span>
      <button class="link" type="submit" :disabled="!fresh.name.trim() || fresh.mass === null">carry it</button>
    </form>
  </div>
</template>

<style scoped>
.head, .item { display: grid; grid-template-columns: minmax(120px, 1.4fr) 96px 130px 150px 72px; gap: 10px; align-items: center; }
.head { color: var(--ink-2); font-size: var(--t-1); text-align: right; padding-top: 8px; } .head span:first-child { text-align: left; }
.item > input { font: inherit; font-size: var(--t-3); height: 38px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; outline: 0; width: 100%; } .item > input:focus { border-bottom: 3px solid var(--ink); }
.item { padding: 2px 0; } .on { background: var(--vellum); } .where { grid-column: 3 / 5; } .link:disabled { color: var(--ink-3); text-decoration: none; }
</style>
