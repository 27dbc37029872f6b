/**
 * A portrait of each kind, kept beside this file and read whole when it changes: what is printed of it, what its figures are, what the
 * referee says of each rule kept and broken, press by press, and what a rehearsal makes up. `npx vitest -u` writes them anew.
 */
import path from 'node:path'
import { expect, test } from 'vitest'
import { BROKEN_RULES, brokenProtocol, KIND_CASES, type BrokenSeen } from '../../testing/index.ts'
import { annasCaptures, protocolWith, RULE_PAIRS } from '../../testing/rulePairs.ts'
import { START_MS } from '../../testing/stamped.ts'
import { settleCaptures } from '../capture/settleCaptures.ts'
import { seededRandom } from '../random/random.ts'
import { conductOf, rulesOf } from '../words/describeProtocol.ts'
import { captureKindsOf } from './captureKinds.ts'
import { cuesOf } from './cuesOf.ts'
import { endingsOf } from './endingsOf.ts'
import { estimatesFor } from './estimatesFor.ts'
import { factsOf, formOf } from './facts.ts'
import { EVENT_KINDS, kindOf, type EventKind, type Protocol } from './kinds.ts'
import { measureEntry } from './measureEntry.ts'
import { measureReadings } from './measureReadings.ts'
import { rulingFor } from './rulingFor.ts'
import { sensibleRange } from './sensibleRange.ts'
import { slotsOf } from './slots.ts'
import { startWordsOf } from './startWordsOf.ts'

const MOST_CALLS = 3
/** In as few signs as can be read: moments from the start, nothing that is not there. */
const brief = (value: unknown): string => {
  if (typeof value === 'number') return Math.abs(value) > 1e11 ? `@${value - START_MS}` : String(value)
  if (value instanceof Set) return brief([...value])
  if (Array.isArray(value)) return `[${value.map(brief).join(' ')}]`
  if (typeof value !== 'object' || value === null) return String(value)
  const parts = Object.entries(value).filter(
    ([, part]) =>
      part !== undefined && part !== null && typeof part !== 'function' && !(Array.isArray(part) && part.length === 0),
  )
  return `{${parts.map(([name, part]) => `${name}:${brief(part)}`).join(' ')}}`
}

const PERSON = { entryId: 'anna', wave: 1, category: 'male' }

/** What the referee says, and what it comes to, with the captures so far. */
const standing = (protocol: Protocol, seen: readonly BrokenSeen[], nowMs: number, category = 'male'): string => {
  const captures = annasCaptures(seen)
  const person = { ...PERSON, category }
  const start = captures.find(({ kind }) => kind === 'waveStarted')
  const own = captures.filter(({ entryId }) => entryId !== null)
  const { calls, ...ruling } = rulingFor({ protocol }, person, own, START_MS + nowMs, start)
  const measure = measureEntry({ protocol }, person, captures, START_MS + nowMs)
  const called = `calls:${calls.length}${brief(calls.slice(0, MOST_CALLS))}`
  return `${brief(ruling)} ${called}\n      = ${brief(measure)}`
}

const facts = (protocol: Protocol): string[] => {
  const kind = kindOf(protocol)
  return [
    `form ${brief(formOf(protocol))} facts ${brief(factsOf(protocol))}`,
    ...slotsOf(protocol).map((slot) => `slot ${brief(slot)} from ${brief(kind.readingRange?.(protocol, slot.id))}`),
    `main ${kind.mainSlot?.(protocol)} read ${kind.isRead?.(protocol)} sensible ${brief(sensibleRange(protocol))}`,
    `steps ${kind.finestStep?.(protocol)} ${kind.coarsestStep?.(protocol)} usual ${kind.usual(protocol)}`,
    `progress ${brief(kind.progress?.(protocol))} parts ${brief(kind.parts?.(protocol))}`,
    `endings ${brief(endingsOf(protocol))} refusals ${brief(kind.refusals?.(protocol))}`,
    `cues ${brief(cuesOf(protocol))} ${brief(kind.cues?.(protocol, PERSON))}`,
    `captures ${brief(captureKindsOf(protocol))} held ${brief(kind.held)} start ${brief(startWordsOf(protocol))}`,
    `ground ${brief(kind.ground?.(protocol))} splits ${brief(kind.evenSplits?.(protocol, 600_000))}`,
    `practice ${brief(kind.practice?.(protocol))} heard ${brief(kind.heard?.(protocol).slice(0, MOST_CALLS))}`,
    `remarks ${brief(kind.remarks?.(protocol, 'protocol'))}`,
    `contradictions ${brief(kind.contradictions?.(protocol, 'protocol', ['female', 'male']))}`,
  ]
}

const printed = (protocol: Protocol): string[] => [conductOf(protocol), ...rulesOf(protocol)]

