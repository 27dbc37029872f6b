import { Optional, Slug, Whole } from '../document/rules.ts'

/** The people a row is for. Both ends of an age range belong to it. */
export class Band {
  /** Youngest age in years; 0 when age does not matter. */
  @Whole(0, 120) ageFrom!: number
  /** Oldest age in years, included; left out for "and over". */
  @Optional() @Whole(0, 120) ageTo?: number
  /** Scoring category; left out when the row is for all of them. */
  @Optional() @Slug() category?: string
  /** Role; left out when the row is for all of them. */
  @Optional() @Slug() role?: string
}
