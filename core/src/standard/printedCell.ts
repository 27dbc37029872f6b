/** Cells of printed tables as people copy them: ages in a range, minutes with a dot, categories by name. What is not certain is left as it stands. */
import { parseField, type FieldForm } from '../quantity/field.ts'

export interface PrintedAges {
  readonly from: number
  /** Null for no end. */
  readonly to: number | null
}

const RANGE = /^(\d{1,3})\s*(?:[-–—−]|to|until)\s*(\d{1,3})$/
const FROM =
  /^(?:(\d{1,3})\s*(?:\+|and\s+(?:over|older|above|up)|or\s+(?:over|older|more))|[≥>]=?\s*(\d{1,3})|over\s+(\d{1,3}))$/
const UP_TO = /^(?:up\s+to|to|≤|<=)\s*(\d{1,3})$/
const UNDER = /^(?:under|below|<)\s*(\d{1,3})$/
const ANY = /^(?:all|any|every)(?:\s+ages?|body)?$/

/**
 * Ages as a printed table names them.
 * @returns null for what is no such range; a single age is none, it may be the beginning of one
 * @example readAges('18–29')    // { from: 18, to: 29 }
 * @example readAges('50+')      // { from: 50, to: null }
 * @example readAges('under 20') // { from: 0, to: 19 }
 */
export const readAges = (text: string): PrintedAges | null => {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/^ages?\s*/, '')
    .replace(/\s*(?:years?|yrs?)(?:\s+old)?$/, '')
  const range = RANGE.exec(typed)
  if (range) {
    const [from, to] = [Number(range[1]), Number(range[2])]
    return from <= to ? { from, to } : null
  }
  const open = FROM.exec(typed)
  if (open) {
    const [, least, sign, over] = open
    // "over 49" and "> 49" begin a year later
    const isOver = over !== undefined || (sign !== undefined && typed.startsWith('>') && !typed.startsWith('>='))
    return { from: Number(least ?? sign ?? over) + (isOver ? 1 : 0), to: null }
  }
  const upTo = UP_TO.exec(typed)
  if (upTo) return { from: 0, to: Number(upTo[1]) }
  const under = UNDER.exec(typed)
  if (under && Number(under[1]) > 0) return { from: 0, to: Number(under[1]) - 1 }
  return ANY.test(typed) ? { from: 0, to: null } : null
}

/** Longer than this no event of a battery takes: a spreadsheet's 12:30:00 is twelve minutes and a half. */
const LONGEST_HOURS = 6

/**
 * A time as minutes and seconds. A dot could stand before hundredths as well: only where seconds alone are refused it is a colon.
 * @param form of the column
 * @returns the text in our form; null for what is no printed time of another form, or could be read as it stands
 * @example readPrintedTime('9'40"', RUN)     // "9:40"
 * @example readPrintedTime('12.30', RUN)     // "12:30"
 * @example readPrintedTime('12.30', SPRINT)  // null: twelve seconds and three tenths
 * @example readPrintedTime('12:30:00', RUN)  // "12:30"
 * @example readPrintedTime('1:05:00', MARCH) // null: an hour and five minutes
 */
export const readPrintedTime = (text: string, form: FieldForm): string | null => {
  const typed = text.trim()
  const marked = /^(\d{1,3})\s*['′’]\s*([0-5]\d)\s*(?:["″”]|'')?$/.exec(typed)
  if (marked) return `${marked[1]}:${marked[2]}`
  const dotted = /^(\d{1,3})[.,]([0-5]\d)$/.exec(typed)
  if (dotted) return parseField(typed, form).ok ? null : `${dotted[1]}:${dotted[2]}`
  const spread = /^(\d{1,3}):([0-5]\d):00$/.exec(typed)
  return spread && Number(spread[1]) >= LONGEST_HOURS ? `${spread[1]}:${spread[2]}` : null
}

const CALLED: Readonly<Record<string, readonly string[]>> = {
  female: ['female', 'females', 'women', 'woman', 'f', 'w'],
  male: ['male', 'males', 'men', 'man', 'm'],
}

/** Categories a table may name before the standard has any. */
export const COMMON_CATEGORIES = [
  { id: 'female', name: 'Female' },
  { id: 'male', name: 'Male' },
] as const

/**
 * The category a table names, by its id, its name, or what people commonly call it.
 * @returns its id; null where none of these is called so
 */
export const categoryCalled = (
  text: string,
  categories: readonly { readonly id: string; readonly name: string }[],
): string | null => {
  const typed = text.trim().toLowerCase()
  if (typed === '') return null
  const named = categories.find(({ id, name }) => id.toLowerCase() === typed || name.toLowerCase() === typed)
  if (named) return named.id
  const alike = Object.values(CALLED).find((words) => words.includes(typed)) ?? []
  return (
    categories.find(({ id, name }) => [id, name].some((called) => alike.includes(called.toLowerCase())))?.id ?? null
  )
}
