/**
 * The lap console with 200 runners, drawn without a graphics card: from the key to the line that names bib, lap and time, and to
 * the frame after it with the tile and the row of the stamp.
 */
import { openConsole, timePresses, withRehearsal } from './pressedConsole.ts'

const RUNNERS = 200
const PRESSES = 80
const WISH = {
  standardId: 'constabulary-entry',
  version: 3,
  people: RUNNERS,
  waveOf: RUNNERS,
  ownEventId: 'all-events',
}

console.log(`${RUNNERS} runners, each press for the runner expected next`)
await withRehearsal(WISH, async (page, id) => {
  await openConsole(page, `/days/${id}/run/run`)
  await page.keyboard.press('s')
  await page.getByText('Wave 1, started').waitFor()
  await timePresses(page, PRESSES, async () => ({ key: ' ', shown: '.message', followed: '.crossings ol' }))
})
