<script setup lang="ts">
/** The form somebody does the event in, changed here where the planned one cannot be kept; the change is captured. */
import { asVaried, variantsFor, type StandardEvent } from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { candidateFrom, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'

const props = defineProps<{
  /** As this candidate does it: the event, or the alternate in its place. */
  event: StandardEvent
  entry: Entry
}>()

const OWN_FORM = ''
const store = useDay()
const clock = useAgreedClock()
const settled = store.settledIn(props.event.id)
const offered = computed(() => variantsFor(props.event, props.entry))
/** Where the category has a form of its own, that one is done unless another is chosen. */
const ofCategory = computed(() => offered.value.find(({ category }) => category !== undefined))
const options = computed(() => [
  { value: OWN_FORM, text: ofCategory.value?.name ?? props.event.name },
  ...offered.value.filter((one) => one !== ofCategory.value).map(({ id, name }) => ({ value: id, text: name })),
])
const form = computed({
  get: () => {
    const own = settled.value.filter(({ entryId }) => entryId === props.entry.id)
    return asVaried(candidateFrom(props.entry), props.event.id, own).variants?.[props.event.id] ?? OWN_FORM
  },
  set: (variant) => {
    if (!clock.agreement || variant === form.value) return
    const payload = variant === OWN_FORM ? {} : { variant }
    store.capture(props.event.id, props.entry.id, { kind: 'varied', payload })
  },
})
</script>

<template>
  <label v-if="options.length > 1" class="form">
    <span>Form</span>
    <BFormSelect v-model="form" :options="options" />
  </label>
</template>

<style scoped>
.form {
  display: flex;
  align-items: center;
  gap: 8px;
  font-weight: 650;
}
.form select {
  width: auto;
  min-height: 48px;
}
</style>
