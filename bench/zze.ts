import { openConsole, press, withRehearsal } from './zzPressed.ts'
const share = (v: number[], at: number) => [...v].sort((a, b) => a - b)[Math.floor((v.length - 1) * at)]!.toFixed(1)
await withRehearsal({ standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } as any, async (page, id) => {
  await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
  const session = await page.context().newCDPSession(page)
  await page.evaluate(() => { (globalThis as any).__ev = []; new PerformanceObserver((l) => { for (const e of l.getEntries() as any) if (e.name === 'keydown') (globalThis as any).__ev.push([e.duration, e.processingStart - e.startTime, e.processingEnd - e.startTime, e.paintTime, e.presentationTime]) }).observe({ type: 'event', durationThreshold: 16 } as any) })
  for (const rate of [1, 4]) {
    await session.send('Emulation.setCPUThrottlingRate', { rate })
    await page.waitForTimeout(1500)
    await page.evaluate(() => { (globalThis as any).__ev = [] })
    const f: any[] = []
    for (let i = 0; i < 80; i++) { f.push(await press(page, { key: ' ', shown: '.message', followed: '.crossings ol' })); await page.waitForTimeout(60) }
    await page.waitForTimeout(500)
    const ev = await page.evaluate(() => (globalThis as any).__ev)
    const d = [...ev.map((e: any) => e[0]), ...Array(Math.max(0, 80 - ev.length)).fill(8)]
    console.log(rate, 'ours', share(f.map(x => x.paintedMs), .5), share(f.map(x => x.paintedMs), .95), 'events', ev.length, share(d, .5), share(d, .9), share(d, .95), JSON.stringify(ev[0]))
  }
})
