/** Elapsed times: text on one side, whole milliseconds on the other. */
import { printDecimal, wholeFromDigits, withFraction } from './digits.ts'
import { parsed, refused, type Parsed } from './parsed.ts'

export type TimeRefusal = 'time.empty' | 'time.negative' | 'time.form' | 'time.minutes' | 'time.seconds'

const FORM = /^(?:(\d{1,2}):(?=\d{2}:))?(\d{1,3}):(\d{2})(?:[.,](\d{1,3}))?$/
const SECONDS = /^(\d{1,5})(?:[.,](\d{1,6}))?$/

/**
 * Reads an elapsed time written as minutes:seconds or hours:minutes:seconds, with up to three decimals, or as seconds alone.
 * Point and comma are both a decimal sign; seconds alone with exactly three digits behind it could be thousands and are refused.
 * @returns whole milliseconds, or the reason for refusing
 * @example parseTime('9:40')    // 580000
 * @example parseTime('0:29.0')  // 29000
 * @example parseTime('61,9')    // 61900
 * @example parseTime('1:02:03') // 3723000
 * @example parseTime('9:75')    // refused: seconds go from 00 to 59
 */
export const parseTime = (text: string): Parsed<number, TimeRefusal> => {
  const typed = text.trim()
  if (typed === '') return refused('time.empty', 'No time was entered. Write it as minutes:seconds, such as 9:40.')
  if (/^[-−]/.test(typed)) return refused('time.negative', `"${typed}" is below zero. An elapsed time starts at 0:00.`)
  const seconds = SECONDS.exec(typed)
  if (seconds) return secondsAlone(typed, seconds[1] ?? '', seconds[2] ?? '')
  const match = FORM.exec(typed)
  if (!match) {
    return refused('time.form', `"${typed}" is not a time. Write minutes:seconds, such as 9:40, 0:29.0 or 1:02:03.`)
  }
  const [, hours = '0', minutes = '0', rest = '0', fraction = ''] = match
  if (match[1] !== undefined && Number(minutes) > 59) {
    return refused('time.minutes', `"${typed}" has ${minutes} minutes. After hours, minutes go from 00 to 59.`)
  }
  if (Number(rest) > 59) {
    return refused('time.seconds', `"${typed}" has ${rest} seconds. Seconds go from 00 to 59.`)
  }
  const wholeMinutes = Number(hours) * 60 + Number(minutes)
  return parsed(wholeMinutes * 60_000 + wholeFromDigits(rest, fraction, 3))
}

const secondsAlone = (typed: string, whole: string, fraction: string): Parsed<number, TimeRefusal> => {
  const kept = fraction.replace(/0+$/, '')
  if (fraction.length === 3 && !whole.startsWith('0')) {
    return refused(
      'time.form',
      `"${typed}" could be decimals or thousands. Write minutes:seconds, such as 9:40 or 0:29.0.`,
    )
  }
  if (kept.length > 3) return refused('time.form', `"${typed}" is finer than a thousandth of a second.`)
  return parsed(wholeFromDigits(whole, kept, 3))
}

/**
 * Prints whole milliseconds as a time, with as few decimals as keep it exact, so that what is shown is what is judged.
 * @param leastDecimals decimals to show even when they are zero (1 for events read to a tenth)
 * @throws RangeError when the time is negative or not whole
 * @example printTime(580000)    // "9:40"
 * @example printTime(580100)    // "9:40.1"
 * @example printTime(29000, 1)  // "0:29.0"
 * @example printTime(3723000)   // "1:02:03"
 */
export const printTime = (elapsedMs: number, leastDecimals = 0): string => {
  const fraction = String(wholeTime(elapsedMs) % 1000).padStart(3, '0')
  return join(elapsedMs, fraction.replace(/0+$/, '').padEnd(leastDecimals, '0'))
}

/**
 * Prints a running clock: decimals beyond those asked for are cut off, never rounded up, as a clock face does.
 * @example printClock(479_999, 1) // "7:59.9"
 */
export const printClock = (elapsedMs: number, decimals: 0 | 1 | 2 = 0): string => {
  const whole = wholeTime(Math.max(0, Math.floor(elapsedMs)))
  return join(
    whole,
    String(whole % 1000)
      .padStart(3, '0')
      .slice(0, decimals),
  )
}

/** Seconds and nothing else: "2.5 s". */
export const printSeconds = (elapsedMs: number): string => `${printDecimal(elapsedMs, 3)} s`

const wholeTime = (elapsedMs: number): number => {
  if (!Number.isSafeInteger(elapsedMs) || elapsedMs < 0) {
    throw new RangeError(`A time is a whole number of milliseconds from 0, not ${elapsedMs}.`)
  }
  return elapsedMs
}

const join = (elapsedMs: number, fraction: string): string => {
  const wholeSeconds = Math.floor(elapsedMs / 1000)
  const hours = Math.floor(wholeSeconds / 3600)
  const minutes = Math.floor(wholeSeconds / 60) % 60
  const seconds = String(wholeSeconds % 60).padStart(2, '0')
  const head = hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}` : String(minutes)
  return `${head}:${seconds}${withFraction(fraction)}`
}
