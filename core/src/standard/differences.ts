/** What differs between two parts of the same form, in words. */
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printTime } from '../quantity/time.ts'
import { printPoints } from '../quantity/unit.ts'

/**
 * One sentence for each property that differs.
 * @param about what both are part of, to begin each sentence with
 * @example differences('Run, protocol', { walkingAllowed: false }, { walkingAllowed: true })
 *   // ["Run, protocol: walking allowed yes, before: no."]
 */
export const differences = (about: string, before: object, after: object): string[] => {
  const [old, now] = [new Map(Object.entries(before)), new Map(Object.entries(after))]
  const names = [...new Set([...old.keys(), ...now.keys()])]
  return names.flatMap((name) => {
    const [one, other]: [unknown, unknown] = [old.get(name), now.get(name)]
    if (JSON.stringify(one) === JSON.stringify(other)) return []
    if (isDeep(one) || isDeep(other)) return [`${about}: ${inWords(name)} changed.`]
    return [`${about}: ${inWords(name)} ${print(name, other)}, before: ${print(name, one)}.`]
  })
}

const isDeep = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  !(Array.isArray(value) && value.every((item) => typeof item === 'string'))

/** `cautionsAllowed` -> "cautions allowed"; a unit at the end is left to the value. */
const inWords = (name: string): string =>
  name
    .replace(/(Ms|Mm|G|Centipoints)$/, '')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()

const print = (name: string, value: unknown): string => {
  if (value === undefined) return 'not stated'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') {
    if (name.endsWith('Ms') && value >= 0) return printTime(value)
    if (name.endsWith('Mm')) return printLength(value)
    if (/[a-z]G$/.test(name)) return printMass(value)
    if (/centipoints$/i.test(name)) return printPoints(value)
    return String(value)
  }
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(String).join('; ')
  return `"${String(value)}"`
}
