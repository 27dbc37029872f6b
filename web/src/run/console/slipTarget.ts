/** Whose slip is put right: one person's attempt, or the start of a wave. */
import type { Capture, Observation } from '@able-gauge/core'
import { bibAndName, type Entry } from '../../day/day.ts'

export interface SlipTarget {
  readonly id: string
  readonly name: string
  readonly entryId: string | null
  /** Settled captures of the person in the event; none for a wave. */
  readonly own: readonly Capture[]
  /** Those that stand: of a wave each timer may have given one. */
  readonly starts: readonly Capture[]
  /** What a start of it is captured as. */
  readonly begins: Observation
}

export const personTarget = (entry: Entry, own: readonly Capture[]): SlipTarget => ({
  id: entry.id,
  name: bibAndName(entry),
  entryId: entry.id,
  own,
  starts: own.filter(({ kind }) => kind === 'started').slice(-1),
  begins: { kind: 'started', payload: {} },
})

/** @param begins what a start of it is captured as */
export const waveTarget = (wave: number, starts: readonly Capture[], begins: Observation): SlipTarget => ({
  id: `wave ${wave}`,
  name: `Wave ${wave}`,
  entryId: null,
  own: [],
  starts,
  begins,
})
