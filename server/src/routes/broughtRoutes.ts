/** Results of earlier years brought in from a file: tried first, then taken. */
import { randomUUID } from 'node:crypto'
import {
  BroughtAnswer,
  BroughtBody,
  judgeBrought,
  type BroughtOutcome,
  type BroughtRow,
  type RegisteredPerson,
  type Standard,
} from '@able-gauge/core'
import { inTransaction, type Database } from '../database.ts'
import { invalidInput } from '../problem.ts'
import { addBroughtResult, listTestsOnRecord, type BroughtResult } from '../store/broughtStore.ts'
import { findByNumbers } from '../store/peopleStore.ts'
import { findPublished, listVersions } from '../store/standardStore.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

interface Judged {
  readonly outcome: BroughtOutcome
  /** What is stored; null for a row that is not taken. */
  readonly result: Omit<BroughtResult, 'source'> | null
}

export const broughtRoutes: readonly Route[] = [
  {
    method: 'post',
    path: '/api/brought-results',
    what: 'judges up to 2,000 results of earlier years by the version then in force, and keeps them unless it is a trial',
    answer: BroughtAnswer,
    action: 'results.bringIn',
    noted: 'results.broughtIn',
    cost: 'costly',
    body: BroughtBody,
    handle: async ({ server, request, response, account }) => {
      const { standardId, source, isTrial, rows } = readBody(BroughtBody, request)
      const versions = await publishedVersions(server.pool, standardId)
      if (versions.length === 0) {
        const expected = 'a standard that is published'
        throw invalidInput([{ place: 'standardId', code: 'unknownStandard', found: standardId, expected }])
      }
      const people = await findByNumbers(
        server.pool,
        rows.map(({ cells }) => cells['number'] ?? ''),
        account.unitId ?? null,
      )
      const onRecord = await listTestsOnRecord(
        server.pool,
        standardId,
        [...people.values()].map(({ id }) => id),
      )
      const judged = rows.map((row) => judgeRow(versions, people, onRecord, row))
      const results = judged.flatMap(({ result }) => result ?? [])
      if (!isTrial) {
        await inTransaction(server.pool, async (db) => {
          for (const result of results) await addBroughtResult(db, { ...result, source }, account.id)
        })
      }
      response.json({ outcomes: judged.map(({ outcome }) => outcome), taken: results.length })
    },
  },
]

const publishedVersions = async (db: Database, standardId: string): Promise<Standard[]> => {
  const summaries = (await listVersions(db)).filter(({ id, state }) => id === standardId && state !== 'draft')
  const found = await Promise.all(summaries.map(({ version }) => findPublished(db, standardId, version)))
  // the newest first: of two that overlap by a day the later holds
  return found.flatMap((one) => (one ? [one.standard] : [])).sort((a, b) => b.version - a.version)
}

/** @param onRecord tests that are there already; this one is added to them */
const judgeRow = (
  versions: readonly Standard[],
  people: ReadonlyMap<string, RegisteredPerson>,
  onRecord: Set<string>,
  row: BroughtRow,
): Judged => {
  const { line, cells } = row
  const person = people.get(cells['number'] ?? '')
  const faulty = (name: string, findings: BroughtOutcome['findings']): Judged => ({
    outcome: { line, name, version: null, outcome: 'faulty', findings },
    result: null,
  })
  if (!person)
    return faulty('', [
      { column: 'number', found: cells['number'] ?? 'nothing', expected: 'the number of somebody on record' },
    ])
  const name = `${person.givenName} ${person.familyName}`
  const judged = judgeBrought(versions, person, row)
  if (!judged.ok)
    return faulty(
      name,
      judged.findings.map(({ column, found, expected }) => ({ column, found, expected })),
    )
  const { standard, testDate, verdict } = judged
  const key = `${person.id} ${testDate}`
  if (onRecord.has(key))
    return { outcome: { line, name, version: standard.version, outcome: 'already', findings: [] }, result: null }
  onRecord.add(key)
  return {
    outcome: { line, name, version: standard.version, outcome: verdict.outcome, findings: [] },
    result: {
      id: randomUUID(),
      personId: person.id,
      standardId: standard.id,
      standardVersion: standard.version,
      testDate,
      verdict,
    },
  }
}
