/**
 * Every console through a whole event by keys alone, and in the long run by touch at phone size as well. What the record then
 * holds is compared with what was done, worked out here by plain arithmetic on the captures. The day runs ten times as fast.
 */
import type { BrowserContext } from '@playwright/test'
import { allSaved, expect, test, PASSWORD } from './app.ts'
import { practiceDay, publishEveryKind } from './everyKind.ts'
import { between, byKeys, byTouch, from, lastOf, toolsFor, type Tools } from './hands.ts'

test.use({ room: 'consoles' })
const SPEED = 10
const LONG = 30_000
/** The same press again within this is one press, in agreed time. */
const BREATH_MS = 1_000
/** A second press sooner than this is the first one again, by the clock on the wall. */
const DELIBERATE_MS = 700

const CONSOLES: Readonly<Record<string, (tools: Tools) => Promise<void>>> = {
  'repetitions in a time, alone and in lanes': async ({ page, open, measured, start, press, either, repeat }) => {
    // repetitions in a time: eight counted, one taken back, two refused, one caution; the time runs out by itself
    await open('press-ups?bib=1')
    await start()
    await repeat(8, ' ', /^Count/)
    await press('u', /^Undo/)
    await press('1', /^Not low enough/)
    await press('2', /^Body not straight/)
    await press('c', /^Caution/)
    await expect(page.getByText('Counted until the 0:40 ran out.')).toBeVisible({ timeout: LONG })
    expect(await measured('press-ups', 1)).toBe(7)

    // four lanes at once: different counts, a refusal with its reason, everybody ended
    await open('press-ups?mode=lanes')
    await start()
    for (const [lane, bib] of [2, 3, 4].entries()) {
      const count = (): Promise<void> =>
        either(
          () => page.keyboard.press(String(lane + 1)),
          () => page.getByRole('button', { name: `Count, bib ${bib}` }).tap(),
        )
      for (let times = 0; times <= lane; times++) await count()
    }
    await press('q', /^Refuse/)
    await press('1', /^Not low enough/)
    await expect(page.getByText('All are done.')).toBeVisible({ timeout: LONG })
    expect([await measured('press-ups', 2), await measured('press-ups', 3), await measured('press-ups', 4)]).toEqual([
      1, 2, 3,
    ])
  },

  'repetitions to failure': async ({ page, open, measured, start, repeat }) => {
    // to failure: ended by the third caution, after five
    await open('pull-ups?bib=1')
    await start()
    await repeat(5, ' ', /^Count/)
    await repeat(3, 'c', /^Caution/)
    await expect(page.getByText('until the cautions were used up')).toBeVisible()
    expect(await measured('pull-ups', 1)).toBe(5)
  },

  'repetitions to a beat, alone and together': async ({ page, open, measured, start, repeat, inLane }) => {
    // to a cadence: ended by the second missed beat, after four
    await open('curl-ups?bib=1')
    await start()
    await repeat(4, ' ', /^Count/)
    await repeat(2, 'm', /^Missed beat/)
    await expect(page.getByText('until too many beats were missed')).toBeVisible()
    expect(await measured('curl-ups', 1)).toBe(4)

    // to one beat together: the first keeps it for two, the second misses two beats after one
    await open('curl-ups?mode=lanes')
    await start()
    await inLane(2, '1', /^Count/)
    await inLane(3, '2', /^Count/)
    await inLane(2, '1', /^Count/)
    for (let times = 0; times < 2; times++) await inLane(3, '6', /^Missed beat/)
    await inLane(2, 'z', /^Ends/)
    await inLane(4, 'b', /^Ends/)
    await expect(page.getByText('All are done.')).toBeVisible()
    expect([await measured('curl-ups', 2), await measured('curl-ups', 3)]).toEqual([2, 1])
  },

  'holds together': async ({ page, open, captures, measured, start, press, either, type }) => {
    // held together: the first lets go, the second is cautioned once too often, the third is stopped at the cap
    await open('hold')
    await start()
    await page.waitForTimeout(400)
    await press('1', 'Position lost')
    await expect(page.locator('.tiles li').first()).toContainText('took part')
    for (let times = 0; times < 2; times++) {
      await either(
        () => type('c', '2'),
        () =>
          page
            .getByRole('button', { name: /^Caution/ })
            .first()
            .tap(),
      )
    }
    await expect(page.locator('.tiles li').nth(1)).toContainText('took part')
    await either(
      () => page.keyboard.press('4'),
      () => page.getByRole('button', { name: 'Position lost' }).nth(1).tap(),
    )
    await expect(page.getByText('All are done.')).toBeVisible({ timeout: LONG })
    expect(await measured('hold', 3)).toBe(60_000)
    const holds = await captures('hold')
    expect(await measured('hold', 1)).toBe(from(holds, 'stopped').atMs - from(holds, 'started').atMs)
    expect(await measured('hold', 2)).toBe(lastOf(holds, 'cautioned').atMs - from(holds, 'started').atMs)
  },

  'a run of two laps': async ({ page, open, captures, measured, start, press, either, type, tile }) => {
    // a run of two laps: bibs stamped twice, one time kept first and its bib put to it afterwards
    await open('run')
    await start()
    for (const bib of [1, 2, 3]) {
      for (let lap = 0; lap < 2; lap++) {
        await either(
          () => type(String(bib), 'Enter'),
          () => tile(bib).tap(),
        )
        await expect(page.getByRole('status').filter({ hasText: new RegExp(`^${bib} `) })).toBeVisible()
      }
    }
    await either(
      () => type('4', 'Enter'),
      () => tile(4).tap(),
    )
    await press('n', /^Time now/)
    await expect(page.getByText('1 time without a bib')).toBeVisible()
    await press('b', /^Put a bib/)
    await page.keyboard.type('4')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Wave 1 is in.')).toBeVisible()
    const run = await captures('run')
    const kept = run.find(({ kind, entryId }) => kind === 'crossed' && entryId === null)
    expect(await measured('run', 4)).toBe((kept?.atMs ?? 0) - from(run, 'waveStarted').atMs)
  },

  'distance in a time': async ({ page, open, measured, start, either, type, tile }) => {
    // distance in a time: two laps of 200 m and 135 m beyond, read at the mark of 130 m
    await open('minute-run')
    await start()
    for (let lap = 0; lap < 2; lap++)
      await either(
        () => type('1', 'Enter'),
        () => tile(1).tap(),
      )
    await expect(tile(1)).toContainText('2 laps')
    await expect(page.getByText('Metres beyond the line')).toBeVisible({ timeout: LONG })
    for (const [index, metres] of ['135', '0', '50', '60'].entries()) {
      await page.locator('.marks input').first().fill(metres)
      await either(
        () => page.locator('.marks input').first().press('Enter'),
        () => page.getByRole('button', { name: 'Enter', exact: true }).first().tap(),
      )
      await expect(page.locator('.marks input')).toHaveCount(3 - index)
    }
    expect([await measured('minute-run', 1), await measured('minute-run', 3)]).toEqual([530_000, 50_000])
  },

  'a shuttle': async ({ page, open, measured, start, either, type, tile }) => {
    // shuttle: signals at 20, 40, 58, 76, 92 and 108 s; bib 1 misses two in a row after the first, bib 2 steps out after it
    await open('shuttle')
    await start()
    const shuttleNow = (level: number, shuttle: number) =>
      Promise.all([
        expect(page.getByTestId('level')).toHaveText(String(level), { timeout: LONG }),
        expect(page.getByTestId('shuttle')).toHaveText(String(shuttle), { timeout: LONG }),
      ])
    const miss = (bib: number): Promise<void> =>
      either(
        () => type(String(bib), 'Enter'),
        () => tile(bib).tap(),
      )
    const out = (bib: number): Promise<void> =>
      either(
        () => type(String(bib), 'o'),
        () => page.getByRole('button', { name: `Bib ${bib} steps out` }).tap(),
      )
    await shuttleNow(1, 2)
    await out(2)
    await shuttleNow(2, 1)
    await miss(1)
    await shuttleNow(2, 2)
    await miss(1)
    await out(3)
    await expect(page.getByText('Wave 1 is out.')).toBeVisible({ timeout: LONG })
    expect([
      await measured('shuttle', 1),
      await measured('shuttle', 2),
      await measured('shuttle', 3),
      await measured('shuttle', 4),
    ]).toEqual([101, 101, 201, 302])
  },

  'a sprint, alone and together': async ({ page, open, captures, measured, start, press, inLane }) => {
    // sprint: two tries, the better one counts
    await open('sprint?bib=1')
    for (const attempt of [1, 2]) {
      await start()
      await expect(page.locator('.tries li').nth(attempt - 1)).toContainText('under way')
      await press(' ', /^Finish/)
      await expect(page.locator('.tries li').nth(attempt - 1)).not.toContainText('under way')
    }
    const sprint = await captures('sprint')
    const starts = sprint.filter(({ kind }) => kind === 'started')
    const tries = sprint
      .filter(({ kind }) => kind === 'crossed')
      .map(({ atMs }, index) => atMs - (starts[index]?.atMs ?? 0))
    expect(tries).toHaveLength(2)
    expect(await measured('sprint', 1)).toBe(Math.min(...tries))

    // three together from one start, a false start first; each has another try
    await open('sprint?mode=lanes')
    await start()
    await press('r', /^False start/)
    await start()
    const times = new Map<number, number>()
    for (const [lane, bib] of [2, 3, 4].entries()) await inLane(bib, String(lane + 1), /^Finish/)
    await expect(page.getByRole('heading', { name: '3 start together' })).toBeVisible()
    const together = await captures('sprint')
    const goMs = lastOf(together, 'started').atMs
    for (const { atMs, entryId, kind } of together.filter((one) => one.kind === 'crossed').slice(-3)) {
      expect([kind, typeof entryId]).toEqual(['crossed', 'string'])
      times.set(times.size + 2, atMs - goMs)
    }
    expect([await measured('sprint', 2), await measured('sprint', 3), await measured('sprint', 4)]).toEqual([
      ...times.values(),
    ])
  },

  'a grip': async ({ page, open, measured }) => {
    // grip: best of two each hand, the lesser hand
    await open('grip?bib=1')
    for (const kilograms of ['41.2', '43.5', '39', '38.4']) {
      const field = page.locator('form input').nth(['41.2', '43.5', '39', '38.4'].indexOf(kilograms))
      await field.fill(kilograms)
      await field.press('Enter')
    }
    await expect(page.locator('.result')).toContainText('39 kg')
    expect(await measured('grip', 1)).toBe(39_000)
  },

  'a lift': async ({ page, open, measured, press }) => {
    // lift: 20 good, 25 missed, 25 good, 30 missed
    await open('lift?bib=1')
    await press('g', /^Good lift/)
    await expect(page.getByTestId('load')).toHaveText('25 kg')
    // the rest still runs: the first press is asked about, a second one answers
    const despite = async (key: string, button: RegExp): Promise<void> => {
      await press(key, button)
      await expect(page.getByText('The rest still runs')).toBeVisible()
      await page.waitForTimeout(DELIBERATE_MS)
      await press(key, button)
    }
    await despite('m', /^Missed/)
    await despite('g', /^Good lift/)
    await expect(page.getByTestId('load')).toHaveText('30 kg')
    await despite('m', /^Missed/)
    await expect(page.getByText('25 kg stamped')).toBeVisible()
    expect(await measured('lift', 1)).toBe(25_000)
  },

  'a course': async ({ page, open, captures, measured, start, press, either }) => {
    // course: two on it at once; one finishes with a fault, the other drops a drum
    await open('course')
    await start()
    await press('t', /^Fault/)
    // the half minute on the stairs closes by itself; a press before it does nothing
    await either(
      () => page.keyboard.press(' '),
      () => Promise.resolve(),
    )
    await expect(page.getByText('Drums complete')).toBeVisible({ timeout: LONG })
    // nobody has done it within a breath of the stage before
    await page.waitForTimeout((2 * BREATH_MS) / SPEED)
    await press(' ', /^Drums complete/)
    await expect(page.getByText('Dummy complete')).toBeVisible()
    await start()
    await expect(page.getByText('closes by itself')).toBeVisible()
    await expect(page.getByText('Drums complete')).toBeVisible({ timeout: LONG })
    await press('1', /^Drops a drum/)
    // the one who is still out is worked again only when somebody says so
    await expect(page.getByText('Dummy complete')).toHaveCount(0)
    await either(
      () => page.keyboard.press('ArrowDown'),
      () => page.getByRole('button', { name: /Dummy/ }).tap(),
    )
    await expect(page.getByText('Dummy complete')).toBeVisible()
    await press(' ', /^Dummy complete/)
    await expect(page.getByText('took part').first()).toBeVisible()
    const course = await captures('course')
    expect(await measured('course', 1)).toBe(between(course, 'started', 'passed'))
    expect(await measured('course', 2)).toBe('ended')
  },

  'a chain': async ({ page, open, captures, measured, start, press }) => {
    // chain: out, six squats, back
    await open('chain?bib=1')
    await start()
    await press(' ', /^Run out complete/)
    await expect(page.getByTestId('counted')).toHaveText('0')
    for (let squat = 0; squat < 6; squat++) await press(' ', /Squats: /)
    await expect(page.getByText('Run back complete')).toBeVisible()
    // within a breath of the last squat it would be the same press twice
    await page.waitForTimeout(BREATH_MS / SPEED)
    await press(' ', /^Run back complete/)
    await expect(page.getByText('Next: 2').first()).toBeVisible()
    expect(await measured('chain', 1)).toBe(between(await captures('chain'), 'started', 'passed'))
  },

  'done or not done': async ({ page, open, measured, press }) => {
    // crawl: one done, one fails
    await open('crawl?bib=1')
    await press(' ', /^Done/)
    await expect(page.getByText('Next: 2').first()).toBeVisible()
    await press('n', /^Next: 2/)
    await press('1', /^Turns back/)
    await expect(page.getByText('Turns back').first()).toBeVisible()
    expect([await measured('crawl', 1), await measured('crawl', 2)]).toEqual([1, 'ended'])
  },

  'a step test, alone and together': async ({ page, open, measured, start, either, repeat }) => {
    // step test: five beats touched in 30 s, three on the wall, are 10 a minute, which is asked about
    await open('step?bib=1')
    await start()
    await expect(page.getByTestId('beats')).toBeVisible({ timeout: LONG })
    await repeat(5, ' ', /tap every beat/)
    await expect(page.getByLabel(/^Beats counted in 30 s/)).toHaveValue('5', { timeout: LONG })
    const enter = (): Promise<void> =>
      either(
        () => page.getByLabel(/^Beats counted/).press('Enter'),
        () => page.getByText('Enter the pulse').tap(),
      )
    await enter()
    await expect(page.getByRole('alert')).toContainText('Enter 5 again if it is right')
    // two presses nearer than this are one
    await page.waitForTimeout(700)
    await enter()
    await expect(page.getByText('5 beats in 30 s')).toBeVisible()
    expect(await measured('step', 1)).toBe(10)

    // three at one beat: one stops early and did not finish, two have their pulse typed
    await open('step?mode=lanes')
    await start()
    await either(
      () => page.keyboard.press('2'),
      () =>
        page
          .getByRole('button', { name: /^Stops early/ })
          .nth(1)
          .tap(),
    )
    await expect(page.getByLabel(/^Beats counted in 30 s/)).toHaveCount(2, { timeout: LONG })
    for (const beats of ['52', '61']) {
      await page
        .getByLabel(/^Beats counted/)
        .first()
        .fill(beats)
      await either(
        () => page.keyboard.press('Enter'),
        () => page.getByText('Enter the pulse').first().tap(),
      )
      await allSaved(page)
    }
    await expect(page.getByText('All are done.')).toBeVisible()
    expect([await measured('step', 2), await measured('step', 3), await measured('step', 4)]).toEqual([
      104,
      'ended',
      122,
    ])
  },

  'body measures': async ({ page, open, captures }) => {
    // body measures
    await open('body?bib=1')
    await page.getByLabel('Body mass').fill('71.4')
    await page.getByLabel('Body mass').press('Enter')
    await page.getByLabel('Height').fill('178')
    await page.getByLabel('Height').press('Enter')
    await allSaved(page)
    const figures = (await captures('body')).map(({ payload }) => ('value' in payload ? payload.value : null))
    expect(figures).toEqual([71_400, 1_780])
  },
}

