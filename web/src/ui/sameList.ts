/** Keeps a list that has not changed the very list it was, so that what is made from it is not made anew. */
export const sameList = <Item>(now: readonly Item[], before: readonly Item[] | undefined): readonly Item[] =>
  before?.length === now.length && now.every((item, index) => item === before[index]) ? before : now
