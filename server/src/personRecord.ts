/** What is told of a person: every test as it stands, results of earlier years, self-tests judged as they would be. */
import { randomUUID } from 'node:crypto'
import {
  ageOn,
  ageReferenceDate,
  amendVerdict,
  chosenEvent,
  estimatesFor,
  judgeEvent,
  measureReadings,
  NO_CHOICES,
  printEstimate,
  readingOf,
  type Candidate,
  type Mark,
  type Person,
  type PersonRecord,
  type PersonSelfTest,
  type SelfTestBody,
  slotsOf,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'
import type { Database } from './database.ts'
import { readPicture } from './picture.ts'
import { invalidInput } from './problem.ts'
import { listAmendments } from './store/amendmentStore.ts'
import { listBroughtTestsOf, type BroughtTest } from './store/broughtStore.ts'
import { listChangesOf, listTestsOf, type TestOfPerson } from './store/peopleStore.ts'
import { addSelfTest, listSelfTests, type KeptSelfTest } from './store/selfTestStore.ts'
import { findPublished } from './store/standardStore.ts'

/** Legible, and small: a year of them fits beside the rest. */
const EVIDENCE = { as: 'jpeg', mostPixels: 1_400 } as const

/** @param accountId who logged it; null for the person @returns its id @throws Problem 422 for an event or a reading there is none of */
export const keepSelfTest = async (
  db: Database,
  personId: string,
  { figures, picture, ...body }: SelfTestBody,
  accountId: string | null,
): Promise<string> => {
  const standard = (await findPublished(db, body.standardId, body.standardVersion))?.standard
  const event = standard?.events.find(({ id }) => id === body.eventId)
  if (!standard || !event) {
    throw invalidInput([
      { place: 'eventId', code: 'unknownEvent', found: body.eventId, expected: 'an event of a published standard' },
    ])
  }
  if (body.variantId !== undefined && !event.variants?.some(({ id }) => id === body.variantId)) {
    throw invalidInput([
      {
        place: 'variantId',
        code: 'unknownVariant',
        found: body.variantId,
        expected: 'a form of this event, or nothing',
      },
    ])
  }
  const slots = slotsOf(event.protocol).map(({ id }) => id)
  const unknown = figures.find(({ slot }) => !slots.includes(slot))
  if (unknown) {
    throw invalidInput([
      { place: 'figures', code: 'unknownSlot', found: unknown.slot, expected: `one of ${slots.join(', ')}` },
    ])
  }
  const id = randomUUID()
  const read = Object.fromEntries(figures.map(({ slot, value }) => [slot, value]))
  const image = picture === undefined ? null : await readPicture(picture, 'picture', EVIDENCE)
  if (!(await addSelfTest(db, personId, { ...body, id, figures: read }, accountId, image))) {
    throw invalidInput([
      {
        place: 'replaces',
        code: 'replaced',
        found: body.replaces ?? '',
        expected: 'a self-test of theirs that stands',
      },
    ])
  }
  return id
}

/** Tests on days of this house as they stand, oldest first; the verdict of a day that is not signed is null. */
export const testsOf = async (db: Database, personId: string) => {
  const tests: Awaited<ReturnType<typeof asItStands>>[] = []
  // one after the other: inside a transaction there is one connection
  for (const test of await listTestsOf(db, personId)) tests.push(await asItStands(db, test))
  return tests
}

/** A person with tests, self-tests and what was changed. */
export const recordOf = async (db: Database, person: Person): Promise<PersonRecord> => {
  const tests = await listTestsOf(db, person.id)
  const brought = await listBroughtTestsOf(db, person.id)
  const own = await listSelfTests(db, person.id)
  return {
    person,
    tests: [
      ...(await Promise.all(tests.map((test) => asItStands(db, test)))),
      ...(await Promise.all(brought.map((test) => asBroughtIn(db, test)))),
    ].sort((a, b) => a.testDate.localeCompare(b.testDate)),
    selfTests: await Promise.all(own.map((test) => judgeSelfTest(db, person, test, tests))),
    changes: await listChangesOf(db, person.id),
  }
}

/** A test with its amendments laid on, and what a chart needs of its standard. */
const asItStands = async (db: Database, { signed, ...test }: TestOfPerson) => {
  const standard = await standardOf(db, test)
  const told = toldOf(standard)
  if (!signed) return { ...test, ...told, estimates: [], verdict: null }
  const amendments = (await listAmendments(db, test.occasionId)).filter(({ entryId }) => entryId === test.entryId)
  const terms = { standard, testDate: test.testDate }
  const verdict = amendVerdict(terms, signed.candidate, signed.verdict, amendments)
  const estimates = verdict.marks.flatMap((mark) => estimatesOf(standard, signed.candidate, mark))
  return { ...test, ...told, estimates, verdict, amended: amendments.length > 0 }
}

/** What is told of a standard beside a test. */
const toldOf = ({ events, retest, combination }: Standard) => ({
  events: events.map(({ id, name }) => ({ id, name })),
  earliestAfterDays: retest.earliestAfterDays,
  classes:
    combination.kind === 'pointsTotal'
      ? (combination.classes ?? []).map(({ name, fromCentipoints }) => ({ name, fromCentipoints }))
      : [],
})

/** What a mark gives an estimate of, in words with the formula. */
const estimatesOf = (standard: Standard, candidate: Candidate, mark: Mark): string[] => {
  const event = standard.events.find(({ id }) => id === mark.eventId)
  const reading = readingOf(mark)
  if (!event || !reading || !('measured' in mark) || mark.measured === null) return []
  const { name, protocol } = chosenEvent(standard, event, candidate).event
  return estimatesFor(protocol, mark.measured, reading, candidate).map((one) => `${name}: ${printEstimate(one)}`)
}

/** A result of earlier years as a test: judged by the version then in force, and never signed here. */
const asBroughtIn = async (db: Database, { id, source, ...test }: BroughtTest) => {
  return {
    ...test,
    ...toldOf(await standardOf(db, test)),
    occasionId: id,
    entryId: id,
    name: 'Brought in',
    broughtIn: source,
    choices: NO_CHOICES,
    setUp: {},
    conditions: null,
    estimates: [],
  }
}

const standardOf = async (
  db: Database,
  { standardId, standardVersion }: Pick<TestOfPerson, 'standardId' | 'standardVersion'>,
): Promise<Standard> => {
  const published = await findPublished(db, standardId, standardVersion)
  if (!published) throw new Error(`A test names ${standardId} version ${standardVersion}, which is not published.`)
  return published.standard
}

/** Judged as an official result would be, by the category of the last test; without one there is nothing to judge by. */
const judgeSelfTest = async (
  db: Database,
  person: Person,
  test: KeptSelfTest,
  tests: readonly TestOfPerson[],
): Promise<PersonSelfTest> => {
  const standard = await standardOf(db, test)
  const event = standard.events.find(({ id }) => id === test.eventId)
  const category = tests.flatMap(({ signed }) => signed?.candidate.category ?? []).at(-1)
  const shown = { ...test, eventName: event?.name ?? test.eventId, read: event ? readFigures(event, test.figures) : [] }
  if (!event || category === undefined) return { ...shown, mark: null }
  const ageCountedOn = ageReferenceDate(standard.ageRule, test.testDate)
  const ageYears = ageOn(person.birthDate, ageCountedOn, standard.ageRule.leapDayBirthday)
  const { variantId } = test
  const variants = variantId === undefined ? {} : { [event.id]: variantId }
  const candidate = { entryId: test.id, category, ageYears, ageCountedOn, variants }
  const measure = measureReadings(event.protocol, test.figures)
  return { ...shown, mark: judgeEvent({ standard, testDate: test.testDate }, event, candidate, measure) }
}

const readFigures = ({ protocol }: StandardEvent, figures: KeptSelfTest['figures']) =>
  slotsOf(protocol).flatMap(({ id, label, unit }) => {
    const value = figures[id]
    return value === undefined ? [] : [{ label, value, unit }]
  })
