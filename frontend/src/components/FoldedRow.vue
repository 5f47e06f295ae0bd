<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'

/** What is typed once, folded to one line that tells its state: by end, or in one. Opened by hand or by its address. */
const props = defineProps<{ title: string; front?: string; rear?: string; state?: string; open?: boolean }>()
const box = ref<HTMLDetailsElement | null>(null)
const key = `feder-fold ${location.pathname} ${props.title}`
const kept = sessionStorage.getItem(key)
// only how it begins: what is typed must not close it under the hand
const begins = ref(kept === null ? props.open : kept === 'open')
const keep = (): void => sessionStorage.setItem(key, box.value?.open ? 'open' : 'shut')
// what could not be read must not hide
onMounted(async () => {
  await nextTick()
  if (box.value?.querySelector('[aria-invalid="true"]')) box.value.open = true
})
</script>

<template>
  <details ref="box" class="folded" :open="begins" @toggle.self="keep">
    <summary>
      <span class="title">{{ title }}</span>
      <span class="state">
        <template v-if="state !== undefined">{{ state }}</template>
        <template v-else-if="front === rear">{{ front }}</template>
        <template v-else>
          <span class="seen-not">front</span>
          <svg width="26" height="8" aria-hidden="true"><path d="M0 4H26" /></svg>{{ front }}
          <span class="seen-not">, rear</span>
          <svg width="26" height="8" aria-hidden="true"><path d="M0 4H26" stroke-dasharray="7 4" /></svg>{{ rear }}
        </template>
      </span>
    </summary>
    <div class="inside"><slot /></div>
  </details>
</template>

<style scoped>
.folded { border-top: 1px solid var(--rule); }
summary { display: grid; grid-template-columns: auto minmax(120px, 190px) minmax(0, 1fr); align-items: center; min-height: 44px; font-size: var(--t-3); cursor: pointer; list-style: none; }
summary::-webkit-details-marker { display: none; }
summary::before { content: ''; width: 9px; height: 9px; border-right: 2px solid var(--ink); border-bottom: 2px solid var(--ink); transform: rotate(-45deg); margin: 0 12px 0 2px; }
details[open] > summary::before { transform: rotate(45deg); }
.title { font-weight: 600; } .state { color: var(--ink-2); line-height: 1.2; }
svg { display: inline-block; vertical-align: middle; margin: 0 6px 2px 0; } svg:not(:first-of-type) { margin-left: 12px; } path { stroke: currentColor; stroke-width: 2.25; fill: none; }
.inside { padding: 2px 0 12px; }
@media (max-width: 620px) { summary { grid-template-columns: auto minmax(0, 1fr); padding: 6px 0; } .state { grid-column: 2; font-size: var(--t-2); } }
</style>
