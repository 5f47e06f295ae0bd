<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

import { api, type LetGo, messageOf, type Place } from '@/api/client'
import { useInstruments } from '@/instruments/useInstruments'

/** A let-go recorded off a travel logger that runs: begun, pushed and let go by hand, read. */
const props = defineProps<{ place: Place }>()
const emit = defineEmits<{ take: [run: LetGo] }>()
const instruments = useInstruments()
const logger = computed(() => instruments.list.value.find((i) => i.kind === 'logger' && i.way !== 'stopped'))
const trouble = ref('')
onMounted(async () => {
  if (await instruments.glance('logger')) instruments.watch()
})
async function press(): Promise<void> {
  if (!logger.value) return
  trouble.value = ''
  const params = { path: { instrument: logger.value.id } }
  if (logger.value.recording === null)
    return void (await api.POST('/api/recordings/logger/{instrument}/start', { params }).catch(() => null))
  const { data, error } = await api
    .POST('/api/recordings/logger/{instrument}/let-go', { params, body: { place: props.place } })
    .catch((e: unknown) => ({ data: undefined, error: e }))
  trouble.value = data ? '' : messageOf(error)
  if (data) emit('take', data.run as LetGo)
}
</script>

<template>
  <template v-if="logger"
    ><button class="act" type="button" @click="press">
      {{ logger.recording === null ? 'Record off the logger' : 'Let go and at rest: read it' }}</button
    ><span v-if="trouble" class="grade-stop" role="alert">{{ trouble }}</span></template
  >
</template>

<style scoped>
.act { margin: 0 12px; font-weight: 400; }
</style>
