/** Standards for tests: the demo's two versions, and the same with one rule changed. */
import entryV2 from './two-events-v2.json' with { type: 'json' }
import entryV3 from './two-events-v3.json' with { type: 'json' }
import { parseStandard } from '../src/standard/parseStandard.ts'
import type { Standard } from '../src/standard/standard.ts'

/** A plain copy to change in a test. */
export const plainV2 = () => structuredClone(entryV2)
export const plainV3 = () => structuredClone(entryV3)

const read = (plain: unknown): Standard => {
  const parsed = parseStandard(plain)
  if (!parsed.ok) throw new Error(`A standard made for tests is unsound: ${JSON.stringify(parsed.findings)}`)
  return parsed.value
}

type Plain = ReturnType<typeof plainV3>

const changed = (version: number, change: (plain: Plain) => void): unknown => {
  const plain = plainV3()
  plain.version = version
  change(plain)
  return plain
}

const runRounded = (mode: string, step: number) => (plain: Plain) => {
  plain.uncertainty.nearTheCut = 'flag'
  plain.events[1]!.rounding = { mode, step }
}

/** What each name in the hand-worked table stands for, as plain documents. */
export const PLAIN_STANDARDS = {
  v2: plainV2(),
  v3: plainV3(),
  /** Version 3 whose marks stand near the cut. */
  v3flag: changed(31, runRounded('up', 1000)),
  v3truncate: changed(32, runRounded('truncate', 1000)),
  v3nearest: changed(33, runRounded('nearest', 1000)),
  v3tenth: changed(34, runRounded('nearest', 100)),
  /** Version 2's bands, with the leap day birthday on 28 February. */
  v2leap28: { ...plainV2(), version: 21, ageRule: { countedOn: 'testDate', leapDayBirthday: '28 February' } },
  v2yearEnd: { ...plainV2(), version: 22, ageRule: { countedOn: 'endOfCalendarYear', leapDayBirthday: '1 March' } },
  v2fixed: {
    ...plainV2(),
    version: 23,
    ageRule: { countedOn: 'fixedDate', fixedDate: '2025-09-01', leapDayBirthday: '1 March' },
  },
} as const

export type StandardName = keyof typeof PLAIN_STANDARDS

export const standardNamed = (name: StandardName): Standard => read(PLAIN_STANDARDS[name])
