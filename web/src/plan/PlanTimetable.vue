<script setup lang="ts">
/** The timetable: a chart to drag, what it breaks, how near it is to what cannot be beaten, and a list. */
import { printClock, timeOfDayMs, type EventPlan, type PlannedDay, type Proposal } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref, shallowRef } from 'vue'
import { wavesOnGround, type Day } from '../day/day.ts'
import { clockAt } from './clockAt.ts'
import PlanForecast from './PlanForecast.vue'
import PlanProposals from './PlanProposals.vue'
import StaffSide from './StaffSide.vue'
import TimetableChart from './TimetableChart.vue'
import TimetableList from './TimetableList.vue'
import type { PlanDraft } from './usePlan.ts'
import { usePractice } from './usePractice.ts'
import { useHabits } from '../day/useForecast.ts'
import { useTimetable } from './useTimetable.ts'
import TimeField from '../ui/TimeField.vue'
import { useAfterPaint } from '../ui/useAfterPaint.ts'

const props = defineProps<{
  day: Day
  draft: PlanDraft
  mayEdit: boolean
}>()

/** A proposal that is looked at in place of the plan. */
const preview = shallowRef<Proposal | null>(null)
const shownPlan = computed(() => preview.value?.plan ?? props.draft.plan.value)
const { task, timetable, bounds, conflicts, broken } = useTimetable(
  () => props.day,
  shownPlan,
  () => preview.value?.waves ?? wavesOnGround(props.day),
)
const mayMove = computed(() => props.mayEdit && preview.value === null)
const habits = useHabits(() => props.day)
const asked = ref<'chart' | 'list'>('chart')
const shown = useAfterPaint(() => asked.value)
const lacking = usePractice(() => props.day)

const eventName = (id: string): string => props.day.standard.events.find((event) => event.id === id)?.name ?? id
const staffName = (accountId: string): string =>
  props.day.staff.find((member) => member.accountId === accountId)?.displayName ?? 'left the staff'
const plannedOf = (eventId: string): EventPlan | undefined =>
  shownPlan.value.events.find((one) => one.eventId === eventId)
const events = computed(() =>
  props.day.standard.events.map(({ id, name }) => {
    const planned = plannedOf(id)
    const stations = planned?.stations ?? 1
    return {
      id,
      name,
      day: planned?.day ?? 0,
      about: [planned?.place, stations > 1 ? `${stations} stations` : ''].filter(Boolean).join(', '),
      staff: (planned?.staff ?? []).map((accountId) => ({ accountId, name: staffName(accountId) })),
    }
  }),
)
const days = computed(() =>
  shownPlan.value.days.map((planned, index) => {
    const sittings = timetable.value.sittings.filter(({ day }) => day === index)
    const endMs = timetable.value.endMs[index] ?? 0
    const boundMs = bounds.value[index] ?? 0
    const over = boundMs === 0 ? 0 : Math.round((endMs / boundMs - 1) * 100)
    return {
      ...planned,
      index,
      sittings,
      endMs,
      boundMs,
      over,
      events: events.value.filter(({ day }) => day === index),
    }
  }),
)

const worksAt = computed(() => {
  const works = new Map<string, string[]>()
  for (const { eventId, staff } of shownPlan.value.events)
    for (const accountId of staff) works.set(accountId, [...(works.get(accountId) ?? []), eventId])
  return works
})
const busyMs = computed(
  () =>
    new Map(
      [...worksAt.value].map(([accountId, ids]) => [
        accountId,
        timetable.value.sittings
          .filter(({ eventId }) => ids.includes(eventId))
          .reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0),
      ]),
    ),
)
const put = (eventId: string, accountId: string, works: boolean): void => {
  const staff = (plannedOf(eventId)?.staff ?? []).filter((id) => id !== accountId)
  props.draft.changeEvent(eventId, { staff: works ? [...staff, accountId] : staff })
}
const pinned = computed(() => props.draft.plan.value.pins.length)

const move = (eventId: string, wave: number, startMs: number | null): void => {
  const { plan, change } = props.draft
  const others = plan.value.pins.filter((pin) => pin.eventId !== eventId || pin.wave !== wave)
  change({ ...plan.value, pins: startMs === null ? others : [...others, { eventId, wave, startMs }] })
}
const layAgain = (): void => props.draft.change({ ...props.draft.plan.value, pins: [] })
const setTime = (index: number, field: 'musterAt' | 'startsAt' | 'endsBy', text: string): void => {
  const isEmpty = text === '' && field === 'endsBy'
  if (!isEmpty && (!/^\d\d:\d\d$/.test(text) || Number.isNaN(timeOfDayMs(text)))) return
  const { plan, change } = props.draft
  const withTime = ({ endsBy, ...one }: PlannedDay): PlannedDay => ({
    ...one,
    ...(endsBy === undefined || isEmpty ? {} : { endsBy }),
    ...(isEmpty ? {} : { [field]: text }),
  })
  change({ ...plan.value, days: plan.value.days.map((one, at) => (at === index ? withTime(one) : one)) })
}
</script>