/** Only what two of them do not share. */
const changed = (as: readonly string[], otherwise: readonly string[]): string[] => [
  ...as.filter((one) => !otherwise.includes(one)).map((one) => `    + ${one}`),
  ...otherwise.filter((one) => !as.includes(one)).map((one) => `    − ${one}`),
]

const pairsOf = (kind: EventKind): string[] =>
  RULE_PAIRS.filter(({ field }) => field.split('.')[0] === kind).flatMap(
    ({ field, seen = [], readings = {}, atMs = seen.at(-1)?.[0] ?? 0, category, as, otherwise }) => {
      const [one, other] = [protocolWith(kind, as), protocolWith(kind, otherwise)]
      const told = (protocol: Protocol): string[] => [
        ...printed(protocol),
        ...facts(protocol),
        `  ${standing(protocol, seen, atMs, category)}`,
        `  read ${brief(measureReadings(protocol, readings))}`,
      ]
      return [``, `  ${field}`, ...changed(told(one), told(other))]
    },
  )

const brokenOf = (kind: EventKind): string[] =>
  BROKEN_RULES.filter((one) => one.kind === kind).flatMap((one) => {
    const protocol = protocolWith(kind, brokenProtocol(one))
    const seen = one.seen.map(([afterMs, of, payload, device]): BrokenSeen => {
      const given = payload ?? (of === 'waveStarted' ? { wave: 1, entryIds: ['anna'] } : {})
      return device === undefined ? [afterMs, of, given] : [afterMs, of, given, device]
    })
    const lines = seen.map(
      ([afterMs, of], at) => `    ${of} ${afterMs}: ${standing(protocol, seen.slice(0, at + 1), afterMs)}`,
    )
    return ['', `  ${one.name}`, ...lines, `    long after: ${standing(protocol, seen, 3_600_000)}`]
  })

const rehearsed = (protocol: Protocol, seed: number): string[] => {
  const kind = kindOf(protocol)
  const stage = { eventId: 'event', deviceId: 'one', random: seededRandom(seed), isMended: seed === SEEDS[0] }
  const target = kind.rehearsedTarget?.(protocol, kind.usual(protocol), 0.5) ?? kind.usual(protocol)
  const runners = ['anna', 'bea', 'cleo'].map((entryId, at) => ({
    entryId,
    target: Math.round(target * (1 + at / 10)),
  }))
  const captures = [
    ...(kind.rehearse?.(stage, protocol, { entryId: 'anna', startAtMs: START_MS, target }) ?? []),
    ...(kind.rehearseWave?.(stage, protocol, 1, START_MS, runners) ?? []),
  ]
  const marks = runners.map(({ entryId }) => {
    const { value, kind: came } = {
      value: null,
      ...measureEntry({ protocol }, { ...PERSON, entryId }, settleCaptures(captures)),
    }
    return `${entryId} ${came} ${value}`
  })
  return [
    '',
    `target ${target}, seed ${seed}`,
    ...captures.map(({ kind: of, atMs, entryId, payload }) => `  ${of} ${brief(atMs)} ${entryId} ${brief(payload)}`),
    `comes to ${marks.join(', ')}`,
  ]
}

const SEEDS = [7, 8, 21]
/** As it was worked by hand, and as its rules are broken. */
const worked = (kind: EventKind): Protocol[] => [
  ...KIND_CASES.filter((one) => one.kind === kind).map(({ protocol }) => protocolWith(kind, protocol)),
  ...BROKEN_RULES.filter((one) => one.kind === kind)
    .slice(0, 1)
    .map((one) => protocolWith(kind, brokenProtocol(one))),
]

const caseOf = (kind: EventKind): string[] =>
  KIND_CASES.filter((one) => one.kind === kind).flatMap(({ protocol: change, readings }) => {
    const protocol = protocolWith(kind, change)
    const measure = measureReadings(protocol, readings)
    const estimates = ['female', 'male'].flatMap((category) =>
      measure.kind === 'complete'
        ? estimatesFor(protocol, measure.value, measure.reading, { ageYears: 30, category, bodyMassG: 70_000 })
        : [],
    )
    return [...printed(protocol), ...facts(protocol), `read ${brief(measure)}`, `estimates ${brief(estimates)}`]
  })

test.each(EVENT_KINDS)('what is known of %s stands as it is written down', async (kind) => {
  const template = protocolWith(kind, {})
  const portrait = [
    `# ${kindOf(template).name}`,
    ...printed(template),
    ...facts(template),
    '',
    '# As it was worked by hand',
    ...caseOf(kind),
    '',
    '# What each field changes',
    ...pairsOf(kind),
    '',
    '# Every rule broken once',
    ...brokenOf(kind),
    '',
    '# Made up',
    ...[template, ...worked(kind)].flatMap((protocol) => SEEDS.flatMap((seed) => rehearsed(protocol, seed))),
    '',
  ].join('\n')
  await expect(portrait).toMatchFileSnapshot(path.join(import.meta.dirname, 'portraits', `${kind}.txt`))
})
