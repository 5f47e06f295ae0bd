<script setup lang="ts">
import { reactive, ref } from 'vue'

import { api, type Instrument, messageOf } from '@/api/client'
import QuantityField from '@/components/QuantityField.vue'

/** What a run measured goes on the shelf: a spring with its rate, or a damper's curve at its clicks. */
const props = defineProps<{ instrument: Instrument }>()
const emit = defineEmits<{ kept: [words: string]; close: [] }>()
const spring = props.instrument.kind === 'spring_bench'
const told = reactive<{
  code: string
  free: number | null
  inside: number | null
  rebound: number | null
  bump: number | null
  reboundOf: number | null
  bumpOf: number | null
}>({
  code: '',
  free: null,
  inside: null,
  rebound: null,
  bump: null,
  reboundOf: null,
  bumpOf: null,
})
const trouble = ref('')
async function keep(): Promise<void> {
  if (!told.code.trim()) return void (trouble.value = 'It needs a code: what is painted or written on it')
  const clicks: Record<string, number> = {}
  if (told.rebound !== null) clicks.rebound = told.rebound
  if (told.bump !== null) clicks.bump = told.bump
  const of: Record<string, number> = {}
  if (told.reboundOf !== null) of.rebound = told.reboundOf
  if (told.bumpOf !== null) of.bump = told.bumpOf
  const { data, error } = await api
    .POST('/api/instruments/{instrument}/keep', {
      params: { path: { instrument: props.instrument.id } },
      body: { code: told.code.trim(), free_length: told.free, inside_diameter: told.inside, clicks, of },
    })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  trouble.value = data ? '' : messageOf(error)
  if (data) emit('kept', `${data.code} is on the shelf of ${data.shelf}s`)
}
</script>

<template>
  <v-dialog :model-value="true" max-width="460" aria-label="Keep as a part" @update:model-value="emit('close')">
    <v-card class="pa-6">
      <h2>{{ spring ? 'The spring that was measured' : 'The damper that was driven' }}</h2>
      <form class="mt-3" data-fields @submit.prevent="keep">
        <label class="code"><span>code</span><input v-model="told.code" maxlength="80" autocomplete="off" /></label>
        <template v-if="spring">
          <QuantityField
            label="free length"
            of="SpringPart.free_length"
            :model-value="told.free"
            @update:model-value="(v) => (told.free = v)" />
          <QuantityField
            label="inside diameter"
            of="SpringPart.inside_diameter"
            :model-value="told.inside"
            @update:model-value="(v) => (told.inside = v)" />
        </template>
        <template v-else>
          <QuantityField
            label="rebound clicks at this run"
            of="Clicks.count"
            :decimals="0"
            :model-value="told.rebound"
            @update:model-value="(v) => (told.rebound = v)" />
          <QuantityField
            label="rebound clicks in all, if known"
            of="Clicks.count"
            :decimals="0"
            :model-value="told.reboundOf"
            @update:model-value="(v) => (told.reboundOf = v)" />
          <QuantityField
            label="bump clicks at this run"
            of="Clicks.count"
            :decimals="0"
            :model-value="told.bump"
            @update:model-value="(v) => (told.bump = v)" />
          <QuantityField
            label="bump clicks in all, if known"
            of="Clicks.count"
            :decimals="0"
            :model-value="told.bumpOf"
            @update:model-value="(v) => (told.bumpOf = v)" />
          <p class="quiet small">
            A damper of this code on the shelf gets this curve; one at the same clicks is replaced.
          </p>
        </template>
        <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
        <p class="acts">
          <button class="act go" type="submit">Keep</button
          ><button class="act" type="button" @click="emit('close')">Not now</button>
        </p>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
form { display: grid; gap: 12px; } .code { display: grid; } .code span { font-size: var(--t-1); color: var(--ink-2); } .code input { font: inherit; font-size: var(--t-3); min-height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; } .acts { display: flex; gap: 12px; }
</style>
