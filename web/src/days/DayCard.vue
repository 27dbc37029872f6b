<script setup lang="ts">
/** One day in the list of days. */
import type { OccasionSummary } from '@able-gauge/core'
import { shortDate } from '../ui/localTime.ts'

defineProps<{
  day: OccasionSummary
  /** Name of the room it opens. */
  to: string
  /** What the button says. */
  action: string
  /** Whether this is the thing to do next. */
  first: boolean
}>()
</script>

<template>
  <RouterLink class="sheet day" :to="{ name: to, params: { dayId: day.id } }">
    <div class="date">
      <strong>{{ shortDate(day.testDate) }}</strong>
      <span class="quiet">{{ day.venue }}</span>
    </div>
    <div class="what">
      <strong>{{ day.name }}</strong>
      <span v-if="day.rehearsal" class="rehearsal">Rehearsal: nobody here is real</span>
      <span v-if="day.cancelled">Cancelled: {{ day.cancelled.reason }}</span>
      <span class="quiet">{{ day.organisation }}. {{ day.standardName }}, version {{ day.standardVersion }}</span>
    </div>
    <dl>
      <div>
        <dt>entered</dt>
        <dd class="figures">{{ day.entries }}</dd>
      </div>
      <div>
        <dt>here</dt>
        <dd class="figures">{{ day.present }}</dd>
      </div>
      <div>
        <dt>captures</dt>
        <dd class="figures">{{ day.captures }}</dd>
      </div>
    </dl>
    <span class="btn" :class="first ? 'btn-primary' : 'btn-quiet'">{{ action }}</span>
  </RouterLink>
</template>

<style scoped>
.day {
  display: grid;
  grid-template-columns: 170px 1fr auto auto;
  gap: 20px;
  align-items: center;
  padding: 16px 20px;
  margin-bottom: 10px;
  color: inherit;
  text-decoration: none;
}
.day:hover {
  border-color: var(--ink);
}
.date,
.what {
  display: flex;
  flex-direction: column;
}
.rehearsal {
  align-self: flex-start;
  font-size: 0.8125rem;
  font-weight: 650;
  padding: 1px 8px;
  border: 1px dashed var(--ink);
  border-radius: 4px;
}
.what strong {
  font-size: 1.0625rem;
}
dl {
  display: flex;
  gap: 20px;
  margin: 0;
}
dt {
  font-weight: 400;
  font-size: 0.8125rem;
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-size: 1.125rem;
  font-weight: 700;
}
@media (max-width: 800px) {
  .day {
    grid-template-columns: 1fr;
    gap: 10px;
  }
}
</style>
