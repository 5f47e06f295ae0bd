<script setup lang="ts">
import { computed, ref } from 'vue'

import { useUnits } from '@/composables/useUnits'
import { baseOf, choicesOf, SYSTEMS, systemWords, withUnit, writtenUnit } from '@/units/format'

/** Units: one of three systems, or each quantity by itself (mm with psi, say). */
const units = useUnits()
const choosing = ref(false)
const shown = computed(() => systemWords(units.system.value))
const own = computed(() => units.system.value.includes(';'))
const choices = computed(() => choicesOf(units.system.value))
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }"
      ><button v-bind="menu" class="tool w" :aria-label="`Units: ${shown}`">{{ shown }}</button></template
    >
    <v-list>
      <v-list-item
        v-for="s in SYSTEMS"
        :key="s.id"
        :title="s.words"
        :active="s.id === units.system.value"
        @click="units.choose(s.id)" />
      <v-list-item title="each by itself…" :active="own" @click="choosing = true" />
    </v-list>
  </v-menu>
  <v-dialog v-model="choosing" aria-label="Units, each by itself" max-width="440">
    <v-card class="pa-6">
      <h2>Units, each by itself</h2>
      <p class="quiet small">Bare numbers are read in these too; any other unit is typed behind its number.</p>
      <fieldset v-for="c in choices" :key="c.group">
        <legend>{{ c.group }}</legend>
        <label v-for="u in c.units" :key="u" :class="{ on: u === c.now }"
          ><input
            type="radio"
            :name="c.group"
            :value="u"
            :checked="u === c.now"
            @change="units.choose(withUnit(units.system.value, c.group, u))" />{{ writtenUnit(u) }}</label
        >
      </fieldset>
      <div class="acts">
        <button class="act go" @click="choosing = false">Done</button
        ><button v-if="own" class="act" @click="units.choose(baseOf(units.system.value))">
          all as the system has them
        </button>
      </div>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.tool { min-width: 44px; height: 44px; padding: 0 10px; white-space: nowrap; display: flex; align-items: center; justify-content: center; }
fieldset { display: grid; grid-template-columns: 96px repeat(3, minmax(0, 1fr)); align-items: center; border: 0; border-bottom: 1px solid var(--rule); padding: 0; } legend { float: left; padding: 0; }
label { min-height: 44px; display: flex; align-items: center; gap: 8px; } label.on { font-weight: 600; } input { width: 18px; height: 18px; accent-color: var(--ink); }
.acts { display: flex; flex-wrap: wrap; gap: 10px; margin-top: 16px; }
@media (max-width: 420px) { .tool { padding: 0 4px; font-size: var(--t-1); } }
</style>
