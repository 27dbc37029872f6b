/** Checks a draft away from the page, so that typing never waits. */
import { checkStandard, parseStandard, sayFinding, type Remark, type Remedy, type Standard } from '@able-gauge/core'
import { expose } from 'comlink'

export interface Checked {
  /** Whether the document can be read as a standard at all. */
  readonly isSound: boolean
  readonly remarks: readonly DraftRemark[]
}

/** What is said about one place: a fault of the form, or a remark of the check. */
export interface DraftRemark {
  readonly place: string
  readonly severity: 'error' | 'warning'
  readonly what: string
  readonly example: string
  readonly mend: string
  /** What mends it at one press. */
  readonly remedy?: Remedy
}

const MISSING = 'Still to be filled in.'

const checker = {
  /** @param others contents of the other published versions */
  check: (content: unknown, others: readonly unknown[]): Checked => {
    const parsed = parseStandard(content)
    if (!parsed.ok) {
      const remarks = parsed.findings.map((finding): DraftRemark => ({
        place: finding.place,
        severity: 'error',
        what: ['nothing', '""', '[]'].includes(finding.found)
          ? MISSING
          : sayFinding(finding).slice(finding.place.length + 2),
        example: '',
        mend: '',
      }))
      return { isSound: false, remarks }
    }
    const versions = others.flatMap((other): Standard[] => {
      const read = parseStandard(other)
      return read.ok ? [read.value] : []
    })
    return { isSound: true, remarks: checkStandard(parsed.value, versions).map(withoutCode) }
  },
}

const withoutCode = ({ code: _, ...remark }: Remark): DraftRemark => remark

export type Checker = typeof checker

expose(checker)
