/** After each test nothing of it goes on: what was mounted is taken down, the days that were open are closed, what stood in for the browser is gone. */
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach, vi } from 'vitest'
import { closeDays } from './openDay.ts'

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
