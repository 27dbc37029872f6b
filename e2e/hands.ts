/** A person at a console, by keys or by touch, and what the record then holds. */
import type { Locator, Page } from '@playwright/test'
import type { RecordedCapture, Verdict } from '@able-gauge/core'
import { allSaved, capturesOf, expect } from './app.ts'

interface Bench {
  readonly page: Page
  readonly day: string
  /** Opens a console. */
  readonly open: (address: string) => Promise<void>
  /** The captures of an event, in the order they happened. */
  readonly captures: (eventId: string) => Promise<RecordedCapture[]>
  /** What the server measured for the one with a bib. */
  readonly measured: (eventId: string, bib: number) => Promise<number | string | null>
}

const benchFor = async (page: Page, day: string): Promise<Bench> => {
  const { entries } = (await (await page.request.get(`/api/occasions/${day}`)).json()) as {
    entries: { id: string; bib: number }[]
  }
  const idOf = (bib: number): string => entries.find((entry) => entry.bib === bib)?.id ?? ''
  return {
    page,
    day,
    open: async (address) => {
      await page.goto(`/days/${day}/run/${address}`)
      await expect(page.getByRole('main')).toBeVisible()
      await expect(page.locator('.saved').first()).toContainText('All saved')
      // a start needs an agreed clock
      await page.waitForFunction(() => !document.body.innerText.includes('Agreeing the clock'))
    },
    captures: async (eventId) => {
      await allSaved(page)
      const all = await capturesOf(page.request, day)
      return all.filter((capture) => capture.eventId === eventId).sort((a, b) => a.atMs - b.atMs)
    },
    measured: async (eventId, bib) => {
      await allSaved(page)
      const answer = await page.request.get(`/api/occasions/${day}/verdicts`)
      const { verdicts } = (await answer.json()) as { verdicts: { entryId: string; verdict: Verdict }[] }
      const verdict = verdicts.find(({ entryId }) => entryId === idOf(bib))?.verdict
      const mark = verdict?.marks.find((one) => one.eventId === eventId)
      return mark && 'measured' in mark ? mark.measured : (mark?.kind ?? null)
    },
  }
}

export const from = (captures: readonly RecordedCapture[], kind: string): RecordedCapture => {
  const found = captures.find((capture) => capture.kind === kind)
  if (!found) throw new Error(`No "${kind}" was captured.`)
  return found
}
export const lastOf = (captures: readonly RecordedCapture[], kind: string): RecordedCapture =>
  from([...captures].reverse(), kind)

/** What a person does at each console, by one means or the other. */
interface Hand {
  readonly start: () => Promise<void>
  readonly press: (key: string, button: string | RegExp) => Promise<void>
  /** Where the two means are not the same steps. */
  readonly either: (keys: () => Promise<void>, touch: () => Promise<void>) => Promise<void>
}

/** What is open before a start is answered, then the words are said. */
const afterCommands = async (page: Page, answer: () => Promise<void>): Promise<void> => {
  const questions = page.locator('.questions')
  const words = page.locator('.commands')
  await expect(questions.or(words)).toBeVisible()
  for (let asked = 0; asked < 2 && (await questions.isVisible()); asked++) {
    const before = await questions.textContent()
    await answer()
    await expect(async () => {
      expect((await words.isVisible()) || (await questions.textContent()) !== before).toBe(true)
    }).toPass()
  }
  await expect(words).toBeVisible()
  await expect(words).toHaveCount(0)
}
export const byKeys = (page: Page): Hand => ({
  start: async () => {
    await page.keyboard.press('s')
    await afterCommands(page, () => page.keyboard.press('Enter'))
  },
  press: (key) => page.keyboard.press(key),
  either: (keys) => keys(),
})
export const byTouch = (page: Page): Hand => ({
  start: async () => {
    await page
      .getByRole('button', { name: /^(Start|Try 2)/ })
      .first()
      .tap()
    await afterCommands(page, () => page.locator('.questions button').first().tap())
  },
  press: (_, button) => page.getByRole('button', { name: button }).first().tap(),
  either: (_, touch) => touch(),
})

/** What the work at one console is written with. */
export interface Tools extends Bench, Hand {
  readonly repeat: (times: number, key: string, button: string | RegExp) => Promise<void>
  readonly type: (digits: string, then: string) => Promise<void>
  readonly tile: (bib: number) => Locator
  /** The same within the lane of the one with a bib. */
  readonly inLane: (bib: number, key: string, button: RegExp) => Promise<void>
}

/** The time from the first capture of a kind to the last of another. */
export const between = (all: readonly RecordedCapture[], first: string, last: string): number =>
  lastOf(all, last).atMs - from(all, first).atMs

/** For the consoles of a practice day, worked by one means. */
export const toolsFor = async (page: Page, day: string, means: (page: Page) => Hand): Promise<Tools> => {
  const hand = means(page)
  const laneOf = (bib: number): Locator => page.locator('.tiles li', { has: page.locator(`[data-bib="${bib}"]`) })
  return {
    ...(await benchFor(page, day)),
    ...hand,
    repeat: async (times, key, button) => {
      for (let time = 0; time < times; time++) await hand.press(key, button)
    },
    type: async (digits, then) => {
      await page.keyboard.type(digits)
      await page.keyboard.press(then)
    },
    tile: (bib) => page.locator(`button[data-bib="${bib}"]`),
    inLane: (bib, key, button) =>
      hand.either(
        () => page.keyboard.press(key),
        () => laneOf(bib).getByRole('button', { name: button }).tap(),
      ),
  }
}
