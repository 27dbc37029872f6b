/** Events to begin with: worked examples, and events of published standards. */
import { parseStandard, withoutFigures, type Standard } from '@able-gauge/core'
import { listVersions, readVersion } from '../standardCalls.ts'
import type { Plain } from './plain.ts'

export interface ShelfSource {
  readonly key: string
  readonly name: string
  /** Taken with its figures: it was published, the examples were made up. */
  readonly isPublished: boolean
  read(): Promise<Standard | null>
}

const soundOrNull = (content: unknown): Standard | null => {
  const read = parseStandard(content)
  return read.ok ? read.value : null
}

const EXAMPLES: ShelfSource = {
  key: 'examples',
  name: 'Worked examples',
  isPublished: false,
  read: async () => soundOrNull((await import('./workedExamples.json')).default),
}

/** The examples, then every published version of every standard, the newest first. */
export const shelfSources = async (): Promise<readonly ShelfSource[]> => {
  const published = (await listVersions()).filter(({ state }) => state !== 'draft')
  return [
    EXAMPLES,
    ...published.map(({ id, version, name }): ShelfSource => ({
      key: `${id} ${version}`,
      name: `${name}, version ${version}`,
      isPublished: true,
      read: async () => soundOrNull((await readVersion(id, version)).content),
    })),
  ]
}

/** How an example is done, without the figures somebody would be held to: those are typed or pasted. */
export const exampleToTake = (event: object): Plain => {
  const { scoring, variants, ...rest } = JSON.parse(JSON.stringify(event)) as Plain & { variants?: Plain[] } // a copy, property by property
  return {
    ...rest,
    scoring: withoutFigures(Object(scoring) as object),
    ...(variants
      ? { variants: variants.map((one) => ({ ...one, scoring: withoutFigures(Object(one['scoring']) as object) })) }
      : {}),
  }
}
