/** Which results a question is about, as a condition on `results r`. */

export interface ChosenResults {
  readonly standardId: string
  readonly version: number | null
  /** YYYY-MM-DD, both included. */
  readonly from: string | null
  readonly to: string | null
  /** Ids of units whose people are looked at; null for everybody. */
  readonly unitIds: readonly string[] | null
  readonly category: string | null
  readonly ages: readonly [from: number, to: number] | null
  readonly venue: string | null
}

/** Parameters 1 to 9 of every statement that asks for them. */
export const parametersOf = (chosen: ChosenResults): unknown[] => [
  chosen.standardId,
  chosen.version,
  chosen.from,
  chosen.to,
  chosen.unitIds,
  chosen.category,
  chosen.ages?.[0] ?? null,
  chosen.ages?.[1] ?? null,
  chosen.venue,
]

export const CHOSEN = `r.standard_id = $1
  and ($2::integer is null or r.standard_version = $2)
  and ($3::date is null or r.test_date >= $3) and ($4::date is null or r.test_date <= $4)
  and ($5::uuid[] is null or r.unit_id = any ($5))
  and ($6::text is null or r.category = $6)
  and ($7::integer is null or r.age_years between $7 and $8)
  and ($9::text is null or r.venue = $9)`

export const OF_EVENT = `event_results e join results r on r.id = e.result_id`

/** The event as it stands, done on that day: what is done in place of it, or in an easier form, is never mixed with it. */
export const AS_IT_STANDS = `e.alternate_id is null and e.variant_id is null and not e.is_carried`

/** As it stands, with a figure that counts. */
export const WITH_A_FIGURE = `${AS_IT_STANDS} and e.value is not null and e.kind in ('met', 'short', 'scored')`
