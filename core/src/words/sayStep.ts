/** Words for trace steps. All sentences of the judge are made here, from the data of the step alone. */
import type { Note } from '../kinds/measure.ts'
import { printAges } from '../quantity/printAges.ts'
import { printDate } from '../quantity/printDate.ts'
import { printDecimal } from '../quantity/digits.ts'
import { printLength } from '../quantity/length.ts'
import { printMass } from '../quantity/mass.ts'
import { printTime, printSeconds } from '../quantity/time.ts'
import { printFraction, printPoints, printQuantity, printStep, type Unit } from '../quantity/unit.ts'
import type { OpenReason } from '../judge/outcome.ts'
import { readingStepWords, readingsWords } from './sayReading.ts'
import { combinedWords } from './sayVerdict.ts'
import type { Step } from '../judge/trace.ts'
import type { Words } from './words.ts'

/** A step in one line. */
export const stepLine = (step: Step): string => {
  const { title, sentence } = sayStep(step)
  return `${title}. ${sentence}`
}

/** Title and sentence of a step. */
export const sayStep = (step: Step): Words => {
  switch (step.code) {
    case 'readings':
      return readingsWords(step.taken)
    case 'readingStep':
      return readingStepWords(step.step, step.unit)
    case 'alternate':
      return {
        title: `${step.name} in place of ${step.inPlaceOf}`,
        sentence: `An alternate ${ALLOWED_BY[step.allowedBy]}.`,
      }
    case 'variant':
      return { title: `Variant: ${step.name}`, sentence: 'Scored by its own rule.' }
    case 'carried':
      return {
        title: `Stands from ${printDate(step.testDate)}`,
        sentence: 'Only what was short is done again.',
      }
    case 'exempt':
      return {
        title: `Exempt: ${step.name}`,
        sentence:
          step.fixedCentipoints === null
            ? 'The event is left out.'
            : `The event counts with ${printPoints(step.fixedCentipoints)} points.`,
      }
    case 'relative':
      return relativeWords(step)
    case 'points':
      return pointsWords(step)
    case 'class':
      return { title: step.name, sentence: `Class ${step.place + 1} of ${step.of}, from the lowest.` }
    case 'completed':
      return {
        title: 'All work done',
        sentence: step.limit === null ? 'Done is enough.' : `Within ${printQuantity(step.limit, step.unit)} is asked.`,
      }
    case 'tookPart':
      return { title: 'Took part', sentence: 'Nothing is judged in this event.' }
    case 'next':
      return nextWords(step)
    case 'repetitions':
      return repetitionWords(step)
    case 'crossings':
      return crossingWords(step)
    case 'note':
      return noteWords(step.note)
    case 'rounded':
      return roundedWords(step)
    case 'age':
      return {
        title: `Age ${step.ageYears}`,
        sentence: step.onTestDate
          ? 'Counted on the day of the test.'
          : `Counted on ${printDate(step.countedOn)}, as the standard asks.`,
      }
    case 'band':
      return {
        title: `Band ${printAges(step.band.ageFrom, step.band.ageTo)}, ${step.forWhom}`,
        sentence: `Row ${step.band.row + 1} of the table.`,
      }
    case 'cut':
      return {
        title: `${step.cut.sense === 'atLeast' ? 'At least' : 'At most'} ${printQuantity(step.cut.value, step.cut.unit, step.cut.publishedIn)}`,
        sentence: `${step.standardName}, version ${step.version}, in force from ${printDate(step.inForceFrom)}.`,
      }
    case 'met':
      return {
        title:
          step.margin === 0 ? 'Met, exactly on the cut' : `Met with ${printMargin(step.margin, step.unit)} to spare`,
        sentence: step.margin === 0 ? 'A result equal to the cut meets it.' : 'On the good side of the cut.',
      }
    case 'short':
      return {
        title: `Short by ${printMargin(step.margin, step.unit)}`,
        sentence: SHORT_OF[step.sense === 'atLeast' ? 'atLeast' : step.unit === 'ms' ? 'time' : 'atMost'],
      }
    case 'nearTheCut':
      return {
        title: 'Nearer to the cut than the method can tell',
        sentence: `The reading is good to about ${printUncertainty(step.uncertainty, step.unit)} either way. ${
          step.policy === 'flag' ? 'The mark stands and is flagged.' : 'The standard asks for a decision.'
        }`,
      }
    case 'uncertaintyHarmless':
      return {
        title: `Good to about ${printUncertainty(step.uncertainty, step.unit)}`,
        sentence: 'That does not change this result.',
      }
    case 'open':
      return OPEN_WORDS[step.reason]
    case 'ended':
      return endedWords(step)
    case 'decided':
      return { title: `Decided: ${step.as}`, sentence: `By the officer in charge. Reason: ${step.reason}` }
    case 'decidedMeasure':
      return {
        title: `Decided: ${printQuantity(step.value, step.unit)}`,
        sentence: `Stated by the officer in charge and judged from it. Reason: ${step.reason}`,
      }
    case 'amended':
      return { title: `Amended after sign-off: ${step.as}`, sentence: `Signed by an officer. Reason: ${step.reason}` }
    case 'amendedMeasure':
      return {
        title: `Amended after sign-off: ${printQuantity(step.value, step.unit)}`,
        sentence: `Stated and signed by an officer, and judged from it. Reason: ${step.reason}`,
      }
    case 'waiting':
      return { title: 'Not started', sentence: 'No capture for this event yet.' }
    case 'running':
      return {
        title: `${step.soFar}${step.of === null ? '' : ` of ${step.of}`} ${counted(step)} so far`,
        sentence:
          step.what === 'readings'
            ? 'Under way: the mark follows when all are taken.'
            : 'Under way: the mark follows when the event has ended.',
      }
    case 'underWay':
      return { title: 'Under way', sentence: 'The mark follows when the event has ended.' }
    case 'combined':
      return combinedWords(step)
    case 'retest':
      return { title: `May retest from ${printDate(step.earliestOn)}`, sentence: 'Earliest date by the standard.' }
  }
}

