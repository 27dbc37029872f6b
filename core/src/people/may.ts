/**
 * Who may do what, written once: routes, streams and screens ask here. Everything is data, so that another role, or a unit of
 * the organisation, is a line in a table.
 */
/** In the order they are listed: who looks after the house, who works a day, who keeps the records. */
export const ROLES = ['administrator', 'officer', 'grader', 'timer', 'clerk', 'records', 'viewer'] as const
export type Role = (typeof ROLES)[number]

/** What somebody is to the program. */
export interface Actor {
  readonly role: Role
  /** The unit somebody belongs to, and with it all that lie below; left out for who belongs to the whole house. */
  readonly unitId?: string
  /** Joined with a station code: works these events of this day and nothing else. */
  readonly station?: { readonly occasionId: string; readonly eventIds: readonly string[] }
}

/** Where something is to be done; what is left out is not asked about. */
export interface Place {
  readonly occasionId?: string
  readonly eventIds?: readonly string[]
  /** Whether the actor is on the staff of that day. */
  readonly isStaff?: boolean
  /** Whether the day or the person belongs to the actor's unit or to one below it; so does everything for who belongs to the whole house. */
  readonly isWithin?: boolean
}

interface Rule {
  readonly roles: readonly Role[]
  /**
   * `house`: everywhere. `service`: only for who belongs to the whole house. `person`: somebody of the own unit. `day`: a day of
   * the own unit that one oversees, or any that one is on the staff of. `staff`: only on its staff.
   */
  readonly ground: 'house' | 'service' | 'person' | 'day' | 'staff'
  /** Whether who joined with a station code may, on the own day; `ownEvents`: about the own events alone. */
  readonly guests?: 'ownDay' | 'ownEvents'
}

const EVERYBODY = ROLES
/** Whoever sees days at all: not who looks after accounts, nor who keeps the records of people. */
const DAYS: readonly Role[] = ['officer', 'grader', 'timer', 'clerk', 'viewer']
const STAFF: readonly Role[] = ['officer', 'grader', 'timer', 'clerk']
const OBSERVERS: readonly Role[] = ['officer', 'grader', 'timer']
const MUSTER: readonly Role[] = ['officer', 'clerk']
/** Results are brought in by the columns of a standard, so who keeps records reads them too. */
const READERS: readonly Role[] = [...DAYS, 'records']
const OFFICER: readonly Role[] = ['officer']
const ADMINISTRATOR: readonly Role[] = ['administrator']
/** What holds for the whole house: its rules, and whose keys it believes. */
const HOUSE: readonly Role[] = ['administrator', 'officer']
const PEOPLE: readonly Role[] = ['officer', 'clerk', 'records']
const RECORDS: readonly Role[] = ['officer', 'records']
const ACCOUNTS: readonly Role[] = ['administrator', 'officer', 'clerk']

/** Roles that oversee all days; the others see those they are on the staff of. */
const OVERSEES: readonly Role[] = ['officer', 'viewer']

