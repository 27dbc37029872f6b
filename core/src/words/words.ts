/** A step of a trace in words. */
export interface Words {
  readonly title: string
  readonly sentence: string
}
