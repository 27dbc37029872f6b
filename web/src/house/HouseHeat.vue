<script setup lang="ts">
/** Heat limits, each with what is done from it on. */
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'

const limits = defineModel<{ fromC: number; advice: 'change' | 'stop'; measure: string }[]>({ required: true })
const add = (): void => {
  limits.value.push({ fromC: 26, advice: 'change', measure: '' })
}
</script>

<template>
  <div v-for="(limit, index) in limits" :key="index" class="line">
    <label class="short"
      >from °C <BFormInput v-model.number="limit.fromC" class="figures" type="number" step="0.1" required
    /></label>
    <label class="short"
      >the day is
      <BFormSelect v-model="limit.advice">
        <option value="change">changed</option>
        <option value="stop">stopped</option>
      </BFormSelect></label
    >
    <BFormInput v-model="limit.measure" maxlength="300" required :aria-label="`What is done from limit ${index + 1}`" />
    <BButton
      type="button"
      variant="quiet"
      size="sm"
      :aria-label="`Remove limit ${index + 1}`"
      @click="limits.splice(index, 1)"
    >
      Remove
    </BButton>
  </div>
  <BButton type="button" variant="quiet" size="sm" @click="add">Another limit</BButton>
</template>

<style scoped src="./houseLines.css"></style>
