/** The organisation's own rules: screening questions, consent, heat limits, briefing. */
import { HouseMarkBody, houseRuleFindings, HouseRulesAnswer, HouseRulesBody, RevisionAnswer } from '@able-gauge/core'
import { readPicture } from '../picture.ts'
import { invalidInput, Problem } from '../problem.ts'
import { writeHouseMark } from '../store/houseMarkStore.ts'
import { findHouseRules, writeHouseRules } from '../store/houseRulesStore.ts'
import { readBody } from './body.ts'
import type { Route } from './route.ts'

const MARK = { as: 'png', mostPixels: 480 } as const

export const houseRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/api/house-rules',
    what: 'screening questions, consent, heat limits, briefing',
    answer: HouseRulesAnswer,
    action: 'houseRules.read',
    handle: async ({ server, response }) => {
      response.json(await findHouseRules(server.pool))
    },
  },
  {
    method: 'put',
    path: '/api/house-rules',
    what: 'changes the house rules; 409 when somebody else was faster',
    answer: RevisionAnswer,
    action: 'houseRules.write',
    noted: 'houseRules.changed',
    body: HouseRulesBody,
    handle: async ({ server, request, response }) => {
      const body = readBody(HouseRulesBody, request)
      const findings = houseRuleFindings(body.rules)
      if (findings.length > 0) throw invalidInput(findings)
      if (!(await writeHouseRules(server.pool, body.rules, body.revision))) {
        throw new Problem(
          409,
          'houseRules.editedMeanwhile',
          'Somebody else changed the house rules meanwhile. Nothing was overwritten: look at them again.',
        )
      }
      response.json({ revision: body.revision + 1 })
    },
  },
  {
    method: 'put',
    path: '/api/house-mark',
    what: 'the mark of the house, shown where people sign in and on what is printed',
    answer: 'nothing',
    action: 'houseRules.write',
    cost: 'costly',
    noted: 'houseRules.changed',
    body: HouseMarkBody,
    handle: async ({ server, request, response }) => {
      const { image } = readBody(HouseMarkBody, request)
      await writeHouseMark(server.pool, await readPicture(image, 'image', MARK))
      response.status(204).end()
    },
  },
  {
    method: 'delete',
    path: '/api/house-mark',
    what: 'takes the mark of the house away',
    answer: 'nothing',
    action: 'houseRules.write',
    noted: 'houseRules.changed',
    handle: async ({ server, response }) => {
      await writeHouseMark(server.pool, null)
      response.status(204).end()
    },
  },
]
