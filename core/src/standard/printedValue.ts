/** A cell of a printed table: a value or points, with whatever is printed around it. */
import type { Sense } from '../kinds/kind.ts'
import { parseField, printField, type FieldForm } from '../quantity/field.ts'
import { readPrintedTime } from './printedCell.ts'

/** What a sign before exactly three digits parts, once somebody has said so. */
export type ThreeDigits = 'thousands' | 'decimals'

export type PrintedValue =
  | { readonly as: 'empty' }
  /** `text` in our own form, as it is typed into a field. */
  | { readonly as: 'value'; readonly text: string; readonly value: number }
  /** Thousands or decimals: has to be said. */
  | { readonly as: 'asked' }
  /** `isBeyond`: less or more than a value, which is no value that counts. */
  | { readonly as: 'unread'; readonly why: string; readonly isBeyond?: true }

export interface ValueColumn {
  readonly form: FieldForm
  readonly sense: Sense
  readonly threeDigits?: ThreeDigits
}

const NOTHING = /^(?:[-–—−.…*]|n\/?a|nil|none)?$/i
/** What is counted, named behind the figure. */
const COUNTED =
  /\s*(?:reps?|repetitions?|times|points?|pts|beats(?:\/min)?|bpm|minutes?|mins?|seconds?|secs?|h|hrs?)\.?$/i

/**
 * Reads a cell. Of a range the end that has to be reached counts; bounds on that side are read as the value itself.
 * @example readPrintedValue('24 reps', …)  // 24
 * @example readPrintedValue('≥ 24', …)      // 24, where at least so many are asked
 * @example readPrintedValue('20–24', …)     // 20, where at least so many are asked; 24 where at most
 */
export const readPrintedValue = (text: string, { form, sense, threeDigits }: ValueColumn): PrintedValue => {
  const typed = text.replace(/[\u00a0\u202f]/g, ' ').trim()
  if (NOTHING.test(typed)) return { as: 'empty' }
  const bound = boundIn(typed)
  if (bound.strict)
    return {
      ...unread('Less than and more than say no value that counts. Write the last one that does.'),
      isBeyond: true,
    }
  if (bound.side !== null && bound.side !== sense)
    return unread(
      `Here ${sense === 'atLeast' ? 'at least' : 'at most'} so much is asked. Write the value to be reached.`,
    )
  return readFigure(rangeEnd(bound.rest, sense), form, threeDigits)
}

const unread = (why: string) => ({ as: 'unread', why }) as const

/** A points cell, in hundredths. */
export const readPrintedPoints = (text: string): PrintedValue => {
  const typed = text.trim().replace(COUNTED, '')
  if (NOTHING.test(typed)) return { as: 'empty' }
  const match = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(typed)
  return match
    ? { as: 'value', text: typed, value: Number(`${match[1]}${(match[2] ?? '').padEnd(2, '0')}`) }
    : unread(`"${text.trim()}" is no number of points.`)
}

interface Bound {
  readonly side: Sense | null
  readonly strict: boolean
  readonly rest: string
}

const AT_LEAST =
  /^(?:[≥]|>=|=>|at least|from|min(?:imum)?\.?)\s*|\s*(?:\+|(?:or|and) (?:more|over|above|higher|better|slower|longer))$/i
const AT_MOST =
  /^(?:[≤]|<=|=<|at most|up to|max(?:imum)?\.?)\s*|\s*(?:(?:or|and) (?:less|fewer|under|below|lower|faster|shorter))$/i
const STRICT = /^(?:[<>]|under|below|over|above|less than|more than)\s*\d/i

const boundIn = (typed: string): Bound => {
  if (STRICT.test(typed) && !/^[<>]=/.test(typed)) return { side: null, strict: true, rest: typed }
  if (AT_LEAST.test(typed)) return { side: 'atLeast', strict: false, rest: typed.replace(AT_LEAST, '') }
  if (AT_MOST.test(typed)) return { side: 'atMost', strict: false, rest: typed.replace(AT_MOST, '') }
  return { side: null, strict: false, rest: typed }
}

const rangeEnd = (typed: string, sense: Sense): string => {
  const range = /^([\d:.,'′]+)\s*(?:[-–—−]|to)\s*([\d:.,'′"″]+)(.*)$/i.exec(typed)
  if (!range) return typed
  const [, first = '', second = '', behind = ''] = range
  const [low, high] = sizeOf(first) <= sizeOf(second) ? [first, second] : [second, first]
  return `${sense === 'atLeast' ? low : high}${behind}`
}

/** Enough to tell the ends of a range apart: its digits as one number, minutes before seconds. */
const sizeOf = (text: string): number => {
  const parts = text.split(/[:'′]/).map((part) => Number(part.replace(',', '.').replace(/[^\d.]/g, '')))
  return parts.reduce((sum, part) => sum * 60 + part, 0)
}

const readFigure = (text: string, form: FieldForm, threeDigits?: ThreeDigits): PrintedValue => {
  const bare = form.unit === 'mm' || form.unit === 'g' ? text.trim() : text.trim().replace(COUNTED, '')
  const printed = form.unit === 'ms' ? (readPrintedTime(bare, form) ?? bare) : bare
  const read = parseField(threeDigits === undefined ? printed : withoutDoubt(printed, threeDigits), form)
  if (read.ok) return { as: 'value', text: printField(read.value, form), value: read.value }
  return read.code === 'field.sign' ? { as: 'asked' } : unread(read.reason)
}

const withoutDoubt = (text: string, threeDigits: ThreeDigits): string =>
  text.replace(/\b(\d{1,3})[.,](\d{3})(?![\d.,])/g, threeDigits === 'thousands' ? '$1$2' : '$1.$20')
