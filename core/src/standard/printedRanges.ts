/** Ages that are printed by their first year alone, or in two columns, written as ranges. */
import type { Block } from './printedShape.ts'

const AGE = /^ages?(?: group| band)?$/i
const FROM = /^(?:ages?\s*)?from$/i
const TO = /^(?:ages?\s*)?(?:to|until|up to)$/i
/** A corner that names what runs down and what runs across. */
const CORNER = /\bages?\b/i

/**
 * A single age under or beside the word is the first year of a band that lasts until the next begins.
 * @example withRanges([['Age', 'Cut'], ['18', '24'], ['30', '20']]) // … '18-29' …, '30+'
 */
export const withRanges = (block: Block): Block => {
  const [head = []] = block
  const to = head.findIndex((text) => TO.test(text.trim()))
  if (to > 0 && FROM.test((head[to - 1] ?? '').trim()))
    return block.map((row, at) => (at === 0 ? headOfTwo(row, to) : joined(row, to)))
  const column = head.findIndex((text) => AGE.test(text.trim()))
  // the word alone stands over all that follow, not over its own column
  const isOverAll = column > 0 && head.every((text, at) => at === column || text.trim() === '')
  if (column >= 0 && !isOverAll) {
    const below = block.slice(1).map((row) => row[column] ?? '')
    if (areAges(below))
      return block.map((row, at) => (at === 0 ? row : replaced(row, column, rangeFrom(below, at - 1))))
  }
  const row = block.findIndex((texts, at) => at < 3 && hasAges(block, texts, at))
  const across = (block[row] ?? []).slice(1)
  return row < 0
    ? block
    : block.map((texts, at) =>
        at === row ? [texts[0] ?? '', ...across.map((_, one) => rangeFrom(across, one))] : texts,
      )
}

const replaced = (row: readonly string[], at: number, text: string): string[] =>
  row.map((own, index) => (index === at ? text : own))

const headOfTwo = (row: readonly string[], to: number): string[] => [
  'Age',
  ...row.slice(0, to - 1),
  ...row.slice(to + 1),
]

const joined = (row: readonly string[], to: number): string[] => {
  const [first = '', last = ''] = [row[to - 1]?.trim(), row[to]?.trim()]
  const ages = first === '' ? '' : last === '' ? `${first}+` : `${first}-${last}`
  return [ages, ...row.slice(0, to - 1), ...row.slice(to + 1)]
}

const isAge = (text: string): boolean => /^[1-9]\d$/.test(text.trim())
const areAges = (texts: readonly string[]): boolean => {
  const filled = texts.filter((text) => text.trim() !== '')
  return filled.length > 0 && filled.every(isAge)
}

/** A row of first years: the word stands in its corner beside another, or over it. */
const hasAges = (block: Block, texts: readonly string[], at: number): boolean => {
  const [corner = '', ...others] = texts
  const years = others.filter((text) => text.trim() !== '')
  const isNamed =
    (CORNER.test(corner) && !AGE.test(corner.trim())) ||
    (at > 0 && (block[at - 1] ?? []).slice(1).some((text) => AGE.test(text.trim())))
  return (
    isNamed &&
    years.length > 1 &&
    years.every((text, index) => isAge(text) && (index === 0 || Number(text) > Number(years[index - 1])))
  )
}

/** Until the year before the next greater one; without one it has no end. */
const rangeFrom = (texts: readonly string[], at: number): string => {
  const text = (texts[at] ?? '').trim()
  if (text === '') return ''
  const next = Math.min(...texts.map(Number).filter((year) => year > Number(text)))
  return Number.isFinite(next) ? `${text}-${next - 1}` : `${text}+`
}
