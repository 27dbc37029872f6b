/** One thing wrong with a document from outside: where, what was found, what is expected. */
export interface Finding {
  /** Path from the top of the document, such as `events[2].scoring.rows[4].atMost`. */
  readonly place: string
  /** Stable name of the rule that was broken. */
  readonly code: string
  /** The offending value, shortened, as JSON. */
  readonly found: string
  readonly expected: string
}

/** A value as it is shown in a finding: JSON without what lies deeper, cut to a readable length. However deep it is, nothing is thrown. */
export const showFound = (value: unknown): string => {
  if (value === undefined) return 'nothing'
  const json = JSON.stringify(value, (key, inner: unknown) => (key === '' ? inner : shallow(inner))) ?? String(value)
  return json.length > 80 ? `${json.slice(0, 77)}…` : json
}

const shallow = (value: unknown): unknown => {
  if (typeof value !== 'object' || value === null) return value
  return Array.isArray(value) ? '[…]' : '{…}'
}

export const sayFinding = ({ place, found, expected }: Finding): string =>
  `${place === '' ? 'The document' : place}: expected ${expected}, found ${found}.`
