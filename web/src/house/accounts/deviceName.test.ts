import { expect, test } from 'vitest'
import { deviceName } from './deviceName.ts'

const CHROME = 'AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36'
test.each([
  [`Mozilla/5.0 (Linux; Android 14; K) ${CHROME}`, 'Chrome on Android'],
  [`Mozilla/5.0 (Windows NT 10.0; Win64; x64) ${CHROME} Edg/140.0.0.0`, 'Edge on Windows'],
  [
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Mobile/15E148 Safari/604.1',
    'Safari on an iPhone',
  ],
  ['Mozilla/5.0 (X11; Linux x86_64; rv:130.0) Gecko/20100101 Firefox/130.0', 'Firefox on Linux'],
  ['curl/8.5.0', 'curl/8.5.0'],
  ['', 'A device nobody knows'],
])('%s is %s', (userAgent, expected) => {
  expect(deviceName(userAgent)).toBe(expected)
})
