/** What a form needs to know to edit a document of a class: its fields, in the order they were declared. */
import type { FieldForm } from '../quantity/field.ts'
import { SLUG } from './rules.ts'
import { descriptionsOf, type Class, type Description } from './described.ts'

interface FieldBase {
  readonly name: string
  readonly label: string
  readonly optional: boolean
}

export type FormField = FieldBase &
  (
    | { readonly kind: 'number'; readonly form: FieldForm | null; readonly isPoints: boolean }
    | { readonly kind: 'text'; readonly long: boolean }
    | { readonly kind: 'date' }
    | { readonly kind: 'flag' }
    | { readonly kind: 'choice'; readonly choices: readonly (string | number)[] }
    /** A short name: its own where the field is called so, else that of something else in the document. */
    | { readonly kind: 'id' }
    | { readonly kind: 'ids' }
    | { readonly kind: 'texts' }
    | { readonly kind: 'numbers' }
    | { readonly kind: 'object'; readonly fields: () => readonly FormField[] }
    | { readonly kind: 'list'; readonly fields: () => readonly FormField[]; readonly least: number }
    | { readonly kind: 'oneOf'; readonly fieldsOf: Readonly<Record<string, () => readonly FormField[]>> }
  )

/** The fields of a class, those it inherits after its own. */
export const formFieldsOf = (type: Class): readonly FormField[] =>
  [...descriptionsOf(type)].flatMap(([name, descriptions]) => {
    const field = fieldOf(name, descriptions)
    return field ? [field] : []
  })

const fieldOf = (name: string, descriptions: readonly Description[]): FormField | null => {
  const base: FieldBase = {
    name,
    label: labelOf(name),
    optional: descriptions.some(({ kind }) => kind === 'optional'),
  }
  for (const description of descriptions) {
    switch (description.kind) {
      case 'nested':
        return { ...base, kind: 'object', fields: () => formFieldsOf(description.type()) }
      case 'nestedList':
        return { ...base, kind: 'list', fields: () => formFieldsOf(description.type()), least: description.least }
      case 'oneOf':
        return {
          ...base,
          kind: 'oneOf',
          fieldsOf: Object.fromEntries(
            Object.entries(description.classes).map(([key, type]) => [key, () => formFieldsOf(type)]),
          ),
        }
      case 'plain':
        return plainField(base, description.schema)
      case 'optional':
        break
    }
  }
  return null
}

interface PlainSchema {
  readonly type?: string
  readonly enum?: readonly (string | number)[]
  readonly format?: string
  readonly maxLength?: number
  readonly pattern?: string
  readonly items?: { readonly type?: string; readonly pattern?: string }
}

const plainField = (base: FieldBase, schema: PlainSchema): FormField | null => {
  if (schema.enum) return schema.enum.length === 1 ? null : { ...base, kind: 'choice', choices: schema.enum }
  switch (schema.type) {
    case 'integer':
      return { ...base, kind: 'number', form: formIn(base.name), isPoints: /centipoints$/i.test(base.name) }
    case 'boolean':
      return { ...base, kind: 'flag' }
    case 'array':
      if (schema.items?.pattern === SLUG.source) return { ...base, kind: 'ids' }
      return { ...base, kind: schema.items?.type === 'integer' ? 'numbers' : 'texts' }
    default:
      if (schema.pattern === SLUG.source) return { ...base, kind: 'id' }
      return schema.format === 'date'
        ? { ...base, kind: 'date' }
        : { ...base, kind: 'text', long: (schema.maxLength ?? 0) > 120 }
  }
}

/** How a number is typed, from the unit its name ends with. */
const formIn = (name: string): FieldForm | null => {
  if (/[a-z]Ms$/.test(name)) return { unit: 'ms' }
  if (/Mm$/.test(name)) return { unit: 'mm' }
  if (/[a-z]G$/.test(name)) return { unit: 'g' }
  if (/[Pp]ermille$/.test(name)) return { unit: 'permille' }
  return null
}

/** `cautionsAllowed` -> "Cautions allowed"; the unit at the end is left to the field. */
export const labelOf = (name: string): string => {
  const words = name
    .replace(/([a-z])(Ms|Mm|G|Permille)$/, '$1')
    .replace(/[cC]entipoints$/, 'Points')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
    .trim()
  return words.charAt(0).toUpperCase() + words.slice(1)
}
