<script setup lang="ts">
/** How an event is scored: the school, its rules, and its bands in a grid. */
import {
  factsOf,
  formFieldsOf,
  schoolsFor,
  SCORING_NAMES,
  SCORINGS,
  scoringTemplate,
  withoutFigures,
  type FormField,
  type Protocol,
  type PublishedUnit,
  type ScoringKind,
} from '@able-gauge/core'
import { computed, ref, watch } from 'vue'
import type { DraftRemark } from '../../workers/check.worker.ts'
import DocumentFields from './DocumentFields.vue'
import QuantityGrid from './QuantityGrid.vue'
import {
  bandColumns,
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
import type { Plain } from './useDraft.ts'

const props = defineProps<{
  /** Holds the scoring; edited in place. */
  owner: Plain
  protocol: Protocol
  publishedIn?: PublishedUnit
  /** Step of the event's rounding. */
  step: number
  place: string
  byPlace: ReadonlyMap<string, readonly DraftRemark[]>
  hasRoles: boolean
  categories: readonly { readonly id: string; readonly name: string }[]
  fileName: string
}>()

const scoring = computed(() => Object(props.owner['scoring']) as Plain)
const kind = computed(() => String(scoring.value['kind'] ?? ''))
const schools = computed(() => schoolsFor(props.protocol, factsOf(props.protocol)))
const form = computed(() => valueForm(props.protocol, props.publishedIn))
const bandsKey = computed(() => (kind.value === 'cutByBand' || kind.value === 'relativeCut' ? 'rows' : 'bands'))
const isTable = computed(() => kind.value === 'pointsTable')
const hasBands = computed(() => !['singleCut', 'completion', 'effort'].includes(kind.value))

const bands = computed(() => bandColumns(props.hasRoles))
const columns = computed(() => [...bands.value, ...schoolColumns(scoring.value, props.protocol, form.value)])

// the lines are what is typed; the document follows from them
const lines = ref<readonly GridLine[]>([])
const pointLines = ref<readonly GridLine[]>([])
const readLines = (): void => {
  const rows = listIn(scoring.value, bandsKey.value)
  lines.value = linesOf(rows, columns.value)
  pointLines.value = isTable.value ? pointLinesOf(rows, form.value) : []
}
watch([kind, () => columns.value.length, () => form.value.unit, () => form.value.shownIn], readLines, {
  immediate: true,
})

const pointColumns = computed<readonly GridColumn[]>(() => [
  { key: 'points', label: String(scoring.value['pointsName'] ?? 'Points'), form: 'points' },
  ...listIn(scoring.value, 'bands').map((band, index) => ({
    key: String(index),
    label: [bandWords(band), band['category'], band['role']].filter(Boolean).map(String).join(', '),
    form: form.value,
  })),
])
const bandWords = (band: Plain): string =>
  band['ageTo'] === undefined
    ? `${String(band['ageFrom'] ?? '')} and over`
    : `${String(band['ageFrom'] ?? '')} to ${String(band['ageTo'])}`

const write = (): void => {
  const rows = rowsFrom(lines.value, columns.value)
  scoring.value[bandsKey.value] = isTable.value
    ? rows.map((row, index) => ({ ...row, rows: pointRowsFrom(pointLines.value, index, form.value) }))
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
  const at = (band: number): string | null => {
    if (((pointLines.value[line] ?? [])[band + 1] ?? '').trim() === '') return null
    const row = pointLines.value.slice(0, line).filter((one) => (one[band + 1] ?? '').trim() !== '').length
    return `${props.place}.bands[${band}].rows[${row}]`
  }
  if (column > 0) {
    const place = at(column - 1)
    return place === null ? undefined : (first(`${place}.value`) ?? first(place) ?? first(`${place}.centipoints`))
  }
  const places = pointColumns.value.slice(1).map((_, band) => at(band))
  return places.map((place) => (place === null ? undefined : first(`${place}.centipoints`))).find(Boolean)
}

const fields = computed<readonly FormField[]>(() => {
  const type = SCORINGS[kind.value as ScoringKind] as (typeof SCORINGS)[ScoringKind] | undefined
  return type ? formFieldsOf(type).filter(({ name }) => !['unit', 'kind', 'rows', 'bands'].includes(name)) : []
})
const listRemarks = computed(() => props.byPlace.get(`${props.place}.${bandsKey.value}`) ?? [])

const chooseSchool = (event: Event): void => {
  const { value } = event.target as HTMLSelectElement // the handler sits on the list of schools
  // the list holds schools only
  const { owner } = props
  owner['scoring'] = withoutFigures(scoringTemplate(value as ScoringKind, props.protocol, props.step))
  readLines()
}
</script>

<template>
  <!-- eslint-disable vue/no-mutating-props -- the document is edited in place by all its forms -->
  <div class="scoring" :data-place="place">
    <label class="school"
      ><span>Scored by</span>
      <select class="form-select" :value="kind" @change="chooseSchool">
        <option v-for="school in schools" :key="school" :value="school">{{ SCORING_NAMES[school] }}</option>
      </select></label
    >
    <DocumentFields :owner="scoring" :fields="fields" :place="place" :by-place="byPlace" :value-form="form" />
    <template v-if="hasBands">
      <h4>{{ isTable ? 'Bands' : 'Table by band' }}</h4>
      <p v-for="remark in listRemarks" :key="remark.what" class="said">{{ remark.what }} {{ remark.mend }}</p>
      <QuantityGrid
        :label="isTable ? 'Bands' : 'Table by band'"
        :model-value="lines"
        :columns="columns"
        :remark-at="remarkAt"
        :categories="categories"
        :file-name="`${fileName}-bands.csv`"
        @update:model-value="setLines"
      />
      <template v-if="isTable">
        <h4>Points</h4>
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
.school span {
  font-weight: 650;
}
h4 {
  font-size: 0.9375rem;
  margin: 14px 0 6px;
}
.said {
  color: var(--short);
  margin: 0 0 6px;
}
</style>
