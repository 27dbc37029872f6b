export const ROLES = ['officer', 'grader', 'timer', 'clerk', 'viewer'] as const
export type Role = (typeof ROLES)[number]

/** Who may read a day at all. */
export const EVERY_ROLE: readonly Role[] = ROLES
/** Who may capture. */
export const CAPTURING: readonly Role[] = ['officer', 'grader', 'timer']
/** Who may change entries. */
export const MUSTERING: readonly Role[] = ['officer', 'clerk']
/** Who plans new days. */
export const PLANS_DAYS: readonly Role[] = ['officer']
/** Who drafts, publishes and retires standards. */
export const WRITES_STANDARDS: readonly Role[] = ['officer']
/** Who sees dates of birth. */
export const SEES_BIRTH_DATES: readonly Role[] = ['officer', 'clerk']

export interface Account {
  readonly id: string
  readonly signInName: string
  readonly displayName: string
  readonly role: Role
  /** Joined with a station code: works these events of this day and nothing else. */
  readonly station?: { readonly occasionId: string; readonly eventIds: readonly string[] }
}
