<script setup lang="ts">
/** How an event is scored: the school, its rules, and its bands in a grid. */
import {
  factsOf,
  formFieldsOf,
  printAges,
  schoolsFor,
  SCORING_NAMES,
  SCORINGS,
  scoringTemplate,
  withoutFigures,
  type FormField,
  type Protocol,
  type PublishedUnit,
  type ScoringKind,
  type TableContext,
  type TableSchool,
  type TableScoring,
} from '@able-gauge/core'
import { BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed, inject, nextTick, ref, useId, watch } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentFields from './DocumentFields.vue'
import { aloneContext, DRAFT_CONTEXT } from './draftContext.ts'
import PrintedTable from './PrintedTable.vue'
import QuantityGrid from './QuantityGrid.vue'
import {
  bandColumns,
  linesBy,
  linesOf,
  listIn,
  pointLinesOf,
  pointRowsFrom,
  rowIndexOf,
  rowsFrom,
  schoolColumns,
  valueForm,
  type GridColumn,
  type GridLine,
} from './scoringGrid.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{
  /** Holds the scoring; edited in place. */
  owner: Plain
  protocol: Protocol
  publishedIn?: PublishedUnit
  /** Step of the event's rounding. */
  step: number
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  fileName: string
}>()

const schoolId = useId()
const { names, restored, addCategories } = inject(DRAFT_CONTEXT, aloneContext, true)

const scoring = computed(() => Object(props.owner['scoring']) as Plain)
const kind = computed(() => String(scoring.value['kind'] ?? '') as ScoringKind)
const facts = computed(() => factsOf(props.protocol))
const schools = computed(() =>
  schoolsFor(props.protocol, facts.value).map((school) => ({ value: school, text: SCORING_NAMES[school] })),
)
const form = computed(() => valueForm(props.protocol, props.publishedIn))
const bandsKey = computed(() => (kind.value === 'cutByBand' || kind.value === 'relativeCut' ? 'rows' : 'bands'))
const isTable = computed(() => kind.value === 'pointsTable')
const hasBands = computed(() => !['singleCut', 'completion', 'effort'].includes(kind.value))

const columns = computed(() => [
  ...bandColumns(names.value.category, names.value.role),
  ...schoolColumns(scoring.value, props.protocol, form.value),
])
const tableContext = computed<TableContext>(() => ({
  school: kind.value as TableSchool, // asked for where there are bands
  form: form.value,
  sense: facts.value.sense,
  categories: names.value.category,
  roles: names.value.role,
}))

// the lines are what is typed; the document follows from them
const lines = ref<readonly GridLine[]>([])
const pointLines = ref<readonly GridLine[]>([])
const by = ref<'points' | 'value'>('points')
const isBestFirst = ref(false)
const readPoints = (): void => {
  const read = isTable.value ? pointLinesOf(listIn(scoring.value, bandsKey.value), form.value, by.value) : []
  const best = by.value === 'points' || facts.value.sense === 'atLeast'
  pointLines.value = isBestFirst.value === best ? [...read].reverse() : read
}
const readLines = (): void => {
  const rows = listIn(scoring.value, bandsKey.value)
  lines.value = linesOf(rows, columns.value)
  by.value = linesBy(rows)
  readPoints()
}
watch([kind, () => columns.value.length, () => form.value.unit, () => form.value.shownIn, restored], readLines, {
  immediate: true,
})

const categoryName = (id: unknown): string =>
  names.value.category.find((one) => one.id === id)?.name ?? String(id ?? '')
const bandWords = (band: Plain): string => {
  const { ageFrom, ageTo } = band
  const ages = typeof ageFrom === 'number' ? printAges(ageFrom, typeof ageTo === 'number' ? ageTo : null) : ''
  return [ages, categoryName(band['category']), String(band['role'] ?? '')].filter(Boolean).join(', ')
}
const pointsWord = computed(() => String(scoring.value['pointsName'] ?? 'Points'))
const pointColumns = computed<readonly GridColumn[]>(() => [
  by.value === 'points'
    ? { key: 'head', label: pointsWord.value, form: 'points' }
    : { key: 'head', label: 'Result', form: form.value },
  ...listIn(scoring.value, 'bands').map((band, index): GridColumn => ({
    key: String(index),
    label: bandWords(band),
    form: by.value === 'points' ? form.value : 'points',
  })),
])

const write = (): void => {
  const rows = rowsFrom(lines.value, columns.value)
  scoring.value[bandsKey.value] = isTable.value
    ? rows.map((row, index) => ({ ...row, rows: pointRowsFrom(pointLines.value, index, form.value, by.value) }))
    : rows
}
const setLines = (next: readonly GridLine[]): void => {
  lines.value = next
  write()
}
const setPointLines = (next: readonly GridLine[]): void => {
  pointLines.value = next
  write()
}
const turn = (): void => {
  isBestFirst.value = !isBestFirst.value
  pointLines.value = [...pointLines.value].reverse()
}