/**
 * Prints how far a result is from the cut, without a sign.
 * @example printMargin(-1, 'count') // "1 repetition"
 * @example printMargin(2000, 'ms') // "0:02"
 */
export const printMargin = (margin: number, unit: Unit): string => {
  const size = Math.abs(margin)
  if (unit === 'count') return `${size} ${size === 1 ? 'repetition' : 'repetitions'}`
  if (unit === 'levelShuttle') return `${size} ${size === 1 ? 'shuttle' : 'shuttles'}`
  if (unit === 'level') return `${size} ${size === 1 ? 'level' : 'levels'}`
  return printQuantity(size, unit)
}

const SHORT_OF = {
  atLeast: 'Below what is asked.',
  time: 'Slower than the limit.',
  atMost: 'Above the limit.',
} as const

const ALLOWED_BY: Readonly<Record<string, string>> = {
  band: 'by the band of this person',
  choice: 'of the candidate’s choice',
  medicalProfile: 'on a medical profile',
}

const relativeWords = ({ bodyMassG, permille, shareG, constant, of }: Extract<Step, { code: 'relative' }>): Words => {
  const share = `${printDecimal(permille, 1)} % of a body mass of ${printMass(bodyMassG)} is ${printMass(shareG)}.`
  return {
    title:
      constant === null
        ? `${printMass(shareG)} by body mass`
        : `The ${of} of ${printMass(constant)} and ${printMass(shareG)}`,
    sentence: share,
  }
}

const HOW_SCORED = {
  lowerRow: 'Between two rows of the table the lower one counts.',
  interpolate: 'Between two rows of the table the points are shared in proportion.',
  rule: 'By the rule of the standard.',
} as const

const pointsWords = (step: Extract<Step, { code: 'points' }>): Words => {
  const { centipoints, fullCentipoints, minimumCentipoints, how, pointsName } = step
  const asked = minimumCentipoints === null ? '' : ` At least ${printPoints(minimumCentipoints)} asked.`
  return {
    title: pointsName
      ? `${printPoints(centipoints)} ${pointsName}`
      : `${printPoints(centipoints)} of ${printPoints(fullCentipoints)} points`,
    sentence: `${HOW_SCORED[how]}${asked}`,
  }
}

