/** Units and sites of an organisation as a tree: in the order one reads it, and what lies within what. */

export interface OrgUnit {
  readonly id: string
  readonly name: string
  /** The unit it is a part of; null for one at the top. */
  readonly parentId: string | null
  /** No longer in use: it keeps its people and days and is offered to nobody. */
  readonly isClosed: boolean
}

/** A unit where it stands in the tree. */
export interface OrgUnitInTree extends OrgUnit {
  /** 0 at the top. */
  readonly depth: number
  /** Its name after those above it: "Constabulary, North Skerries". */
  readonly path: string
}

/** All units, each after the one it is a part of, by name within it. */
export const unitTree = (units: readonly OrgUnit[]): OrgUnitInTree[] => {
  const below = (parentId: string | null, depth: number, above: string): OrgUnitInTree[] =>
    units
      .filter((unit) => unit.parentId === parentId)
      .sort((a, b) => a.name.localeCompare(b.name, 'en'))
      .flatMap((unit) => {
        const path = above === '' ? unit.name : `${above}, ${unit.name}`
        return [{ ...unit, depth, path }, ...below(unit.id, depth + 1, path)]
      })
  return below(null, 0, '')
}

/** Ids of a unit and of all that lie below it. */
export const unitsWithin = (units: readonly OrgUnit[], id: string): ReadonlySet<string> => {
  const within = new Set([id])
  // a tree that is read from the top names each unit after the one it is a part of
  for (const { id: each, parentId } of unitTree(units)) if (parentId !== null && within.has(parentId)) within.add(each)
  return within
}

/** Units somebody may choose: those in use, and for who belongs to one, that one and what lies below it. */
export const unitsToChoose = (units: readonly OrgUnit[], ownUnitId: string | null): OrgUnitInTree[] => {
  const reach = ownUnitId === null ? null : unitsWithin(units, ownUnitId)
  return unitTree(units).filter(({ id, isClosed }) => !isClosed && (reach === null || reach.has(id)))
}
