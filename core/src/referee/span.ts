/** From when to when somebody was at an event. */
export interface Span {
  readonly fromMs: number
  /** Null while it runs. */
  readonly toMs: number | null
}
