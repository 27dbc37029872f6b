/** Rules of a class are worked out once, for what stands alone and for what is nested; groups and registered schemas stay the library's. */
import { expect, test } from 'vitest'
import { keepRules } from './keepRules.ts'

class Owner {}
class Part {}

/** As much of the library's storage as is changed. */
const storageWith = (...schemas: readonly string[]) => {
  const asked: string[] = []
  const storage = {
    validationMetadatas: new Map(schemas.map((name) => [name, []])),
    getTargetValidationMetadatas: (
      target: { readonly name: string },
      schema?: string,
      _always?: boolean,
      _strict?: boolean,
      _groups?: readonly string[],
    ) => {
      asked.push(`${target.name} ${schema}`)
      return [{ propertyName: target.name }]
    },
    groupByPropertyName: (rules: readonly object[]) => ({ grouped: [...rules] }),
  }
  keepRules(storage as never)
  const find = (target: { readonly name: string }, schema?: string, groups?: readonly string[]) =>
    storage.getTargetValidationMetadatas(target, schema, false, false, groups)
  return { asked, find, storage }
}

test('a class is asked about once, alone and within others', () => {
  const { asked, find, storage } = storageWith()
  const rules = find(Part, 'Owner')
  expect(find(Part, 'Owner')).toBe(rules)
  expect(find(Part, 'Another')).toBe(rules)
  expect(find(Part)).toBe(rules)
  expect(find(Owner)).not.toBe(rules)
  expect(asked).toEqual(['Part Owner', 'Owner undefined'])
  expect(storage.groupByPropertyName(rules)).toBe(storage.groupByPropertyName(rules))
})

test('whoever asks for groups, or by a registered schema, gets what the library says', () => {
  const { asked, find } = storageWith('registered')
  find(Part, 'registered')
  find(Part, 'registered')
  find(Part, undefined, ['one'])
  find(Part, undefined, ['one'])
  expect(asked).toHaveLength(4)
  find(Part, undefined, [])
  find(Part, undefined, [])
  expect(asked).toHaveLength(5)
})
