<script setup lang="ts">
/** The figures behind the strips, for whoever would rather read them, or cannot see the picture. */
import type { EventResult, InsightAnswer, InsightEvent } from '@able-gauge/core'
import { wilson } from '@able-gauge/core/statistics'
import { computed } from 'vue'

const props = defineProps<{ answer: InsightAnswer; canOpen: boolean }>()
const emit = defineEmits<{ open: [event: InsightEvent, kind: EventResult, title: string] }>()

const KINDS = [
  ['met', 'Met it'],
  ['short', 'Short'],
  ['ended', 'Ended'],
  ['open', 'Open'],
  ['exempt', 'Exempt'],
] as const
const rows = computed(() =>
  props.answer.events.flatMap((event) => {
    const count = props.answer.byEvent.find(({ eventId }) => eventId === event.eventId)
    if (!count) return []
    const judged = count.met + count.short
    const { low, high } = wilson(count.met, judged)
    const share = judged === 0 ? '' : `${((100 * count.met) / judged).toFixed(1)} %`
    const range = judged === 0 ? '' : `${(100 * low).toFixed(1)} to ${(100 * high).toFixed(1)} %`
    return [{ event, count, share, range }]
  }),
)
</script>

<template>
  <div class="box">
    <table class="table">
      <thead>
        <tr>
          <th scope="col">Event</th>
          <th v-for="[kind, title] in KINDS" :key="kind" scope="col">{{ title }}</th>
          <th scope="col">Near the cut</th>
          <th scope="col">Share</th>
          <th scope="col">95 %</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ event, count, share, range } in rows" :key="event.eventId">
          <th scope="row">{{ event.name }}</th>
          <td v-for="[kind, title] in KINDS" :key="kind" class="figures">
            <button
              v-if="canOpen && count[kind] > 0"
              type="button"
              class="link"
              @click="emit('open', event, kind, `${event.name}: ${title.toLowerCase()}`)"
            >
              {{ count[kind] }}
            </button>
            <template v-else>{{ count[kind] }}</template>
          </td>
          <td class="figures">{{ count.near }}</td>
          <td class="figures">{{ share }}</td>
          <td class="figures">{{ range }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.box {
  overflow-x: auto;
}
.table {
  margin: 0;
}
.link {
  border: 0;
  background: none;
  padding: 4px 6px;
  margin: -4px -6px;
  color: var(--bar-2);
  text-decoration: underline;
}
</style>
