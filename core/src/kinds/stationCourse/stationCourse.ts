/** Stations in order under one running clock that never stops between them. */
import { heardBeat } from '../../clock/beats.ts'
import { repeatedIds } from '../../document/contradiction.ts'
import { defineKind } from '../kind.ts'
import { HOUR_MS } from '../ranges.ts'
import { courseReferee, stampedCourse, type CourseState } from './referee.ts'
import { courseSlots, measureCourse } from './measure.ts'
import { StationCourse } from './protocol.ts'
import { rehearseCourse } from './rehearse.ts'
import { words } from './words.ts'

export const stationCourse = defineKind<StationCourse, CourseState>({
  name: 'Station course',
  protocol: StationCourse,
  template: {
    startCommands: ['Get ready', 'Set', 'Go'],
    stations: [{ id: 'station-1', name: 'Station 1', task: 'Describe the task.' }],
    clockStopsWhen: 'Describe the exact moment.',
  },
  captures: ['started', 'passed', 'faulted', 'counted', 'cautioned'],
  endsWithWork: true,
  form: () => ({ unit: 'ms' }),
  sense: () => 'atMost',
  slots: courseSlots,
  measure: measureCourse,
  ...courseReferee,
  stamped: stampedCourse,
  progress: ({ stations }) => ({ what: 'stations', of: stations.length }),
  parts: ({ stations }) => stations.map(({ id }) => id),
  endings: ({ stations }) =>
    stations.flatMap(({ failsAtOnce = [] }) => failsAtOnce.map((label) => ({ label, then: 'fails' as const }))),
  cues: ({ vestG, gear = [], walkBetweenMm, stations }) => [
    ...(vestG === undefined ? [] : [{ code: 'vest', figures: { massG: vestG } }]),
    ...gear.map((text) => ({ code: 'required', text })),
    ...(walkBetweenMm === undefined ? [] : [{ code: 'walkBetween', figures: { distanceMm: walkBetweenMm } }]),
    ...stations.flatMap(({ id, rate }) =>
      rate
        ? [
            {
              code: 'beats',
              figures: { part: id, stepsPerMinute: rate.stepsPerMinute, warmUp: rate.warmUpStepsPerMinute ?? 0 },
            },
          ]
        : [],
    ),
  ],
  heard: ({ stations }) => {
    const guided = stations.find(({ rate }) => rate !== undefined)
    return guided?.rate ? heardBeat(guided.rate.stepsPerMinute, 1) : []
  },
  sensibleRange: ({ stations, limitMs }) => ({ least: stations.length * 1_000, most: limitMs ?? 2 * HOUR_MS }),
  contradictions: ({ stations }, place) => repeatedIds(stations, (index) => `${place}.stations[${index}]`),
  words,
  usual: ({ limitMs }) => limitMs ?? 500_000,
  rehearse: rehearseCourse,
})