const nextWords = ({ next, sense }: Extract<Step, { code: 'next' }>): Words => {
  const value = printQuantity(next.value, next.unit)
  const gives = next.gives.kind === 'points' ? `${printPoints(next.gives.centipoints)} points` : next.gives.name
  return { title: `Next: ${gives}`, sentence: `From ${sense === 'atLeast' ? '' : 'at most '}${value}.` }
}

const printUncertainty = (value: number, unit: Unit): string =>
  unit === 'ms' ? `${printSeconds(value)}` : printQuantity(value, unit)

const repetitionWords = ({ reading, refusalLabels, durationMs }: Extract<Step, { code: 'repetitions' }>): Words => {
  const { counted, refused, cautions } = reading.tally
  const refusedTotal = Object.values(refused).reduce((sum, count) => sum + count, 0)
  // a database keeps no order of names, so that a signed mark would be told otherwise than it was under way
  const reasons = Object.entries(refused)
    .map(([id, count]) => ({ label: refusalLabels[id] ?? id, count }))
    .sort((a, b) => b.count - a.count || (a.label < b.label ? -1 : 1))
    .map(({ label, count }) => `${label} ${count}`)
  const end = {
    time: durationMs === null ? 'until the time ran out' : `until the ${printTime(durationMs)} ran out`,
    ended: 'until the candidate ended',
    cautions: 'until the cautions were used up',
    missedBeats: 'until too many beats were missed',
    cap: 'up to the cap of the protocol',
    pause: 'until a pause longer than is allowed',
  }
  return {
    title: `${counted} counted, ${refusedTotal} refused`,
    sentence: [
      `Counted ${end[reading.endedBy]}.`,
      reasons.length > 0 ? `Refused: ${reasons.join(', ')}.` : '',
      cautions > 0 ? `Cautions: ${cautions}.` : '',
    ]
      .filter(Boolean)
      .join(' '),
  }
}

const crossingWords = ({ reading, distanceMm }: Extract<Step, { code: 'crossings' }>): Words => ({
  title: `${printLength(distanceMm)} in ${printTime(reading.finishedAtMs - reading.startedAtMs)}`,
  sentence: `From the start of the wave to the finish. Laps: ${reading.splitsMs.map((split) => printTime(tenths(split), 1)).join(', ')}.`,
})

/** Laps are told to the tenth; only the total is judged, and that is printed exactly. */
const tenths = (elapsedMs: number): number => Math.round(elapsedMs / 100) * 100

const noteWords = (note: Note): Words => {
  switch (note.code) {
    case 'countedAfterEnd':
      return { title: `${note.count} after the end`, sentence: 'Counted after the event had ended, so left out.' }
    case 'countedBeforeStart':
      return { title: `${note.count} before the start`, sentence: 'Counted before the start, so left out.' }
    case 'secondStartIgnored':
      return { title: 'Started more than once', sentence: 'The first start stands.' }
    case 'restarted':
      return { title: 'Began again', sentence: `Restart allowed after ${note.countedBefore} counted: ${note.reason}.` }
    case 'restartRefused':
      return { title: 'Restart not allowed', sentence: RESTART_REFUSED[note.why] }
    case 'crossedBeforeStart':
      return {
        title: `${note.count} stamped before the start`,
        sentence: 'Crossings before the start of the wave are left out.',
      }
    case 'crossedAfterEnd':
      return { title: `${note.count} stamped after the finish`, sentence: 'Crossings after the end are left out.' }
    case 'stampedTwice':
      return {
        title: `${note.count} stamped on another device too`,
        sentence: 'A crossing that two devices stamped counts once; the other stamps stand beside it.',
      }
    case 'stampEstimated':
      return {
        title: `Lap ${note.laps.join(', ')} put in later`,
        sentence: 'The stamp was missed; its time is estimated from the other laps. The finish was stamped.',
      }
    case 'outOfOrder':
      return {
        title: `"${note.part}" stamped before its turn`,
        sentence: 'Later work before earlier work is complete does not count.',
      }
    case 'limitReached':
      return {
        title: `Stopped at the limit of ${printTime(note.limitMs)}`,
        sentence: 'What was not done by then does not count. Exactly on the limit would have.',
      }
    case 'faultsTooMany':
      return {
        title: `${note.faults} faults on ${note.where}`,
        sentence: `${note.allowed} ${note.allowed === 1 ? 'is' : 'are'} allowed.`,
      }
    case 'failedAtOnce':
      return { title: `Failed at once on ${note.where}`, sentence: `${note.what.join(', ')}.` }
    case 'notComplete':
      return { title: `${note.done} of ${note.of} done in ${note.where}`, sentence: 'Later work does not count.' }
    case 'notDone':
      return { title: 'Not done', sentence: 'Done is what is asked.' }
    case 'stoppedOnTheWay':
      return { title: 'Stopped on the way', sentence: 'The protocol does not allow it.' }
    case 'stoppedBeforeTheTime':
      return { title: 'Stopped before the time was over', sentence: 'There is no pulse to judge.' }
    case 'outsideFormula':
      return {
        title: `${note.repetitions} repetitions tell no load`,
        sentence: `The published formula holds for 1 to ${note.most}.`,
      }
    case 'measuredLap':
      return {
        title: `Laps of ${printLength(note.lapMm)}`,
        sentence: `As measured on the ground, where the standard speaks of ${printLength(note.publishedMm)}.`,
      }
    case 'lastMark':
      return {
        title: `${note.laps} whole ${note.laps === 1 ? 'lap' : 'laps'} and ${printLength(note.beyondLineMm)}`,
        sentence: 'Measured where the runner was when the time ran out.',
      }
  }
}

