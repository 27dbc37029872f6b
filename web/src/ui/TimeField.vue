<script setup lang="ts">
/** A time of day, typed as 9:05, 905 or 9.05 and shown as 09:05. */
import { BFormInput } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'

defineOptions({ inheritAttrs: false })
const { optional = false } = defineProps<{
  /** Whether it may be left empty. */
  optional?: boolean
}>()
/** HH:MM */
const time = defineModel<string>({ required: true })

const FORM = /^([01]?\d|2[0-3])[:.h]?([0-5]\d)$/
const read = (text: string): string | null => {
  const [, hours, minutes] = FORM.exec(text.trim()) ?? []
  return hours === undefined ? null : `${hours.padStart(2, '0')}:${minutes}`
}
const typed = ref(time.value)
watch(time, (now) => {
  if (read(typed.value) !== now) typed.value = now
})
/** What is no time of day gives way to the one that stands. */
const leave = (): void => {
  // a time that need not be said is taken out by emptying its field
  if (optional && typed.value.trim() === '') {
    time.value = ''
    return
  }
  const known = read(typed.value)
  if (known !== null && known !== time.value) time.value = known
  typed.value = known ?? time.value
}
</script>

<template>
  <BFormInput
    v-bind="$attrs"
    :model-value="typed"
    class="figures"
    inputmode="numeric"
    placeholder="hh:mm"
    autocomplete="off"
    maxlength="5"
    @update:model-value="(text) => (typed = String(text ?? ''))"
    @change="leave"
  />
</template>
