/** A grader trains their eye: on the console of the day, on people who were never there. */
import type { Page } from '@playwright/test'
import { expect, OFFICER, test } from './app.ts'

test.use({ room: 'insight' })

const SET = '/practice/set/constabulary-entry/3/press-ups/pressUp?level=1&set=27&lanes=1'
/** The first six of set 27, as everybody gets them: from when each can be told, and the key that is right. */
const FIRST = [
  [3_610, 'Space'],
  [5_547, '3'],
  [7_631, '1'],
  [10_340, '1'],
  [13_555, '3'],
  [16_870, 'Space'],
] as const

/**
 * The start commands say themselves; the clock starts with the last.
 * @returns when that was, as the page saw it: a busy machine tells it late
 */
const startBy = async (page: Page, console: RegExp): Promise<number> => {
  const started = page.evaluate(
    (words) =>
      new Promise<number>((resolve) => {
        const look = (): void => {
          const isOpen = [...document.querySelectorAll('button')].some(
            (button) => !button.disabled && new RegExp(words).test(button.textContent),
          )
          if (isOpen) resolve(Date.now())
          else requestAnimationFrame(look)
        }
        look()
      }),
    console.source.replace('^', '^\\s*'),
  )
  await page.getByRole('button', { name: /Start commands/ }).click()
  await expect(page.getByRole('button', { name: console })).toBeEnabled({ timeout: 20_000 })
  return started
}

/** Each key a moment after its repetition can be told, by the page's own clock, so that nothing between here and the page makes one late. */
const pressAt = (page: Page, startedAt: number): Promise<void> =>
  page.evaluate(
    async ([from, presses]) => {
      for (const [atMs, key] of presses) {
        await new Promise((resolve) => setTimeout(resolve, Math.max(0, from + atMs + 350 - Date.now())))
        for (const kind of ['keydown', 'keyup']) {
          document.body.dispatchEvent(new KeyboardEvent(kind, { key: key === 'Space' ? ' ' : key, bubbles: true }))
        }
      }
    },
    [startedAt, FIRST] as const,
  )

test('a set is worked on the real console, scored from what was pressed, and looked back on', async ({
  page,
  signedIn,
}) => {
  await signedIn(OFFICER)
  await page.goto('/practice')
  await page.getByRole('button', { name: 'Press-ups Constabulary Entry Standard' }).click()
  await page.getByText('plain to see').click()
  await page.getByLabel(/^Set/).fill('27')
  await page.getByRole('link', { name: 'Begin' }).click()
  await expect(page).toHaveURL(new RegExp(SET.replace(/[?/]/g, '\\$&').replace('lanes=1', '')))
  await expect(page.locator('header.band')).toContainText('Nothing here is on anybody’s record')
  const figure = page.getByRole('img', { name: 'Candidate 1, moving' })
  const still = await figure.innerHTML()
  const startedAt = await startBy(page, /^Count/)
  await pressAt(page, startedAt)
  expect(await figure.innerHTML()).not.toBe(still)
  await page.getByRole('button', { name: 'Look at it now' }).click()
  await expect(page.getByRole('heading', { name: `All ${FIRST.length}, as you worked them` })).toBeVisible()
  await expect(page.locator('.eye')).toContainText('1.00')
  await expect(page.locator('.squares .right')).toHaveCount(2)
  // the same set again, and another one after it, begin anew and hear what is pressed
  await page.getByRole('button', { name: 'The same set again' }).click()
  await startBy(page, /^Count/)
  await page.waitForTimeout(4_000)
  await page.getByRole('button', { name: 'Look at it now' }).click()
  await expect(page.getByRole('heading', { name: /as you worked them/ })).toBeVisible()
  await page.getByRole('link', { name: /Another set/ }).click()
  await startBy(page, /^Count/)
  await expect(page.getByRole('button', { name: 'Look at it now' })).toBeEnabled()
  // both are kept for the grader, and on nobody's record
  const kept = (await (await page.request.get('/api/drills')).json()) as { drills: { mark: number; shown: number }[] }
  expect(kept.drills).toHaveLength(2)
  expect(kept.drills[1]).toMatchObject({ mark: 1, shown: FIRST.length })
})

test('a finish is stamped in the order it comes, and told apart by its bibs', async ({ page, signedIn }) => {
  await signedIn(OFFICER)
  await page.goto('/practice/set/constabulary-entry/3/run/finishLine?level=1&set=5&lanes=24')
  await startBy(page, /Next expected/)
  await expect(page.getByRole('img', { name: 'Runners come to the line' })).toBeVisible()
  await page.keyboard.type('7')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Look at it now' }).click()
  await expect(page.getByRole('heading', { name: 'Your finish' })).toBeVisible()
  await expect(page.getByText('0 of 24 right')).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: 'no stamp' })).toHaveCount(23)
})
