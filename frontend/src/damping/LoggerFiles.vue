<script setup lang="ts">
import { computed, ref } from 'vue'

import { type LetGo, type LoggerFile, messageOf } from '@/api/client'

/** A logger's file: which of its columns are time and reading is seen and chosen before anything is taken. */
type Kind = 'height' | 'acceleration'
const props = defineProps<{ kind: Kind; runs: number }>()
const emit = defineEmits<{ take: [run: LetGo, kind: Kind] }>()
const picker = ref<HTMLInputElement | null>(null)
const file = ref<File | null>(null)
const found = ref<LoggerFile | null>(null)
const trouble = ref('')
const columns = computed(() => found.value?.columns ?? [])
const units = computed(() => found.value?.units as Record<string, string> | undefined)
const KINDS = [
  { value: 'height', title: 'height of the body' },
  { value: 'acceleration', title: 'acceleration' },
] as const
async function ask(chosen: { time?: string; reading?: string; kind?: Kind } = {}): Promise<void> {
  if (!file.value) return
  const now = found.value ? { time: found.value.time, reading: found.value.reading, kind: found.value.kind } : {}
  const query = new URLSearchParams({ name: file.value.name.slice(0, 60), ...now, ...chosen })
  const answer = await fetch(`/api/logger?${query}`, { method: 'POST', body: file.value }).catch(() => null)
  const body = (await answer?.json().catch(() => null)) as { file?: LoggerFile } | null
  if (answer?.ok && body?.file) found.value = body.file
  trouble.value = answer?.ok ? '' : messageOf(body)
}
function picked(event: Event): void {
  const input = event.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  input.value = ''
  found.value = null
  void ask()
}
function take(): void {
  emit('take', found.value!.run!, found.value!.kind as Kind)
  close()
}
function close(): void {
  found.value = file.value = null
  trouble.value = ''
}
const mixed = computed(() => props.runs > 0 && found.value && found.value.kind !== props.kind)
</script>

<template>
  <button class="link" @click="picker?.click()">{{ runs ? 'another' : 'let-go from CSV' }}</button>
  <input
    ref="picker"
    type="file"
    accept=".csv,.txt,text/csv"
    class="seen-not"
    aria-label="let-go file"
    @change="picked" />
  <v-dialog
    aria-label="Columns of the recording"
    :model-value="!!file && (!!found || !!trouble)"
    max-width="620"
    @update:model-value="close">
    <v-card class="pa-4" role="dialog" aria-label="Logger file">
      <h2>{{ file?.name }}</h2>
      <p v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</p>
      <template v-if="found">
        <p class="small quiet">{{ found.lines }} lines. Bare numbers: seconds, millimetres or m/s².</p>
        <div class="three">
          <v-select
            label="time"
            :items="[...columns]"
            :model-value="found.time"
            @update:model-value="(v: string) => ask({ time: v })" />
          <v-select
            label="reading"
            :items="columns.filter((c) => c !== found!.time)"
            :model-value="found.reading"
            @update:model-value="(v: string) => ask({ reading: v })" />
          <v-select
            label="it is"
            :items="[...KINDS]"
            :model-value="found.kind"
            @update:model-value="(v: Kind) => ask({ kind: v })" />
        </div>
        <div class="sample">
          <table>
            <thead>
              <tr>
                <th v-for="c in columns" :key="c" :class="{ on: [found.time, found.reading].includes(c) }">
                  {{ c }}<small v-if="units?.[c]"> {{ units[c] }}</small>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(line, i) in found.sample" :key="i">
                <td v-for="(cell, k) in line" :key="k">{{ cell }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="found.trouble" class="grade-stop" role="alert">{{ found.trouble }}</p>
        <p v-else-if="mixed" class="grade-look">The let-goes taken so far are of another kind: take them out first.</p>
      </template>
      <div class="acts">
        <button class="link" @click="close">leave it</button>
        <button class="act" :disabled="!found?.run || !!mixed" @click="take">Take it</button>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
h2 { margin: 0 0 4px; font-size: var(--t-4); } .three { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 12px; }
.sample { overflow-x: auto; } table { border-collapse: collapse; min-width: 60%; } th, td { text-align: right; padding: 2px 10px 2px 0; border-top: 1px solid var(--rule); font-weight: 400; } th { color: var(--ink-2); } th.on { color: var(--ink); font-weight: 600; }
.acts { display: flex; justify-content: flex-end; gap: 20px; align-items: center; margin-top: 12px; }
@media (max-width: 600px) { .three { grid-template-columns: 1fr; } }
</style>
