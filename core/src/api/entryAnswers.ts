/** What the interface answers about entries: what became of a roster, and screening. */
import { ScreeningAnswer } from '../day/houseRules.ts'
import { Flag, NestedList, Text, Whole } from '../document/rules.ts'
import { RosterOutcomes } from './shapes.ts'

export type RosterOutcome =
  /** `known`: the person was on record already. */
  | { readonly kind: 'entered'; readonly known: boolean }
  | { readonly kind: 'already' }
  /** Somebody else has this number, with another name or date of birth. */
  | { readonly kind: 'otherPerson'; readonly name: string; readonly birthDate: string }
  /** The number is somebody's of a unit that is not seen from here. */
  | { readonly kind: 'otherUnit' }
  | { readonly kind: 'bibTaken' }

export class RosterAnswer {
  /** One for each row, in their order. */
  @RosterOutcomes() readonly outcomes!: readonly RosterOutcome[]
}

export class Screening {
  @Text() readonly entryId!: string
  @NestedList(() => ScreeningAnswer, 0, 40) readonly answers!: readonly ScreeningAnswer[]
  @Whole(0) readonly atMs!: number
}

export class ScreeningsAnswer {
  @NestedList(() => Screening, 0, 100_000) readonly screenings!: readonly Screening[]
}

export class ScreenedAnswer {
  /** Whether somebody is held now, because an answer needs clearance. */
  @Flag() readonly held!: boolean
}
