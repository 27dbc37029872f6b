<script setup lang="ts">
/** A station course: one candidate after another, several on the course at once, stations in order, faults, what fails at once. */
import { printTime } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { fullName, type Day } from '../../../day/day.ts'
import type { AgreedMoment } from '../../../sync/agreedClock.ts'
import { wordFor } from '../../../ui/verdictWords.ts'
import CandidateQueue from '../../CandidateQueue.vue'
import BigTime from '../../console/BigTime.vue'
import GroupRoom from '../../console/GroupRoom.vue'
import { personTarget } from '../../console/slipTarget.ts'
import StartCommands from '../../start/StartCommands.vue'
import StartHearing from '../../start/StartHearing.vue'
import CourseOn from './CourseOn.vue'
import CoursePad from './CoursePad.vue'
import CourseStations from './CourseStations.vue'
import { useCourse, type CourseEvent } from './useCourse.ts'

const props = defineProps<{
  day: Day
  event: CourseEvent
}>()

const { protocol } = props.event
const { stations } = protocol
const onCourse = useCourse(() => props.day, props.event)
const { nowMs, grading, candidates, runners, chosenId, candidate, toStart, isUnder, course, shown, shownMark } =
  onCourse
const { isRunning, elapsedMs, plan, beatFromMs, stageLeftMs, ended, pass, fault, fail, choose } = onCourse
const { ready } = grading
const { queue } = candidates
const starting = ref(false)

const beginStart = (): void => {
  if (toStart.value && grading.mayStart(toStart.value)) starting.value = true
}
const onGo = (moment: AgreedMoment): void => {
  starting.value = false
  if (toStart.value) onCourse.begin(toStart.value, moment)
}
const KEYS: Readonly<Record<string, () => void>> = {
  ' ': pass,
  t: fault,
  s: beginStart,
  ArrowDown: () => choose(1),
  ArrowUp: () => choose(-1),
  f: onCourse.stopForSafety,
  Escape: () => (starting.value = false),
}
const failKeys = computed(() =>
  Object.fromEntries(
    (course.value?.current?.failsAtOnce ?? []).map((why, index) => [String(index + 1), () => fail(why)]),
  ),
)
</script>

<template>
  <GroupRoom
    :day="day"
    :event="event"
    :grading="grading"
    :under="runners.map(({ entry }) => entry)"
    :targets="() => (shown ? [shown] : toStart ? [toStart] : []).map((one) => personTarget(one, grading.ownOf(one.id)))"
    :others="queue"
    :keys="() => ({ ...KEYS, ...failKeys })"
    :wins-over-buttons="(name) => name === ' ' && isRunning"
    sounds
    :help="[
      ['S', 'start commands for the next candidate'],
      ['Space', 'the station is complete'],
      ['T', 'a fault on this station'],
      ['1–9', 'what fails at once on this station'],
      ['↑ ↓', 'another candidate on the course'],
      ['F', 'stop the candidate for safety'],
    ]"
  >
    <template #side>
      <CourseOn
        v-if="runners.length > 0"
        :runners="runners"
        :chosen-id="shown?.id ?? ''"
        :now-ms="nowMs"
        @choose="(id) => (chosenId = id)"
      />
      <CandidateQueue
        :day="day"
        :event="event"
        :candidates="candidates"
        :current="toStart?.id ?? ''"
        @choose="(id) => (isUnder(id) ? (chosenId = id) : (candidate = id))"
      />
    </template>

    <StartCommands
      v-if="starting"
      :day="day"
      :event="event"
      :entries="toStart ? [toStart] : []"
      @go="onGo"
      @cancel="starting = false"
    />
    <template v-else>
      <template v-if="shown && course?.started">
        <div class="who">
          <h1><span class="figures">{{ shown.bib ?? '–' }}</span> {{ fullName(shown) }}</h1>
          <strong v-if="!isRunning && shownMark">{{ wordFor(shownMark) }}</strong>
        </div>
        <BigTime
          :elapsed-ms="elapsedMs"
          :words="
            protocol.limitMs
              ? `limit ${printTime(protocol.limitMs)}. Stops when: ${protocol.clockStopsWhen}`
              : `Stops when: ${protocol.clockStopsWhen}`
          "
        />
        <CourseStations :stations="stations" :course="course" :is-running="isRunning" :ended="ended" />
        <CoursePad
          v-if="isRunning && course.current"
          :station="course.current"
          :course="course"
          :ready="ready"
          :plan="plan"
          :beat-from-ms="beatFromMs"
          :left-ms="stageLeftMs"
          @pass="pass"
          @fault="fault"
          @fail="fail"
        />
      </template>
      <section v-if="toStart" class="sheet next">
        <div>
          <strong>{{ runners.length === 0 ? 'Next' : 'May follow' }}: {{ toStart.bib }} {{ fullName(toStart) }}</strong>
          <p v-if="runners.length === 0" class="quiet">
            {{ stations.length }} stations{{ protocol.gear ? `. On: ${protocol.gear.join(', ').toLowerCase()}` : '' }}.
            <template v-for="text in event.cautions" :key="text">{{ text }} </template>
          </p>
        </div>
        <BButton
          v-if="grading.mayCapture.value"
          size="lg"
          :variant="runners.length === 0 ? 'primary' : 'quiet'"
          :disabled="!grading.mayStart(toStart)"
          @click="beginStart"
        >
          Start commands <kbd>S</kbd>
        </BButton>
        <StartHearing v-if="runners.length === 0" :protocol="protocol" />
      </section>
      <p v-else-if="runners.length === 0" class="sheet next">Nobody is waiting.</p>
    </template>
  </GroupRoom>
</template>

<style scoped>
.who {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.next {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 12px 16px;
  margin: 0;
}
.next div {
  flex: 1 1 280px;
}
.next p {
  margin: 2px 0 0;
}
@media (max-width: 900px) {
  .next {
    flex-wrap: wrap;
    gap: 10px;
  }
  .next > .btn {
    flex: 1;
  }
}
</style>
