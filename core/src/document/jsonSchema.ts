/** A JSON Schema (draft 2020-12) made from a document class, so that other programs can check a file before it comes here. */
import { descriptionsOf, type Class, type Description } from './described.ts'

type Schema = Readonly<Record<string, unknown>>

/** @param title what the document is called */
export const jsonSchemaOf = (type: Class, title: string): Schema => {
  const definitions = new Map<string, Schema>()
  const root = refTo(type, definitions)
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title,
    ...root,
    $defs: Object.fromEntries([...definitions].sort(([a], [b]) => (a < b ? -1 : 1))),
  }
}

const refTo = (type: Class, definitions: Map<string, Schema>): Schema => {
  if (!definitions.has(type.name)) {
    definitions.set(type.name, {}) // a class may hold itself
    definitions.set(type.name, objectSchema(type, definitions))
  }
  return { $ref: `#/$defs/${type.name}` }
}

const objectSchema = (type: Class, definitions: Map<string, Schema>): Schema => {
  const properties = [...descriptionsOf(type)].sort(([a], [b]) => (a < b ? -1 : 1))
  const required = properties.filter(([, all]) => !all.some(({ kind }) => kind === 'optional')).map(([name]) => name)
  return {
    type: 'object',
    properties: Object.fromEntries(properties.map(([name, all]) => [name, propertySchema(all, definitions)])),
    ...(required.length > 0 ? { required } : {}),
    additionalProperties: false,
  }
}

const propertySchema = (descriptions: readonly Description[], definitions: Map<string, Schema>): Schema =>
  orNull(
    descriptions.some(({ kind }) => kind === 'nullable'),
    Object.assign({}, ...descriptions.map((description) => schemaOf(description, definitions))) as Schema,
  )

const orNull = (is: boolean, schema: Schema): Schema => (is ? { anyOf: [schema, { type: 'null' }] } : schema)

const schemaOf = (description: Description, definitions: Map<string, Schema>): Schema => {
  switch (description.kind) {
    case 'optional':
    case 'nullable':
      return {}
    case 'plain':
      return { ...description.schema }
    case 'nested':
      return refTo(description.type(), definitions)
    case 'nestedList':
      return {
        type: 'array',
        minItems: description.least,
        maxItems: description.most,
        items: refTo(description.type(), definitions),
      }
    case 'oneOf':
      return { oneOf: Object.values(description.classes).map((type) => refTo(type, definitions)) }
  }
}
