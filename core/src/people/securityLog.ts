/** What the security log can say, in words; ids and codes stay as they are. */
const SENTENCES = {
  signIn: 'signed in',
  'signIn.refused': 'a wrong name or password',
  'station.joined': 'joined a station with its code',
  'station.refused': 'a wrong station code',
  'access.refused': 'asked for what is not theirs',
  'signature.refused': 'a wrong password for a signature',
  'screenings.read': 'read screening answers',
  'archive.saved': 'saved a whole day as a file',
  'archive.readIn': 'read a whole day in from a file',
  'day.changed': 'changed name, place or date of a day',
  'day.cancelled': 'cancelled a day, or took that back',
  'rehearsal.thrownAway': 'threw a rehearsal away',
  'staff.changed': 'changed the staff of a day',
  'station.opened': 'made a station code',
  'station.ended': 'ended a station code',
  'account.linked': 'said which person an account is',
  'account.invited': 'invited somebody',
  'account.linkMade': 'made a new link for an account',
  'account.linkUsed': 'chose a password by a link',
  'link.refused': 'a link that opens nothing',
  'account.changed': 'changed name or role of an account',
  'unit.changed': 'changed a unit',
  'account.closed': 'closed an account',
  'account.opened': 'opened a closed account again',
  'sessions.ended': 'signed an account out elsewhere',
  'password.changed': 'changed the own password',
  'password.refused': 'a wrong password for a change of it',
  'secondFactor.set': 'set up an authenticator',
  'secondFactor.dropped': 'gave an authenticator up',
  'secondFactor.refused': 'a wrong code of an authenticator',
  'house.restored': 'put a backup in place of the whole house',
  'backup.made': 'took a backup of the whole house',
  'house.founded': 'became the first administrator',
  'house.refused': 'a wrong code for setting up',
  'person.changed': 'changed somebody on record',
  'people.exported': 'took the register out as a file',
  'person.exported': 'took everything about somebody out as a file',
  'ownPage.made': 'made a link to somebody’s own page',
  'ownPage.withdrawn': 'ended the links to somebody’s own page',
  'ownPage.refused': 'a link or date of birth that opens no page',
  'results.broughtIn': 'brought results of earlier years in from a file',
  'people.broughtIn': 'brought people in from a file',
  'houseRules.changed': 'changed the house rules',
  'key.trusted': 'believes another organisation’s key',
} as const

export type SecurityEventKind = keyof typeof SENTENCES

export const SECURITY_EVENT_KINDS = Object.keys(SENTENCES) as SecurityEventKind[] // its own keys

/** Whether it was refused: what an officer looks for first. */
export const isRefusal = (kind: string): boolean => kind.endsWith('.refused')

/** @param kind also one that only an older or newer program knows */
export const securityEventInWords = (kind: string): string =>
  (SENTENCES as Readonly<Record<string, string | undefined>>)[kind] ?? kind

/** "from ::1, day 0193…": what stands beside the sentence. */
export const securityFactsInWords = (detail: Readonly<Record<string, string | number | boolean>>): string =>
  Object.entries(detail)
    .filter(([, value]) => value !== '')
    .map(([name, value]) => `${name === 'address' ? 'from' : name} ${value}`)
    .join(', ')
