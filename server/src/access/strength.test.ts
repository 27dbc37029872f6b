import { expect, test } from 'vitest'
import { requireStrong, SHORTEST_PASSWORD, weaknessOf } from './strength.ts'

test.each([
  'gannet harbour seven lanterns',
  'eleven salted ropes by the pier',
  'kX9#vQ2!mZ7p',
  // no sign and no digit is asked for
  'möwenfelsblutregenpfeifer',
])('"%s" will do', (password) => {
  expect(weaknessOf(password, [])).toBe('')
})

test.each(['password1234', 'qwertyuiop12', '1234567890', 'aaaaaaaaaaaaaa', 'Summer2026!', 'iloveyou2026'])(
  '"%s" is guessed, and it says what to do instead',
  (password) => {
    expect(weaknessOf(password, [])).toContain('four unrelated words')
  },
)

test('short ones are told how long, counted as people count', () => {
  expect(weaknessOf('x9#Kq!', [])).toBe(`${SHORTEST_PASSWORD} characters or more`)
  // nine signs, though each takes two units
  expect(weaknessOf('🜁🜂🜃🜄🜅🜆🜇🜈🜉', [])).toBe(`${SHORTEST_PASSWORD} characters or more`)
})

test('the own name and the organisation are guessed first, in every part', () => {
  const about = ['asta.merrow', 'Asta Merrow', 'Skerry Volunteer Brigade']
  for (const password of ['asta.merrow', 'MerrowAsta1', 'SkerryBrigade', 'skerry2026!'])
    expect(weaknessOf(password, about), password).not.toBe('')
  expect(weaknessOf('gannet harbour seven lanterns', about)).toBe('')
})

test('a refusal names the place and never the password', () => {
  const refused = (): void => requireStrong('password1234', [])
  expect(refused).toThrow()
  try {
    refused()
  } catch (error) {
    expect(JSON.stringify(error)).not.toContain('password1234')
    expect(error).toMatchObject({ status: 422, findings: [{ place: 'password', code: 'weak' }] })
  }
})
