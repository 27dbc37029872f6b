<script setup lang="ts">
/** The kit list with a box to tick at each item. */
import { kitList, type DayPlan } from '@able-gauge/core'
import { computed, onMounted } from 'vue'
import type { Day } from '../../day/day.ts'
import { useHouseRules } from '../../day/houseRules.ts'

const props = defineProps<{
  day: Day
  plan: DayPlan
}>()
const house = useHouseRules()
onMounted(() => house.read())
const kit = computed(() => kitList(props.day.standard, props.plan, props.day.entries.length, house.rules?.kit))
</script>

<template>
  <table class="table">
    <thead>
      <tr>
        <th scope="col">Packed</th>
        <th scope="col">How many</th>
        <th scope="col">What</th>
        <th scope="col">For</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ item, count, events } in kit" :key="item">
        <td><span class="box" aria-hidden="true" /></td>
        <td class="figures">{{ count }}</td>
        <td>{{ item }}</td>
        <td>{{ events.join(', ') || 'the whole day' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.box {
  display: inline-block;
  width: 20px;
  height: 20px;
  border: 1.5px solid var(--ink);
}
</style>
