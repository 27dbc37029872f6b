/** A day out of the database as an archive, and an archive back into it. */
import {
  ARCHIVE_FORMAT,
  contentHash,
  linkArchive,
  signedHead,
  type ArchivedVerdict,
  type DayArchive,
  type DayRecordEntry,
  type Finding,
  type Occasion,
  type RecordedCapture,
} from '@able-gauge/core'
import { inTransaction, type Database, type Pool } from './database.ts'
import { readDay } from './dayRecord.ts'
import { invalidInput, Problem } from './problem.ts'
import { addArchivedAccount, listAccountsById } from './store/accountStore.ts'
import { listAmendments } from './store/amendmentStore.ts'
import { archivedRows, findAllCaptures } from './store/captureStore.ts'
import { restoreEntry } from './store/entryStore.ts'
import { beginReadingIn, endReadingIn, restoreLog } from './store/importStore.ts'
import { addOccasion, addStaffMember, findOccasion, listStaff } from './store/occasionStore.ts'
import { addPerson, findOwnersOfNumbers, findPeopleByIds } from './store/personStore.ts'
import { findPlan, writePlan } from './store/planStore.ts'
import { archivedRecordRows, listRecords } from './store/recordStore.ts'
import { findSignature, listSnapshots, restoreSignature, type VerdictSnapshot } from './store/signOffStore.ts'
import { addStandard, findPublished } from './store/standardStore.ts'

/** Everything a signature stands for, as it is hashed. */
export const headOfDay = async (
  db: Database,
  occasionId: string,
  captures: readonly RecordedCapture[],
  snapshots: readonly VerdictSnapshot[],
): Promise<string> => {
  const records = (await listRecords(db, occasionId)).map(withoutName)
  return signedHead({ captures: captures.map(plainCapture), records, verdicts: inOrder(snapshots) })
}

const withoutName = ({ id, seq, content, actorId, atMs }: DayRecordEntry): Omit<DayRecordEntry, 'actor'> => ({
  id,
  seq,
  content,
  actorId,
  atMs,
})

/** As JSON keeps it, so that a file read back is the same. */
const plainCapture = (capture: RecordedCapture): RecordedCapture =>
  JSON.parse(JSON.stringify(capture)) as RecordedCapture

const inOrder = (snapshots: readonly VerdictSnapshot[]): ArchivedVerdict[] =>
  [...snapshots]
    .sort((a, b) => (a.entryId < b.entryId ? -1 : 1))
    .map(({ entryId, standardHash, inputs, verdict }) => ({ entryId, standardHash, inputs, verdict }))

export const archiveDay = async (db: Database, occasion: Occasion): Promise<DayArchive> => {
  const { published, entries } = await readDay(db, occasion)
  const captures = await findAllCaptures(db, occasion.id)
  const records = (await listRecords(db, occasion.id)).map(withoutName)
  const amendments = (await listAmendments(db, occasion.id)).map(({ by: _, ...amendment }) => amendment)
  const staff = (await listStaff(db, occasion.id)).map(({ accountId, duty }) => ({ accountId, duty }))
  const signOff = await findSignature(db, occasion.id)
  const accountIds = new Set([
    ...staff.map(({ accountId }) => accountId),
    ...captures.map(({ actorId }) => actorId),
    ...records.map(({ actorId }) => actorId),
    ...amendments.map(({ accountId }) => accountId),
    ...(signOff ? [signOff.accountId] : []),
  ])
  const { id, name, venue, zone, testDate } = occasion
  const byId = <Item extends { readonly id: string }>(a: Item, b: Item): number => (a.id < b.id ? -1 : 1)
  return linkArchive(
    // what JSON leaves out must not be hashed
    JSON.parse(
      JSON.stringify({
        format: ARCHIVE_FORMAT,
        occasion: { id, name, venue, zone, testDate },
        standard: published.standard,
        plan: (await findPlan(db, occasion.id))?.plan ?? null,
        accounts: (await listAccountsById(db, [...accountIds])).sort(byId),
        staff: staff.sort((a, b) => (a.accountId < b.accountId ? -1 : 1)),
        people: entries.map(({ person }) => person).sort(byId),
        entries: entries.map(({ person, ...entry }) => ({ ...entry, personId: person.id })).sort(byId),
        captures,
        records,
        verdicts: inOrder(await listSnapshots(db, occasion.id)),
        signOff,
        amendments,
      }),
    ) as Omit<DayArchive, 'links'>,
  )
}

/**
 * Puts an archive that was proven by `readArchive` into the database, all of it or nothing.
 * @throws Problem 409 when the day is there already, 422 where something of it is there and is another
 */
export const restoreDay = (pool: Pool, token: string, archive: DayArchive): Promise<void> =>
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
    await beginReadingIn(db, token, occasion.id, null, false)
    for (const account of archive.accounts) {
      if (!known.has(account.id)) await addArchivedAccount(db, token, occasion.id, account)
    }
    for (const { accountId, duty } of archive.staff) await addStaffMember(db, occasion.id, accountId, duty)
    for (const entry of archive.entries) await restoreEntry(db, occasion.id, entry)
    await restoreLog(db, token, occasion.id, archivedRows(captures), archivedRecordRows(archive.records))
    const [firstAccount] = archive.accounts
    if (plan && firstAccount) await writePlan(db, occasion.id, plan, 0, signOff?.accountId ?? firstAccount.id)
    if (signOff) await restoreSignature(db, token, occasion.id, signOff, archive)
    await endReadingIn(db, token, occasion.id)
  })

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
