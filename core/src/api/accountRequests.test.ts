import fc from 'fast-check'
import { expect, test } from 'vitest'
import { parseDocument } from '../document/parseDocument.ts'
import { ROLES } from '../people/may.ts'
import { AccountBody, FoundHouseBody, InviteBody } from './accountRequests.ts'

const invite = (change: object) =>
  parseDocument(InviteBody, { signInName: 'a.merrow', displayName: 'Asta Merrow', role: 'grader', ...change })

test.each(['a', '7', 'a.merrow', 'a-merrow_2', 'x'.repeat(80)])('%s can be signed in by', (signInName) => {
  expect(invite({ signInName }).ok).toBe(true)
})

test.each(['', 'A.Merrow', 'a merrow', '.merrow', 'merrow-', 'ästa', 'a@merrow', 'x'.repeat(81), 7, null])(
  '%s cannot, and the place is told with what was expected',
  (signInName) => {
    const parsed = invite({ signInName })
    expect(parsed.ok ? [] : parsed.findings).toMatchObject([{ place: 'signInName' }])
  },
)

test('every role can be given, and no other', () => {
  for (const role of ROLES) expect(invite({ role }).ok, role).toBe(true)
  fc.assert(
    fc.property(fc.string(), (role) => {
      expect(invite({ role }).ok).toBe((ROLES as readonly string[]).includes(role))
    }),
  )
})

test('what an account is changed to is checked like what it began with', () => {
  expect(parseDocument(AccountBody, { displayName: '', role: 'grader' }).ok).toBe(false)
  expect(parseDocument(AccountBody, { displayName: 'Asta', role: 'captain' }).ok).toBe(false)
  expect(parseDocument(AccountBody, { displayName: 'Asta', role: 'timer', signInName: 'x' }).ok).toBe(false)
})

test('nothing of what founds a house may be left out', () => {
  const whole = {
    code: 'ABCD-EFGH-JKMN',
    organisation: 'Skerry Brigade',
    signInName: 'a.merrow',
    displayName: 'Asta Merrow',
    password: 'seven quiet otters',
  }
  expect(parseDocument(FoundHouseBody, whole).ok).toBe(true)
  for (const field of Object.keys(whole)) {
    const { [field as keyof typeof whole]: _, ...rest } = whole
    const parsed = parseDocument(FoundHouseBody, rest)
    expect(parsed.ok ? [] : parsed.findings.map(({ place }) => place)).toContain(field)
  }
})
