/** Done or not: height climb, dark crawl, confidence jump. */
import { defineKind } from '../kind.ts'
import { needed } from '../slot.ts'
import { makerFor, read } from '../stage.ts'
import { plain } from '../worked.ts'
import { UntimedTask } from './protocol.ts'
import { stampedTask, taskReferee, type TaskState } from './referee.ts'
import { words } from './words.ts'

export const untimedTask = defineKind<UntimedTask, TaskState>({
  name: 'Untimed task',
  protocol: UntimedTask,
  template: { task: 'Describe the task.', failsWhen: ['Stopping'], stoppingAllowed: false },
  captures: ['started', 'paused', 'resumed'],
  endsWithWork: true,
  form: () => ({ unit: 'done' }),
  sense: () => 'atLeast',
  slots: () => [needed('done', 'Done', { unit: 'done' })],
  measure: (_, { done }) => (done === 0 ? { reason: 'failed', notes: [{ code: 'notDone' }] } : plain(done)),
  ...taskReferee,
  stamped: stampedTask,
  endings: ({ failsWhen }) => failsWhen.map((label) => ({ label, then: 'fails' as const })),
  sensibleRange: () => ({ least: 1, most: 1 }),
  words,
  usual: () => 1,
  rehearse: (stage, { failsWhen }, turn) => {
    const make = makerFor(stage, turn)
    return stage.random.next() < 0.06
      ? [make(60_000, { kind: 'stopped', payload: { reason: 'failed', note: failsWhen[0] ?? 'Not done.' } })]
      : [make(90_000, read('done', 1))]
  },
})
