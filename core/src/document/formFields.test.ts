import { expect, test } from 'vitest'
import { PROTOCOLS } from '../kinds/kinds.ts'
import { COMBINATIONS } from '../standard/combination.ts'
import { SCORINGS } from '../standard/scoring.ts'
import { Standard } from '../standard/standard.ts'
import { descriptionsOf, type Class } from './described.ts'
import { formFieldsOf } from './formFields.ts'

const nestedIn = (type: Class): Class[] =>
  [...descriptionsOf(type).values()].flat().flatMap((description) => {
    if (description.kind === 'nested' || description.kind === 'nestedList') return [description.type()]
    return description.kind === 'oneOf' ? Object.values(description.classes) : []
  })

/** Every class a standard is made of, once. */
const classesIn = (type: Class, known = new Set<Class>()): ReadonlySet<Class> => {
  if (known.has(type)) return known
  known.add(type)
  for (const inner of nestedIn(type)) classesIn(inner, known)
  return known
}

test('everything the file can say has a field of the form; what can be one thing only needs none', () => {
  const all = [...classesIn(Standard)]
  expect(all).toEqual(
    expect.arrayContaining([...Object.values(PROTOCOLS), ...Object.values(SCORINGS), ...Object.values(COMBINATIONS)]),
  )
  const without = all.flatMap((type) => {
    const fields = new Set(formFieldsOf(type).map(({ name }) => name))
    return [...descriptionsOf(type).keys()].filter((name) => !fields.has(name))
  })
  expect([...new Set(without)].sort()).toEqual(['format', 'kind', 'unit'])
})
