import { openConsole, press, withRehearsal } from './zzPressed.ts'
await withRehearsal({ standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } as any, async (page, id) => {
  await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
  for (let i = 0; i < 4; i++) {
    await page.waitForTimeout(330)
    await page.evaluate(() => { (globalThis as any).__log = []; window.addEventListener('keydown', (e) => { (globalThis as any).__key = performance.now() }, { capture: true, once: true }) })
    const p = await press(page, { key: ' ', shown: '.message', followed: '.crossings ol' })
    await page.waitForTimeout(300)
    const log = await page.evaluate(() => (globalThis as any).__log.map(([n, t]: any) => [n, +(t - (globalThis as any).__key).toFixed(1)]))
    console.log(JSON.stringify(p), log.map((x: any) => x.join(':')).join(' '))
  }
})
