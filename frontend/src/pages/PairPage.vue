<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'

import { api, messageOf } from '@/api/client'

/** On the phone: the code from the bench screen, typed once. */
const router = useRouter()
const code = ref('')
const name = ref('')
const trouble = ref('')
const busy = ref(false)
onMounted(() => (document.title = 'Pair this device · Feder'))
async function pair(): Promise<void> {
  if (!code.value.trim() || busy.value) return
  busy.value = true
  const { error, response } = await api
    .POST('/api/pair/device', { body: { code: code.value, name: name.value.trim() || 'phone' } })
    .catch((e: unknown) => ({ error: e, response: undefined }))
  busy.value = false
  if (response?.ok) return void router.push('/')
  trouble.value = messageOf(error)
}
</script>

<template>
  <main class="pair">
    <h1>Pair this device</h1>
    <p>On the bench screen open Devices and let it show a code.</p>
    <form @submit.prevent="pair">
      <label for="p-code">code</label
      ><input id="p-code" v-model="code" class="code" inputmode="numeric" autocomplete="one-time-code" maxlength="8" />
      <label for="p-name">a name for this device</label
      ><input id="p-name" v-model="name" maxlength="60" placeholder="phone" />
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <button class="act go" type="submit" :disabled="!code.trim() || busy">Pair it</button>
    </form>
  </main>
</template>

<style scoped>
.pair { max-width: 420px; margin: 0 auto; padding: 28px 16px; display: grid; gap: 12px; font-size: var(--t-3); min-height: 100dvh; align-content: start; } form { display: grid; gap: 8px; } label { color: var(--ink-2); font-size: var(--t-2); } input { font: inherit; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); min-height: 48px; padding: 0 10px; } .code { font-size: 2.5rem; font-weight: 600; letter-spacing: 4px; min-height: 72px; } .bad { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; } .act { min-height: 56px; justify-content: center; }
</style>
