<script setup lang="ts">
import { onMounted, onScopeDispose, ref } from 'vue'

import { api, messageOf, type PairingState } from '@/api/client'
import PageHead from '@/components/PageHead.vue'
import TermWord from '@/components/TermWord.vue'

/** Devices of the workshop: the address and the code for a phone beside the bike, and who is paired. */
const state = ref<PairingState | null>(null)
const trouble = ref('')
async function take(asked: Promise<{ data?: PairingState; error?: unknown }>): Promise<void> {
  const { data, error } = await asked.catch((e: unknown) => ({ data: undefined, error: e }))
  if (data) state.value = data
  trouble.value = data ? '' : messageOf(error)
}
const load = (): Promise<void> => take(api.GET('/api/pair'))
const fresh = (): Promise<void> => take(api.POST('/api/pair/code'))
const remove = (device: number): Promise<void> =>
  take(api.DELETE('/api/pair/device/{device}', { params: { path: { device } } }))
onMounted(() => {
  document.title = 'Devices · Feder'
  void load()
})
const ticking = setInterval(() => {
  if (state.value?.address) void load()
}, 4000)
onScopeDispose(() => clearInterval(ticking))
const when = (text: string): string =>
  new Date(`${text}Z`).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <div class="page">
    <PageHead here="devices" />
    <main>
      <div class="top"><h1>Devices</h1></div>
      <p v-if="trouble" class="bad" role="alert">{{ trouble }}</p>
      <template v-if="state">
        <section v-if="state.address">
          <h2>Pair a phone</h2>
          <ol>
            <li>Join the phone to the workshop's network.</li>
            <li>
              Open <b class="addr">{{ state.address }}/pair</b> on it.
            </li>
            <li>Type this code; it holds for five minutes and is good once.</li>
          </ol>
          <p v-if="state.code" class="code" role="status" aria-label="Code">
            {{ state.code.slice(0, 3) }} {{ state.code.slice(3) }}
          </p>
          <button class="act go" @click="fresh">{{ state.code ? 'Another code' : 'Show a code' }}</button>
        </section>
        <section v-else>
          <h2>This machine only</h2>
          <p class="say">
            Feder answers this machine alone. To read sag on a phone beside the bike, end it and start it with this
            machine's own address on the workshop's network:
          </p>
          <pre>FEDER_HOST=192.168.1.20 make demo</pre>
          <p class="say">
            It then answers there too, for paired devices only, over the open network of the workshop: not for a network
            you share with strangers.
          </p>
        </section>
        <section>
          <h2>Paired</h2>
          <p v-if="!state.devices.length" class="quiet">No device is paired.</p>
          <table v-else>
            <thead>
              <tr>
                <th><TermWord words="device" /></th>
                <th><TermWord words="paired" /></th>
                <th><TermWord words="last asked" /></th>
                <th><span class="seen-not">what</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="d in state.devices" :key="d.id">
                <td>{{ d.name }}</td>
                <td>{{ when(d.paired) }}</td>
                <td>{{ when(d.seen) }}</td>
                <td><button class="link" :aria-label="`remove ${d.name}`" @click="remove(d.id)">remove</button></td>
              </tr>
            </tbody>
          </table>
        </section>
      </template>
    </main>
  </div>
</template>

<style scoped>
.top { border-bottom: 1.5px solid var(--ink); padding-bottom: 12px; } section { margin-top: 22px; max-width: 720px; } ol { padding-left: 22px; font-size: var(--t-3); line-height: 1.7; margin: 8px 0; } .addr { font-weight: 600; user-select: all; } .code { font: 600 4.5rem/1.1 var(--font); font-variant-numeric: tabular-nums; letter-spacing: 2px; margin: 8px 0; } pre { background: var(--sheet); border-bottom: 1.5px solid var(--edge); padding: 10px 12px; margin: 8px 0; } .say { font-size: var(--t-3); max-width: 62ch; } .bad { border-left: 4px solid var(--stop); background: var(--stop-tint); padding: 8px 12px; margin-top: 12px; }
table { width: 100%; border-collapse: collapse; margin-top: 6px; } th { text-align: left; font-weight: 400; color: var(--ink-2); } td { border-top: 1px solid var(--rule); padding: 6px 0; font-size: var(--t-3); }
</style>
