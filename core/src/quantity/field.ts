/** Typed text of a form field or a file's cell -> a whole number in the base unit. */
import { withPoints } from './decimalSign.ts'
import { printUngrouped, wholeFromDigits } from './digits.ts'
import { parseImperial, printImperial, type PublishedUnit } from './imperial.ts'
import { parseLength } from './length.ts'
import { parseMass } from './mass.ts'
import { numbered } from './numbered.ts'
import { parsed, refused, type Parsed } from './parsed.ts'
import { parseTime, printTime } from './time.ts'
import { suits, type Unit } from './unit.ts'

/** The unit a bare number in the field is in. */
export type ShownIn = 'cm' | 'm' | 'kg' | PublishedUnit

/** Everything that has a form of its own to be typed in. */
export interface FieldForm {
  readonly unit: Unit
  /** For lengths and masses; metres and kilograms unless it is said. */
  readonly shownIn?: ShownIn
  /** Seconds alone below this are minutes and seconds with the wrong sign: nobody runs 2,000 m in 9.40 s. */
  readonly secondsFromMs?: number
  /** How many shuttles each level has, where level and shuttle are read. */
  readonly shuttles?: readonly number[]
}

/**
 * Reads a field. A length or a mass may name its unit; without one it is in `shownIn`.
 * @returns a whole number in the base unit, or the reason for refusing, with an example of what is expected
 * @example parseField('9:40', { unit: 'ms' })                     // 580000
 * @example parseField('41.5', { unit: 'mm', shownIn: 'cm' })      // 415
 * @example parseField('34 kg', { unit: 'g' })                     // 34000
 * @example parseField('7/4', { unit: 'levelShuttle' })            // 704
 */
export const parseField = (text: string, form: FieldForm): Parsed<number, string> => {
  const typed = text.trim().replace('−', '-')
  if (form.unit !== 'ms' && form.unit !== 'levelShuttle') {
    const clear = withPoints(typed)
    return clear === null
      ? refused(
          'field.sign',
          `"${typed}" could be decimals or thousands. Write one digit more or fewer behind the sign.`,
        )
      : readClear(clear, form)
  }
  return readClear(typed, form)
}

const readClear = (typed: string, form: FieldForm): Parsed<number, string> => {
  if (typed === '') return refused('field.empty', `Nothing was entered. Write ${exampleOf(form)}.`)
  switch (form.unit) {
    case 'ms':
      return readTime(typed, form)
    case 'mm':
    case 'g':
      return readMeasured(typed, form)
    case 'permille':
      return readDecimal(typed.replace(/\s*%$/, ''), 1, form)
    case 'levelShuttle':
      return readLevel(typed, form)
    case 'done':
      return readDone(typed, form)
    case 'count':
    case 'bpm':
    case 'level':
      return readDecimal(typed.replace(/^level\s+/, '').replace(/\s*beats\/min$/, ''), 0, form)
  }
}

/**
 * Prints a value as it is typed into its field, so that parseField reads it back.
 * @example printField(415, { unit: 'mm', shownIn: 'cm' }) // "41.5"
 */
export const printField = (value: number, form: FieldForm): string => {
  const shownIn = shownUnit(form)
  switch (form.unit) {
    case 'ms':
      return printTime(value)
    case 'mm':
    case 'g':
      if (shownIn === 'cm') return printUngrouped(value, 1)
      if (shownIn === 'm' || shownIn === 'kg') return unmistakable(printUngrouped(value, 3))
      return shownIn === null ? String(value) : unmistakable(printImperial(value, shownIn, printUngrouped))
    case 'permille':
      return printUngrouped(value, 1)
    case 'levelShuttle':
      return `${Math.floor(value / 100)}/${value % 100}`
    case 'done':
      return value === 0 ? 'no' : 'yes'
    case 'count':
    case 'bpm':
    case 'level':
      return String(value)
  }
}

/** Three decimals could be thousands, four cannot. */
const unmistakable = (printed: string): string => printed.replace(/([.,]\d{3})(?!\d)/, '$10')

