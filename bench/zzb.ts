import { openConsole, press, withRehearsal } from './zzPressed.ts'
const share = (v: number[], at: number) => [...v].sort((a, b) => a - b)[Math.floor((v.length - 1) * at)]!.toFixed(1)
await withRehearsal({ standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } as any, async (page, id) => {
  await page.addInitScript(() => { const real = window.setInterval; (window as any).setInterval = (f: any, ms: number) => real(() => { if (!((globalThis as any).__stop >= ms)) f() }, ms) })
  await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
  const session = await page.context().newCDPSession(page)
  for (const rate of [1, 4]) for (const [name, stop, css] of [['all', 0, ''], ['no 100ms clock', 100, ''], ['no ticks', 1e9, ''], ['no ticks, no tiles', 1e9, '.tiles{display:none!important}'], ['no ticks, no tiles/crossings', 1e9, '.tiles,.crossings{display:none!important}'], ['no ticks, only message', 1e9, 'body *{visibility:hidden} .tiles,.crossings,.strip,.bar,.side,.clock-card{display:none!important}.message *{visibility:visible}']] as const) {
    await page.evaluate(([s, css]) => { (globalThis as any).__stop = s; let e = document.getElementById('zzs'); if (!e) { e = document.createElement('style'); e.id = 'zzs'; document.head.append(e) } e.textContent = css as string }, [stop, css])
    await session.send('Emulation.setCPUThrottlingRate', { rate })
    await page.waitForTimeout(1500)
    const f: any[] = []
    for (let i = 0; i < 50; i++) { f.push(await press(page, { key: ' ', shown: '.message' })); await page.waitForTimeout(rate * 40 + 60) }
    console.log(rate, name.padEnd(32), 'changed', share(f.map(x => x.changedMs), .5), share(f.map(x => x.changedMs), .95), 'painted', share(f.map(x => x.paintedMs), .5), share(f.map(x => x.paintedMs), .95), 'rest', share(f.map(x => x.paintedMs - x.changedMs), .5), share(f.map(x => x.paintedMs - x.changedMs), .95))
  }
})
