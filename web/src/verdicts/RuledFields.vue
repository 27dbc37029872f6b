<script setup lang="ts">
/** What an officer rules: a word, or the figure that is to be judged from. Of a task that is done or not, a word alone. */
import { exampleOf, parseField, resultFormOf, suffixOf, type Ruled, type StandardEvent } from '@able-gauge/core'
import { BFormInput, BFormRadio } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'

const props = defineProps<{
  /** What was done: the event, or the alternate in its place. */
  event: StandardEvent
  /** Keeps the fields of two rulings on one page apart. */
  name: string
}>()
/** Null until it can be recorded. */
const ruled = defineModel<Pick<Ruled, 'as' | 'value'> | null>({ required: true })

const choice = ref<'met' | 'short' | 'figure' | ''>('')
const figure = ref('')
const form = computed(() => resultFormOf(props.event))
const read = computed(() => parseField(figure.value, form.value))
const problem = computed(() => (figure.value.trim() === '' || read.value.ok ? '' : read.value.reason))

watch([choice, read], () => {
  if (choice.value === 'figure') ruled.value = read.value.ok ? { value: read.value.value } : null
  else ruled.value = choice.value === '' ? null : { as: choice.value }
})
</script>

<template>
  <div class="choices">
    <BFormRadio v-model="choice" class="tick" :name="name" value="met" required>Met</BFormRadio>
    <BFormRadio v-model="choice" class="tick" :name="name" value="short" required>Short</BFormRadio>
    <BFormRadio v-if="form.unit !== 'done'" v-model="choice" class="tick" :name="name" value="figure" required
      >Another figure</BFormRadio
    >
  </div>
  <template v-if="choice === 'figure'">
    <label :for="`${name}-figure`">What it is to be judged from{{ suffixOf(form) ? `, ${suffixOf(form)}` : '' }}</label>
    <BFormInput
      :id="`${name}-figure`"
      v-model="figure"
      :aria-invalid="problem !== ''"
      :aria-describedby="`${name}-figure-help`"
      required
    />
    <span :id="`${name}-figure-help`" :class="problem ? 'text-danger' : 'quiet'">{{
      problem || `Write ${exampleOf(form)}. Points, class and total follow from it.`
    }}</span>
  </template>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
}
</style>
