<script setup lang="ts">
/** Which wave is on the console. */
import { BButton } from 'bootstrap-vue-next'
defineProps<{
  waves: readonly number[]
}>()
const wave = defineModel<number>({ required: true })
</script>

<template>
  <div v-if="waves.length > 1" class="waves" role="group" aria-label="Wave">
    <BButton
      v-for="one in waves"
      :key="one"
      size="sm"
      :variant="one === wave ? 'primary' : 'quiet'"
      :aria-pressed="one === wave"
      @click="wave = one"
    >
      Wave {{ one }}
    </BButton>
  </div>
</template>

<style scoped>
.waves {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 8px;
}
</style>
