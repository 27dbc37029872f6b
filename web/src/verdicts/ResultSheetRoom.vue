<script setup lang="ts">
/** One person's result, on screen and on paper: each event with its gauge and reasons, and what follows. */
import { printDate, sayStep } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import IconPrinter from '~icons/tabler/printer'
import { fullName, type Day } from '../day/day.ts'
import { resultSheet } from '../handout/resultSheet.ts'
import { useHandOut } from '../handout/useHandOut.ts'
import BrandMark from '../ui/BrandMark.vue'
import Gauge from '../ui/Gauge.vue'
import VerdictChip from '../ui/VerdictChip.vue'
import { figureOf, markerOf } from '../ui/verdictWords.ts'
import { useVerdicts } from './useVerdicts.ts'

const props = defineProps<{
  day: Day
}>()

const route = useRoute()
const { verdicts } = useVerdicts(() => props.day)
const entry = computed(() => props.day.entries.find(({ id }) => id === route.params['entryId']))
const verdict = computed(() => (entry.value ? verdicts.value.get(entry.value.id) : undefined))
const data = computed(() => (entry.value && verdict.value ? resultSheet(props.day, entry.value, verdict.value) : null))
const rows = computed(() =>
  (verdict.value?.marks ?? []).flatMap((mark, index) => {
    const event = data.value?.events[index]
    return event ? [{ mark, event, figure: figureOf(mark) }] : []
  }),
)
const { progress, problem, saveSheets, saveCertificate } = useHandOut(
  () => props.day,
  () => verdicts.value,
)
const saveOne = (): void => {
  if (entry.value) void saveSheets('full', [entry.value.id])
}
/** Only what was signed, and met, is certified; a rehearsal never. */
const mayCertify = computed(
  () =>
    props.day.occasion.signedOff !== null &&
    props.day.occasion.rehearsal === null &&
    (verdict.value?.outcome === 'met' || verdict.value?.outcome === 'tookPart'),
)
const certify = (): void => {
  if (entry.value) void saveCertificate(entry.value.id)
}
const print = (): void => window.print()
</script>

<template>
  <main class="room">
    <div class="actions no-print">
      <RouterLink class="btn btn-quiet" :to="{ name: 'verdicts' }">Back to the verdicts</RouterLink>
      <span>
        <BButton v-if="mayCertify" variant="quiet" :disabled="progress !== null" @click="certify">Certificate</BButton>
        <BButton variant="quiet" :disabled="progress !== null" @click="saveOne">Save as PDF</BButton>
        <BButton variant="primary" @click="print"><IconPrinter /> Print the sheet</BButton>
      </span>
    </div>
    <p v-if="problem" class="problem no-print" role="alert">{{ problem }}</p>
    <article v-if="entry && verdict" class="sheet paper">
      <header>
        <div class="brand"><BrandMark /> {{ day.standard.organisation }}</div>
        <span>{{ day.occasion.venue }}, {{ printDate(day.occasion.testDate) }}</span>
      </header>
      <div class="who">
        <div>
          <h1>{{ fullName(entry) }}</h1>
          <p class="quiet">
            Bib <span class="figures">{{ entry.bib }}</span>, number
            <span class="figures">{{ entry.person.number }}</span>, age {{ entry.ageYears }}
          </p>
        </div>
        <VerdictChip class="chip" :verdict="verdict" />
      </div>
      <p v-for="{ title, sentence } in verdict.trace.map(sayStep)" :key="title">
        <strong>{{ title }}.</strong> {{ sentence }}
      </p>
      <section v-for="{ mark, event, figure } in rows" :key="mark.eventId" class="event">
        <div class="line">
          <h2>{{ event.name }}</h2>
          <span v-if="event.figure" class="figure figures">{{ event.figure }}</span>
          <span class="margin">{{
            [event.margin || event.word, event.points].filter((part) => part !== '').join(', ')
          }}</span>
        </div>
        <Gauge v-if="mark.cut" :cut="mark.cut" :value="figure" :state="markerOf(mark)" size="large" />
        <ul>
          <li v-for="({ title, sentence }, index) in mark.trace.map(sayStep)" :key="index">
            <strong>{{ title }}.</strong> {{ sentence }}
          </li>
        </ul>
        <p v-if="event.next" class="more">{{ event.next }}.</p>
        <p v-for="line in event.estimates" :key="line" class="more">{{ line }}</p>
      </section>
      <p v-if="data?.points" class="more">
        <strong>{{ data.points }}</strong>
      </p>
      <p v-for="line in data?.amended" :key="line" class="more">
        <strong>{{ line }}</strong>
      </p>
      <p class="more">{{ data?.retest }}</p>
      <footer>
        <p class="quiet">{{ data?.judgedBy }}</p>
        <p class="quiet">Talk to a clinician before training if you had pain, faintness or an injury on the day.</p>
      </footer>
    </article>
    <p v-else>Nobody with this entry is on the day.</p>
  </main>
</template>

<style scoped>
.room {
  max-width: 860px;
}
.actions {
  display: flex;
  justify-content: space-between;
  margin-bottom: 12px;
}
.paper {
  padding: 28px 36px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 10px;
}
.brand {
  display: flex;
  gap: 10px;
  align-items: center;
  font-weight: 700;
}
.who {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin: 18px 0 12px;
}
.who h1 {
  font-size: 1.75rem;
}
.who p {
  margin: 0;
}
.chip {
  font-size: 1.125rem;
  padding: 6px 14px;
}
.event {
  border-top: 1px solid var(--line);
  padding: 14px 0 6px;
  break-inside: avoid;
}
.line {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
.figure {
  font-size: 1.5rem;
  font-weight: 700;
  margin-left: auto;
}
.margin {
  color: var(--ink-2);
}
.line h2:only-of-type + .margin {
  margin-left: auto;
}
ul {
  margin: 8px 0 0;
  padding-left: 18px;
  columns: 2;
  column-gap: 28px;
  font-size: 0.875rem;
}
li {
  break-inside: avoid;
  margin-bottom: 4px;
}
footer {
  border-top: 1px solid var(--line);
  padding-top: 12px;
  font-size: 0.875rem;
}
footer p {
  margin: 0 0 4px;
}
@media (max-width: 700px) {
  .paper {
    padding: 18px;
  }
  ul {
    columns: 1;
  }
}
@media print {
  .paper {
    border: 0;
    padding: 0;
  }
}
.more {
  margin: 4px 0 0;
}
.actions .btn {
  margin-left: 8px;
}
</style>
