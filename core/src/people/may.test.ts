import { expect, test } from 'vitest'
import { may, RULES, ROLES, type Action, type Actor } from './may.ts'

const actions = Object.keys(RULES) as Action[]
const guest: Actor = { role: 'grader', station: { occasionId: 'day', eventIds: ['run'] } }

test.each(ROLES)('a %s may what the table says on the own day, and nothing more', (role) => {
  for (const action of actions) {
    const open = (RULES[action].roles as readonly string[]).includes(role)
    expect(may({ role }, action, { isStaff: true }), action).toEqual(open ? { ok: true } : { ok: false, why: 'role' })
  }
})

test.each([
  ['officer', 'day.read', true],
  ['viewer', 'day.read', true],
  ['grader', 'day.read', false],
  ['officer', 'capture', false],
  ['officer', 'day.sign', false],
  ['officer', 'plan.write', false],
  ['officer', 'archive.save', true],
] as const)('a %s who is not on the staff: %s is %s', (role, action, open) => {
  expect(may({ role }, action, { isStaff: false }).ok).toBe(open)
})

test.each([
  ['capture', { occasionId: 'day', eventIds: ['run'] }, true],
  ['capture', { occasionId: 'day', eventIds: ['run', 'grip'] }, false],
  ['capture', { occasionId: 'another', eventIds: ['run'] }, false],
  ['log.holdRaised', { occasionId: 'day', eventIds: [] }, true],
  ['log.eventConfirmed', { occasionId: 'day', eventIds: ['grip'] }, false],
  ['verdicts.read', { occasionId: 'day' }, false],
  ['standards.read', {}, false],
  ['day.read', { occasionId: 'day' }, true],
  ['day.read', { occasionId: 'another' }, false],
] as const)('who joined with a station code: %s at %o is %s', (action, place, open) => {
  expect(may(guest, action, { ...place, isStaff: true }).ok).toBe(open)
})

test('no guest may what only an officer may, whatever the code says', () => {
  for (const action of actions) {
    const rule: { roles: readonly string[]; guests?: string } = RULES[action]
    if (rule.roles.join() === 'officer') expect(rule.guests, action).toBeUndefined()
  }
})
