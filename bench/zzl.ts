import { openConsole, press, withRehearsal } from './zzPressed.ts'
await withRehearsal({ standardId: 'guard-service', version: 4, people: 40, waveOf: 40, ownEventId: 'all-events' } as any, async (page, id) => {
    const { request } = page.context()
    const day = await (await request.get(`/api/occasions/${id}`)).json() as any
    for (const { id: e, revision, attendance, note, bib, bodyMassG, choices } of day.entries) await request.patch(`/api/occasions/${id}/entries/${e}`, { data: { revision, attendance, note, bib, bodyMassG, choices: { ...choices, alternates: { run: 'shuttle' }, reason: 'chosen' } } })
    await openConsole(page, `/days/${id}/run/run?alternate=shuttle`); await page.keyboard.press('s'); await page.getByTestId('shuttle').getByText('2').waitFor()
    const bibs = await page.locator('.tiles [data-bib]').evaluateAll((t) => t.map((x) => x.getAttribute('data-bib')))
  for (let i = 0; i < 6; i++) {
    const b = bibs[i]; await page.keyboard.type(String(b)); await page.waitForTimeout(330)
    await page.evaluate(() => { (globalThis as any).__log = []; window.addEventListener('keydown', (e) => { (globalThis as any).__key = performance.now() }, { capture: true, once: true }) })
    const p = await press(page, { key: 'Enter', shown: `.tiles li:has([data-bib="${b}"])` })
    await page.waitForTimeout(300)
    const log = await page.evaluate(() => (globalThis as any).__log.map(([n, t]: any) => [n, +(t - (globalThis as any).__key).toFixed(1)]))
    console.log(JSON.stringify(p), log.map((x: any) => x.join(':')).join(' '))
    if (i === 3) await page.screenshot({ path: '/tmp/shuttle.png' })
  }
})
