/** Documents made from the classes that describe them: valid ones, and the same with one thing wrong. */
import type { Random } from '../src/random/random.ts'
import { descriptionsOf, type Class } from '../src/document/described.ts'

/** Values by the name of a property, where a made-up one would name nothing that is there. */
export type Known = Readonly<Record<string, readonly unknown[]>>

interface PlainSchema {
  readonly type?: string
  readonly enum?: readonly unknown[]
  readonly format?: string
  readonly pattern?: string
  readonly minimum?: number
  readonly maximum?: number
  readonly minLength?: number
  readonly maxLength?: number
  readonly minItems?: number
  readonly maxItems?: number
  readonly items?: PlainSchema
}

/** A valid document of a class, as plain JSON. */
export const sampleOf = (type: Class, random: Random, known: Known): Record<string, unknown> => {
  const sample: Record<string, unknown> = {}
  for (const [name, descriptions] of descriptionsOf(type)) {
    if (descriptions.some(({ kind }) => kind === 'optional') && random.whole(0, 1) === 0) continue
    const chosen = known[name]
    if (chosen) {
      sample[name] = pick(random, chosen)
      continue
    }
    for (const description of descriptions) {
      switch (description.kind) {
        case 'nested':
          sample[name] = sampleOf(description.type(), random, known)
          break
        case 'nestedList': {
          const length = Math.min(description.most, Math.max(description.least, random.whole(0, 2)))
          sample[name] = Array.from({ length }, () => sampleOf(description.type(), random, known))
          break
        }
        case 'oneOf': {
          const [kind, inner] = pick(random, Object.entries(description.classes)) ?? ['', type]
          sample[name] = sampleOf(inner, random, { ...known, kind: [kind] })
          // where the name stands beside the value
          if (descriptionsOf(type).has('kind')) sample['kind'] = kind
          break
        }
        case 'plain':
          sample[name] = plainSample(description.schema, random)
          break
        case 'optional':
          break
      }
    }
  }
  return sample
}

const pick = <Item>(random: Random, items: readonly Item[]): Item | undefined =>
  items[random.whole(0, items.length - 1)]

const plainSample = (schema: PlainSchema, random: Random): unknown => {
  if (schema.enum) return pick(random, schema.enum)
  switch (schema.type) {
    case 'integer': {
      const least = schema.minimum ?? 0
      return random.whole(least, Math.min(schema.maximum ?? least + 1_000, least + 1_000))
    }
    case 'boolean':
      return random.whole(0, 1) === 1
    case 'array':
      return Array.from({ length: Math.max(schema.minItems ?? 0, 1) }, () => plainSample(schema.items ?? {}, random))
    case 'object':
      return {}
    default:
      if (schema.format === 'date') return `20${random.whole(10, 26)}-0${random.whole(1, 9)}-1${random.whole(0, 9)}`
      if (schema.format === 'uuid') return uuidOf(random)
      if (schema.pattern?.startsWith('^[a-z0-9]')) return `name-${random.whole(1, 999)}`
      return `Text ${random.whole(1, 999)}`.slice(0, schema.maxLength ?? 20)
  }
}

const uuidOf = (random: Random): string => {
  const hex = [...random.bytes(16)].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`
}

const nested = (levels: number): unknown => {
  let value: unknown = []
  for (let level = 0; level < levels; level++) value = [value]
  return value
}

/** What a program, a slip of the key or somebody malicious puts where something else belongs. */
const NASTY: readonly (() => unknown)[] = [
  () => null,
  () => '',
  () => ' ',
  () => 'nul \u0000 in it',
  () => 'half a pair \ud800',
  () => '\u202e backwards',
  () => 'x'.repeat(20_000),
  () => '<script>alert(1)</script>',
  () => '=HYPERLINK("x")',
  () => "'; drop table captures; --",
  () => '0000-01-01',
  () => '2096-02-29',
  () => '9999-12-31',
  () => '2026-13-45',
  () => -1,
  () => 0,
  () => 0.5,
  () => 2 ** 31,
  () => 2 ** 53,
  () => -(2 ** 63),
  () => 1e308,
  () => true,
  () => [],
  () => ({}),
  () => [null],
  () => nested(40),
  () => ({ __proto__: 1, constructor: { prototype: 1 } }),
  () => '00000000-0000-0000-0000-000000000000',
  () => 'not-an-id',
]

/** The same document with one thing in it changed, left out, doubled or put in. */
export const mutated = (document: Record<string, unknown>, random: Random): Record<string, unknown> => {
  const copy = structuredClone(document)
  const places = placesIn(copy)
  const [owner, key] = pick(random, places) ?? [copy, 'nothing']
  switch (random.whole(0, 9)) {
    case 0:
      Reflect.deleteProperty(owner, key)
      break
    case 1:
      Object.assign(owner, { unheardOf: 1 })
      break
    case 2: {
      const value: unknown = Reflect.get(owner, key)
      Reflect.set(owner, key, Array.isArray(value) ? [...(value as unknown[]), ...(value as unknown[])] : [value])
      break
    }
    default:
      Reflect.set(owner, key, pick(random, NASTY)?.())
  }
  return copy
}

const placesIn = (value: unknown): [object, string][] => {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inner]) => [[value, key] as [object, string], ...placesIn(inner)])
}
