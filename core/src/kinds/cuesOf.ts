/** What a grader has to know of any event before it starts. */
import type { Cue } from '../referee/referee.ts'
import type { ProtocolBase } from './protocolBase.ts'

const each = (code: string, texts: readonly string[] = []): Cue[] => texts.map((text) => ({ code, text }))

export const cuesOf = ({
  clearBefore,
  setUp = [],
  equipment,
  warmUp,
  coolDown,
  endings = [],
  startWords,
}: ProtocolBase): Cue[] => [
  ...each('clearBefore', clearBefore),
  ...setUp.map(({ label, writtenIn }) => ({ code: 'setUp', text: writtenIn ? `${label} in ${writtenIn}` : label })),
  ...each('required', equipment?.required),
  ...each('allowed', equipment?.allowed),
  ...each('forbidden', equipment?.forbidden),
  ...(warmUp ? [{ code: 'warmUp', figures: { minutes: warmUp.minutes }, text: warmUp.how ?? '' }] : []),
  ...(coolDown ? [{ code: 'coolDown', figures: { minutes: coolDown.minutes }, text: coolDown.how ?? '' }] : []),
  ...endings.map(({ label, then }) => ({ code: 'ending', text: label, figures: { then } })),
  ...(startWords?.words ?? []).map(({ speaker, say }) => ({ code: 'startWord', text: say, figures: { speaker } })),
  ...(startWords?.everyMs === undefined ? [] : [{ code: 'startPace', figures: { everyMs: startWords.everyMs } }]),
]
