<script setup lang="ts">
import { computed, ref } from 'vue'

import type { Mistake, Finding } from '@/api/client'
import { useUnits } from '@/composables/useUnits'
import { useVehicle } from '@/composables/useVehicle'
import { useWorking } from '@/composables/useWorking'
import type { Change } from '@/logic/patch'
import { sentence } from '@/logic/sentence'

/** A mistake, opened: what agrees once it is taken back, one tap that does so, and folded what only follows from it. */
const props = defineProps<{
  cause: Mistake
  /** The findings that follow from it, as they are told. */
  follows: Finding[]
}>()
const vehicle = useVehicle()
const units = useUnits()
const working = useWorking()
const said = (text: string, numbers: Finding['numbers']): string => sentence(text, numbers, units.system.value)
const act = computed(() => said(props.cause.finding.mend.text, props.cause.finding.numbers))
const agrees = computed(() =>
  props.cause.agrees
    .map((a) => said(a.text, a.numbers))
    .join('; ')
    .replace(/$/, props.cause.agrees.length ? '.' : ''),
)
const more = ref(false)
const list = computed(() => props.follows.map((f) => said(f.text, f.numbers)))
const about = computed(() => props.follows.find((f) => f.about)?.about ?? props.cause.finding.about)
const current = computed(() => vehicle.judging.of.value === vehicle.document.value)
function take(words: string, patch: Change[] | null | undefined): void {
  if (patch && current.value) vehicle.take(words, patch)
}
const stays = computed(() =>
  props.cause.stays === 0
    ? 'Nothing else to look at stays.'
    : `Of what else is to be looked at ${props.cause.stays} stay${props.cause.stays === 1 ? 's' : ''}.`,
)
</script>

<template>
  <div class="cause">
    <div class="top">
      <div class="why">
        <p>
          {{ [cause.finding.reason, agrees].filter(Boolean).join(' ') }}
          <span v-if="cause.finding.mend.patch" class="quiet">{{ stays }}</span>
        </p>
        <p v-if="!cause.finding.mend.patch" class="how">{{ act }}.</p>
      </div>
      <button
        v-if="cause.finding.mend.patch"
        class="act go"
        :disabled="!current"
        @click="take(act, cause.finding.mend.patch as Change[])">
        {{ act }}
      </button>
    </div>
    <p class="acts">
      <button v-if="list.length" class="link" :aria-expanded="more" @click="more = !more">
        explains {{ list.length === 1 ? 'one other' : `${list.length} others` }}
      </button>
      <button
        v-for="o in cause.others"
        :key="o.text"
        class="link"
        @click="take(said(o.text, o.numbers), o.patch as Change[])">
        or {{ said(o.text, o.numbers) }}
      </button>
      <button v-if="about" class="link" @click="working.ask(about, act)">how these numbers come about</button>
      <button v-if="cause.finding.stand_by" class="link" @click="take('it is so', cause.finding.stand_by as Change[])">
        it is so
      </button>
    </p>
    <ul v-if="more" class="follows">
      <li v-for="(f, i) in follows" :key="`${f.rule} ${f.place}`">{{ list[i] }}</li>
    </ul>
  </div>
</template>

<style scoped>
.cause { padding: 0 12px 8px 20px; } .top { display: flex; gap: 16px; align-items: flex-start; justify-content: space-between; } .why { min-width: 0; line-height: 1.3; }
ul { list-style: none; margin: 0; padding: 0; } .how { font-weight: 500; }
.acts { display: flex; flex-wrap: wrap; gap: 0 18px; align-items: center; } .follows { border-top: 1px solid var(--rule); padding: 4px 0; color: var(--ink-2); line-height: 1.35; }
.go { flex: none; max-width: 46%; }
@media (max-width: 600px) { .top { flex-direction: column; gap: 8px; } .go { max-width: 100%; } }
</style>
