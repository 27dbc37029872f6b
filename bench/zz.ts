import { openConsole, press, withRehearsal } from './zzPressed.ts'
const which = process.argv[2] ?? 'lap'
const WISHES: any = {
  lap: { standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' },
  lanes: { standardId: 'constabulary-entry', version: 3, people: 12, waveOf: 12, ownEventId: 'all-events' },
  shuttle: { standardId: 'guard-service', version: 4, people: 40, waveOf: 40, ownEventId: 'all-events' },
}
await withRehearsal(WISHES[which], async (page, id) => {
  let next: (n: number) => Promise<any>
  await page.addInitScript(() => { const real = window.setInterval; (window as any).setInterval = (f: any, ms: number) => real(() => { if (!(globalThis as any).__stop) f() }, ms) })
  if (which === 'lap') {
    await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
    next = async () => ({ key: ' ', shown: '.message', followed: '.crossings ol' })
  } else if (which === 'lanes') {
    await openConsole(page, `/days/${id}/run/press-ups?mode=lanes`); await page.keyboard.press('s'); await page.locator('.tiles .running').first().waitFor()
    next = async (n) => ({ key: String(n % 4 + 1), shown: `.tiles li:nth-child(${n % 4 + 1}) .pad strong` })
  } else {
    const { request } = page.context()
    const day = await (await request.get(`/api/occasions/${id}`)).json() as any
    for (const { id: e, revision, attendance, note, bib, bodyMassG, choices } of day.entries) await request.patch(`/api/occasions/${id}/entries/${e}`, { data: { revision, attendance, note, bib, bodyMassG, choices: { ...choices, alternates: { run: 'shuttle' }, reason: 'chosen' } } })
    await openConsole(page, `/days/${id}/run/run?alternate=shuttle`); await page.keyboard.press('s'); await page.getByTestId('shuttle').getByText('2').waitFor()
    const bibs = await page.locator('.tiles [data-bib]').evaluateAll((t) => t.map((x) => x.getAttribute('data-bib')))
    next = async (n) => { const b = bibs[n % 40]; await page.keyboard.type(String(b)); await page.waitForTimeout(50); return { key: n < 40 ? 'Enter' : 'o', shown: `.tiles li:has([data-bib="${b}"])` } }
  }
  const session = await page.context().newCDPSession(page)
  for (let i = 0; i < 10; i++) { await press(page, await next(i)); await page.waitForTimeout(60) }
  await page.evaluate(() => { (globalThis as any).__stop = !(globalThis as any).__go })
  await session.send('Profiler.enable'); await session.send('Profiler.setSamplingInterval', { interval: 100 })
  await session.send('Profiler.start')
  const N = which === 'shuttle' ? 30 : 60
  const f: any[] = []
  for (let i = 10; i < 10 + N; i++) { f.push(await press(page, await next(i))); await page.waitForTimeout(60) }
  const { profile } = await session.send('Profiler.stop') as any
  console.log('changed', f.map(x => x.changedMs).sort((a, b) => a - b)[N / 2]?.toFixed(2))
  const byId = new Map<number, any>(profile.nodes.map((n: any) => [n.id, { ...n, self: 0, total: 0 }]))
  profile.samples.forEach((s: number, i: number) => { byId.get(s).self += profile.timeDeltas[i + 1] ?? 0 })
  const walk = (n: any): number => (n.total = n.self + (n.children ?? []).reduce((a: number, c: number) => a + walk(byId.get(c)), 0))
  const root = byId.get(profile.nodes[0].id); walk(root)
  const print = (n: any, d: number) => { if (n.total / 1000 / N < 0.04 || d > 26) return; const c = n.callFrame; console.log(' '.repeat(d) + (c.functionName || '(anon)') + ' ' + c.url.split('/').at(-1) + ':' + c.lineNumber, (n.total / 1000 / N).toFixed(3), n.self / 1000 / N > 0.03 ? 'self ' + (n.self / 1000 / N).toFixed(3) : ''); (n.children ?? []).map((c: number) => byId.get(c)).sort((a: any, b: any) => b.total - a.total).forEach((c: any) => print(c, d + 1)) }
  ;(root.children ?? []).map((c: number) => byId.get(c)).filter((c: any) => !/idle|program/.test(c.callFrame.functionName)).forEach((c: any) => print(c, 0))
})
