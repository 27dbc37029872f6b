/** After each test nothing of it goes on: what was mounted is taken down, the days that were open are closed, what stood in for the browser is gone. */
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { getActivePinia } from 'pinia'
import { afterEach, vi } from 'vitest'
import { useAgreedClock } from '../src/sync/agreedClock.ts'
import { closeDays } from './openDay.ts'

// what Vue warns of is a fault, also where nothing on the page shows it: something that outlives its component, a part of it left out
const warnings: string[] = []
const warn = console.warn.bind(console)
console.warn = (...words: readonly unknown[]) => {
  if (String(words[0]).startsWith('[Vue warn]')) warnings.push(String(words[0]))
  warn(...words)
}
afterEach(() => {
  const told = warnings.splice(0)
  if (told.length > 0) throw new Error(told.join('\n'))
})

// hooks run from the last to this one: nobody asks for the time once the page is gone and its days are closed
afterEach(() => {
  const pinia = getActivePinia()
  if (pinia) useAgreedClock(pinia).$dispose()
})
// the files of one worker share what they import, and this may be asked for once
disableAutoUnmount()
enableAutoUnmount(afterEach)
afterEach(closeDays)
const page = window as unknown as { readonly happyDOM: { setURL(url: string): void } }
const { href } = location
afterEach(() => {
  vi.unstubAllGlobals()
  // a link that was followed leaves the page, and the files of one worker share it
  if (location.href !== href) page.happyDOM.setURL(href)
})
