/** A roster from a file: read, columns laid to fields, rows checked, sent, and what became of each. */
import {
  guessMapping,
  NEEDED_FIELDS,
  readRoster,
  RosterAnswer,
  type RosterFinding,
  type RosterMapping,
  type RosterOutcome,
  type RosterReading,
  type RosterRow,
} from '@able-gauge/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { call, inWords } from '../api.ts'
import type { Day } from '../day/day.ts'
import type { Table } from '../ui/readTable.ts'

export interface RosterDone {
  readonly entered: number
  /** Of those, how many were on record before. */
  readonly known: number
  readonly already: number
}

const NOTHING: RosterReading = { rows: [], findings: [] }

export const useRoster = (day: () => Day) => {
  const table = shallowRef<(Table & { readonly name: string }) | null>(null)
  const mapping = ref<RosterMapping>(guessMapping([]))
  const waveOf = ref(12)
  const done = shallowRef<RosterDone | null>(null)
  const refused = shallowRef<readonly RosterFinding[]>([])
  const problem = ref('')
  const sending = ref(false)

  watch(table, (now) => {
    done.value = null
    refused.value = []
    mapping.value = guessMapping(now?.headings ?? [])
  })

  /** Rows with anything in them. */
  const rowCount = computed(
    () => (table.value?.rows ?? []).filter((cells) => cells.some((cell) => cell.trim() !== '')).length,
  )
  const missing = computed(() => NEEDED_FIELDS.filter((field) => mapping.value[field] === null))
  const reading = computed<RosterReading>(() =>
    missing.value.length > 0
      ? NOTHING
      : readRoster(table.value?.rows ?? [], mapping.value, day().standard.categories, day().occasion.testDate),
  )
  const findings = computed(() => [...reading.value.findings, ...refused.value].sort((a, b) => a.line - b.line))

  /** Sends the good rows; the faulty ones stay to be seen. */
  const send = async (): Promise<void> => {
    const { rows } = reading.value
    sending.value = true
    problem.value = ''
    try {
      const people = rows.map(({ row: { bib, wave, ...person } }) => ({
        ...person,
        ...(bib === null ? {} : { bib }),
        ...(wave === null ? {} : { wave }),
      }))
      const { outcomes } = await call('POST', `/occasions/${day().occasion.id}/roster`, RosterAnswer, {
        waveOf: waveOf.value,
        people,
      })
      const entered = outcomes.filter((outcome) => outcome.kind === 'entered')
      done.value = {
        entered: entered.length,
        known: entered.filter(({ known }) => known).length,
        already: outcomes.filter(({ kind }) => kind === 'already').length,
      }
      refused.value = outcomes.flatMap((outcome, index) => {
        const { line, row } = rows[index] ?? {}
        return line !== undefined && row ? refusalOf(outcome, line, row) : []
      })
    } catch (error) {
      problem.value = inWords(error)
    } finally {
      sending.value = false
    }
  }

  return {
    table,
    rowCount,
    mapping,
    waveOf,
    missing,
    reading,
    findings,
    done,
    problem,
    sending,
    send,
  }
}

const refusalOf = (outcome: RosterOutcome, line: number, row: RosterRow): RosterFinding[] => {
  if (outcome.kind === 'otherPerson') {
    const expected = `another number: it belongs to ${outcome.name}, born ${outcome.birthDate}`
    return [{ line, field: 'number', found: row.number, expected }]
  }
  if (outcome.kind === 'otherUnit') {
    return [{ line, field: 'number', found: row.number, expected: 'another number: it belongs to another unit' }]
  }
  if (outcome.kind === 'bibTaken') {
    return [{ line, field: 'bib', found: String(row.bib ?? ''), expected: 'a bib nobody else wears on this day' }]
  }
  return []
}
