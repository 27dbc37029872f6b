/** What each role is for, for whoever gives it. */
import type { Role } from '@able-gauge/core'

export const ROLE_WORK: Readonly<Record<Role, string>> = {
  administrator: 'Lets people in, looks after the house and its backups. Sees no day and no person.',
  officer: 'Plans, runs, decides and signs days; owns the standards.',
  grader: 'Counts, refuses and times on the days they are on the staff of.',
  timer: 'Stamps on the days they are on the staff of.',
  clerk: 'Checks people in: identity, screening, consent. Sees dates of birth.',
  records: 'Keeps people on record, brings results in, reports. Works no day and no standard.',
  viewer: 'Reads days and verdicts, and changes nothing.',
}

/** The unit of an account as it is sent: none for the whole house, which an administrator always looks after. */
export const unitOf = (role: Role, unitId: string): { unitId?: string } =>
  role === 'administrator' || unitId === '' ? {} : { unitId }
