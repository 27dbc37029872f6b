/**
 * What has to be read of one person in one event: one slot for each figure. Forms, files, cards and instruments fill the
 * same slots, so that there is one way from figures to a measure.
 */
import type { FieldForm } from '../quantity/field.ts'

export interface Slot extends FieldForm {
  /** Short name within the event, such as `left-1`. */
  readonly id: string
  readonly label: string
  /** Whether the measure can be made without it. */
  readonly optional: boolean
}

/** Figures by slot id, in base units. */
export type Readings = Readonly<Record<string, number | undefined>>

export const needed = (id: string, label: string, form: FieldForm): Slot => ({ id, label, optional: false, ...form })
export const optional = (id: string, label: string, form: FieldForm): Slot => ({ id, label, optional: true, ...form })

const WATCH_NAMES = ['', ', second watch', ', third watch'] as const

/** `time`, `time-watch-2`, `time-watch-3`: the first watch is needed, further ones are used when they were there. */
export const watchSlots = (id: string, label: string, watches: number): Slot[] =>
  WATCH_NAMES.slice(0, watches).map((name, index) =>
    index === 0
      ? needed(id, label, { unit: 'ms' })
      : optional(`${id}-watch-${index + 1}`, `${label}${name}`, { unit: 'ms' }),
  )

/** One of several tries, or of two sides. */
export const isTry = ({ id }: Pick<Slot, 'id'>): boolean => /^(try|left|right)-\d+$/.test(id)

/** 1, 2, 3 … */
export const numbered = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1)
