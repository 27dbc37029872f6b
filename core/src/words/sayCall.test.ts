import { expect, test } from 'vitest'
import { sayCall } from './sayCall.ts'

test.each([
  ['announcement', { say: 'Half the time' }, 'Half the time'],
  ['lapsToGo', { laps: 3 }, '3 to go'],
  ['lapsToGo', { laps: 1 }, 'last lap'],
  ['lapsToGo', { laps: 0 }, 'home'],
  // what is heard as a sound has no words
  ['signal', { level: 2, shuttle: 1 }, ''],
  ['beats', { beatsPerMinute: 96 }, ''],
])('%s %j is said "%s"', (code, figures, words) => {
  expect(sayCall({ code, atMs: 0, figures })).toBe(words)
})
