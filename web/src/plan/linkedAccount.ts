import type { Account } from '../session/sessionStore.ts'

/** An account with the number of the person it belongs to. */
export interface LinkedAccount extends Account {
  readonly personNumber: string | null
}
