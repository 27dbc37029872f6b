<script setup lang="ts">
/** A calendar date, typed and shown in the house's order: day, month, year. What is no date stays as typed, and says so. */
import { DATE_EXAMPLES, parseDate, printDate, printStyle } from '@able-gauge/core'
import { BFormInput } from 'bootstrap-vue-next'
import { ref, useId, watch } from 'vue'

defineOptions({ inheritAttrs: false })
/** YYYY-MM-DD; empty while what is typed is no date. */
const date = defineModel<string>({ required: true })

const shown = (iso: string): string => (iso === '' ? '' : printDate(iso))
const typed = ref(shown(date.value))
const problem = ref('')
const problemId = useId()
watch(date, (now) => {
  const read = parseDate(typed.value)
  // what somebody is typing is not written over
  if (now !== '' && (!read.ok || read.value !== now)) typed.value = shown(now)
})

const type = (text: string): void => {
  typed.value = text
  problem.value = ''
  const read = parseDate(text)
  date.value = read.ok ? read.value : ''
}
const leave = (): void => {
  const read = parseDate(typed.value)
  if (read.ok) typed.value = shown(read.value)
  else problem.value = typed.value.trim() === '' ? '' : read.reason
}
</script>

<template>
  <span class="date">
    <BFormInput
      v-bind="$attrs"
      :model-value="typed"
      class="figures"
      inputmode="text"
      :placeholder="DATE_EXAMPLES[printStyle().dateOrder]"
      autocomplete="off"
      :state="problem ? false : null"
      :aria-describedby="problem ? problemId : undefined"
      @update:model-value="(text) => type(String(text ?? ''))"
      @blur="leave"
    />
    <small v-if="problem" :id="problemId" role="alert">{{ problem }}</small>
  </span>
</template>

<style scoped>
.date {
  display: block;
}
small {
  display: block;
  margin-top: 2px;
  color: var(--short);
}
</style>
