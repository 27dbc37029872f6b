/** What a phone fetches until it can work its first console: on a field the network is a thin one. */
import { expect, test, PASSWORD } from './app.ts'
import { practiceDay, publishEveryKind } from './everyKind.ts'

test.use({ room: 'plan' })
/** Application, first answers and fonts together, as they are sent. It only gets smaller. */
const BUDGET_BYTES = 180_000

test('the first console on a phone takes no more than its budget', async ({ browser, page, app }) => {
  await publishEveryKind(page.request)
  const day = await practiceDay(page.request, 1)
  const viewport = { width: 390, height: 844 }
  const phone = await browser.newContext({ baseURL: app.address, viewport, isMobile: true, hasTouch: true })
  await phone.request.post('/api/session', { data: { signInName: 'wanda.lofthouse', password: PASSWORD } })
  const tab = await phone.newPage()
  const network = await phone.newCDPSession(tab)
  await network.send('Network.enable')
  let bytes = 0
  network.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
  await tab.goto(`/days/${day}/run/press-ups?bib=1`)
  await expect(tab.getByRole('button', { name: 'Start commands' })).toBeVisible()
  await tab.waitForFunction(() => document.fonts.status === 'loaded')
  expect(bytes).toBeGreaterThan(100_000)
  expect(bytes).toBeLessThan(BUDGET_BYTES)
  await phone.close()
})
