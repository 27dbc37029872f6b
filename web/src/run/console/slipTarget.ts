/** Whose slip is put right: one person's attempt, or the start of a wave. */
import type { Capture, Observation } from '@able-gauge/core'
import { shortName, type Entry } from '../../day/day.ts'

export interface SlipTarget {
  readonly id: string
  readonly name: string
  readonly entryId: string | null
  /** Settled captures of the person in the event; none for a wave. */
  readonly own: readonly Capture[]
  readonly start: Capture | undefined
  /** What a start of it is captured as. */
  readonly begins: Observation
}

export const personTarget = (entry: Entry, own: readonly Capture[]): SlipTarget => ({
  id: entry.id,
  name: `${entry.bib ?? ''} ${shortName(entry)}`.trim(),
  entryId: entry.id,
  own,
  start: own.findLast(({ kind }) => kind === 'started'),
  begins: { kind: 'started', payload: {} },
})

/** @param entryIds those who stand on the line */
export const waveTarget = (wave: number, start: Capture | null, entryIds: readonly string[]): SlipTarget => ({
  id: `wave ${wave}`,
  name: `Wave ${wave}`,
  entryId: null,
  own: [],
  start: start ?? undefined,
  begins: { kind: 'waveStarted', payload: { wave, entryIds: [...entryIds] } },
})
