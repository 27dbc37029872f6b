/**
 * Between a field's text and the document. A text that cannot be read stays in the document as text: the check then
 * names its place, and nothing that was typed is lost.
 */
import { parseField, printField, printUngrouped, type FieldForm } from '@able-gauge/core'

export type NumberForm = FieldForm | 'points' | 'whole'

/** @returns a number, the text itself when it is none, or undefined for an empty field */
export const valueFrom = (text: string, form: NumberForm): number | string | undefined => {
  const typed = text.trim()
  if (typed === '') return undefined
  if (form === 'whole') return /^-?\d{1,12}$/.test(typed) ? Number(typed) : typed
  if (form === 'points') return pointsFrom(typed) ?? typed
  const read = parseField(typed, form)
  return read.ok ? read.value : typed
}

/** What a field shows of a value in the document. */
export const textOf = (value: unknown, form: NumberForm): string => {
  if (typeof value !== 'number') return value === undefined || value === null ? '' : String(value)
  if (form === 'whole') return String(value)
  if (form === 'points') return printUngrouped(value, 2)
  return value < 0 && form.unit === 'ms' ? String(value) : printField(value, form)
}

/** Hundredths from the digits typed. */
const pointsFrom = (typed: string): number | null => {
  const match = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(typed)
  return match ? Number(`${match[1]}${(match[2] ?? '').padEnd(2, '0')}`) : null
}
