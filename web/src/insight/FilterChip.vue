<script setup lang="ts">
/** One choice among what is looked at: outlined while it is open, filled once something is chosen. */
import { BFormSelect } from 'bootstrap-vue-next'

defineProps<{
  options: readonly { readonly value: string; readonly text: string }[]
  label: string
  isChosen: boolean
}>()
const chosen = defineModel<string>({ required: true })
</script>

<template>
  <BFormSelect
    v-model="chosen"
    :options="[...options]"
    class="chip"
    :class="{ chosen: isChosen }"
    :aria-label="label"
  />
</template>

<style scoped>
.chip {
  width: auto;
  max-width: 300px;
  font-weight: 650;
}
.chosen {
  background-color: var(--tint);
  border-color: var(--bar-2);
}
@media (max-width: 700px) {
  .chip {
    max-width: 100%;
    flex: 1 1 40%;
  }
}
</style>
