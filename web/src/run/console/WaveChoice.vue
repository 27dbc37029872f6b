<script setup lang="ts">
/** Which wave is on the console. */
import { BButton } from 'bootstrap-vue-next'
defineProps<{
  waves: readonly number[]
  modelValue: number
}>()
// also when it is the one already shown: a wave that was suggested is then chosen, and stays when its last runner is home
const emit = defineEmits<{ 'update:modelValue': [wave: number] }>()
</script>

<template>
  <div v-if="waves.length > 1" class="waves" role="group" aria-label="Wave">
    <BButton
      v-for="one in waves"
      :key="one"
      size="sm"
      :variant="one === modelValue ? 'primary' : 'quiet'"
      :aria-pressed="one === modelValue"
      @click="emit('update:modelValue', one)"
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
