/** A day as it is signed, archived and proven; and an archive back into the database. */
import {
  ARCHIVE_FORMAT,
  commitmentsIn,
  commitmentTo,
  contentHash,
  identityText,
  sealArchive,
  type ArchivedAccount,
  type ArchivedEntry,
  type ArchivedIdentity,
  type ArchivedPerson,
  type DayArchive,
  type Finding,
  type Occasion,
  type Proof,
  type StoredRecord,
} from '@able-gauge/core'
import { inTransaction, type Database, type Pool } from './database.ts'
import { readDay, type DayRecord } from './dayRecord.ts'
import { invalidInput, Problem } from './problem.ts'
import { addArchivedAccount, listAccountsById } from './store/accountStore.ts'
import { listSignedAmendments } from './store/amendmentStore.ts'
import { archivedRows, findStoredCaptures } from './store/captureStore.ts'
import { restoreEntry } from './store/entryStore.ts'
import { beginReadingIn, endReadingIn, restoreLog } from './store/importStore.ts'
import { addOccasion, addStaffMember, findOccasion, listStaff } from './store/occasionStore.ts'
import { addPerson, findOwnersOfNumbers, findPeopleByIds } from './store/personStore.ts'
import { findPlan, writePlan } from './store/planStore.ts'
import { archivedRecordRows, listStoredRecords } from './store/recordStore.ts'
import { findSignature, listIdentities, listStoredVerdicts, restoreSignature } from './store/signOffStore.ts'
import { addStandard, findPublished } from './store/standardStore.ts'
import { addTexts, findTexts } from './store/textStore.ts'
import { writeDay } from './writtenResults.ts'

/** Everything of a day that is signed, but for the verdicts and for who people were. */
export type DayParts = Omit<
  DayArchive,
  'format' | 'verdicts' | 'identities' | 'texts' | 'signOff' | 'amendments' | 'leaves' | 'seal'
>

export const partsOfDay = async (db: Database, { occasion, published, entries }: DayRecord): Promise<DayParts> => {
  const captures = await findStoredCaptures(db, occasion.id)
  const records = await listStoredRecords(db, occasion.id)
  const staff = (await listStaff(db, occasion.id)).map(({ accountId, duty }) => ({ accountId, duty }))
  const amended = await listSignedAmendments(db, occasion.id)
  const signOff = await findSignature(db, occasion.id)
  const accountIds = new Set([
    ...staff.map(({ accountId }) => accountId),
    ...captures.flatMap(({ actorId, sentBy }) => (sentBy === undefined ? [actorId] : [actorId, sentBy])),
    ...records.map(({ actorId }) => actorId),
    ...amended.map(({ accountId }) => accountId),
    ...(signOff ? [signOff.accountId] : []),
  ])
  const { id, name, venue, zone, testDate } = occasion
  return asJson({
    occasion: { id, name, venue, zone, testDate, ...(occasion.rehearsal ? { rehearsal: true as const } : {}) },
    standard: published.standard,
    plan: (await findPlan(db, occasion.id))?.plan ?? null,
    accounts: (await listAccountsById(db, [...accountIds])).sort(byId),
    staff: staff.sort((a, b) => (a.accountId < b.accountId ? -1 : 1)),
    people: entries.map(({ person }) => person).sort(byId),
    entries: entries.map(({ person, ...entry }): ArchivedEntry => ({ ...entry, personId: person.id })).sort(byId),
    captures,
    records,
  })
}

/** As JSON keeps it, so that a file read back is the same and hashes the same. */
export const asJson = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value

const byId = (a: { readonly id: string }, b: { readonly id: string }): number => (a.id < b.id ? -1 : 1)

/** Who everybody of a day is, each with the text that a commitment is to. */
export const identitiesOf = ({
  accounts,
  people,
  entries,
}: Pick<DayParts, 'accounts' | 'people' | 'entries'>): { of: ArchivedIdentity['of']; id: string; text: string }[] => {
  const person = new Map(people.map((one) => [one.id, one]))
  return [
    ...accounts.map((account) => ({ of: 'account' as const, id: account.id, text: identityText(account) })),
    ...entries.flatMap(({ id, personId }) => {
      const who = person.get(personId)
      return who ? [{ of: 'entry' as const, id, text: identityText(who) }] : []
    }),
  ]
}

/** The whole day as a file. */
export const archiveDay = async (db: Database, occasion: Occasion): Promise<DayArchive> => {
  const parts = await partsOfDay(db, await readDay(db, occasion))
  const signOff = await findSignature(db, occasion.id)
  const verdicts = await listStoredVerdicts(db, occasion.id)
  const amendments = await listSignedAmendments(db, occasion.id)
  const known = signOff ? await listIdentities(db, occasion.id) : []
  // an open day hides nobody: its commitments have no secret
  const identities = signOff
    ? known.map(({ text: _text, ...identity }) => identity)
    : identitiesOf(parts).map(({ of, id, text }) => ({ of, id, commit: commitmentTo(text, ''), salt: '' }))
  const found = await findTexts(db, commitmentsIn([parts.captures, parts.records, verdicts, amendments]))
  const texts = [...found.values()].sort((a, b) => (a.commit < b.commit ? -1 : 1))
  return sealArchive(
    asJson({
      format: ARCHIVE_FORMAT as typeof ARCHIVE_FORMAT,
      ...asSigned(parts, known),
      verdicts,
      identities,
      texts,
      signOff,
      amendments,
    }),
  )
}

