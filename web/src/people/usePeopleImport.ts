/** People from a file into the register: read, held against who is on record, decided, taken. */
import {
  guessRegister,
  ImportedAnswer,
  MatchesAnswer,
  PERSON_FIELDS,
  readRegister,
  type RegisteredField,
  type RegisteredPerson,
  type RegisterMapping,
  type RegisterReading,
  type RegisterRow,
} from '@able-gauge/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { call } from '../api.ts'
import { useAsking } from '../ui/useAsking.ts'
import { useUnits } from '../session/unitStore.ts'
import { today } from '../ui/localTime.ts'
import type { Table } from '../ui/readTable.ts'

/** What becomes of a row in which file and register say something else. */
export type Decision = '' | 'change' | 'add' | 'leave'

/** A row that somebody has to decide, with who is on record beside it. */
export interface Disputed {
  readonly line: number
  readonly row: RegisterRow
  readonly person: RegisteredPerson
  readonly fields: readonly RegisteredField[]
  /** The number of the file is nobody's: it may be another person of that name. */
  readonly mayBeOther: boolean
}

type Taken = RegisterRow & { readonly take: 'add' | 'change'; readonly personId?: string }

interface Compared {
  readonly added: readonly RegisterRow[]
  readonly same: number
  readonly disputed: readonly Disputed[]
  /** Lines whose number belongs to a unit that is not seen from here. */
  readonly elsewhere: readonly number[]
}

const NOTHING: RegisterReading = { rows: [], findings: [] }

export const usePeopleImport = () => {
  const units = useUnits()
  const table = shallowRef<(Table & { readonly name: string }) | null>(null)
  const mapping = ref<RegisterMapping>(guessRegister([]))
  const compared = shallowRef<Compared | null>(null)
  /** By line of the file. */
  const decisions = ref<Readonly<Record<number, Decision>>>({})
  const reason = ref('')
  const done = shallowRef<ImportedAnswer | null>(null)
  const { busy, problem, asking } = useAsking()

  watch(table, (now) => {
    mapping.value = guessRegister(now?.headings ?? [])
    reason.value = now ? `As the file ${now.name} says` : ''
    done.value = null
  })
  watch([table, mapping], () => {
    compared.value = null
    decisions.value = {}
  })

  const missing = computed(() => PERSON_FIELDS.filter((field) => mapping.value[field] === null))
  const reading = computed<RegisterReading>(() =>
    table.value && missing.value.length === 0
      ? readRegister(table.value.rows, mapping.value, units.choices, today())
      : NOTHING,
  )

  /** Asks how the good rows stand to the register; nothing is stored. */
  const compare = (): Promise<void> =>
    asking(async () => {
      const { rows } = reading.value
      const people = rows.map(({ row }) => row)
      const { matches } = await call('POST', '/register/compare', MatchesAnswer, { people })
      const added: RegisterRow[] = []
      const disputed: Disputed[] = []
      const elsewhere: number[] = []
      rows.forEach(({ line, row }, index) => {
        const match = matches[index]
        if (match?.kind === 'new') added.push(row)
        if (match?.kind === 'otherUnit') elsewhere.push(line)
        if (match?.kind === 'differs' || match?.kind === 'otherNumber') {
          const { person, fields } = match
          disputed.push({ line, row, person, fields, mayBeOther: match.kind === 'otherNumber' })
        }
      })
      compared.value = { added, same: matches.filter(({ kind }) => kind === 'same').length, disputed, elsewhere }
      decisions.value = {}
    })

  const decide = (line: number, decision: Decision): void => {
    decisions.value = { ...decisions.value, [line]: decision }
  }
  /** Decides all that are open in one way; another person is never assumed. */
  const decideAll = (decision: Decision): void => {
    const open = compared.value?.disputed.filter(({ line }) => (decisions.value[line] ?? '') === '') ?? []
    decisions.value = { ...decisions.value, ...Object.fromEntries(open.map(({ line }) => [line, decision])) }
  }
  const undecided = computed(
    () => compared.value?.disputed.filter(({ line }) => (decisions.value[line] ?? '') === '').length ?? 0,
  )
  const taken = computed((): Taken[] => {
    const { added = [], disputed = [] } = compared.value ?? {}
    return [
      ...added.map((row) => ({ ...row, take: 'add' as const })),
      ...disputed.flatMap(({ line, row, person }): Taken[] => {
        const decision = decisions.value[line]
        if (decision === 'change') return [{ ...row, take: decision, personId: person.id }]
        return decision === 'add' ? [{ ...row, take: decision }] : []
      }),
    ]
  })

  /** Takes in what was decided, all or nobody. */
  const send = (): Promise<void> =>
    asking(async () => {
      done.value = await call('POST', '/register', ImportedAnswer, { people: taken.value, reason: reason.value.trim() })
      compared.value = null
    })

  return {
    table,
    mapping,
    missing,
    reading,
    compared,
    decisions,
    decide,
    decideAll,
    undecided,
    taken,
    reason,
    done,
    problem,
    busy,
    compare,
    send,
  }
}