<template>
  <PlanProposals v-if="mayEdit && day.entries.length > 0" :day="day" :draft="draft" @show="preview = $event" />
  <div class="board">
    <section class="sheet part">
      <div class="head">
        <h2>Timetable</h2>
        <div class="btn-group" role="group" aria-label="Show the timetable as">
          <BButton variant="quiet" size="sm" :aria-pressed="asked === 'chart'" @click="asked = 'chart'">Chart</BButton>
          <BButton variant="quiet" size="sm" :aria-pressed="asked === 'list'" @click="asked = 'list'">List</BButton>
        </div>
        <BButton v-if="mayMove && pinned > 0" variant="quiet" size="sm" @click="layAgain">
          Lay all turns again ({{ pinned }} put by hand)
        </BButton>
      </div>
      <p v-if="day.entries.length === 0" class="quiet">Enter people first: the timetable follows from their waves.</p>
      <template v-for="one in days" v-else :key="one.index">
        <div class="times">
          <strong v-if="days.length > 1">Day {{ one.index + 1 }}</strong>
          <label
            >Muster at
            <TimeField
              :model-value="one.musterAt"
              :disabled="!mayEdit"
              @update:model-value="(time) => setTime(one.index, 'musterAt', time)"
          /></label>
          <label
            >First event at
            <TimeField
              :model-value="one.startsAt"
              :disabled="!mayEdit"
              @update:model-value="(time) => setTime(one.index, 'startsAt', time)"
          /></label>
          <label
            >Done by, at the latest
            <TimeField
              :model-value="one.endsBy ?? ''"
              optional
              :disabled="!mayEdit"
              @update:model-value="(time) => setTime(one.index, 'endsBy', time)"
          /></label>
          <p class="length">
            Ends at <strong class="figures">{{ clockAt(one.startsAt, one.endMs) }}</strong> after
            <strong class="figures">{{ printClock(one.endMs) }}</strong>.
            <template v-if="one.endMs > one.boundMs">
              No timetable with these waves, stations and rests is shorter than
              <strong class="figures">{{ printClock(one.boundMs) }}</strong>; this one is {{ one.over }} % longer.
            </template>
            <template v-else>With these waves, stations and rests none is shorter.</template>
          </p>
        </div>
        <TimetableChart
          v-if="shown === 'chart'"
          :events="one.events"
          :sittings="one.sittings"
          :starts-at="one.startsAt"
          :bound-ms="one.boundMs"
          :broken="broken"
          :may-edit="mayMove"
          @move="move"
          @assign="(eventId, accountId) => put(eventId, accountId, true)"
        />
        <TimetableList v-else :day="day" :sittings="one.sittings" :events="one.events" :starts-at="one.startsAt" />
      </template>
      <p v-if="shown === 'chart' && mayMove && day.entries.length > 0" class="quiet small">
        Drag a wave's bar to put its turn elsewhere, or focus it and use the arrow keys, with Shift by ten minutes;
        Delete lets it be laid again. Small lines are single starts; the notch on the time line is what cannot be
        beaten.
      </p>
      <ul v-if="conflicts.length > 0" class="conflicts" aria-label="What does not fit">
        <li v-for="sentence in conflicts" :key="sentence">{{ sentence }}</li>
      </ul>
      <p v-else-if="day.entries.length > 0" class="kept">
        Everything fits: rests, stations, lanes, slots, staff and medical cover.
      </p>
    </section>
    <StaffSide
      :day="day"
      :events="events"
      :works-at="worksAt"
      :busy-ms="busyMs"
      :lacking="lacking"
      :may-edit="mayMove"
      @put="put"
    />
  </div>
  <template v-for="one in days" :key="one.index">
    <PlanForecast
      v-if="one.sittings.length > 0"
      :task="task"
      :timetable="timetable"
      :habits="habits"
      :day-index="one.index"
      :event-name="eventName"
      :starts-at="one.startsAt"
      :end-ms="one.endMs"
      :bound-ms="one.boundMs"
    />
  </template>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 210px;
  gap: 14px;
  align-items: start;
}
@media (max-width: 1000px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
}
.part {
  padding: 18px 20px;
}
.head,
.times {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 12px;
}
.head h2 {
  margin-right: auto;
}
.times label {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.times .form-control {
  width: 110px;
}
.length {
  margin: 0;
  flex: 1 1 320px;
}
[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
.small {
  font-size: 0.8125rem;
  margin: 8px 0 0;
}
.conflicts {
  margin: 12px 0 0;
  padding: 10px 12px 10px 30px;
  background: var(--short-tint);
  color: var(--short);
  border-radius: 6px;
}
.kept {
  margin: 12px 0 0;
  color: var(--met);
  font-weight: 650;
}
</style>
