/** Who lacks the practice the house asks for; nobody where it asks for none, or where nobody can tell. */
import { mount } from '@vue/test-utils'
import { FIRST_HOUSE_RULES } from '@able-gauge/core'
import { afterEach, expect, test, vi } from 'vitest'
import { defineComponent } from 'vue'
import { closeDays, entry, json, openDay } from '../../testing/openDay.ts'
import { usePractice } from './usePractice.ts'

afterEach(() => {
  closeDays()
  vi.unstubAllGlobals()
})

const JOSS = '00000000-0000-4000-8000-00000000000a'
const lackingWith = async (practice: object | undefined, role: 'officer' | 'grader' = 'officer') => {
  const staff = [{ accountId: JOSS, displayName: 'Joss Adair', role: 'grader', duty: 'grader' }]
  const { server, day } = await openDay({ entries: [entry(1)], role, change: { staff } })
  const rules = { ...FIRST_HOUSE_RULES, ...(practice ? { practice } : {}) }
  server.answer('GET', '/house-rules', () => json({ rules, revision: 1 }))
  const mark = { accountId: JOSS, name: 'Joss Adair', what: 'pressUp', level: 2, mark: 0.9, doneAtMs: Date.now() }
  server.answer('GET', '/drills/marks', () => json({ marks: [mark] }))
  let lacking: ReturnType<typeof usePractice> | undefined
  const page = mount(
    defineComponent({
      setup: () => {
        lacking = usePractice(() => day)
        return () => null
      },
    }),
  )
  return { lacking: () => [...(lacking?.value.get(JOSS) ?? ['nobody asked'])], page }
}

test('a mark that is good and hard enough is no lack; one of an easier level is', async () => {
  const enough = await lackingWith({ atLeastHundredths: 80, level: 2, withinDays: 30 })
  await vi.waitFor(() => expect(enough.lacking()).not.toContain('nobody asked'))
  expect(enough.lacking()).not.toContain('press-ups')
  enough.page.unmount()
  const harder = await lackingWith({ atLeastHundredths: 80, level: 3, withinDays: 30 })
  await vi.waitFor(() => expect(harder.lacking()).toContain('press-ups'))
  harder.page.unmount()
})

test('nothing is asked for, or may be known: nobody lacks anything', async () => {
  for (const [practice, role] of [
    [undefined, 'officer'],
    [{ atLeastHundredths: 80, level: 3, withinDays: 30 }, 'grader'],
  ] as const) {
    const { lacking, page } = await lackingWith(practice, role)
    await new Promise((resolve) => setTimeout(resolve, 60))
    expect(lacking()).toEqual(['nobody asked'])
    page.unmount()
  }
})
