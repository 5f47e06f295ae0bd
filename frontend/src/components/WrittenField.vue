<script setup lang="ts">
import { ref, useId, watch } from 'vue'

import { useUnread } from '@/composables/useUnread'
import { writtenAs } from '@/units/read'

/** A text that has a form of its own, such as a tyre's size. What does not have it stays in the field, with how it is written. */
const props = defineProps<{ label: string; of: string; modelValue: string | null | undefined; hint?: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: string | null] }>()

const id = useId()
const input = ref<HTMLInputElement | null>(null)
const text = ref(props.modelValue ?? '')
const error = ref('')
const unread = useUnread(
  input,
  () => props.label,
  (kept) => {
    text.value = kept.text
    error.value = kept.why
  },
)
watch(error, (why) => (why ? unread.keep(text.value, why) : unread.drop()))
watch(
  () => props.modelValue,
  (now) => {
    if (!error.value) text.value = now ?? ''
  },
)
/** Half of it is no size yet: it is judged when the hand leaves. */
function left(): void {
  const typed = text.value.trim()
  error.value = ''
  if (typed === (props.modelValue ?? '')) return
  if (typed && !writtenAs(props.of).pattern.test(typed)) {
    error.value = writtenAs(props.of).says
    return unread.keep(text.value, error.value)
  }
  emit('update:modelValue', typed || null)
}
function restore(): void {
  error.value = ''
  text.value = props.modelValue ?? ''
}
</script>

<template>
  <div class="qf wf" :class="{ bad: error }">
    <label class="qf-l wf-l" :for="id">{{ label }}</label>
    <input
      :id="id"
      ref="input"
      v-model="text"
      class="qf-in wf-in"
      maxlength="30"
      autocomplete="off"
      spellcheck="false"
      :aria-invalid="!!error"
      :aria-describedby="error || hint ? `${id}-m` : undefined"
      @blur="left"
      @keydown.enter.prevent="left"
      @keydown.esc.stop="restore" />
    <span v-if="error || hint" :id="`${id}-m`" class="wf-m" :role="error ? 'alert' : undefined">{{
      error || hint
    }}</span>
  </div>
</template>

<style scoped>
.wf { display: grid; grid-template-columns: minmax(0, 1fr); min-width: 0; }
.wf-l { font-size: var(--t-1); color: var(--ink-2); line-height: 1.3; }
.wf-in { font: inherit; font-size: var(--t-3); color: var(--ink); background: var(--sheet); border: 0; border-bottom: 1.5px solid var(--edge); outline: 0; width: 100%; height: 40px; padding: 0 6px; text-align: right; }
.wf-in:focus { border-bottom: 3px solid var(--ink); }
.wf-m { font-size: var(--t-1); color: var(--ink-2); padding-top: 2px; line-height: 1.2; }
.bad .wf-in { border-bottom-color: var(--stop); } .bad .wf-m { color: var(--stop); font-weight: 500; }
</style>
