/** able-gauge compare: what differs between two versions, and who of past results would change. */
import {
  compareStandards,
  printComparedAges,
  printMargin,
  readPastResult,
  startImpact,
  factsOf,
  type Standard,
  type VersionImpact,
} from '@able-gauge/core'
import { complainOf, openResults, whyUnreadable } from './input.ts'
import type { ResultForm } from './judge.ts'
import { EXIT, type Output } from './output.ts'

/** Tells changes in words and tables. @returns the exit code */
export const compareVersions = async (
  before: Standard,
  after: Standard,
  resultsFile: string | undefined,
  form: ResultForm,
  output: Output,
): Promise<number> => {
  const comparison = compareStandards(before, after)
  if (form === 'csv') {
    for (const { what } of comparison.changes) output.out(what)
    for (const { name, rows } of comparison.events) {
      for (const row of rows.filter(({ direction }) => direction !== 'same')) {
        const who = `${printComparedAges(row)}, ${row.category}`
        const [old, now] = [row.before?.text ?? 'not asked', row.after?.text ?? 'not asked']
        output.out(`${name}, ${who}, ${row.label}: ${now}, before: ${old}. ${DIRECTIONS[row.direction]}`)
      }
    }
    if (comparison.changes.length === 0) output.out('Nothing differs.')
  }
  if (resultsFile === undefined) {
    if (form === 'json') await output.write(`${JSON.stringify(comparison)}\n`)
    return EXIT.fine
  }
  const read = await comparePastResults(before, after, resultsFile, output)
  if (read === null) return EXIT.unusable
  const { impact, refused } = read
  if (form === 'json') await output.write(`${JSON.stringify({ ...comparison, impact })}\n`)
  else await tellImpact(before, after, impact, output)
  output.complain(`${impact.people} compared, ${refused} refused.`)
  return refused > 0 || impact.people === 0 ? EXIT.findings : EXIT.fine
}

const DIRECTIONS = { harder: 'Asks more.', easier: 'Asks less.', same: '', other: 'Another rule.' } as const

/** Names of more people than this are of no use on a screen; they are counted all the same. */
const MOST_LISTED = 10_000

/** Compares row by row, without holding the file in memory. */
const comparePastResults = async (
  before: Standard,
  after: Standard,
  file: string,
  output: Output,
): Promise<{ impact: VersionImpact; refused: number } | null> => {
  const unreadable = await whyUnreadable(file)
  if (unreadable !== null) {
    output.complain(`${file} cannot be read: ${unreadable}`)
    return null
  }
  const running = startImpact(before, after, MOST_LISTED)
  let refused = 0
  const results = await openResults(file, before, output, [after])
  if (results === null) return null
  for await (const rows of results) {
    for (const { read: found, line } of rows) {
      const read = found.ok ? readPastResult(before, after, found.row, line) : found
      if (read.ok) {
        running.add(read.result)
        continue
      }
      refused += 1
      complainOf(file, read.findings, output)
    }
  }
  return { impact: running.impact(), refused }
}

const tellImpact = async (
  before: Standard,
  after: Standard,
  { people, metBefore, metAfter, changedInAll, events, groups, changed }: VersionImpact,
  output: Output,
): Promise<void> => {
  const eventIn = (eventId: string) => [...after.events, ...before.events].find(({ id }) => id === eventId)
  output.out(
    `${people} results: ${metBefore} met version ${before.version}, ${metAfter} would meet version ${after.version}. ${changedInAll} would change.`,
  )
  for (const { eventId, metBefore: was, metAfter: is, toMet, toShort } of events) {
    output.out(`${eventIn(eventId)?.name ?? eventId}: met ${was}, then ${is}; ${toMet} to met, ${toShort} to short.`)
  }
  for (const { group, people: many, metBefore: was, metAfter: is } of groups) {
    output.out(`${group}: ${many} results, ${was} met, then ${is}.`)
  }
  for (const { key, before: was, after: is, events: because } of changed) {
    const margins = because.map(({ eventId, margin }) => {
      const event = eventIn(eventId)
      if (!event || margin === null) return event?.name ?? eventId
      const size = printMargin(margin, factsOf(event.protocol).unit)
      return `${event.name} ${margin < 0 ? `short by ${size}` : `with ${size} to spare`}`
    })
    await output.write(`${key}: ${was}, then ${is}${margins.length > 0 ? ` (${margins.join('; ')})` : ''}\n`)
  }
}
