/** Where a command writes, so that tests can read it. */
export interface Output {
  readonly out: (line: string) => void
  readonly complain: (line: string) => void
  /** Writes text as it is; resolves when there is room for more. */
  readonly write: (text: string) => Promise<void>
}

/** What a command ends with. */
export const EXIT = { fine: 0, findings: 1, unusable: 2 } as const
