import { ROLES, type Actor, type Role } from '@able-gauge/core'

export { ROLES, type Role }

export interface Account extends Actor {
  readonly id: string
  readonly signInName: string
  readonly displayName: string
}
