<script setup lang="ts">
/** The questions everybody answers at muster. */
import type { ScreeningQuestion } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { v4 as newId } from 'uuid'

const questions = defineModel<ScreeningQuestion[]>({ required: true })
const add = (): void => {
  questions.value.push({ id: `question-${newId().slice(0, 8)}`, text: '', holdsOn: 'yes' })
}
</script>

<template>
  <div v-for="(question, index) in questions" :key="question.id" class="line">
    <BFormInput v-model="question.text" maxlength="300" required :aria-label="`Question ${index + 1}`" />
    <label class="short"
      >needs clearance on
      <BFormSelect v-model="question.holdsOn">
        <option value="yes">yes</option>
        <option value="no">no</option>
      </BFormSelect></label
    >
    <BButton
      type="button"
      variant="quiet"
      size="sm"
      :aria-label="`Remove question ${index + 1}`"
      @click="questions.splice(index, 1)"
    >
      Remove
    </BButton>
  </div>
  <BButton type="button" variant="quiet" size="sm" @click="add">Another question</BButton>
</template>

<style scoped src="./houseLines.css"></style>
