<script setup lang="ts">
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
    <v-snackbar
      :model-value="!!notices.current.value"
      :timeout="notices.current.value?.undo ? 12000 : 6000"
      location="bottom"
      color="primary"
      @update:model-value="notices.dismiss()">
      <span role="status">{{ notices.current.value?.text }}</span>
      <template v-if="notices.current.value?.undo" #actions>
        <v-btn variant="outlined" class="mr-2" @click="notices.undo()">Undo</v-btn>
      </template>
    </v-snackbar>
  </v-app>
</template>
