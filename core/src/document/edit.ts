/** A change at one place of a document. */
export interface Edit {
  /** Path from the top of the document. */
  readonly place: string
  /** What stands there afterwards; left out, what stood there is taken out. */
  readonly value?: unknown
}

/**
 * The document with the changes; the one given stays as it was. A place that is not there any more is passed over.
 * @example edited({ rows: [{ ageTo: 30 }] }, [{ place: 'rows[0].ageTo', value: 29 }]) // { rows: [{ ageTo: 29 }] }
 */
export const edited = (document: object, edits: readonly Edit[]): object => {
  const copy: unknown = JSON.parse(JSON.stringify(document))
  for (const { place, value } of edits) {
    const steps = place.split(/[.[\]]+/).filter((step) => step !== '')
    const last = steps.pop()
    const owner = steps.reduce<unknown>((node, step) => (isObject(node) ? Reflect.get(node, step) : undefined), copy)
    if (last === undefined || !isObject(owner)) continue
    if (value !== undefined) Reflect.set(owner, last, value)
    else if (Array.isArray(owner)) owner.splice(Number(last), 1)
    else Reflect.deleteProperty(owner, last)
  }
  return Object(copy) as object
}

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null
