<script setup lang="ts">
/** The day as planned: the standard it is judged by, who is entered in which wave, the staff. */
import {
  COMBINATION_NAMES,
  printDate,
  printTime,
  retestDate,
  rulesOf,
  type StandardEvent,
  printSeconds,
} from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { byBib, fullName, wavesOf, type Day } from '../day/day.ts'
import { shortDate } from '../ui/localTime.ts'
import { useSession } from '../session/sessionStore.ts'
import RosterDialog from './RosterDialog.vue'
import PlanDeeds from './PlanDeeds.vue'
import PlanFacts from './PlanFacts.vue'
import ScoringTable from '../standards/ScoringTable.vue'
import StaffDialog from './StaffDialog.vue'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const mayEnter = computed(() => session.can('roster.enter') && !props.day.occasion.signedOff)
const entering = ref(false)
const staffing = ref(false)
const mayStaff = computed(() => session.can('staff.write') && !props.day.occasion.signedOff)
const standard = computed(() => props.day.standard)
const waves = computed(() => wavesOf(props.day))
const bibsIn = (wave: number): string =>
  props.day.entries
    .filter((entry) => entry.wave === wave)
    .sort(byBib)
    .map(({ bib }) => bib ?? 'no bib')
    .join(', ')

/** Who was tested by this standard too short a time before. */
const tooEarly = computed(() =>
  props.day.entries.flatMap((entry) => {
    const before = props.day.testedBefore[entry.id]
    const from = before === undefined ? '' : retestDate(standard.value, before)
    return from > props.day.occasion.testDate ? [{ name: fullName(entry), from }] : []
  }),
)

const restsOf = ({ restAfterMs }: StandardEvent): string =>
  restAfterMs ? `Then rest at least ${printTime(restAfterMs)}.` : ''
</script>

<template>
  <div>
    <div class="columns">
      <section class="sheet">
        <h1>{{ standard.name }}, version {{ standard.version }}</h1>
        <p class="quiet">
          {{ standard.organisation }}. In force from {{ printDate(standard.inForceFrom)
          }}{{ standard.inForceTo ? ` to ${printDate(standard.inForceTo)}` : '' }}.
          {{ standard.source }}
        </p>
        <article v-for="(event, index) in standard.events" :key="event.id" class="event">
          <h2><span class="figures">{{ index + 1 }}</span> {{ event.name }}</h2>
          <p v-for="line in rulesOf(event.protocol, event.publishedIn)" :key="line">{{ line }}</p>
          <ScoringTable :event="event" :categories="standard.categories" />
          <p v-for="caution in event.cautions" :key="caution" class="quiet">{{ caution }}</p>
          <p v-if="restsOf(event)" class="rest">{{ restsOf(event) }}</p>
        </article>
        <p class="quiet small">
          {{ COMBINATION_NAMES[standard.combination.kind] }}. Retest from {{ standard.retest.earliestAfterDays }} days
          after. Hand timing counts as good to {{ printSeconds(standard.uncertainty.handTimingMs) }}; nearer to the cut
          {{ standard.uncertainty.nearTheCut === 'decide' ? 'a person decides' : 'the mark is flagged' }}. Content hash
          <span class="figures">{{ day.standardHash.slice(0, 16) }}…</span>
        </p>
      </section>
      <aside>
        <section class="sheet">
          <h2>{{ day.occasion.venue }}</h2>
          <p class="quiet">
            {{ shortDate(day.occasion.testDate) }}, {{ day.entries.length }} entered in {{ waves.length }}
            {{ waves.length === 1 ? 'wave' : 'waves' }}
          </p>
          <dl>
            <template v-for="wave in waves" :key="wave">
              <dt>Wave {{ wave }}</dt>
              <dd class="figures">{{ bibsIn(wave) }}</dd>
            </template>
          </dl>
          <p v-if="tooEarly.length > 0" class="early" role="status">
            Too early for a retest by this standard:
            <template v-for="({ name, from }, index) in tooEarly" :key="name"
              >{{ index > 0 ? ', ' : '' }}{{ name }} from {{ printDate(from) }}</template
            >.
          </p>
          <p v-if="day.entries.length === 0">Nobody is entered yet.</p>
          <div class="buttons">
            <BButton v-if="mayEnter" :variant="day.entries.length === 0 ? 'primary' : 'quiet'" @click="entering = true">
              Enter people
            </BButton>
            <RouterLink
              class="btn"
              :class="day.entries.length === 0 ? 'btn-quiet' : 'btn-primary'"
              :to="{ name: 'muster' }"
              >Go to muster</RouterLink
            >
          </div>
          <PlanFacts v-if="mayStaff" :day="day" />
        </section>
        <section class="sheet">
          <h2>Staff</h2>
          <ul>
            <li v-for="member in day.staff" :key="member.accountId">
              <strong>{{ member.displayName }}</strong><span class="quiet">{{ member.duty }}</span>
            </li>
          </ul>
          <BButton v-if="mayStaff" variant="quiet" size="sm" @click="staffing = true">Change the staff</BButton>
        </section>
        <PlanDeeds :day="day" />
      </aside>
    </div>
    <RosterDialog v-model="entering" :day="day" />
    <StaffDialog v-model="staffing" :day="day" />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 16px;
  align-items: start;
}
section {
  padding: 18px 20px;
}
aside {
  display: grid;
  gap: 16px;
}
.early {
  padding: 8px 12px;
  background: var(--decide-tint);
  color: var(--decide);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.event {
  border-top: 1px solid var(--line);
  padding: 14px 0;
}
.event h2 .figures {
  display: inline-block;
  width: 1.4em;
}
.event p {
  margin: 4px 0 0;
}
.rest {
  font-weight: 650;
}
.small {
  font-size: 0.8125rem;
  margin: 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}
dl {
  margin: 8px 0 0;
}
dd {
  margin: 0 0 8px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
