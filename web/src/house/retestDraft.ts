/** Whom the house calls, as it is edited: with an empty text for what is left out. */
import type { Period, RetestCall } from '@able-gauge/core'

export interface RetestDraft {
  name: string
  standardId: string
  /** Empty for everybody. */
  unitId: string
  count: number | ''
  of: Period
  /** YYYY-MM-DD; empty for none. */
  before: string
}

export const retestDraftOf = ({ name, standardId, unitId, every, before }: RetestCall): RetestDraft => ({
  name,
  standardId,
  unitId: unitId ?? '',
  count: every?.count ?? '',
  of: every?.of ?? 'years',
  before: before ?? '',
})

export const retestOf = ({ name, standardId, unitId, count, of, before }: RetestDraft): RetestCall => ({
  name: name.trim(),
  standardId,
  ...(unitId === '' ? {} : { unitId }),
  ...(count === '' ? {} : { every: { count, of } }),
  ...(before === '' ? {} : { before }),
})
