/**
 * The line an instrument sends: one JSON object a line. It says what was sensed, by which instrument, how finely, and
 * when by the server's time if the instrument knows that.
 */
import { Choice, Optional, Text, Whole } from '../document/rules.ts'
import type { SensedQuantity } from '../capture/capture.ts'

export const INSTRUMENT_KINDS = ['gate', 'jumpBoard', 'dynamometer', 'heartRateStrap', 'bibReader'] as const
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number]

/** What each kind of instrument tells; a bib reader tells who passed, not a figure. */
export const QUANTITY_OF: Readonly<Record<Exclude<InstrumentKind, 'bibReader'>, SensedQuantity>> = {
  gate: 'time',
  jumpBoard: 'height',
  dynamometer: 'force',
  heartRateStrap: 'pulse',
}

export class InstrumentLine {
  @Choice(INSTRUMENT_KINDS) kind!: InstrumentKind
  /** Name of the instrument on this day, such as "grip-1". */
  @Text(60) instrument!: string
  /** Counts the lines of the instrument, so that one sent twice is stored once. */
  @Whole(0, 1_000_000_000) line!: number
  /** ms, mm, g or beats a minute, by the kind; not for a bib reader. */
  @Optional() @Whole(0, 1_000_000_000) value?: number
  /** The smallest step the instrument tells, in the same unit. */
  @Optional() @Whole(1, 1_000_000) resolution?: number
  /** Whom a bib reader saw. */
  @Optional() @Whole(1, 99_999) bib?: number
  /** Server time of the moment, ms since 1970; the moment of arrival where it is left out. */
  @Optional() @Whole(0) atMs?: number
}

/** What a line lacks for its kind, or null. */
export const lineFault = ({ kind, value, resolution, bib }: InstrumentLine): string | null => {
  if (kind === 'bibReader') return bib === undefined ? 'a bib, because it is from a bib reader' : null
  if (value === undefined) return `a value, because it is from a ${kind}`
  return resolution === undefined ? 'a resolution, the smallest step the instrument tells' : null
}
