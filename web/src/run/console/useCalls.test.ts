/** What is said aloud: on its moment, once, and gone after a few seconds. */
import type { Call } from '@able-gauge/core'
import { effectScope, ref } from 'vue'
import { expect, test, vi } from 'vitest'
import { openDay } from '../../../testing/openDay.ts'
import { useAgreedClock } from '../../sync/agreedClock.ts'
import { useCalls } from './useCalls.ts'

test('a call is shown from its moment on and no longer than it is news; a signal is a sound and no words', async () => {
  await openDay({ entries: [] })
  const now = useAgreedClock().nowMs()
  const say = (text: string, atMs: number): Call => ({ code: 'announcement', atMs, figures: { say: text } })
  const calls = ref<readonly Call[]>([say('Start', now - 7_000), { code: 'signal', atMs: now - 10 }])
  const scope = effectScope()
  const { called } = scope.run(() => useCalls(() => calls.value)) ?? {}
  expect(called?.value).toBe('')
  calls.value = [say('Half the time', now - 1_000), say('Ten seconds', now + 300)]
  expect(called?.value).toBe('Half the time')
  await vi.waitFor(() => expect(called?.value).toBe('Ten seconds'))
  scope.stop()
})
