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

const DAY_OR_PERSON = { isStaff: false }

test.each([
  // who belongs to a unit, on a day of it and of another
  ['officer', 'day.read', { isStaff: false, isWithin: true }, true],
  ['officer', 'day.read', { isStaff: false, isWithin: false }, false],
  ['viewer', 'verdicts.read', { isStaff: false, isWithin: false }, false],
  ['officer', 'archive.save', { isStaff: false, isWithin: false }, false],
  // asked to help out elsewhere
  ['officer', 'day.read', { isStaff: true, isWithin: false }, true],
  ['grader', 'capture', { isStaff: true, isWithin: false }, true],
  // belonging there is not being on its staff
  ['grader', 'day.read', { isStaff: false, isWithin: true }, false],
  ['officer', 'day.sign', { isStaff: false, isWithin: true }, false],
  // people
  ['records', 'people.read', { isWithin: false }, false],
  ['records', 'people.change', { isWithin: true }, true],
  ['clerk', 'selfTests.add', { isWithin: false }, false],
  // what holds for the whole house
  ['officer', 'standards.write', {}, false],
  ['officer', 'houseRules.write', {}, false],
  ['officer', 'securityLog.read', {}, false],
  ['officer', 'standards.read', {}, true],
  ['officer', 'days.plan', {}, true],
] as const)('a %s of a unit: %s at %o is %s', (role, action, place, open) => {
  expect(may({ role, unitId: 'north' }, action, place)).toEqual(
    open ? { ok: true } : { ok: false, why: expect.stringMatching(/^(unit|staff)$/) },
  )
})

test('belonging to a unit takes rights away and gives none', () => {
  for (const role of ROLES)
    for (const action of actions)
      for (const place of [
        {},
        DAY_OR_PERSON,
        { isStaff: true },
        { isStaff: false, isWithin: true },
        { isWithin: false },
      ])
        if (may({ role, unitId: 'north' }, action, place).ok)
          expect(may({ role }, action, { ...place, isWithin: true }).ok, `${role} ${action}`).toBe(true)
})
