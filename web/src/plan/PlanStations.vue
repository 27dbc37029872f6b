<script setup lang="ts">
/** Event by event: where it is worked, by whom, at how many stations, how many together, and how long one start takes. */
import { parseField, printField, type EventPlan } from '@able-gauge/core'
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import type { Day } from '../day/day.ts'
import TypedField from '../ui/TypedField.vue'
import PlanWaves from './PlanWaves.vue'
import type { PlanDraft } from './usePlan.ts'

const props = defineProps<{
  day: Day
  draft: PlanDraft
  mayEdit: boolean
}>()

const problem = ref('')
const rows = computed(() =>
  props.day.standard.events.flatMap((event) => {
    const planned = props.draft.plan.value.events.find(({ eventId }) => eventId === event.id)
    return planned ? [{ event, planned }] : []
  }),
)
const putNumber = (eventId: string, field: 'stations' | 'together' | 'day', most: number, text: string): void => {
  const value = Number(text)
  const least = field === 'day' ? 0 : 1
  if (Number.isInteger(value) && value >= least && value <= most) {
    problem.value = ''
    props.draft.changeEvent(eventId, { [field]: value })
  } else problem.value = `"${text}" does not fit. Expected a whole number from ${least} to ${most}.`
}
const putSlot = (eventId: string, text: string): void => {
  const read = parseField(text, { unit: 'ms' })
  if (read.ok && read.value >= 10_000) {
    problem.value = ''
    props.draft.changeEvent(eventId, { slotMs: read.value })
  } else problem.value = read.ok ? 'One start takes at least 0:10.' : read.reason
}
const putStaff = ({ eventId, staff }: EventPlan, accountId: string): void => {
  const without = staff.filter((id) => id !== accountId)
  props.draft.changeEvent(eventId, { staff: without.length === staff.length ? [...staff, accountId] : without })
}
const nameOf = (accountId: string): string =>
  props.day.staff.find((member) => member.accountId === accountId)?.displayName ?? 'somebody who left the staff'

const days = computed(() => props.draft.plan.value.days)
const mostAfter = computed(() => props.day.standard.occasionDays ?? 0)
const addDay = (): void => {
  const { plan, change } = props.draft
  const last = plan.value.days.at(-1)
  if (!last || last.afterDays >= mostAfter.value) return
  change({ ...plan.value, days: [...plan.value.days, { ...last, afterDays: last.afterDays + 1 }] })
}
const removeDay = (): void => {
  const { plan, change } = props.draft
  const left = plan.value.days.slice(0, -1)
  const events = plan.value.events.map((one) => ({ ...one, day: Math.min(one.day, left.length - 1) }))
  change({ ...plan.value, days: left, events })
}
</script>

<template>
  <section class="sheet part">
    <h2>Stations and staff</h2>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <ul class="rows">
      <li v-for="{ event, planned } in rows" :key="event.id">
        <strong class="name">{{ event.name }}</strong>
        <label
          >Place
          <TypedField
            :value="planned.place"
            maxlength="80"
            :disabled="!mayEdit"
            @typed="(place) => draft.changeEvent(event.id, { place })"
        /></label>
        <label
          >Stations
          <TypedField
            :value="planned.stations"
            class="figures"
            type="number"
            min="1"
            max="50"
            :disabled="!mayEdit"
            @typed="putNumber(event.id, 'stations', 50, $event)"
        /></label>
        <label
          >Together
          <TypedField
            :value="planned.together"
            class="figures"
            type="number"
            min="1"
            max="500"
            :disabled="!mayEdit"
            @typed="putNumber(event.id, 'together', 500, $event)"
        /></label>
        <label
          >One start takes
          <TypedField
            :value="printField(planned.slotMs, { unit: 'ms' })"
            class="figures"
            :disabled="!mayEdit"
            @typed="putSlot(event.id, $event)"
        /></label>
        <label v-if="days.length > 1"
          >Day
          <BFormSelect
            :model-value="planned.day"
            :options="days.map((_, index) => ({ value: index, text: String(index + 1) }))"
            :disabled="!mayEdit"
            @update:model-value="putNumber(event.id, 'day', days.length - 1, String($event))"
        /></label>
        <fieldset class="staff">
          <legend>Worked by</legend>
          <BFormCheckbox
            v-for="member in day.staff"
            v-show="mayEdit"
            :key="member.accountId"
            class="tick"
            :model-value="planned.staff.includes(member.accountId)"
            @update:model-value="putStaff(planned, member.accountId)"
          >
            {{ member.displayName }}
          </BFormCheckbox>
          <span v-if="!mayEdit">{{ planned.staff.map(nameOf).join(', ') || 'nobody yet' }}</span>
        </fieldset>
      </li>
    </ul>
    <div v-if="mayEdit && mostAfter > 0" class="foot">
      <span class="wave-tools">
        The standard allows {{ mostAfter + 1 }} days.
        <BButton variant="quiet" size="sm" :disabled="(days.at(-1)?.afterDays ?? 0) >= mostAfter" @click="addDay">
          Add a day
        </BButton>
        <BButton v-if="days.length > 1" variant="quiet" size="sm" @click="removeDay">Take the last day off</BButton>
      </span>
    </div>
  </section>
  <PlanWaves :day="day" :may-edit="mayEdit" />
</template>

<style scoped>
.part {
  padding: 18px 20px;
}
.rows {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.rows li {
  display: grid;
  grid-template-columns: 150px minmax(110px, 1fr) 84px 92px 110px;
  gap: 8px 12px;
  align-items: end;
  padding: 12px 0;
  border-top: 1px solid var(--line);
}
.name {
  align-self: center;
}
label {
  font-size: 0.8125rem;
  color: var(--ink-2);
}
.staff {
  grid-column: 2 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 0 12px;
}
.staff legend {
  float: left;
  font-size: 0.8125rem;
  color: var(--ink-2);
  margin: 0;
}
.tick {
  font-size: 0.9375rem;
  color: var(--ink);
}
.foot,
.wave-tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  align-items: center;
}
.foot {
  border-top: 1px solid var(--line);
  padding-top: 12px;
}
@media (max-width: 800px) {
  .rows li {
    grid-template-columns: 1fr 1fr 1fr;
  }
  .name,
  .rows li > label:nth-of-type(1),
  .staff {
    grid-column: 1 / -1;
  }
}
</style>
