/** Headings of a printed table: the ages and the scoring category a row or a column is for. */
import { categoryCalled, readAges, type PrintedAges } from './printedCell.ts'

export interface Named {
  readonly id: string
  readonly name: string
}

/** What a heading says of the people under it; a part it does not say is left out. */
export interface PrintedLabel {
  readonly ages?: PrintedAges
  readonly category?: string
  readonly role?: string
}

/** Words over columns and rows that name no people: what stands under them is told by its place. */
const PLAIN_HEADING =
  /^(?:ages?(?: group| band)?|years?|category|categories|sex|gender|column|group|band|role|from|to|until|table|standard|event|test)$/i

export const isPlainHeading = (text: string): boolean => PLAIN_HEADING.test(text.trim())

/**
 * Reads a heading.
 * @returns null for one that names neither ages nor a known category or role
 * @example readLabel('Women, 17–24', …) // { ages: { from: 17, to: 24 }, category: 'female' }
 */
export const readLabel = (
  text: string,
  categories: readonly Named[],
  roles: readonly Named[] = [],
): PrintedLabel | null => {
  const words = text
    .replace(/[(),;:/|]/g, ' ')
    .split(/\s+/)
    .filter((word) => word !== '')
  const whole = partOf(words, categories, roles)
  if (whole) return whole
  for (let at = 1; at < words.length; at++) {
    const [first, second] = [partOf(words.slice(0, at), categories, roles), partOf(words.slice(at), categories, roles)]
    // two ages, or two categories, are no heading
    if (first && second && Object.keys(first).every((key) => !(key in second))) return { ...first, ...second }
  }
  return null
}

const partOf = (
  words: readonly string[],
  categories: readonly Named[],
  roles: readonly Named[],
): PrintedLabel | null => {
  const text = words.join(' ')
  const ages = readAges(text)
  if (ages) return { ages }
  const category = categoryCalled(text, categories)
  if (category !== null) return { category }
  const role = roles.find(({ id, name }) => [id, name].some((called) => called.toLowerCase() === text.toLowerCase()))
  return role ? { role: role.id } : null
}
