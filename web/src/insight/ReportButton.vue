<script setup lang="ts">
/** The report on what is looked at, and the data behind it. */
import type { GradersAnswer, InsightAnswer } from '@able-gauge/core'
import { BDropdown, BDropdownItemButton } from 'bootstrap-vue-next'
import { printDate } from '@able-gauge/core'
import { usePdf } from '../handout/usePdf.ts'
import { useSession } from '../session/sessionStore.ts'
import { today } from '../ui/localTime.ts'
import { saveFile } from '../ui/saveFile.ts'
import { useAsking } from '../ui/useAsking.ts'
import { readData, readDays } from './insightCalls.ts'
import { useFilters } from './useFilters.ts'
import type { Compared } from './useOverview.ts'

const props = defineProps<{
  answer: InsightAnswer
  eventGroups: Compared | null
  graders: GradersAnswer | null
}>()

const session = useSession()
const pdf = usePdf()
const { filters, valueOf } = useFilters()
const { problem, asking } = useAsking()

const period = (): string => {
  const [from, to] = [valueOf('from'), valueOf('to')]
  const year = from.slice(0, 4)
  if (from === `${year}-01-01` && to === `${year}-12-31`) return year
  const { first, last } = props.answer
  return first === null || last === null ? 'all days' : `${printDate(first)} to ${printDate(last)}`
}
const nameOf = (ending: string): string => `${props.answer.standardName}, ${period()}.${ending}`

const saveReport = (): Promise<void> =>
  asking(async () => {
    const { days } = await readDays(filters.value)
    const { yearReport } = await import('./yearReport.ts')
    const report = {
      organisation: session.organisation,
      period: period(),
      mark: await pdf.markData(),
      madeOn: today(),
      answer: props.answer,
      eventGroups: props.eventGroups ?? { groups: [], venues: [] },
      graders: props.graders,
      days,
    }
    await pdf.savePdf(nameOf('pdf'), yearReport(report))
  })
const saveData = (): Promise<void> =>
  asking(async () => saveFile(nameOf('csv'), 'text/csv', `\uFEFF${await readData(filters.value)}`))
</script>

<template>
  <span>
    <BDropdown
      variant="quiet"
      :text="pdf.progress.value === null ? 'Report' : 'Making the report …'"
      :disabled="answer.results === 0 || pdf.progress.value !== null"
    >
      <BDropdownItemButton @click="saveReport">Report as PDF</BDropdownItemButton>
      <BDropdownItemButton @click="saveData">Data behind it (CSV)</BDropdownItemButton>
    </BDropdown>
    <span v-if="problem || pdf.problem.value" class="problem" role="alert">{{ problem || pdf.problem.value }}</span>
  </span>
</template>
