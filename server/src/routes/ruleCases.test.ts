/** The hand-worked rules, through HTTP: readings posted as a device posts them, marks read back. */
import { afterAll, beforeAll, expect, test } from 'vitest'
import type { Verdict } from '@able-gauge/core'
import { plainStandard, RULE_CASES, saidOf, type RuleCase } from '@able-gauge/core/testing'
import { sentCapture } from '../../testing/sentCapture.ts'
import { addTestDay, Caller, openTestServer, type TestServer } from '../../testing/testServer.ts'

let server: TestServer
let officer: Caller

beforeAll(async () => {
  server = await openTestServer()
  officer = await Caller.signedIn(server.address, 'officer')
})
afterAll(() => server.close())

/** As many events as a standard may hold. */
const MOST_EVENTS = 40

/** Cases that can be events of one standard: those with the same uncertainty. */
const batteries = (): RuleCase[][] =>
  [...new Set(RULE_CASES.map(({ uncertainty }) => uncertainty))].flatMap((policy) => {
    const cases = RULE_CASES.filter(({ uncertainty }) => uncertainty === policy)
    return Array.from({ length: Math.ceil(cases.length / MOST_EVENTS) }, (_, index) =>
      cases.slice(index * MOST_EVENTS, (index + 1) * MOST_EVENTS),
    )
  })

test.each(batteries().map((cases, index) => ({ cases, index })))(
  'battery $index of the rules',
  async ({ cases, index }) => {
    const events = cases.map(({ name, event }, at) => ({ id: `event-${at}`, name: name.slice(0, 60), ...event }))
    const [first] = cases
    const uncertainty = first?.uncertainty === undefined ? {} : { uncertainty: first.uncertainty }
    const standard = plainStandard(events, { id: `rules-${index}`, ...uncertainty })
    // somebody for each body mass, and one without
    const masses = [...new Set(cases.map(({ bodyMassG }) => bodyMassG ?? null))]
    const people = masses.map((bodyMassG, at) => ({ bib: at + 1, birthDate: '1992-05-04', bodyMassG }))
    const { occasionId, entryIds } = await addTestDay(server, standard, '2026-11-24', people)
    const whoDoes = ({ bodyMassG }: RuleCase): string => entryIds[masses.indexOf(bodyMassG ?? null)] ?? ''
    const captures = cases.flatMap((one, at) =>
      Object.entries(one.readings).map(([slot, value]) =>
        sentCapture({ eventId: `event-${at}`, kind: 'read', payload: { slot, value }, entryId: whoDoes(one) }),
      ),
    )
    const { status, body } = await officer.call('POST', `/api/occasions/${occasionId}/captures`, { captures })
    expect(status, body.detail).toBe(200)
    const answer = await officer.call('GET', `/api/occasions/${occasionId}/verdicts`)
    const verdicts = answer.body['verdicts'] as { entryId: string; verdict: Verdict }[]
    for (const [at, one] of cases.entries()) {
      const verdict = verdicts.find(({ entryId }) => entryId === whoDoes(one))?.verdict
      const mark = verdict?.marks.find(({ eventId }) => eventId === `event-${at}`)
      expect(mark && saidOf(mark, one), one.name).toEqual(one.expected)
    }
  },
)
