<script setup lang="ts">
/** Everybody's verdict with a small gauge for each event; the panel beside it gives the reasons. */
import { conductOf, doubtfulCases, OUTCOMES, type Outcome } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { byBib, protocolFor, shortName, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import VerdictChip from '../ui/VerdictChip.vue'
import HandOut from '../handout/HandOut.vue'
import VerdictCell from './VerdictCell.vue'
import VerdictQueue from './VerdictQueue.vue'
import VerdictReason from './VerdictReason.vue'
import { useVerdicts } from './useVerdicts.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const store = useDay()
const session = useSession()
const { verdicts, judged } = useVerdicts(() => props.day)

const only = ref<Outcome | 'all'>('all')
const chosen = ref<{ readonly entryId: string; readonly eventId: string | null } | null>(null)

const rows = computed(() =>
  [...props.day.entries]
    .filter(({ attendance }) => attendance !== 'absent' && attendance !== 'withdrawn')
    .sort(byBib)
    .flatMap((entry) => {
      const verdict = verdicts.value.get(entry.id)
      return verdict ? [{ entry, verdict }] : []
    }),
)
const part = computed(() => {
  const wanted = String(route.query['part'] ?? 'all')
  return wanted === 'doubtful' || wanted === 'hand-out' ? wanted : 'all'
})
const cases = computed(() => {
  const here = new Map(rows.value.map(({ entry, verdict }) => [entry.id, verdict]))
  const captures = props.day.standard.events.flatMap(({ id }) => store.allIn(id))
  const { standard, records, occasion, testedBefore } = props.day
  return doubtfulCases(standard, here, {
    records,
    captures,
    bounds: store.bounds,
    testDate: occasion.testDate,
    testedBefore,
  })
})
const shown = computed(() => rows.value.filter(({ verdict }) => only.value === 'all' || verdict.outcome === only.value))

const WORDS: Readonly<Record<Outcome, string>> = {
  met: 'met the standard',
  tookPart: 'took part',
  short: 'fell short',
  open: 'need a decision',
  notFinished: 'not finished',
  notStarted: 'not started',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  exempt: 'exempt',
}
const counts = computed(() =>
  OUTCOMES.map((outcome) => ({
    outcome,
    count: rows.value.filter(({ verdict }) => verdict.outcome === outcome).length,
  })).filter(({ count }) => count > 0),
)
const openCases = computed(() => rows.value.filter(({ verdict }) => verdict.marks.some(({ kind }) => kind === 'open')))
const openNow = computed(() => (session.can('day.sign') && !props.day.occasion.signedOff ? openCases.value : []))

const chooseOpenCase = (): void => {
  only.value = 'all'
  const first = openCases.value[0]
  const mark = first?.verdict.marks.find(({ kind }) => kind === 'open')
  if (!first || !mark) return
  chosen.value = { entryId: first.entry.id, eventId: mark.eventId }
  void nextTick(() => document.querySelector('tr.chosen')?.scrollIntoView({ block: 'center' }))
}
const chosenRow = computed(() => rows.value.find(({ entry }) => entry.id === chosen.value?.entryId))

watch(
  rows,
  (now) => {
    if (chosen.value === null && now[0] && matchMedia('(min-width: 901px)').matches)
      chosen.value = {
        entryId: (now.find(({ verdict }) => verdict.outcome === 'open') ?? now[0]).entry.id,
        eventId: null,
      }
  },
  { immediate: true },
)
</script>

<template>
  <main class="room verdicts">
    <nav class="parts" aria-label="Parts of the verdicts">
      <RouterLink :to="{ name: 'verdicts' }" :class="{ here: part === 'all' }">Everybody</RouterLink>
      <RouterLink :to="{ name: 'verdicts', query: { part: 'doubtful' } }" :class="{ here: part === 'doubtful' }"
        >To look at ({{ cases.length }})</RouterLink
      >
      <RouterLink :to="{ name: 'verdicts', query: { part: 'hand-out' } }" :class="{ here: part === 'hand-out' }"
        >Hand out</RouterLink
      >
    </nav>
    <HandOut v-if="part === 'hand-out'" :day="day" :verdicts="verdicts" />
    <div v-if="part === 'all'" class="top">
      <h1 class="visually-hidden">Verdicts</h1>
      <ul class="counts">
        <li v-for="{ outcome, count } in counts" :key="outcome">
          <strong class="figures">{{ count }}</strong> {{ WORDS[outcome] }}
        </li>
      </ul>
      <span v-if="judged === 'signed'" class="quiet">as signed</span>
      <BFormSelect v-model="only" class="only" aria-label="Show which verdicts">
        <option value="all">all verdicts</option>
        <option v-for="{ outcome } in counts" :key="outcome" :value="outcome">{{ WORDS[outcome] }}</option>
      </BFormSelect>
      <BButton v-if="openNow.length > 0" variant="primary" @click="chooseOpenCase">
        Decide {{ openNow.length }} open {{ openNow.length === 1 ? 'case' : 'cases' }}
      </BButton>
      <RouterLink v-else-if="session.can('day.sign')" class="btn btn-primary" :to="{ name: 'signOff' }"
        >Go to sign-off</RouterLink
      >
    </div>
    <div v-if="part !== 'hand-out'" class="columns" :class="{ doubtful: part === 'doubtful' }">
      <VerdictQueue
        v-if="part === 'doubtful'"
        :day="day"
        :cases="cases"
        :chosen="chosen"
        @choose="(entryId, eventId) => (chosen = { entryId, eventId })"
      />
      <div v-else class="sheet table-box">
        <table>
          <thead>
            <tr>
              <th scope="col">Bib</th>
              <th scope="col">Candidate</th>
              <th v-for="event in day.standard.events" :key="event.id" scope="col">
                <strong>{{ event.name }}</strong><small>{{ conductOf(event.protocol, event.publishedIn) }}</small>
              </th>
              <th scope="col">Verdict</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="{ entry, verdict } in shown"
              :key="entry.id"
              :class="{ chosen: entry.id === chosen?.entryId }"
              :data-bib="entry.bib"
            >
              <td class="figures bib">{{ entry.bib ?? '–' }}</td>
              <td>
                <button class="who" @click="chosen = { entryId: entry.id, eventId: null }">
                  {{ shortName(entry) }}
                </button>
              </td>
              <td v-for="mark in verdict.marks" :key="mark.eventId" class="cell">
                <button
                  :aria-label="`Why, ${shortName(entry)}`"
                  @click="chosen = { entryId: entry.id, eventId: mark.eventId }"
                >
                  <VerdictCell :mark="mark" :protocol="protocolFor(day, mark.eventId, entry)" />
                </button>
              </td>
              <td><VerdictChip :verdict="verdict" /></td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown.length === 0" class="quiet none">Nobody has this verdict.</p>
      </div>
      <VerdictReason
        v-if="chosenRow && chosen"
        :key="`${chosen.entryId} ${chosen.eventId}`"
        :day="day"
        :entry="chosenRow.entry"
        :verdict="chosenRow.verdict"
        :event-id="chosen.eventId"
        :captures-of="store.allIn"
        :aside="part === 'doubtful'"
        @choose="(eventId) => (chosen = { entryId: chosenRow!.entry.id, eventId })"
        @close="chosen = null"
      />
    </div>
  </main>
</template>

<style scoped>
.verdicts {
  display: flex;
  flex-direction: column;
  max-width: none;
  padding-bottom: 16px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  margin-bottom: 12px;
}
.counts {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 0 auto 0 0;
  padding: 0;
}
.counts strong {
  font-size: 1.375rem;
  margin-right: 2px;
}
.only {
  width: 180px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 352px;
  gap: 16px;
  align-items: start;
  flex: 1;
}
.columns.doubtful {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.table-box {
  overflow: clip;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  padding: 9px 10px;
  background: var(--sheet-2);
  border-bottom: 1px solid var(--line-2);
  color: var(--ink-2);
  font-weight: 650;
  vertical-align: middle;
  position: sticky;
  top: 0;
  z-index: 2;
}
th strong,
th small {
  display: block;
}
th strong {
  color: var(--ink);
}
td {
  padding: 5px 10px;
  border-bottom: 1px solid var(--line);
}
.bib {
  font-weight: 700;
  font-size: 1.0625rem;
  border-left: 4px solid transparent;
}
.who,
.cell button {
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  padding: 0;
  width: 100%;
  min-height: 44px;
}
.chosen td {
  background: color-mix(in srgb, var(--vest) 38%, var(--sheet));
}
:root[data-theme='dusk'] .chosen td {
  background: var(--tint);
}
.chosen .bib {
  border-left-color: var(--ink);
}
tr:last-child td {
  border-bottom: 0;
}
.none {
  padding: 20px;
  margin: 0;
}
@media (max-width: 900px) {
  .columns.doubtful {
    grid-template-columns: minmax(0, 1fr);
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .counts {
    gap: 0 14px;
  }
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: 44px 1fr 1fr;
    align-items: center;
    padding: 4px 6px 8px 0;
    border-bottom: 1px solid var(--line);
  }
  td {
    border-bottom: 0;
    padding: 2px 8px;
  }
  td:nth-child(2) {
    grid-column: 2;
  }
  td:last-child {
    grid-column: 3;
    grid-row: 1;
    text-align: right;
  }
  .cell {
    grid-row: 2;
  }
  .cell:nth-child(3) {
    grid-column: 1 / 3;
    padding-left: 12px;
  }
}
</style>
