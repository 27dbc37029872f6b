/** What is wrong with a cell of a file whose columns are known by name. */
export interface RowFinding {
  /** Line in the file, the heading being line 1. */
  readonly line: number
  readonly column: string
  readonly found: string
  readonly expected: string
}
