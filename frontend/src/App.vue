<script setup lang="ts">
import TermCard from '@/components/TermCard.vue'
import { provideNotices } from '@/composables/useNotices'
import { provideScheme } from '@/composables/useScheme'
import { provideUnits } from '@/composables/useUnits'

provideScheme()
provideUnits()
const notices = provideNotices()
</script>

<template>
  <v-app>
    <router-view />
    <TermCard />
    <v-snackbar
      :model-value="!!notices.current.value"
      :timeout="notices.current.value?.fault ? -1 : notices.current.value?.undo ? 12000 : 6000"
      location="bottom"
      color="primary"
      @update:model-value="notices.dismiss()">
      <span :role="notices.current.value?.fault ? 'alert' : 'status'">{{ notices.current.value?.text }}</span>
      <template v-if="notices.current.value?.undo || notices.current.value?.fault" #actions>
        <v-btn v-if="notices.current.value?.undo" variant="outlined" class="mr-2" @click="notices.undo()">Undo</v-btn>
        <v-btn v-else variant="outlined" class="mr-2" @click="notices.dismiss()">Close</v-btn>
      </template>
    </v-snackbar>
  </v-app>
</template>
