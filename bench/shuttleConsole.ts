/** The shuttle console with 40 runners, drawn without a graphics card: from the key to the tile of who missed the line or is out. */
import { openConsole, timePresses, withRehearsal } from './pressedConsole.ts'

const RUNNERS = 40
const EVENT = 'run'
const ALTERNATE = 'shuttle'
/** Each misses the line once, and then steps out. */
const PRESSES = RUNNERS
/** From the last digit to the key that means it. */
const BETWEEN_KEYS_MS = 100
const WISH = {
  standardId: 'guard-service',
  version: 4,
  people: RUNNERS,
  waveOf: RUNNERS,
  ownEventId: 'all-events',
}

console.log(`${RUNNERS} runners, one after the other misses the line, then steps out`)
await withRehearsal(WISH, async (page, id) => {
  const { request } = page.context()
  const day = (await (await request.get(`/api/occasions/${id}`)).json()) as { entries: readonly EntryRead[] }
  for (const { id: entryId, revision, attendance, note, bib, bodyMassG, choices } of day.entries) {
    const data = {
      ...{ revision, attendance, note, bib, bodyMassG },
      choices: { ...choices, alternates: { [EVENT]: ALTERNATE }, reason: 'chosen' },
    }
    const changed = await request.patch(`/api/occasions/${id}/entries/${entryId}`, { data })
    if (!changed.ok()) throw new Error(`The alternate could not be chosen: ${await changed.text()}`)
  }
  await openConsole(page, `/days/${id}/run/${EVENT}?alternate=${ALTERNATE}`)
  await page.keyboard.press('s')
  // nobody can miss a line before the first signal
  await page.getByTestId('shuttle').getByText('2').waitFor()
  const bibs = await page
    .locator('.tiles [data-bib]')
    .evaluateAll((tiles) => tiles.map((tile) => tile.getAttribute('data-bib') ?? ''))
  await timePresses(page, PRESSES, async (count) => {
    const bib = bibs[count % bibs.length] ?? ''
    await page.keyboard.type(bib)
    await page.waitForTimeout(BETWEEN_KEYS_MS)
    return { key: count < bibs.length ? 'Enter' : 'o', shown: `.tiles li:has([data-bib="${bib}"])` }
  })
})

interface EntryRead {
  readonly id: string
  readonly revision: number
  readonly attendance: string
  readonly note: string
  readonly bib: number | null
  readonly bodyMassG: number | null
  readonly choices: object
}
