/** Four lanes of counted repetitions on one console, drawn without a graphics card: from the key to the count of its lane. */
import { openConsole, timePresses, withRehearsal } from './pressedConsole.ts'

const LANES = ['1', '2', '3', '4']
const ENDS = ['z', 'v', 'b', 'm']
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
  await timePresses(page, PRESSES, async (count) => {
    // four others for each slowdown: nobody's time runs out meanwhile
    if (count > 0 && count % PRESSES === 0) for (const key of [...ENDS, 'n']) await page.keyboard.press(key)
    if (count % PRESSES === 0) {
      await page.keyboard.press('s')
      await page.locator('.tiles .running').first().waitFor()
    }
    const lane = count % LANES.length
    return { key: LANES[lane] ?? '', shown: `.tiles li:nth-child(${lane + 1}) .pad strong` }
  })
})