const RESTART_REFUSED = {
  notInProtocol: 'The protocol has no restart. The attempt went on.',
  tooMany: 'The restarts of the protocol were used up. The attempt went on.',
  tooLate: 'Too many repetitions had been counted for a restart. The attempt went on.',
} as const

const roundedWords = ({ from, exact, to, mode, step, unit }: Extract<Step, { code: 'rounded' }>): Words => {
  const name = printStep(step, unit)
  // of whole seconds there is one below and one above, of multiples any is one
  const [which, is] = name.startsWith('multiple') ? ['a', 'is'] : ['the', 'is on']
  const how = { truncate: `Cut down to ${which}`, nearest: 'Rounded to the nearest', up: `Rounded up to ${which}` }[
    mode
  ]
  return {
    title: `${how} ${name}`,
    sentence:
      from === to && !exact
        ? `${printQuantity(from, unit)} ${is} a ${name} already.`
        : `${exact ? printFraction(exact, unit) : printQuantity(from, unit)} becomes ${printQuantity(to, unit)}.`,
  }
}

const OPEN_WORDS: Readonly<Record<OpenReason, Words>> = {
  nearTheCut: { title: 'Needs a decision', sentence: 'The method cannot tell on which side of the cut this lies.' },
  stoppedForSafety: {
    title: 'Needs a decision',
    sentence: 'The event was stopped for safety. An officer decides what follows.',
  },
  noBand: { title: 'No band fits', sentence: 'The standard has no row for this age and scoring category.' },
  choiceNotOffered: {
    title: 'What was chosen is not offered',
    sentence: 'The alternate or variant on the entry is not for this person. Choose anew at muster, or decide.',
  },
  noBodyMass: {
    title: 'Body mass is missing',
    sentence: 'The cut is a share of body mass, which was not recorded.',
  },
  notJudged: {
    title: 'Cannot be judged',
    sentence: 'What was captured makes no sense to the rules of the event. An officer looks at it.',
  },
  severalBands: {
    title: 'Several bands fit',
    sentence: 'The standard has more than one row for this age and scoring category.',
  },
}

const endedWords = ({ reason, note }: Extract<Step, { code: 'ended' }>): Words => {
  const title = {
    didNotFinish: 'Did not finish',
    failed: 'Failed',
    breach: 'Breach of safety',
    withdrawn: 'Withdrawn (medical)',
    disqualified: 'Disqualified',
    safety: 'Stopped for safety',
  }[reason]
  return { title, sentence: note ?? 'Recorded on the day.' }
}

/** "1 reading", "2 readings", "1 of 4 laps": whatever it is of stands in the plural. */
const counted = ({ soFar, of, what }: Extract<Step, { code: 'running' }>): string =>
  soFar === 1 && of === null ? what.replace(/s$/, '') : what
