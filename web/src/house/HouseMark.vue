<script setup lang="ts">
/** The organisation's mark: shown where people sign in, on candidates' own pages and on what is printed. */
import { BButton } from 'bootstrap-vue-next'
import { ref, useTemplateRef } from 'vue'
import { tell } from '../api.ts'
import { useSession } from '../session/sessionStore.ts'
import HouseMarkImage from '../ui/HouseMarkImage.vue'
import { PictureUnreadable, smallPicture } from '../ui/smallPicture.ts'
import { useAsking } from '../ui/useAsking.ts'

const MOST_PIXELS = 480
const session = useSession()
const { busy, problem, asking } = useAsking()
const input = useTemplateRef('input')
const unreadable = ref('')

const choose = async (files: FileList | null): Promise<void> => {
  const file = files?.[0]
  if (!file) return
  unreadable.value = ''
  try {
    const image = await smallPicture(file, MOST_PIXELS, 'image/png')
    await asking(async () => {
      await tell('PUT', '/house-mark', { image })
      await session.look()
    })
  } catch (error) {
    if (!(error instanceof PictureUnreadable)) throw error
    unreadable.value = error.message
  }
  if (input.value) input.value.value = ''
}
const takeAway = (): Promise<void> =>
  asking(async () => {
    await tell('DELETE', '/house-mark')
    await session.look()
  })
</script>

<template>
  <div class="choice">
    <HouseMarkImage :height="56" />
    <div class="deeds">
      <input
        ref="input"
        class="visually-hidden"
        type="file"
        accept="image/png,image/jpeg,image/webp"
        aria-label="Choose the mark of the organisation"
        tabindex="-1"
        @change="choose(($event.target as HTMLInputElement).files)"
      />
      <BButton type="button" variant="quiet" size="sm" :disabled="busy" @click="input?.click()">{{
        session.markSinceMs === null ? 'Choose a mark' : 'Another mark'
      }}</BButton>
      <BButton
        v-if="session.markSinceMs !== null"
        type="button"
        variant="quiet"
        size="sm"
        :disabled="busy"
        @click="takeAway"
        >Take it away</BButton
      >
    </div>
  </div>
  <p class="quiet">A PNG, JPEG or WebP; shown where people sign in and on what is printed. It is kept at once.</p>
  <p v-if="unreadable || problem" class="problem" role="alert">{{ unreadable || problem }}</p>
</template>

<style scoped>
.choice {
  display: flex;
  align-items: center;
  gap: 16px;
  margin: 12px 0 6px;
}
.deeds {
  display: flex;
  gap: 8px;
}
</style>
