<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'

import type { Question } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import type { Change } from '@/logic/patch'
import { sentence } from '@/logic/sentence'

/** A number just typed looks odd: what it may have meant, one tap each, or that it is so. */
const props = defineProps<{ question: Question; label: string }>()
const emit = defineEmits<{ done: [] }>()
const vehicle = useVehicle()
const units = useUnits()
const box = ref<HTMLElement | null>(null)
const left = ref(0)
const says = computed(() => sentence(props.question.text, props.question.numbers, units.system.value))
const offers = computed(() =>
  props.question.offers.map((o) => ({ words: sentence(o.text, o.numbers, units.system.value), patch: o.patch })),
)
// it stands under its field, moved aside where the window ends
onMounted(async () => {
  await nextTick()
  const at = box.value?.getBoundingClientRect()
  const within = box.value?.closest('main')?.getBoundingClientRect()
  if (!at || !within) return
  left.value = Math.min(0, within.right - 12 - at.right)
  left.value -= Math.min(0, at.left + left.value - within.left - 12)
  await nextTick()
  box.value?.scrollIntoView?.({ block: 'nearest' })
})
function take(words: string, patch: Change[]): void {
  vehicle.judging.answered()
  vehicle.take(words, patch)
  emit('done')
}
</script>

<template>
  <div ref="box" class="fq" role="group" :aria-label="`${label}: is it so?`" :style="{ left: `${left}px` }">
    <p class="fq-t" role="status">{{ says }}</p>
    <p class="fq-a">
      <button
        v-for="(o, i) in offers"
        :key="o.words"
        type="button"
        class="act"
        :class="{ go: i === 0 }"
        @mousedown.prevent
        @click="take(o.words, o.patch as Change[])">
        {{ o.words }}</button><button
        type="button"
        class="link"
        @mousedown.prevent
        @click="take('it is so', question.keep as Change[])">
        it is so
      </button>
    </p>
  </div>
</template>

<style scoped>
.fq { position: absolute; top: calc(100% + 6px); z-index: 6; width: max-content; max-width: min(400px, calc(100vw - 32px)); background: var(--vellum); border: 1.5px solid var(--ink); padding: 8px 12px; text-align: left; }
.fq-t { line-height: 1.25; font-size: var(--t-2); } .fq-a { display: flex; flex-wrap: wrap; gap: 4px 10px; align-items: center; margin-top: 4px; }
</style>
