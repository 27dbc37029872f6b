<script setup lang="ts">
/** Which wave is on the console. */
defineProps<{
  waves: readonly number[]
}>()
const wave = defineModel<number>({ required: true })
</script>

<template>
  <div v-if="waves.length > 1" class="waves" role="group" aria-label="Wave">
    <button
      v-for="one in waves"
      :key="one"
      class="btn btn-sm"
      :class="one === wave ? 'btn-primary' : 'btn-quiet'"
      :aria-pressed="one === wave"
      @click="wave = one"
    >
      Wave {{ one }}
    </button>
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
