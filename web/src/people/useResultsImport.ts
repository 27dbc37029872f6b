/** Results of earlier years from a file: columns laid to the events of a standard, tried, taken. */
import {
  BroughtAnswer,
  broughtRows,
  guessResults,
  resultFields,
  type BroughtOutcome,
  type ColumnOf,
  type VersionSummary,
} from '@able-gauge/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { call } from '../api.ts'
import { useAsking } from '../ui/useAsking.ts'
import { readStandard } from '../standards/readStandard.ts'
import { listVersions, readVersion } from '../standards/standardCalls.ts'
import type { Table } from '../ui/readTable.ts'

/** How many rows are sent at once. */
const MOST = 2_000

export const useResultsImport = () => {
  const versions = shallowRef<readonly VersionSummary[]>([])
  const standardId = ref('')
  const fields = shallowRef<ReturnType<typeof resultFields>>([])
  const table = shallowRef<(Table & { readonly name: string }) | null>(null)
  const columns = ref<ColumnOf<string>>({})
  const tried = shallowRef<BroughtAnswer | null>(null)
  const done = shallowRef<BroughtAnswer | null>(null)
  const { busy, problem, asking } = useAsking()

  /** The newest published version of each standard, whose events name the columns. */
  const standards = computed(() => {
    const newest = new Map<string, VersionSummary>()
    for (const one of versions.value) {
      if (one.state !== 'draft' && one.version > (newest.get(one.id)?.version ?? 0)) newest.set(one.id, one)
    }
    return [...newest.values()]
  })
  const begin = (): Promise<void> =>
    asking(async () => {
      versions.value = await listVersions()
      standardId.value ||= standards.value[0]?.id ?? ''
    })
  watch(standardId, (id) =>
    asking(async () => {
      const chosen = standards.value.find((one) => one.id === id)
      if (!chosen) return
      const { standard } = await readStandard(await readVersion(id, chosen.version))
      fields.value = standard ? resultFields(standard) : []
    }),
  )
  watch([table, fields], () => {
    columns.value = guessResults(fields.value, table.value?.headings ?? [])
    tried.value = done.value = null
  })
  watch(columns, () => {
    tried.value = null
  })

  const missing = computed(() =>
    fields.value.filter(({ field, needed }) => needed && (columns.value[field] ?? null) === null),
  )
  const rows = computed(() => (table.value ? broughtRows(table.value.rows, columns.value) : []))
  const send = async (isTrial: boolean): Promise<BroughtAnswer> => {
    const outcomes: BroughtOutcome[] = []
    let taken = 0
    for (let from = 0; from < rows.value.length; from += MOST) {
      const body = {
        standardId: standardId.value,
        source: table.value?.name ?? '',
        isTrial,
        rows: rows.value.slice(from, from + MOST),
      }
      const answer = await call('POST', '/brought-results', BroughtAnswer, body)
      outcomes.push(...answer.outcomes)
      taken += answer.taken
    }
    return { outcomes, taken }
  }
  /** Judges every row and keeps none. */
  const attempt = (): Promise<void> =>
    asking(async () => {
      tried.value = await send(true)
    })
  const take = (): Promise<void> =>
    asking(async () => {
      done.value = await send(false)
      tried.value = null
    })

  return {
    standards,
    standardId,
    fields,
    table,
    columns,
    missing,
    rows,
    tried,
    done,
    problem,
    busy,
    begin,
    attempt,
    take,
  }
}
