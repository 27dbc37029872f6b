import type { KindWords } from '../kind.ts'
import { listed } from '../printing.ts'
import type { UntimedTask } from './protocol.ts'

export const words: KindWords<UntimedTask> = {
  conduct: () => 'Done or not',
  rules: ({ task, failsWhen, stoppingAllowed }) => [
    task,
    `Failed by: ${listed(failsWhen)}. ${stoppingAllowed ? 'Stopping is allowed.' : 'Stopping is not allowed.'}`,
  ],
}
