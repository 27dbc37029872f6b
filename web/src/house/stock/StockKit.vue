<script setup lang="ts">
/** What is brought to every day besides what the events need, and how it is counted. */
import type { KitRule } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'

const kit = defineModel<KitRule[]>({ required: true })
const PER = [
  { value: 'day', text: 'for the day' },
  { value: 'station', text: 'for each station' },
  { value: 'head', text: 'for each person' },
]
</script>

<template>
  <section class="sheet part">
    <h2>Kit for every day</h2>
    <p class="quiet">What an event needs stands in its standard and is counted by stations.</p>
    <div v-for="(one, index) in kit" :key="index" class="line" :class="{ again: index > 0 }">
      <label class="wide"><span>Item</span> <BFormInput v-model="one.item" maxlength="120" required /></label>
      <label class="few"
        ><span>Count</span>
        <BFormInput v-model.number="one.count" class="figures" type="number" min="1" max="1000" required
      /></label>
      <label><span>Counted</span> <BFormSelect v-model="one.per" :options="PER" /></label>
      <label class="few"
        ><span>Spare in %</span>
        <BFormInput v-model.number="one.sparePercent" class="figures" type="number" min="0" max="100" required
      /></label>
      <BButton variant="quiet" size="sm" :aria-label="`Remove ${one.item || 'the item'}`" @click="kit.splice(index, 1)"
        >Remove</BButton
      >
    </div>
    <BButton variant="quiet" size="sm" @click="kit.push({ item: '', per: 'day', count: 1, sparePercent: 0 })"
      >Another item</BButton
    >
  </section>
</template>

<style scoped src="./stock.css"></style>
