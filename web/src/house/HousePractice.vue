<script setup lang="ts">
/** What the house asks of whoever grades: a set worked so well, not too long ago. */
import { BFormCheckbox, BFormInput } from 'bootstrap-vue-next'

export interface PracticeDraft {
  asked: boolean
  atLeastHundredths: number
  level: number
  withinDays: number
}

const rule = defineModel<PracticeDraft>({ required: true })
</script>

<template>
  <BFormCheckbox v-model="rule.asked" class="tick"
    >Whoever grades has worked a set in the practice room lately</BFormCheckbox
  >
  <div v-if="rule.asked" class="fields">
    <label
      >Agreement beyond chance of at least
      <span class="figures"
        ><BFormInput v-model.number="rule.atLeastHundredths" type="number" min="0" max="100" required />
        hundredths</span
      ></label
    >
    <label
      >at level
      <BFormInput v-model.number="rule.level" type="number" min="1" max="5" required />
    </label>
    <label
      >within the last
      <span><BFormInput v-model.number="rule.withinDays" type="number" min="1" max="3650" required /> days</span>
    </label>
  </div>
  <p class="quiet">The plan of a day shows who has none. It stops nobody from grading.</p>
</template>

<style scoped>
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
  margin: 8px 0;
}
.fields label,
.fields span {
  display: flex;
  gap: 8px;
  align-items: center;
}
.fields :deep(input) {
  width: 92px;
}
p {
  margin: 6px 0 0;
}
</style>
