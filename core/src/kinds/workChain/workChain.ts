/** Segments in order under one running clock; one has to be complete before the next. */
import { finding, repeatedIds } from '../../document/contradiction.ts'
import { defineKind } from '../kind.ts'
import { DAY_MS } from '../ranges.ts'
import { chainReferee, stampedChain, type ChainState } from './referee.ts'
import { chainSlots, measureChain } from './measure.ts'
import { WorkChain } from './protocol.ts'
import { rehearseChain } from './rehearse.ts'
import { words } from './words.ts'

export const workChain = defineKind<WorkChain, ChainState>({
  name: 'Work chain',
  protocol: WorkChain,
  template: {
    startCommands: ['Get ready', 'Set', 'Go'],
    segments: [
      { id: 'run', name: 'Run', distanceMm: 400_000 },
      { id: 'work', name: 'Work', repetitions: 20, setsAllowed: true },
    ],
  },
  captures: ['started', 'counted', 'refused', 'passed', 'cautioned'],
  endsWithWork: true,
  form: () => ({ unit: 'ms' }),
  sense: () => 'atMost',
  slots: chainSlots,
  measure: measureChain,
  ...chainReferee,
  stamped: stampedChain,
  progress: ({ segments }) => ({ what: 'segments', of: segments.length }),
  refusals: ({ segments }) => segments.flatMap(({ refusals = [] }) => refusals),
  cues: ({ segments }) =>
    segments.flatMap(({ id, countsWhen }) =>
      countsWhen === undefined ? [] : [{ code: 'countsWhen', text: countsWhen, figures: { part: id } }],
    ),
  parts: ({ segments }) => segments.map(({ id }) => id),
  sensibleRange: ({ segments, limitMs }) => ({ least: segments.length * 1_000, most: limitMs ?? DAY_MS }),
  contradictions: ({ segments }, place) => [
    ...repeatedIds(segments, (index) => `${place}.segments[${index}]`),
    ...segments.flatMap(({ distanceMm, repetitions }, index) =>
      (distanceMm === undefined) === (repetitions === undefined)
        ? [
            finding(
              `${place}.segments[${index}]`,
              'oneWork',
              { distanceMm, repetitions },
              'exactly one of distanceMm and repetitions',
            ),
          ]
        : [],
    ),
  ],
  words,
  usual: ({ limitMs }) => limitMs ?? 600_000,
  rehearse: rehearseChain,
})
