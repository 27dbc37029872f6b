<script setup lang="ts">
/** The people behind a figure: each with the test it comes from. */
import { InsightPeopleAnswer, printDate, printQuantity, type InsightEvent } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { shallowRef, ref, watch } from 'vue'
import { inWords } from '../api.ts'
import { readBehind, type Filters } from './insightCalls.ts'

const props = defineProps<{
  /** What is asked; null while nothing is opened. */
  asked: { readonly title: string; readonly filters: Filters; readonly event: InsightEvent | null } | null
}>()
const emit = defineEmits<{ close: [] }>()

const answer = shallowRef<InsightPeopleAnswer | null>(null)
const problem = ref('')
const open = ref(false)
watch(
  () => props.asked,
  async (asked) => {
    open.value = asked !== null
    answer.value = null
    problem.value = ''
    if (!asked) return
    try {
      answer.value = await readBehind(asked.filters)
    } catch (error) {
      problem.value = inWords(error)
    }
  },
)
const figureOf = (value: number | null): string =>
  value === null || !props.asked?.event
    ? ''
    : printQuantity(value, props.asked.event.unit, props.asked.event.publishedIn)
</script>

<template>
  <BModal
    v-model="open"
    :title="asked?.title ?? ''"
    size="lg"
    scrollable
    ok-only
    ok-title="Back"
    @hidden="emit('close')"
  >
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-else-if="answer">
      <p v-if="answer.inAll > answer.people.length" class="quiet">
        The latest {{ answer.people.length }} of {{ answer.inAll }}.
      </p>
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th v-if="asked?.event" scope="col">{{ asked.event.name }}</th>
            <th scope="col">Tested</th>
            <th scope="col">Unit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="person in answer.people" :key="person.entryId">
            <td>
              <RouterLink :to="{ name: 'person', params: { personId: person.personId } }">{{ person.name }}</RouterLink>
              <small class="quiet number">{{ person.number }}</small>
            </td>
            <td v-if="asked?.event" class="figures">{{ figureOf(person.value) }}</td>
            <td>
              <RouterLink :to="{ name: 'sheet', params: { dayId: person.occasionId, entryId: person.entryId } }">{{
                printDate(person.testDate)
              }}</RouterLink>
              <small class="quiet">{{ person.venue }}</small>
            </td>
            <td>{{ person.unit }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="answer.people.length === 0" class="quiet">Nobody.</p>
    </template>
    <p v-else class="quiet">Reading …</p>
  </BModal>
</template>

<style scoped>
.table {
  margin: 0;
}
.number,
td small {
  display: block;
}
</style>
