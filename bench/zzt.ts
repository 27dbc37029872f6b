import { openConsole, press, withRehearsal } from './zzPressed.ts'
const rate = Number(process.argv[2] ?? 4)
await withRehearsal({ standardId: 'constabulary-entry', version: 3, people: 200, waveOf: 200, ownEventId: 'all-events' } as any, async (page, id) => {
  await openConsole(page, `/days/${id}/run/run`); await page.keyboard.press('s'); await page.getByText('Wave 1, started').waitFor()
  const session = await page.context().newCDPSession(page)
  for (let i = 0; i < 60; i++) { await press(page, { key: ' ', shown: '.message', followed: '.crossings ol' }); await page.waitForTimeout(60) }
  await session.send('Emulation.setCPUThrottlingRate', { rate })
  await page.waitForTimeout(1500)
  const events: any[] = []
  session.on('Tracing.dataCollected', ({ value }: any) => events.push(...value))
  await session.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['devtools.timeline', 'blink.user_timing', 'toplevel'] } } as never)
  const f: any[] = []
  for (let i = 0; i < 40; i++) {
    await page.evaluate((i) => window.addEventListener('keydown', () => performance.mark('key' + i), { capture: true, once: true }), i)
    const p = await press(page, { key: ' ', shown: '.message', followed: '.crossings ol' }); f.push(p)
    await page.waitForTimeout(60) }
  const done = new Promise((r) => session.once('Tracing.tracingComplete', r))
  await session.send('Tracing.end'); await done
  const mk = events.find(e => e.name === 'key3')
  const main = mk.pid + ':' + mk.tid
  const own = events.filter(e => e.pid + ':' + e.tid === main && e.ph === 'X').sort((a, b) => a.ts - b.ts || b.dur - a.dur)
  const marks = f.map((_, i) => events.find(e => e.name === 'key' + i).ts)
  const tops = own.filter(e => e.name === 'RunTask' || e.name === 'ThreadControllerImpl::RunTask')
  const label = (t: any) => { const kids = own.filter(e => e.ts >= t.ts && e.ts + e.dur <= t.ts + t.dur + 1 && !/RunTask/.test(e.name) && e.dur > 200); const m: any = {}; for (const k of kids) { const d = k.args?.data; const n = k.name === 'FunctionCall' ? 'F' + (d?.functionName ?? '') + ':' + d?.columnNumber : k.name; m[n] = (m[n] ?? 0) + k.dur / 1000 } return Object.entries(m).sort((a: any, b: any) => b[1] - a[1]).slice(0, 7).map(([n, d]: any) => n + ' ' + d.toFixed(1)).join(', ') }
  const seen = tops.filter(t => !tops.some(o => o !== t && o.ts <= t.ts && o.ts + o.dur >= t.ts + t.dur && o.dur > t.dur))
  const all = seen.filter(t => t.ts > marks[5]! && t.ts < marks[39]!)
  console.log('busy share', (all.reduce((a, t) => a + t.dur, 0) / (marks[39]! - marks[5]!)).toFixed(2), 'per press ms', ((marks[39]! - marks[5]!) / 34000).toFixed(0))
  const order = f.map((x, i) => [x.paintedMs, i] as const).sort((a, b) => b[0] - a[0])
  console.log(order.map(o => o[0].toFixed(0)).join(' '))
  for (const [ms, i] of [...order.slice(0, 7), ...order.slice(18, 22)]) {
    console.log(`== ${i} changed ${f[i].changedMs.toFixed(1)} painted ${ms.toFixed(1)} followed ${f[i].followedMs.toFixed(1)}`)
    for (const t of seen.filter(t => t.ts + t.dur > marks[i]! - 60000 && t.ts < marks[i]! + f[i].followedMs * 1000 && t.dur > 700)) console.log('  ', ((t.ts - marks[i]!) / 1000).toFixed(1).padStart(7), (t.dur / 1000).toFixed(1).padStart(6), label(t).slice(0, 200))
  }
})
