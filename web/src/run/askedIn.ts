/** What an event asks, in a line. */
import { printAges, printLength, printQuantity, printTime, type StandardEvent } from '@able-gauge/core'

/** "As many as possible in 1:30, at least 24" */
export const askedIn = (event: StandardEvent): string => `${conductOf(event)}, ${cutsOf(event)}`

export const conductOf = ({ protocol }: StandardEvent): string =>
  protocol.kind === 'repetitionsInTime'
    ? `As many as possible in ${printTime(protocol.durationMs)}`
    : `${printLength(protocol.distanceMm)} in laps of ${printLength(protocol.lapLengthMm)}`

export const cutsOf = ({ scoring }: StandardEvent): string => {
  if (scoring.kind === 'cutByBand') return 'by age and scoring category'
  return printCut(scoring, scoring.unit)
}

export const printCut = (
  cut: { readonly atLeast?: number; readonly atMost?: number },
  unit: 'count' | 'ms' | 'mm' | 'g',
): string =>
  cut.atLeast === undefined
    ? `at most ${printQuantity(cut.atMost ?? 0, unit)}`
    : `at least ${printQuantity(cut.atLeast, unit)}`

export const printBand = (row: { readonly ageFrom: number; readonly ageTo?: number }): string =>
  printAges(row.ageFrom, row.ageTo ?? null)
