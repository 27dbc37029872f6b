import { openConsole, press, withRehearsal } from './zzPressed.ts'
const share = (v: number[], at: number) => [...v].sort((a, b) => a - b)[Math.floor((v.length - 1) * at)]!.toFixed(2)
const V: Record<string, string> = {
  warm: '', base: '',
  'msg': '.message{will-change:transform}',
  'msg span': '.message span{will-change:transform}',
  'noscroll': '.main,ol{overflow:hidden!important}',
  'noscroll main': '.main{overflow:hidden!important}',
  'noscroll ol': 'ol{overflow:hidden!important}',
  'clip main': '.main{overflow:clip!important}',
  'msg+noscroll': '.message{will-change:transform}.main,ol{overflow:hidden!important}',
  'msg+noscroll+tile nocontain': '.message{will-change:transform}.main,ol{overflow:hidden!important}.tile,.due{contain:none!important}',
  'msg+tile nocontain': '.message{will-change:transform}.tile,.due{contain:none!important}',
  'tiles paint': '.tiles{contain:paint layout style!important}',
  'tile nocontain tiles strict': '.tile,.due{contain:none!important}.tiles{contain:layout paint style!important}',
  'no laps strip': '.laps{display:none!important}',
  'tile text only': '.tile{border:0!important;background:none!important}.laps{display:none!important}',
  'tiles hidden + msg': '.tiles{display:none!important}.message{will-change:transform}',
  'tiles hidden + msg+noscroll': '.tiles{display:none!important}.message{will-change:transform}.main,ol{overflow:hidden!important}',
  'base again': '',
}
await withRehearsal({ standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } as any, async (page, id) => {
  await page.addInitScript(() => { const real = window.setTimeout; (window as any).setTimeout = (f: any, ms: number, ...a: any[]) => (globalThis as any).__stop && ms > 30 ? real(() => undefined, 1) : real(f, ms, ...a) })
  await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
  for (let i = 0; i < 30; i++) { await press(page, { key: ' ', shown: '.message', followed: '.crossings ol' }); await page.waitForTimeout(20) }
  await page.mouse.move(900, 500)
  await page.waitForTimeout(2000)
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: Number(process.argv[2] ?? 1) })
  await page.evaluate(() => { (globalThis as any).__stop = true })
  for (const [name, css] of Object.entries(V)) {
    const f = await page.evaluate(async (css) => {
      let e = document.getElementById('zzs'); if (!e) { e = document.createElement('style'); e.id = 'zzs'; document.head.append(e) } e.textContent = css
      const out: number[] = []
      const span = document.querySelector('.message span')!
      const one = () => new Promise<number>((r) => { span.textContent = 'Stamp ' + String(Math.random()).slice(2, 9); requestAnimationFrame(() => { const t = performance.now(); (globalThis as any).scheduler.postTask(() => r(performance.now() - t), { priority: 'user-blocking' }) }) })
      for (let i = 0; i < 60; i++) { const t = await one(); if (i >= 10) out.push(t) }
      return out
    }, css)
    console.log(name.padEnd(28), share(f, .5), share(f, .9))
  }
})