export const RULES = {
  'time.read': { roles: EVERYBODY, ground: 'house', guests: 'ownDay' },
  'houseRules.read': { roles: EVERYBODY, ground: 'house', guests: 'ownDay' },
  'houseRules.write': { roles: HOUSE, ground: 'service' },
  'backups.make': { roles: ADMINISTRATOR, ground: 'service' },
  'backups.restore': { roles: ADMINISTRATOR, ground: 'service' },
  'units.read': { roles: EVERYBODY, ground: 'house' },
  'units.write': { roles: ADMINISTRATOR, ground: 'service' },
  'standards.read': { roles: READERS, ground: 'house' },
  'standards.write': { roles: OFFICER, ground: 'service' },
  'standards.results': { roles: OFFICER, ground: 'service' },
  'people.read': { roles: PEOPLE, ground: 'person' },
  'people.change': { roles: RECORDS, ground: 'person' },
  'people.export': { roles: RECORDS, ground: 'person' },
  'results.bringIn': { roles: RECORDS, ground: 'person' },
  /** Sums over many days, without names. */
  'insight.read': { roles: ['officer', 'records', 'viewer'], ground: 'person' },
  /** What graders did; each sees themselves, an officer everybody. */
  'insight.graders': { roles: OBSERVERS, ground: 'person' },
  'ownPages.make': { roles: PEOPLE, ground: 'person' },
  /** Links on the sheets of a day. */
  'ownPages.print': { roles: MUSTER, ground: 'day' },
  'selfTests.add': { roles: PEOPLE, ground: 'person' },
  'accounts.read': { roles: ACCOUNTS, ground: 'house' },
  'accounts.link': { roles: ACCOUNTS, ground: 'house' },
  /** Letting people in, closing accounts, signing others out. */
  'accounts.manage': { roles: ADMINISTRATOR, ground: 'service' },
  /** The own password, and where one is signed in. */
  'account.own': { roles: EVERYBODY, ground: 'house' },
  'keys.read': { roles: EVERYBODY, ground: 'house' },
  'keys.trust': { roles: HOUSE, ground: 'service' },
  'securityLog.read': { roles: HOUSE, ground: 'service' },
  'days.list': { roles: DAYS, ground: 'house', guests: 'ownDay' },
  'days.plan': { roles: OFFICER, ground: 'house' },
  'days.copy': { roles: OFFICER, ground: 'day' },
  'archives.readIn': { roles: OFFICER, ground: 'service' },
  rehearse: { roles: OBSERVERS, ground: 'house' },
  /** Sets to practise on; each sees the own ones. */
  practise: { roles: OBSERVERS, ground: 'house' },
  /** How fresh everybody's practice is. */
  'practice.marks': { roles: OFFICER, ground: 'house' },
  'day.read': { roles: DAYS, ground: 'day', guests: 'ownDay' },
  'verdicts.read': { roles: DAYS, ground: 'day' },
  'archive.save': { roles: OFFICER, ground: 'day' },
  'devices.report': { roles: STAFF, ground: 'staff', guests: 'ownDay' },
  /** Whom a device has open, told to the others who work the day. */
  'claims.write': { roles: OBSERVERS, ground: 'staff', guests: 'ownEvents' },
  'devices.watch': { roles: OFFICER, ground: 'house' },
  'devices.read': { roles: OFFICER, ground: 'day' },
  'annex.read': { roles: OFFICER, ground: 'day' },
  capture: { roles: OBSERVERS, ground: 'staff', guests: 'ownEvents' },
  /** Deciding a mark, disqualifying, and undoing what an officer did. */
  'capture.asOfficer': { roles: OFFICER, ground: 'staff' },
  'entries.change': { roles: MUSTER, ground: 'staff' },
  'screenings.read': { roles: MUSTER, ground: 'staff' },
  'roster.enter': { roles: MUSTER, ground: 'staff' },
  'waves.set': { roles: MUSTER, ground: 'staff' },
  /** How long starts took on past days. */
  'habits.read': { roles: OFFICER, ground: 'day' },
  'plan.write': { roles: OFFICER, ground: 'staff' },
  'staff.write': { roles: OFFICER, ground: 'staff' },
  'stations.open': { roles: OFFICER, ground: 'staff' },
  'day.cancel': { roles: OFFICER, ground: 'staff' },
  'rehearsal.throwAway': { roles: OBSERVERS, ground: 'staff' },
  'day.sign': { roles: OFFICER, ground: 'staff' },
  'day.amend': { roles: OFFICER, ground: 'staff' },
  'log.write': { roles: STAFF, ground: 'staff', guests: 'ownDay' },
  'log.conditions': { roles: STAFF, ground: 'staff' },
  'log.heatDecided': { roles: OFFICER, ground: 'staff' },
  'log.briefed': { roles: OBSERVERS, ground: 'staff' },
  'log.holdRaised': { roles: STAFF, ground: 'staff', guests: 'ownDay' },
  'log.holdLifted': { roles: OFFICER, ground: 'staff' },
  'log.eventConfirmed': { roles: OBSERVERS, ground: 'staff', guests: 'ownEvents' },
  'log.protested': { roles: ['officer', 'grader', 'clerk'], ground: 'staff' },
  'log.protestAnswered': { roles: OFFICER, ground: 'staff' },
  'log.cardsKeyed': { roles: STAFF, ground: 'staff', guests: 'ownEvents' },
  'log.dayOpened': { roles: OFFICER, ground: 'staff' },
  /** The server alone notices this. */
  'log.clockStepped': { roles: [], ground: 'staff' },
  'birthDates.see': { roles: PEOPLE, ground: 'house' },
  /** Why somebody is held or stopped, and notes about people: those who work with them need it, who only looks on does not. */
  'reasons.see': { roles: STAFF, ground: 'house' },
} as const satisfies Readonly<Record<string, Rule>>

export type Action = keyof typeof RULES

export type Permission =
  | { readonly ok: true }
  /**
   * `role`: it takes another role. `station`: a station code does not reach that far. `staff`: not on the staff of the day.
   * `unit`: of another unit, or of the whole house.
   */
  | { readonly ok: false; readonly why: 'role' | 'station' | 'staff' | 'unit' }

const YES: Permission = { ok: true }

/** Whether somebody may do something, there. */
export const may = (
  { role, unitId, station }: Actor,
  action: Action,
  { occasionId, eventIds, isStaff, isWithin }: Place = {},
): Permission => {
  const { roles, ground, guests }: Rule = RULES[action]
  if (!roles.includes(role)) return { ok: false, why: 'role' }
  if (station) {
    const elsewhere = occasionId !== undefined && occasionId !== station.occasionId
    const others = guests === 'ownEvents' && (eventIds ?? []).some((id) => !station.eventIds.includes(id))
    if (guests === undefined || elsewhere || others) return { ok: false, why: 'station' }
  }
  switch (ground) {
    case 'house':
      return YES
    case 'service':
      return unitId === undefined ? YES : { ok: false, why: 'unit' }
    case 'person':
      return isWithin === false ? { ok: false, why: 'unit' } : YES
    case 'staff':
      return isStaff === false ? { ok: false, why: 'staff' } : YES
    case 'day':
      if (isStaff !== false) return YES
      if (!OVERSEES.includes(role)) return { ok: false, why: 'staff' }
      return isWithin === false ? { ok: false, why: 'unit' } : YES
  }
}

/** Roles an action is open to, for an error that says so. */
export const rolesFor = (action: Action): readonly Role[] => RULES[action].roles

/** Whether somebody sees every day of the own unit, or only those they are on the staff of. */
export const oversees = ({ role }: Actor): boolean => OVERSEES.includes(role)
