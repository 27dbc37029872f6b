<script setup lang="ts">
/** What is taken along: kit, papers to print, the calendar, and codes with which staff join a station. */
import { kitList, printCalendar, type StationCode, StationsAnswer } from '@able-gauge/core'
import { BButton, BFormSelect, BModal, BProgress } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import { call, inWords, tell } from '../api.ts'
import { eventName, type Day } from '../day/day.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { usePdf } from '../handout/usePdf.ts'
import { useSession } from '../session/sessionStore.ts'
import { useReach } from '../ui/useReach.ts'
import { saveFile } from '../ui/saveFile.ts'
import type { PlanDraft } from './usePlan.ts'
import StationQr from './StationQr.vue'
import { useTimetable } from './useTimetable.ts'

const props = defineProps<{
  day: Day
  draft: PlanDraft
  mayEdit: boolean
}>()

const session = useSession()
const reach = useReach()
const { timetable } = useTimetable(() => props.day, props.draft.plan)
const house = useHouseRules()
onMounted(() => house.read())
const kit = computed(() =>
  kitList(props.day.standard, props.draft.plan.value, props.day.entries.length, house.rules?.kit),
)
const nameOfEvent = (id: string): string => eventName(props.day, id)

const PAPERS = [
  { paper: 'run-sheet', name: 'Run sheet', says: 'the day for whoever leads it' },
  { paper: 'station-cards', name: 'Station cards', says: 'one for each station: what counts, what ends it' },
  { paper: 'starting-lists', name: 'Starting lists', says: 'who starts when and where, event by event' },
  { paper: 'strike-off', name: 'Strike-off sheets', says: 'laps and shuttles of a wave, to be struck' },
  {
    paper: 'score-cards',
    name: 'Paper score cards',
    says: 'boxes for counts, refusals, cautions and tries of each person',
  },
  { paper: 'kit', name: 'Kit list', says: 'to tick off while loading' },
] as const

const saveCalendar = (): void => {
  const { id, name, venue, zone, testDate } = props.day.occasion
  const text = printCalendar(
    { id, name, venue, zone, testDate, eventName: nameOfEvent },
    props.draft.plan.value,
    timetable.value,
    Date.now(),
  )
  saveFile(`${testDate} ${name}.ics`, 'text/calendar', text)
}

const pdf = usePdf()
const savePapers = async (): Promise<void> => {
  const { name, testDate } = props.day.occasion
  // what makes the papers is fetched when somebody asks for them
  const { papersPdf } = await import('./papers/papersPdf.ts')
  const document = papersPdf({
    day: props.day,
    plan: props.draft.plan.value,
    timetable: timetable.value,
    codes: codes.value.map((station) => ({ station, address: reach.plain(`/sign-in#${station.code}`) })),
    kit: house.rules?.kit,
    mark: await pdf.markData(),
  })
  await pdf.savePdf(`${testDate} ${name}, papers.pdf`, document)
}

const codes = ref<readonly StationCode[]>([])
/** Shown large, to be scanned. */
const shown = ref<StationCode | null>(null)
const stationName = ({ eventIds, role: of }: StationCode): string => `${eventIds.map(nameOfEvent).join(', ')}, ${of}`
const chosen = ref(props.day.standard.events[0]?.id ?? '')
const role = ref<'grader' | 'timer'>('grader')
const problem = ref('')
const mayJoin = computed(() => session.can('stations.open') && !props.day.occasion.signedOff)
const path = computed(() => `/occasions/${props.day.occasion.id}/stations`)
const attempt = async (work: () => Promise<unknown>): Promise<void> => {
  problem.value = ''
  try {
    await work()
    codes.value = (await call('GET', path.value, StationsAnswer)).stations
  } catch (error) {
    problem.value = inWords(error)
  }
}
onMounted(() => {
  if (mayJoin.value) void attempt(() => Promise.resolve())
})
const make = (): Promise<void> =>
  attempt(() => tell('POST', path.value, { eventIds: [chosen.value], role: role.value }))
const end = (code: string): Promise<void> => attempt(() => tell('DELETE', `${path.value}/${code}`))
</script>

<template>
  <div class="columns">
    <section class="sheet part">
      <h2>Kit</h2>
      <table class="table">
        <tbody>
          <tr v-for="{ item, count, events } in kit" :key="item">
            <td class="figures count">{{ count }}</td>
            <td>{{ item }}</td>
            <td class="quiet">{{ events.join(', ') || 'the whole day' }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <div class="side">
      <section class="sheet part">
        <h2>Papers</h2>
        <BButton variant="primary" :disabled="pdf.progress.value !== null" @click="savePapers">
          All papers as one PDF
        </BButton>
        <BProgress v-if="pdf.progress.value !== null" :value="pdf.progress.value" :max="1" class="mt-2" />
        <p v-if="pdf.problem.value" class="problem" role="alert">{{ pdf.problem.value }}</p>
        <ul>
          <li v-for="{ paper, name, says } in PAPERS" :key="paper">
            <RouterLink :to="{ name: 'paper', params: { paper } }">{{ name }}</RouterLink>
            <span class="quiet">{{ says }}</span>
          </li>
          <li>
            <BButton variant="link" @click="saveCalendar">Calendar file</BButton>
            <span class="quiet">muster and every wave, for any calendar (.ics)</span>
          </li>
        </ul>
      </section>
      <section v-if="mayJoin" class="sheet part">
        <h2>Station codes</h2>
        <p class="quiet">
          Whoever has a code joins on their own device under "Join a station", sees that event alone, and needs no
          account. End a code when its station is done.
        </p>
        <ul class="codes">
          <li v-for="station in codes" :key="station.code">
            <strong class="figures code">{{ station.code }}</strong>
            <span>{{ stationName(station) }}</span>
            <BButton variant="quiet" size="sm" @click="shown = station">Show to scan</BButton>
            <BButton variant="quiet" size="sm" @click="end(station.code)">End it</BButton>
          </li>
        </ul>
        <form class="make" @submit.prevent="make">
          <BFormSelect v-model="chosen" aria-label="Event of the station">
            <option v-for="event in day.standard.events" :key="event.id" :value="event.id">{{ event.name }}</option>
          </BFormSelect>
          <BFormSelect v-model="role" aria-label="Who joins">
            <option value="grader">grader</option>
            <option value="timer">timer</option>
          </BFormSelect>
          <BButton variant="quiet" type="submit">New code</BButton>
        </form>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <BModal :model-value="shown !== null" title="Scan to join" no-footer @hidden="shown = null">
          <StationQr v-if="shown" :code="shown.code" :what="stationName(shown)" :reach="reach" />
        </BModal>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 16px;
  align-items: start;
}
.side {
  display: grid;
  gap: 16px;
}
.part {
  padding: 18px 20px;
}
.table {
  margin: 8px 0 0;
}
.count {
  font-weight: 700;
  text-align: right;
  width: 60px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
li {
  border-top: 1px solid var(--line);
  padding: 9px 0;
  display: grid;
}
.btn-link {
  padding: 0;
  text-align: left;
  --bs-btn-color: rgb(var(--bs-link-color-rgb));
  --bs-btn-hover-color: var(--ink);
}
.codes li {
  grid-template-columns: auto 1fr auto auto;
  gap: 12px;
  align-items: center;
}
.code {
  font-size: 1.375rem;
  letter-spacing: 0.08em;
}
.make {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .make {
    flex-wrap: wrap;
  }
}
</style>
