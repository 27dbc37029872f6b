/** Somebody entered on a day. */
import { Flag, Optional, Slug, Text, TextRecord } from '../document/rules.ts'
import type { Candidate, CarriedMark } from '../standard/candidate.ts'

export const ATTENDANCES = ['expected', 'late', 'present', 'held', 'absent', 'withdrawn'] as const
/** `late`: said they would come later. `held`: is here and may not start. `withdrawn`: gave up before starting. */
export type Attendance = (typeof ATTENDANCES)[number]

/** What holds for one person instead of the event as it stands: by the id of the battery's event. */
export class EntryChoices {
  @TextRecord(40, 60) variants!: Record<string, string>
  @TextRecord(40, 60) alternates!: Record<string, string>
  @TextRecord(40, 60) exemptions!: Record<string, string>
  /** The role a band may ask for. */
  @Optional() @Slug() role?: string
  /** Does everything again, although the standard asks for what was short alone. */
  @Optional() @Flag() wholeBattery?: boolean
  /** Why, whenever anything above is chosen. */
  @Optional() @Text(300) reason?: string
}

export const NO_CHOICES: Readonly<EntryChoices> = { variants: {}, alternates: {}, exemptions: {} }

export interface EntryFacts {
  readonly id: string
  readonly bib: number | null
  readonly wave: number
  readonly category: string
  readonly attendance: Attendance
  readonly note: string
  /** Taken at muster; a share of it can be a cut. */
  readonly bodyMassG: number | null
  readonly heightMm: number | null
  /** What was put on: vest, gloves, shoes. */
  readonly gear: string
  readonly identityChecked: boolean
  readonly consented: boolean
  readonly choices: EntryChoices
  /** What was set up for this person, by event and value: `step-test.box-height`. */
  readonly setUp: Readonly<Record<string, string>>
  /** Marks of an earlier day that stand, by event; left out for none. */
  readonly carried?: Readonly<Record<string, CarriedMark>>
  /** Counts edits, so that a second person editing is told instead of overwriting. */
  readonly revision: number
}

/** The person of an entry, without the date of birth, which few may see. */
export interface PersonFacts {
  readonly id: string
  readonly number: string
  readonly givenName: string
  readonly familyName: string
}

/** What muster adds to a candidate as judging knows them: body mass, variants, alternates, exemptions, role, what stands from an earlier day. */
export const chosenFor = ({
  bodyMassG,
  choices: { variants, alternates, exemptions, role, wholeBattery },
  carried = {},
}: Pick<EntryFacts, 'bodyMassG' | 'choices' | 'carried'>): Pick<
  Candidate,
  'bodyMassG' | 'variants' | 'alternates' | 'exemptions' | 'role' | 'carried'
> => ({
  ...(bodyMassG === null ? {} : { bodyMassG }),
  ...(isEmpty(variants) ? {} : { variants }),
  ...(isEmpty(alternates) ? {} : { alternates }),
  ...(isEmpty(exemptions) ? {} : { exemptions }),
  ...(role === undefined ? {} : { role }),
  ...(isEmpty(carried) || wholeBattery === true ? {} : { carried }),
})

const isEmpty = (record: object): boolean => Object.keys(record).length === 0
