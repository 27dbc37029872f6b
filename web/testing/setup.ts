/** After each test nothing of it goes on: what was mounted is taken down, the day that was open is closed. */
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { afterEach } from 'vitest'
import { closeDay } from './openDay.ts'

// the files of one worker share what they import, and this may be asked for once
disableAutoUnmount()
enableAutoUnmount(afterEach)
afterEach(closeDay)
