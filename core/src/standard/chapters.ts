/** Where a setting of an event stands in a printed standard, and whether it has anything to say beside what else is said. */
import type { Sense } from '../kinds/kind.ts'

/** In the order they are printed. */
const CHAPTERS = ['done', 'counts', 'ends', 'table', 'notes'] as const
export type Chapter = (typeof CHAPTERS)[number]

export const CHAPTER_NAMES: Readonly<Record<Chapter, string>> = {
  done: 'How it is done',
  counts: 'What counts',
  ends: 'What ends it',
  table: 'What is asked',
  notes: 'Notes',
}

const SETTINGS: Readonly<Record<Chapter, readonly string[]>> = {
  done: [
    ...[
      'by',
      'task',
      'position',
      'distanceMm',
      'lapLengthMm',
      'durationMs',
      'lineDistanceMm',
      'legs',
      'touches',
      'timing',
    ],
    ...['speeds', 'levels', 'stations', 'walkBetweenMm', 'segments', 'heightMm', 'heights', 'measures', 'unit'],
    ...['attemptsAllowed', 'sides', 'holdMs', 'startLoadG', 'incrementG', 'restMs', 'beatsPerMinute', 'beatsPerCycle'],
    ...['beatsPerRepetition', 'clockRunsOn', 'startCommands', 'startWords', 'walkingAllowed', 'aidAllowed'],
    ...['lapsCalledBy', 'loadG', 'vestG', 'gear'],
  ],
  counts: [
    ...[
      'countsWhen',
      'goodWhen',
      'refusals',
      'zoneMm',
      'counts',
      'markEveryMm',
      'select',
      'ofSides',
      'resolution',
      'zero',
    ],
    ...['lessStandingReach', 'lesserHand', 'clockStopsWhen', 'watchRule', 'handCorrectionMs', 'pulseAfterMs'],
    ...['pulseWindowMs', 'estimate', 'judged'],
  ],
  ends: [
    ...[
      'restAllowed',
      'longestPauseMs',
      'capMs',
      'capRepetitions',
      'limitMs',
      'endsWhen',
      'failsWhen',
      'missesAllowed',
    ],
    ...[
      'missedBeatsAllowed',
      'failuresAllowed',
      'stoppingAllowed',
      'ifStopped',
      'cautionsAllowed',
      'restart',
      'endings',
    ],
  ],
  table: ['publishedIn', 'rounding', 'minimumCentipoints', 'uncertainty', 'alternates'],
  notes: [
    ...[
      'clearBefore',
      'warmUp',
      'coolDown',
      'equipment',
      'setUp',
      'announcements',
      'readOut',
      'restAfterMs',
      'cautions',
      'kit',
    ],
    'notes',
  ],
}

const PLACES: ReadonlyMap<string, readonly [Chapter, number]> = new Map(
  CHAPTERS.flatMap((chapter) => SETTINGS[chapter].map((name, at) => [name, [chapter, at]] as const)),
)

/** @param name of a property of a protocol or an event; null for one that stands in no chapter, such as its kind */
export const chapterOf = (name: string): Chapter | null => PLACES.get(name)?.[0] ?? null

/** Settings of a chapter in the order they are printed. */
export const inChapter = <Field extends { readonly name: string }>(
  fields: readonly Field[],
  chapter: Chapter,
): Field[] =>
  fields
    .filter(({ name }) => chapterOf(name) === chapter)
    .sort((a, b) => (PLACES.get(a.name)?.[1] ?? 0) - (PLACES.get(b.name)?.[1] ?? 0))

type Plain = Readonly<Record<string, unknown>>

/** Which settings depend on what stands beside them. */
const FITS: Readonly<Record<string, (owner: Plain) => boolean>> = {
  fixedDate: ({ countedOn }) => countedOn === 'fixedDate',
  fixedCentipoints: ({ effect }) => effect === 'fixed',
  total: ({ effect }) => effect === 'removed',
  band: ({ allowedBy }) => allowedBy === 'band',
  pointsRounding: ({ between }) => between === 'interpolate',
  handCorrectionMs: ({ timing }) => timing === 'hand',
  ofSides: ({ sides }) => sides === 'each',
  zero: ({ unit }) => unit === 'mm',
  lessStandingReach: ({ unit }) => unit === 'mm',
  lesserHand: ({ unit }) => unit === 'mm',
  speeds: ({ levels }) => levels === undefined,
  levels: ({ speeds }) => speeds === undefined,
  repetitions: ({ distanceMm }) => distanceMm === undefined,
  setsAllowed: ({ distanceMm }) => distanceMm === undefined,
  refusals: ({ distanceMm }) => distanceMm === undefined,
  countsWhen: ({ distanceMm }) => distanceMm === undefined,
  atLap: ({ atMs, atMm }) => atMs === undefined && atMm === undefined,
  atMs: ({ atLap, atMm }) => atLap === undefined && atMm === undefined,
  atMm: ({ atLap, atMs }) => atLap === undefined && atMs === undefined,
  groups: ({ kind }) => kind === 'groups',
  minimumCentipoints: ({ scoring }) => ['pointsTable', 'pointsByRule'].includes(String(Object(scoring).kind)),
}

/**
 * Whether a setting is offered: it fits what stands beside it, or stands there already and can be taken out.
 * @param owner the part it belongs to
 * @param sense of the event: a cut is never asked on the other side
 */
export const isOffered = (owner: Plain, name: string, sense?: Sense): boolean => {
  if (owner[name] !== undefined) return true
  if (name === 'atLeast' || name === 'atMost') return sense === undefined || name === sense
  // a run of a chain has a distance where its work has repetitions
  if (name === 'distanceMm') return owner['repetitions'] === undefined
  return FITS[name]?.(owner) ?? true
}
