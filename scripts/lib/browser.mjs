/** Debian's Chromium, driven by Playwright. */
import { requireChromium } from './requirements.mjs'

export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

export const openBrowser = async () => {
  const { chromium } = await import('@playwright/test')
  return chromium.launch({ executablePath: requireChromium(), args: CHROMIUM_ARGS })
}
