import { openConsole, press, withRehearsal } from './zzPressed.ts'
const which = process.argv[2] ?? 'shuttle'
const W: any = { shuttle: { standardId: 'guard-service', version: 4, people: 40, waveOf: 40, ownEventId: 'all-events' }, lanes: { standardId: 'constabulary-entry', version: 3, people: 12, waveOf: 12, ownEventId: 'all-events' }, lap: { standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } }
await withRehearsal(W[which], async (page, id) => {
  let next: (n: number) => Promise<any>
  if (which === 'shuttle') {
    const { request } = page.context()
    const day = await (await request.get(`/api/occasions/${id}`)).json() as any
    for (const { id: e, revision, attendance, note, bib, bodyMassG, choices } of day.entries) await request.patch(`/api/occasions/${id}/entries/${e}`, { data: { revision, attendance, note, bib, bodyMassG, choices: { ...choices, alternates: { run: 'shuttle' }, reason: 'chosen' } } })
    await openConsole(page, `/days/${id}/run/run?alternate=shuttle`); await page.keyboard.press('s'); await page.getByTestId('shuttle').getByText('2').waitFor()
    const bibs = await page.locator('.tiles [data-bib]').evaluateAll((t) => t.map((x) => x.getAttribute('data-bib')))
    next = async (n) => { const b = bibs[n % 40]; await page.keyboard.type(String(b)); await page.waitForTimeout(150); return { key: n < 40 ? 'Enter' : 'o', shown: `.tiles li:has([data-bib="${b}"])` } }
  } else if (which === 'lanes') { await openConsole(page, `/days/${id}/run/press-ups?mode=lanes`); await page.keyboard.press('s'); await page.locator('.tiles .running').first().waitFor()
    next = async (n) => ({ key: String(n % 4 + 1), shown: `.tiles li:nth-child(${n % 4 + 1}) .pad strong` })
  } else { await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor(); next = async () => ({ key: ' ', shown: '.message', followed: '.crossings ol' }) }
  const session = await page.context().newCDPSession(page)
  for (let i = 0; i < 15; i++) { await press(page, await next(i)); await page.waitForTimeout(60) }
  const events: any[] = []
  session.on('Tracing.dataCollected', ({ value }: any) => events.push(...value))
  await session.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['devtools.timeline', 'blink.user_timing', 'toplevel', 'blink', 'cc'] } } as never)
  const f: any[] = []
  for (let i = 15; i < 30; i++) { const n = await next(i); await page.evaluate((i) => window.addEventListener('keydown', () => performance.mark('key' + i), { capture: true, once: true }), i); f.push(await press(page, n)); await page.waitForTimeout(60) }
  const done = new Promise((r) => session.once('Tracing.tracingComplete', r)); await session.send('Tracing.end'); await done
  const mk = events.find(e => e.name === 'key20'); const main = mk.pid + ':' + mk.tid
  const own = events.filter(e => e.pid + ':' + e.tid === main && e.ph === 'X').sort((a, b) => a.ts - b.ts || b.dur - a.dur)
  for (const i of [18, 20, 22]) { const m = events.find(e => e.name === 'key' + i); const fr = own.find(e => e.name === 'ProxyMain::BeginMainFrame' && e.ts > m.ts)!
    console.log('== key', i, JSON.stringify(f[i - 15]), 'frame', (fr.dur / 1000).toFixed(1), 'at', ((fr.ts - m.ts) / 1000).toFixed(1))
    const stack: any[] = []
    for (const k of own.filter(e => e.ts >= m.ts - 500 && e.ts < fr.ts + fr.dur + 3000 && e.dur > 300)) { while (stack.length && stack.at(-1).ts + stack.at(-1).dur < k.ts + k.dur) stack.pop(); stack.push(k); const d = k.args?.data ?? k.args?.beginData; console.log(' '.repeat(stack.length) + ((k.ts - m.ts) / 1000).toFixed(1), k.name, (k.dur / 1000).toFixed(2), d?.totalObjects ? `${d.dirtyObjects}/${d.totalObjects}` : k.args?.elementCount ?? '') } }
})