/** By touch at phone size as well; in between `field.spec.ts` keeps watch over one console by touch. */
const BOTH = process.env['ABLE_GAUGE_LONG'] === '1'
const LAPTOP = { viewport: { width: 1280, height: 800 } }
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true }

let people: readonly Tools[]
const contexts: BrowserContext[] = []

test.beforeAll(async ({ browser, app }) => {
  const open = async (screen: typeof LAPTOP, signInName: string): Promise<BrowserContext> => {
    const settings = { baseURL: app.address, serviceWorkers: 'block', reducedMotion: 'reduce' } as const
    const context = await browser.newContext({ ...screen, ...settings })
    contexts.push(context)
    await context.request.post('/api/session', { data: { signInName, password: PASSWORD } })
    return context
  }
  const laptop = await open(LAPTOP, 'ines.calloway-brandt')
  await publishEveryKind(laptop.request)
  const toolsIn = async (context: BrowserContext, means: typeof byKeys): Promise<Tools> =>
    toolsFor(await context.newPage(), await practiceDay(laptop.request, SPEED), means)
  const keyed = await toolsIn(laptop, byKeys)
  people = BOTH ? [keyed, await toolsIn(await open(PHONE, 'wanda.lofthouse'), byTouch)] : [keyed]
})
test.afterAll(() => Promise.all(contexts.map((context) => context.close())))

for (const [name, work] of Object.entries(CONSOLES)) {
  test(`by keys alone${BOTH ? ', and by touch at phone size' : ''}: ${name}`, async () => {
    // both mostly wait for the clock, so they go side by side
    await Promise.all(people.map(work))
  })
}
