<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, ref, watch } from 'vue'

import { placeWords } from '@/api/client'
import { useVehicle } from '@/composables/useVehicle'
import DamageRows from '@/fit/DamageRows.vue'
import FitEnd from '@/fit/FitEnd.vue'
import FitPhone from '@/fit/FitPhone.vue'
import FitSide from '@/fit/FitSide.vue'
import GroupLine from '@/fit/GroupLine.vue'
import HangsFields from '@/fit/HangsFields.vue'
import OwnSteps from '@/fit/OwnSteps.vue'
import PrintCard from '@/fit/PrintCard.vue'
import StepRow from '@/fit/StepRow.vue'
import { provideCard, who } from '@/fit/useCard'

/** The job card: every step from what stands on the wheels to this setup, in the order of the work. */
const vehicle = useVehicle()
const card = provideCard()
const narrow = useMediaQuery('(max-width: 600px)')
const all = ref(false)
const group = ref('')
const groups = computed(() => card.card.value?.groups ?? [])
const here = computed(
  () =>
    groups.value.find((g) => g.id === group.value) ??
    groups.value.find((g) => card.count(g).done < g.steps.length) ??
    groups.value[0] ??
    null,
)
const firstOpen = computed(() => here.value?.steps.findIndex((s) => !card.tickOf(s)) ?? -1)
/** Done steps before the one in hand fold into one line. */
const unfolded = ref('')
const folded = computed(() => {
  const n = firstOpen.value < 0 ? (here.value?.steps.length ?? 0) : firstOpen.value
  return n > 2 && unfolded.value !== here.value?.id ? n : 0
})
const told = computed(() => card.count())
const torques = computed(() => (card.card.value?.fasteners ?? []).filter((k) => k.torqued))
const typed = computed(() => torques.value.filter((k) => k.torque !== null).length)
const open = computed(() => (card.card.value?.damages ?? []).filter((d) => !d.dealt))
const name = (id: string | undefined): string => vehicle.document.value?.setups.find((s) => s.id === id)?.name ?? ''
const fell = computed(() => card.steps.value.filter((s) => card.fallen(s)))
const at = ref(0)
watch([() => here.value?.id, narrow], () => (at.value = Math.max(0, firstOpen.value)))
watch(firstOpen, (n, was) => was === -1 && n >= 0 && (at.value = n), { immediate: true })
function move(by: number): void {
  const next = at.value + by
  const i = groups.value.findIndex((g) => g.id === here.value?.id)
  if (next >= 0 && next < (here.value?.steps.length ?? 0)) at.value = next
  else if (by > 0 && groups.value[i + 1]) group.value = groups.value[i + 1]!.id
}
const showAll = (): void => vehicle.edit('all steps again', [{ path: ['card', 'hidden'], value: [] }])
</script>

