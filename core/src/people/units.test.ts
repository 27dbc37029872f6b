import fc from 'fast-check'
import { expect, test } from 'vitest'
import { unitsToChoose, unitsWithin, unitTree, type OrgUnit } from './units.ts'

const unit = (id: string, parentId: string | null = null, isClosed = false): OrgUnit => ({
  id,
  name: id,
  parentId,
  isClosed,
})
const UNITS = [
  unit('South', 'Constabulary'),
  unit('Fire'),
  unit('Watch', 'South', true),
  unit('Constabulary'),
  unit('North', 'Constabulary'),
]

test('a tree is read from the top, by name, each unit after the one it is a part of', () => {
  expect(unitTree(UNITS).map(({ path, depth }) => `${depth} ${path}`)).toEqual([
    '0 Constabulary',
    '1 Constabulary, North',
    '1 Constabulary, South',
    '2 Constabulary, South, Watch',
    '0 Fire',
  ])
})

test('what lies within a unit is the unit and all below it, closed or not', () => {
  expect([...unitsWithin(UNITS, 'Constabulary')].sort()).toEqual(['Constabulary', 'North', 'South', 'Watch'])
  expect([...unitsWithin(UNITS, 'Fire')]).toEqual(['Fire'])
})

test('only units in use are offered, to who belongs to one only that one and those below', () => {
  const offered = (own: string | null): string[] => unitsToChoose(UNITS, own).map(({ id }) => id)
  expect(offered(null)).toEqual(['Constabulary', 'North', 'South', 'Fire'])
  expect(offered('South')).toEqual(['South'])
  expect(offered('Watch')).toEqual([])
})

test('every unit of a tree stands in it once, below its parent, and lies within all above it', () => {
  const trees = fc.array(fc.nat(), { maxLength: 30 }).map((parents) =>
    // each hangs below one that came before it, or stands at the top
    parents.map((parent, index) =>
      unit(`u${index}`, index === 0 || parent % (index + 1) === index ? null : `u${parent % index}`),
    ),
  )
  fc.assert(
    fc.property(trees, (units) => {
      const tree = unitTree(units)
      expect(tree.map(({ id }) => id).sort()).toEqual(units.map(({ id }) => id).sort())
      tree.forEach(({ id, parentId, depth }, at) => {
        const parent = tree.findIndex((one) => one.id === parentId)
        expect(parent).toBeLessThan(at)
        expect(depth).toBe(parent < 0 ? 0 : (tree[parent]?.depth ?? 0) + 1)
        if (parentId !== null) expect(unitsWithin(units, parentId)).toContain(id)
        expect(unitsWithin(units, id).has(parentId ?? '')).toBe(false)
      })
    }),
  )
})
