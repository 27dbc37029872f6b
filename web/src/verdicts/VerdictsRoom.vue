<script setup lang="ts">
/** Everybody's verdict with a small gauge for each event; the panel beside it gives the reasons. */
import { doubtfulCases, OUTCOMES, type Outcome } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { bibAndName, byBib, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import SidePanel from '../ui/SidePanel.vue'
import HandOut from '../handout/HandOut.vue'
import VerdictQueue from './VerdictQueue.vue'
import VerdictReason from './VerdictReason.vue'
import VerdictsTable from './VerdictsTable.vue'
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

const choose = (entryId: string, eventId: string | null): void => {
  chosen.value = { entryId, eventId }
}

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
      <VerdictQueue v-if="part === 'doubtful'" :day="day" :cases="cases" :chosen="chosen" @choose="choose" />
      <VerdictsTable v-else :day="day" :rows="shown" :chosen="chosen" @choose="choose" />
      <SidePanel v-if="chosenRow && chosen" :label="`Why, ${bibAndName(chosenRow.entry)}`" @close="chosen = null">
        <VerdictReason
          :key="`${chosen.entryId} ${chosen.eventId}`"
          :day="day"
          :entry="chosenRow.entry"
          :verdict="chosenRow.verdict"
          :event-id="chosen.eventId"
          :captures-of="store.allIn"
          :aside="part === 'doubtful'"
          @choose="(eventId) => choose(chosenRow!.entry.id, eventId)"
          @close="chosen = null"
        />
      </SidePanel>
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
}
</style>
