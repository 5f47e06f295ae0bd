<script setup lang="ts">
import { computed, ref } from 'vue'

import { useVehicle } from '@/composables/useVehicle'

import { usePhotos } from './usePhotos'

/** Pictures that hang on a step or a damage: taken with the phone, made anew without place or other data. */
const props = defineProps<{ about: string }>()
const vehicle = useVehicle()
const photos = usePhotos()
const mine = computed(() => photos.all.value.filter((p) => p.about === props.about))
const input = ref<HTMLInputElement | null>(null)
const trouble = ref('')
async function chosen(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  trouble.value = (await photos.add(props.about, file)) ?? ''
  if (input.value) input.value.value = ''
}
const address = (id: number): string => `/api/vehicles/${vehicle.id}/photos/${id}`
</script>

<template>
  <div class="photos">
    <span v-for="p in mine" :key="p.id" class="one">
      <a :href="address(p.id)" target="_blank" rel="noopener"
        ><img :src="address(p.id)" :width="72" :height="54" alt="picture" /></a
      ><button class="link small" @click="photos.remove(p.id)">away</button>
    </span>
    <label class="act add"
      >Picture<input ref="input" type="file" accept="image/*" capture="environment" @change="chosen"
    /></label>
    <p v-if="trouble" role="alert" class="grade-look">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.photos { display: flex; gap: 8px; flex-wrap: wrap; align-items: center; } .one { display: grid; justify-items: center; } img { object-fit: cover; border: 1px solid var(--edge); display: block; } .add { cursor: pointer; } input { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); } .add:focus-within { outline: 3px solid var(--ink); outline-offset: 2px; }
</style>