<template>
  <div class="bench-top top">
    <h1>Fit</h1>
    <p v-if="card.card.value && groups.length">
      {{ name(card.card.value.before) }} to {{ name(card.card.value.after) }}: <b>{{ told.done }}</b> of
      {{ told.of }} done<template v-if="told.off">, {{ told.off }} put off</template>
    </p>
    <p v-if="groups.length" class="end acts">
      <span
        >torques <b>{{ typed }}</b> of {{ torques.length }}</span
      ><PrintCard />
    </p>
  </div>
  <p v-if="card.waiting.value" role="status" class="small">
    <b class="grade-look">Look</b> {{ card.waiting.value }} not saved yet; kept on this device until Feder answers.
  </p>
  <p v-if="card.trouble.value" role="alert"><b class="grade-stop">Stop</b> {{ card.trouble.value }}</p>
  <p v-if="!card.asked.value" class="quiet" role="status">Writing the card…</p>
  <template v-else-if="card.card.value?.waits">
    <p class="mt-2">
      {{ card.card.value.waits }}. Choose a plan on the setup line above, or change something in it: the card then leads
      from what stands on the wheels to that.
    </p>
  </template>
  <template v-else>
    <GroupLine :groups="groups" :here="here?.id ?? ''" @go="(id) => (group = id)" />
    <p v-for="d in open" :key="d.id" class="stop">
      <b class="grade-stop">Stop</b> {{ d.place === 'vehicle' ? '' : `${placeWords(d.place ?? '')}: ` }}{{ d.part
      }}<template v-if="d.noted">, noted {{ d.noted }}</template
      >. Not finished before it is dealt with.
    </p>
    <div v-if="here?.steps.some((s) => s.energy) && !card.read.value" class="read" role="alert">
      <p>
        <b class="grade-stop">Stop</b> Read once before it begins. {{ card.card.value?.energy }} steps of this card hold
        a loaded spring, a wound bar or pressure. Hooks opposite each other, wound in turn by turn; nobody in line with
        the spring; a puller where the maker has one. In doubt: a licensed workshop. Torque and procedure come from the
        vehicle’s maker: its manual lies beside this card.
      </p>
      <button class="act go" @click="card.acknowledge()">Read it, go on</button>
    </div>
    <p v-if="fell.length || card.gone.value" class="fell" role="status">
      <b class="grade-look">Changed</b>
      <template v-if="fell.length">
        The plan changed since {{ fell.length === 1 ? 'a tick' : `${fell.length} ticks` }}:
        {{
          fell
            .slice(0, 5)
            .map((s) => s.short)
            .join(', ')
        }}<template v-if="fell.length > 5"> and more</template>, to be done again as they now stand.</template
      >
      <template v-if="card.gone.value">
        {{ card.gone.value }} ticked {{ card.gone.value === 1 ? 'step is' : 'steps are' }} no longer on the
        card.</template
      >
    </p>
    <FitPhone v-if="narrow && here && !all" :steps="here.steps" :at="at" :words="here.words" @move="move" />
    <ol v-else-if="here" class="steps" :aria-label="here.words">
      <li v-if="folded" class="folded">
        <button class="link" aria-expanded="false" @click="unfolded = here.id">
          ✓ 1 to {{ folded }}
          <span class="quiet">{{
            here.steps
              .slice(0, folded)
              .map((x) => x.short)
              .join(', ')
          }}</span>
        </button>
      </li>
      <StepRow
        v-for="(s, i) in here.steps.slice(folded)"
        :key="s.key"
        :step="s"
        :number="i + folded + 1"
        :in-hand="i + folded === firstOpen"
        :among="here.steps" />
    </ol>
    <button v-if="narrow" class="link" @click="all = !all">
      {{ all ? 'One step at a time' : 'All steps of this group' }}
    </button>
    <p v-if="card.card.value?.hidden" class="small">
      {{ card.card.value.hidden }} not on this card. <button class="link" @click="showAll">Show all again</button>
    </p>
    <OwnSteps v-if="here" :group="here" />
    <FitEnd />
  </template>
  <section class="asked">
    <label class="small quiet who"
      >Who works here<input v-model="who" class="line" maxlength="80" placeholder="a name, told with each tick"
    /></label>
    <HangsFields v-if="vehicle.document.value" />
    <DamageRows />
  </section>
  <Teleport to="#fit-side" defer :disabled="narrow"
    ><FitSide v-if="groups.length" @go="(id) => (group = id)"
  /></Teleport>
</template>

<style scoped>
.top { gap: 0 16px; } .acts { display: flex; gap: 16px; align-items: center; } .stop { border-left: 4px solid var(--stop); padding: 6px 10px; margin-top: 6px; } .fell { border-left: 4px solid var(--look-fill); padding: 6px 10px; margin-top: 6px; } .read { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 12px; align-items: center; background: var(--stop-tint); border-left: 4px solid var(--stop); padding: 8px 12px; margin-top: 6px; } .steps { margin: 0; padding: 0; } .folded { list-style: none; border-bottom: 1px solid var(--rule); } .folded .link { text-decoration: none; white-space: normal; } .asked { margin-top: 22px; border-top: 1.5px solid var(--ink); padding-top: 8px; }
.line { display: block; font: inherit; font-size: var(--t-2); height: 44px; border: 0; border-bottom: 1.5px solid var(--edge); background: var(--sheet); color: var(--ink); padding: 0 6px; max-width: 320px; width: 100%; }
@media (max-width: 600px) { .read { grid-template-columns: minmax(0, 1fr); } }
</style>
