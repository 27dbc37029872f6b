/** Four lanes of counted repetitions on one console, drawn without a graphics card: from the key to the count of its lane. */
import { openConsole, timePresses, withRehearsal } from './pressedConsole.ts'

const LANES = ['1', '2', '3', '4']
const PRESSES = 80
const WISH = {
  standardId: 'constabulary-entry',
  version: 3,
  people: 12,
  waveOf: 12,
  ownEventId: 'all-events',
}

console.log(`${LANES.length} lanes, counted in turn`)
await withRehearsal(WISH, async (page, id) => {
  await openConsole(page, `/days/${id}/run/press-ups?mode=lanes`)
  await page.keyboard.press('s')
  await page.locator('.tiles .running').first().waitFor()
  await timePresses(page, PRESSES, async (count) => {
    const lane = count % LANES.length
    return { key: LANES[lane] ?? '', shown: `.tiles li:nth-child(${lane + 1}) .pad strong` }
  })
})
