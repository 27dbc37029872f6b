<script setup lang="ts">
/** Signs, orders and words of the house. */
import { BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { OUTCOMES, type StyleDraft } from './styleDraft.ts'

const style = defineModel<StyleDraft>({ required: true })

const SIGNS = [
  { value: '.', text: 'a point: 1,204.5 kg' },
  { value: ',', text: 'a comma: 1.204,5 kg' },
]
const ORDERS = [
  { value: 'dmy', text: '24 November 2026' },
  { value: 'mdy', text: 'November 24, 2026' },
  { value: 'ymd', text: '2026-11-24' },
]
const UNITS = [
  { value: '', text: 'as the standard of the day is published' },
  { value: 'metric', text: 'kilograms and centimetres' },
  { value: 'imperial', text: 'pounds and inches' },
  { value: 'both', text: 'kilograms and centimetres, with pounds and feet beside' },
]
const PLAIN = { met: 'Met', short: 'Short', tookPart: 'Took part', notFinished: 'Did not finish', exempt: 'Exempt' }
</script>

<template>
  <div class="grid">
    <label for="style-sign">Decimals</label>
    <BFormSelect id="style-sign" v-model="style.decimalSign" :options="SIGNS" />
    <label for="style-order">Dates</label>
    <BFormSelect id="style-order" v-model="style.dateOrder" :options="ORDERS" />
    <label for="style-units">Body mass and height</label>
    <BFormSelect id="style-units" v-model="style.bodyUnits" :options="UNITS" />
    <template v-for="outcome in OUTCOMES" :key="outcome">
      <label :for="`style-${outcome}`">For “{{ PLAIN[outcome] }}”</label>
      <BFormInput
        :id="`style-${outcome}`"
        v-model="style.words[outcome]"
        maxlength="30"
        :placeholder="`${PLAIN[outcome]}, or the standard’s own word`"
      />
    </template>
  </div>
  <p class="quiet">
    What is typed is read with a point and with a comma. Files keep to points and to year-month-day. A standard’s own
    words come before these.
  </p>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(120px, 200px) minmax(0, 420px);
  gap: 8px 14px;
  align-items: center;
  margin-bottom: 10px;
}
@media (max-width: 560px) {
  .grid {
    grid-template-columns: 1fr;
    gap: 4px;
  }
  .grid > :nth-child(even) {
    margin-bottom: 8px;
  }
}
</style>
