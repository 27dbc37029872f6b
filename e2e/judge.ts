/** Judges a day that is given on standard input, in a process of its own: the test runner cannot load the core itself. */
import { text } from 'node:stream/consumers'
import { judgeDay, type Capture, type DayCandidate, type Standard } from '@able-gauge/core'

interface Given {
  readonly standard: Standard
  readonly testDate: string
  readonly candidates: readonly DayCandidate[]
  readonly captures: readonly Capture[]
}

// the tests write it, from what the server and the browsers gave them
const { standard, testDate, candidates, captures } = JSON.parse(await text(process.stdin)) as Given
process.stdout.write(JSON.stringify([...judgeDay({ standard, testDate }, candidates, captures)]))