/** Names as they were when the day was signed; people may have been corrected since. */
const asSigned = (
  { people, accounts, ...parts }: DayParts,
  identities: readonly { readonly of: string; readonly id: string; readonly text: string | null }[],
): DayParts => {
  const textOf = new Map(identities.map(({ of, id, text }) => [`${of} ${id}`, text]))
  const entryOf = new Map(parts.entries.map(({ id, personId }) => [personId, id]))
  const told = <Who extends object>(who: Who, key: string): Who => {
    const text = textOf.get(key)
    return text ? { ...who, ...(JSON.parse(text) as Partial<Who>) } : who
  }
  return {
    ...parts,
    people: people.map((person): ArchivedPerson => told(person, `entry ${entryOf.get(person.id)}`)),
    accounts: accounts.map((account): ArchivedAccount => told(account, `account ${account.id}`)),
  }
}

/**
 * Puts an archive that was proven by `readArchive` into the database, all of it or nothing.
 * @param token of the officer who reads it in
 * @throws Problem 409 when the day is there already, 422 where something of it is there and is another
 */
export const restoreDay = (pool: Pool, token: string, archive: DayArchive, proof: Proof): Promise<void> =>
  inTransaction(pool, async (db) => {
    const { occasion, standard, plan, captures, signOff } = archive
    if (await findOccasion(db, occasion.id)) {
      throw new Problem(409, 'archive.dayKnown', `"${occasion.name}" is here already. Nothing was changed.`)
    }
    const findings = await othersInTheWay(db, archive)
    if (findings.length > 0) throw invalidInput(findings)
    if (!(await findPublished(db, standard.id, standard.version))) await addStandard(db, standard)
    const known = new Set(
      (
        await listAccountsById(
          db,
          archive.accounts.map(({ id }) => id),
        )
      ).map(({ id }) => id),
    )
    const people = await findPeopleByIds(
      db,
      archive.people.map(({ id }) => id),
    )
    for (const person of archive.people) if (!people.has(person.id)) await addPerson(db, person)
    await addOccasion(db, { ...occasion, standardId: standard.id, standardVersion: standard.version })
    const keyName = 'keyFingerprint' in proof ? proof.keyFingerprint : null
    await beginReadingIn(db, token, occasion.id, keyName, proof.kind === 'signed')
    for (const account of archive.accounts) {
      if (!known.has(account.id)) await addArchivedAccount(db, token, occasion.id, account)
    }
    for (const { accountId, duty } of archive.staff) await addStaffMember(db, occasion.id, accountId, duty)
    for (const entry of archive.entries) await restoreEntry(db, occasion.id, entry)
    await restoreTexts(db, archive)
    await restoreLog(db, token, occasion.id, archivedRows(captures), archivedRecordRows(archive.records))
    const [firstAccount] = archive.accounts
    if (plan && firstAccount) await writePlan(db, occasion.id, plan, 0, signOff?.accountId ?? firstAccount.id)
    if (signOff) await restoreSignature(db, token, occasion.id, signOff, archive)
    await endReadingIn(db, token, occasion.id)
    await writeDay(db, occasion.id)
  })

/** What was written and who people were, each about the entry it was about; what was erased stays so. */
const restoreTexts = async (db: Database, archive: DayArchive): Promise<void> => {
  const { captures, records, amendments, verdicts, identities, texts, people, accounts, entries, signOff } = archive
  const about = new Map<string, string>()
  const note = (entryId: string | null, value: unknown): void => {
    if (entryId !== null) for (const commit of commitmentsIn(value)) about.set(commit, entryId)
  }
  for (const { entryId, payload } of captures) note(entryId, payload)
  for (const record of records) note(entryOfRecord(record, records), record.content)
  for (const { entryId, reason } of amendments) note(entryId, reason)
  for (const { entryId, verdict } of verdicts) note(entryId, verdict)
  await addTexts(
    db,
    archive.occasion.id,
    texts.map((text) => ({ ...text, entryId: about.get(text.commit) ?? null })),
  )
  if (!signOff) return
  const textOf = new Map(identitiesOf({ people, accounts, entries }).map(({ of, id, text }) => [`${of} ${id}`, text]))
  await addTexts(
    db,
    archive.occasion.id,
    identities.map(({ of, id, commit, salt }) => ({
      commit,
      salt,
      text: textOf.get(`${of} ${id}`) ?? '',
      entryId: of === 'entry' ? id : null,
    })),
  )
}

const entryOfRecord = ({ content }: StoredRecord, records: readonly StoredRecord[]): string | null => {
  if ('entryId' in content) return String(content.entryId)
  const named = 'holdId' in content ? content.holdId : 'protestId' in content ? content.protestId : null
  const before = records.find(({ id }) => id === named)?.content
  return before && 'entryId' in before ? String(before.entryId) : null
}

/** A person or a standard that is known and is another must not be overwritten. */
const othersInTheWay = async (db: Database, { standard, people }: DayArchive): Promise<Finding[]> => {
  const published = await findPublished(db, standard.id, standard.version)
  const isOther = published !== null && published.contentHash !== contentHash(standard)
  const known = await findPeopleByIds(
    db,
    people.map(({ id }) => id),
  )
  const ownerOf = await findOwnersOfNumbers(
    db,
    people.map(({ number }) => number),
  )
  return [
    ...(isOther
      ? [
          {
            place: 'standard',
            code: 'standardDiffers',
            found: `${standard.id} version ${standard.version} with other content`,
            expected: 'the version that is published here',
          },
        ]
      : []),
    ...people.flatMap(({ id, number }, index) => {
      const owner = ownerOf.get(number)
      return known.has(id) || owner === undefined || owner === id
        ? []
        : [
            {
              place: `people[${index}].number`,
              code: 'numberTaken',
              found: number,
              expected: 'a number nobody else has here',
            },
          ]
    }),
  ]
}
