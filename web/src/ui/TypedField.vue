<script setup lang="ts">
/**
 * A field that is taken once somebody has left it. Until then what they type stays, whatever draws the room anew meanwhile: a
 * stamp of another device, for instance. What could not be taken gives way to the value that stands.
 */
import { BFormInput, BFormTextarea } from 'bootstrap-vue-next'
import { nextTick, ref, watch } from 'vue'

const props = defineProps<{
  /** What stands, as it is printed. */
  value: string | number
  /** Lines of a field for more than one. */
  rows?: number
}>()
const emit = defineEmits<{
  /** Somebody typed another text and left the field; without spaces around it. */
  typed: [text: string]
}>()

const text = ref(String(props.value))
const putBack = (): void => {
  text.value = String(props.value)
}
watch(() => props.value, putBack)

const take = (): void => emit('typed', text.value.trim())
const leave = async (): Promise<void> => {
  // what was typed is taken first
  await nextTick()
  putBack()
}
</script>

<template>
  <BFormTextarea
    v-if="rows"
    :rows="rows"
    :model-value="text"
    @update:model-value="(now) => (text = String(now ?? ''))"
    @change="take"
    @blur="leave"
  />
  <BFormInput
    v-else
    autocomplete="off"
    :model-value="text"
    @update:model-value="(now) => (text = String(now ?? ''))"
    @change="take"
    @blur="leave"
  />
</template>
