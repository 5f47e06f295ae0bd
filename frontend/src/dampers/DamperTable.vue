<script setup lang="ts">
import type { ShelfDamper } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import TermWord from '@/components/TermWord.vue'

/** The dampers on the shelf. */
defineProps<{ parts: ShelfDamper[]; text: string }>()
const emit = defineEmits<{ edit: [part: ShelfDamper]; remove: [part: ShelfDamper] }>()
const units = useUnits()
const mm = (v: number | null | undefined): string => (v == null ? '–' : units.show(v, 'm'))
const stroke = (p: ShelfDamper): string => {
  const { extended, shut } = p.part
  return extended == null || shut == null ? '–' : units.show(extended - shut, 'm')
}
const body = (p: ShelfDamper): string => {
  const { body, body_least, body_most } = p.part
  if (body == null) return 'one length'
  return body_least == null || body_most == null ? mm(body) : `${mm(body)} of ${mm(body_least)} to ${mm(body_most)}`
}
const clicks = (p: ShelfDamper): string =>
  p.part.knobs?.length
    ? `${p.part.knobs.map((k) => k.clicks).join(' + ')} clicks${p.part.knobs[0]!.acts === 'both' ? ', one knob' : ''}`
    : 'no knob'
const matches = (p: ShelfDamper, text: string): boolean =>
  [p.part.code, p.part.mounts, p.part.note, mm(p.part.extended), mm(p.part.shut)]
    .join(' ')
    .toLowerCase()
    .includes(text.trim().toLowerCase())
</script>

<template>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th><TermWord words="damper" /></th>
          <th class="r">extended, {{ units.unit('m').written }}</th>
          <th class="r"><TermWord words="shut" /></th>
          <th class="r"><TermWord words="stroke" /></th>
          <th><TermWord words="body" /></th>
          <th><TermWord words="adjusters" /></th>
          <th><span class="seen-not">what</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in parts.filter((x) => matches(x, text))" :key="p.id">
          <td>
            <b class="strong">{{ p.part.code }}</b><small v-if="p.part.mounts" class="quiet">{{ p.part.mounts }}</small>
          </td>
          <td class="r">{{ mm(p.part.extended) }}</td>
          <td class="r">{{ mm(p.part.shut) }}</td>
          <td class="r">
            <b class="strong">{{ stroke(p) }}</b>
          </td>
          <td>{{ body(p) }}</td>
          <td>{{ clicks(p) }}</td>
          <td class="r acts">
            <button class="link" :aria-label="`Edit ${p.part.code}`" @click="emit('edit', p)">edit</button
            ><button class="link" :aria-label="`Delete ${p.part.code}`" @click="emit('remove', p)">delete</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!parts.some((x) => matches(x, text))" class="quiet">
      {{
        parts.length
          ? 'No damper on the shelf by these letters.'
          : 'No damper on the shelf yet: add one, or import a list.'
      }}
    </p>
  </div>
</template>

<style scoped>
.scroll { overflow-x: auto; }
table { width: 100%; border-collapse: collapse; font-size: var(--t-3); } th { text-align: left; font-weight: 500; font-size: var(--t-2); color: var(--ink-2); padding: 6px 10px 6px 0; border-bottom: 1px solid var(--rule); }
td { padding: 4px 10px 4px 0; border-bottom: 1px solid var(--rule); height: 44px; } td small { display: block; line-height: 1.1; }
td { white-space: nowrap; } .r { text-align: right; } .acts { white-space: nowrap; } .acts button + button { margin-left: 16px; }
</style>