/** A pasted table fills the scoring; categories it names come along. */
const takeTable = async (table: TableScoring, newCategories: readonly string[]): Promise<void> => {
  addCategories(newCategories)
  Object.assign(scoring.value, table)
  await nextTick()
  readLines()
}

const first = (place: string): DraftRemark | undefined => props.byPlace.get(place)?.[0]
const remarkAt = (line: number, column: number): DraftRemark | undefined => {
  const row = rowIndexOf(lines.value, line)
  const key = columns.value[column]?.key
  if (row === null || key === undefined) return undefined
  const place = `${props.place}.${bandsKey.value}[${row}]`
  const inList = /^from (\d+)$/.exec(key)
  if (inList) return first(`${place}.from[${inList[1]}]`) ?? first(`${place}.from`)
  // a hole between bands is told at the band after it
  return first(`${place}.${key}`) ?? (key === 'ageFrom' ? first(place) : undefined)
}
const pointRemarkAt = (line: number, column: number): DraftRemark | undefined => {
  const [head, inside] = by.value === 'points' ? ['centipoints', 'value'] : ['value', 'centipoints']
  const at = (band: number): string | null => {
    if (((pointLines.value[line] ?? [])[band + 1] ?? '').trim() === '') return null
    const row = pointLines.value.slice(0, line).filter((one) => (one[band + 1] ?? '').trim() !== '').length
    return `${props.place}.bands[${band}].rows[${row}]`
  }
  if (column > 0) {
    const place = at(column - 1)
    return place === null ? undefined : (first(`${place}.${inside}`) ?? first(place) ?? first(`${place}.${head}`))
  }
  const places = pointColumns.value.slice(1).map((_, band) => at(band))
  return places.map((place) => (place === null ? undefined : first(`${place}.${head}`))).find(Boolean)
}

const fields = computed<readonly FormField[]>(() => {
  const type = SCORINGS[kind.value] as (typeof SCORINGS)[ScoringKind] | undefined
  const own = type ? formFieldsOf(type).filter(({ name }) => !['unit', 'kind', 'rows', 'bands'].includes(name)) : []
  // a limit within which all is done is a time
  return kind.value === 'completion' && facts.value.unit !== 'ms' ? [] : own
})
const hasFigures = computed(() =>
  [...lines.value, ...pointLines.value].some((line) => line.some((text) => text !== '')),
)
const listRemarks = computed(() => props.byPlace.get(`${props.place}.${bandsKey.value}`) ?? [])

const chooseSchool = async (school: unknown): Promise<void> => {
  // the list holds schools only
  const { owner } = props
  owner['scoring'] = withoutFigures(scoringTemplate(school as ScoringKind, props.protocol, props.step))
  await nextTick()
  readLines()
}
</script>

<template>
  <!-- eslint-disable vue/no-mutating-props -- the document is edited in place by all its forms -->
  <div class="scoring" :data-place="place">
    <div class="school">
      <label :for="schoolId">Scored by</label>
      <BFormSelect :id="schoolId" :model-value="kind" :options="schools" @update:model-value="chooseSchool" />
    </div>
    <DocumentFields
      :owner="scoring"
      :fields="fields"
      :place="place"
      :by-place="byPlace"
      :value-form="form"
      :sense="facts.sense"
    />
    <template v-if="hasBands">
      <PrintedTable :key="kind" :context="tableContext" :has-table="hasFigures" @take="takeTable" />
      <h4>{{ isTable ? 'Bands' : 'Table by band' }}</h4>
      <p v-for="remark in listRemarks" :key="remark.what" class="said">{{ remark.what }} {{ remark.mend }}</p>
      <QuantityGrid
        :label="isTable ? 'Bands' : 'Table by band'"
        :model-value="lines"
        :columns="columns"
        :remark-at="remarkAt"
        :file-name="`${fileName}-bands.csv`"
        @update:model-value="setLines"
      />
      <template v-if="isTable">
        <div class="points-head">
          <h4>Points</h4>
          <BFormCheckbox :model-value="isBestFirst" switch @update:model-value="turn">Best row on top</BFormCheckbox>
        </div>
        <QuantityGrid
          label="Points table"
          :model-value="pointLines"
          :columns="pointColumns"
          :remark-at="pointRemarkAt"
          :file-name="`${fileName}-points.csv`"
          @update:model-value="setPointLines"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.school {
  display: block;
  max-width: 320px;
  margin-bottom: 10px;
}
.school label {
  font-weight: 650;
}
h4 {
  font-size: 0.9375rem;
  margin: 14px 0 6px;
}
.points-head {
  display: flex;
  justify-content: space-between;
  align-items: end;
}
.said {
  color: var(--short);
  margin: 0 0 6px;
}
</style>
