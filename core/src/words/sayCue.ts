/** What a grader has to know before a start, in a few words, from codes. */
import { printDate } from '../quantity/printDate.ts'
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printTime, printSeconds } from '../quantity/time.ts'
import type { Cue, Figures } from '../referee/referee.ts'

export interface CueWords {
  /** What it is about: "Gear", "Set-up". */
  readonly about: string
  readonly text: string
}

const num = (figures: Figures, name: string): number => Number(figures[name] ?? 0)
const said = (about: string, text: string): CueWords => ({ about, text })
const named = (figures: Figures): string => String(figures['part'] ?? '').replaceAll('-', ' ')

/** Where what follows an ending is worth a word. */
const THEN: Readonly<Record<string, string>> = {
  fails: 'fails',
  breach: 'a breach of safety',
  stands: 'what was done stands',
}

type Sayer = (text: string, figures: Figures) => CueWords

const WORDS: Readonly<Record<string, Sayer>> = {
  clearBefore: (text) => said('Clear before', text),
  setUp: (text) => said('Set up', text),
  required: (text) => said('Has to have', text),
  allowed: (text) => said('May have', text),
  forbidden: (text) => said('Must not have', text),
  warmUp: (text, figures) => said('Warm-up', [`${num(figures, 'minutes')} min`, text].filter(Boolean).join(', ')),
  coolDown: (text, figures) => said('Afterwards', [`${num(figures, 'minutes')} min`, text].filter(Boolean).join(', ')),
  ending: (text, figures) => said('Ends it', `${text}: ${THEN[String(figures['then'])] ?? String(figures['then'])}`),
  startWord: (text, figures) => said('Start word', `${String(figures['speaker'])}: ${text}`),
  startPace: (_, figures) => said('Start words', `${printSeconds(num(figures, 'everyMs'))} apart`),
  handFurtherBack: () => said('Counts', 'the hand that is further back'),
  holdFor: (_, figures) => said('Hold', `for ${printTime(num(figures, 'ms'))}`),
  zeroLine: (_, figures) => said('Foot line', `at ${printLength(num(figures, 'mm'))}`),
  dominantSide: () => said('Side', 'the dominant one'),
  'rest up': () => said('Rests', 'in the up position'),
  'rest upOrDown': () => said('Rests', 'up or down'),
  'rest anywhere': () => said('Rests', 'anywhere'),
  'rest nowhere': () => said('Rests', 'none'),
  zone: (_, figures) => said('Zone', `${printLength(num(figures, 'mm'))} before the line`),
  beats: (_, figures) =>
    figures['stepsPerMinute'] === undefined
      ? said(
          'Beat',
          `${num(figures, 'beatsPerMinute')} a minute, ${num(figures, 'beatsPerRepetition')} to a repetition`,
        )
      : said(
          'Beat',
          `${named(figures)}: ${num(figures, 'stepsPerMinute')} steps a minute${
            num(figures, 'warmUp') > 0 ? ` after a warm-up at ${num(figures, 'warmUp')}` : ''
          }`,
        ),
  touches: (text) => said('Touches', text),
  legs: (_, figures) => said('Legs', String(num(figures, 'legs'))),
  carried: (_, figures) => said('Carries', printMass(num(figures, 'massG'))),
  vest: (_, figures) => said('Vest', printMass(num(figures, 'massG'))),
  walkBetween: (_, figures) => said('Between stations', `${printLength(num(figures, 'distanceMm'))} at a walk`),
  lapsCalledBy: (text) => said('Laps called by', text),
  countsWhen: (text, figures) => said(`Counts in ${named(figures)}`, text),
  stepHeight: (_, figures) => said('Step', printLength(num(figures, 'mm'))),
  alternate: (text, figures) => said('In place of it', `${text}, for ${String(figures['inPlaceOf'])}`),
  variant: (text) => said('Variant', text),
  noBodyMass: () => said('Missing', 'body mass: without it there is no cut'),
  earlierBest: (text, { testDate }) => said('Earlier best', `${text}, ${printDate(String(testDate))}`),
  gear: (text) => said('Wears', text),
  setUpOf: (text, { now, before }) =>
    said(
      text,
      now === ''
        ? `last time ${String(before)}`
        : before === '' || before === now
          ? String(now)
          : `${String(now)}, last time ${String(before)}`,
    ),
}

/** Codes that have words; one that has none is a mistake that a test finds. */
export const hasCueWords = (code: string): boolean => Object.hasOwn(WORDS, code)

export const sayCue = ({ code, text = '', figures = {} }: Cue): CueWords =>
  WORDS[code]?.(text, figures) ?? said(code, text)