/** What to write, for messages and hints: "a time, such as 9:41.9". */
export const exampleOf = (form: FieldForm): string => {
  switch (form.unit) {
    case 'ms':
      return 'a time, such as 9:41.9'
    case 'mm':
      return (
        { cm: 'a length in cm, such as 41.5', 'ft-in': 'a length, such as 5 ft 10 in' }[shownUnit(form) as string] ??
        `a length in ${shownUnit(form)}, such as 12.5`
      )
    case 'g':
      return `a mass in ${shownUnit(form)}, such as 34.5`
    case 'permille':
      return 'a share in %, such as 18.5'
    case 'levelShuttle':
      return 'level and shuttle, such as 7/4'
    case 'done':
      return 'yes or no'
    case 'count':
      return 'a whole number'
    case 'bpm':
      return 'beats in a minute, a whole number'
    case 'level':
      return 'a level, a whole number'
  }
}

/** The words behind a field: "kg", "cm", "beats/min". */
export const suffixOf = (form: FieldForm): string =>
  ({ ms: 'min:s', mm: shownUnit(form) ?? '', g: shownUnit(form) ?? '', permille: '%', bpm: 'beats/min' })[
    form.unit as string
  ] ?? ''

const shownUnit = ({ unit, shownIn }: FieldForm): ShownIn | null => {
  if (unit === 'mm') return shownIn !== undefined && shownIn !== 'kg' && shownIn !== 'lb' ? shownIn : 'm'
  if (unit === 'g') return shownIn === 'lb' ? 'lb' : 'kg'
  return null
}

const readTime = (typed: string, { secondsFromMs = 0 }: FieldForm): Parsed<number, string> => {
  const read = parseTime(typed)
  return read.ok && !typed.includes(':') && read.value < secondsFromMs
    ? refused('field.form', `"${typed}" alone would be seconds. Write minutes:seconds, such as 9:40.`)
    : read
}

const readMeasured = (typed: string, form: FieldForm): Parsed<number, string> => {
  const shownIn = shownUnit(form)
  const negative = typed.startsWith('-')
  const bare = negative ? typed.slice(1).trim() : typed
  const withUnit = /^[\d.,]+$/.test(bare) ? `${bare} ${shownIn === 'ft-in' ? 'in' : shownIn}` : bare
  const imperial = parseImperial(withUnit)
  if (imperial !== null) {
    const fits = suits(form.unit, /lb$/.test(withUnit) ? 'lb' : 'in')
    return fits ? parsed(signed(imperial, negative)) : refused('field.form', `"${typed}" is not ${exampleOf(form)}.`)
  }
  const read = form.unit === 'mm' ? parseLength(withUnit) : parseMass(withUnit)
  if (!read.ok) return refused('field.form', `"${typed}" is not ${exampleOf(form)}.`)
  // below zero only where a ruler is read from a foot line
  return parsed(signed(read.value, negative))
}

const signed = (value: number, negative: boolean): number => (negative && value !== 0 ? -value : value)

const readDecimal = (typed: string, places: number, form: FieldForm): Parsed<number, string> => {
  const match = /^(\d{1,7})(?:\.(\d+))?$/.exec(typed)
  const fraction = (match?.[2] ?? '').replace(/0+$/, '')
  if (!match || fraction.length > places) return refused('field.form', `"${typed}" is not ${exampleOf(form)}.`)
  return parsed(wholeFromDigits(match[1] ?? '0', fraction, places))
}

const readLevel = (typed: string, form: FieldForm): Parsed<number, string> => {
  const match = /^(?:level\s+)?(\d{1,2})(?:\.|\s*\/\s*|\s*,\s*shuttle\s+)(\d{1,2})$/.exec(typed)
  if (!match) return refused('field.form', `"${typed}" is not ${exampleOf(form)}.`)
  const [level, shuttle] = [Number(match[1]), Number(match[2])]
  return fitsForm(level * 100 + shuttle, form)
    ? parsed(level * 100 + shuttle)
    : refused('field.schedule', `The schedule has no level ${level} with ${numbered(shuttle, 'shuttle')}.`)
}

/** Whether a value can be read at all: a shuttle has to be one of its level's, by the schedule. */
export const fitsForm = (value: number, { unit, shuttles }: FieldForm): boolean => {
  if (unit !== 'levelShuttle' || shuttles === undefined) return true
  const [level, shuttle] = [Math.floor(value / 100), value % 100]
  return value >= 0 && (level === 0 ? shuttle === 0 : shuttle <= (shuttles[level - 1] ?? -1))
}

const readDone = (typed: string, form: FieldForm): Parsed<number, string> => {
  const said = typed.toLowerCase()
  if (['yes', 'done', '1'].includes(said)) return parsed(1)
  if (['no', 'not done', '0'].includes(said)) return parsed(0)
  return refused('field.form', `"${typed}" is not ${exampleOf(form)}.`)
}
