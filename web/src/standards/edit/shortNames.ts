/** Short names are made of what things are called; nobody types one. */
import type { Plain } from './plain.ts'

const MOST = 60
/** As templates call what has no name yet. */
const PLACEHOLDER = /^(?:new|event|variant|category|role|part|item)(?:-\d+)?$/

/** @example shortNameFrom('Run 2,000 m') // "run-2-000-m" */
export const shortNameFrom = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/(\d)[,.](?=\d{3}\b)/g, '$1')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, MOST)
    .replace(/-+$/, '')

/** One that none of the others has. */
export const freeShortName = (name: string, taken: ReadonlySet<string>): string => {
  const wanted = shortNameFrom(name) || 'part'
  let [free, number] = [wanted, 2]
  while (taken.has(free)) free = `${wanted}-${number++}`
  return free
}

export const isPlaceholder = (id: unknown): boolean => typeof id !== 'string' || id === '' || PLACEHOLDER.test(id)

const REFERENCES: ReadonlySet<string> = new Set(['eventId', 'category', 'role'])

/** Everything in the document that refers to one short name refers to the other from now on; changed in place. */
export const referTo = (document: unknown, from: string, to: string): void => {
  if (Array.isArray(document)) {
    for (const item of document) referTo(item, from, to)
    return
  }
  if (typeof document !== 'object' || document === null) return
  const owner = document as Plain // any object of the document
  for (const [key, value] of Object.entries(owner)) {
    if (REFERENCES.has(key) && value === from) owner[key] = to
    else if (key === 'eventIds' && Array.isArray(value))
      owner[key] = value.map((id: unknown) => (id === from ? to : id))
    else referTo(value, from, to)
  }
}
