/** What is said aloud while an event runs, from codes. */
import type { Call } from '../referee/referee.ts'

/** Codes that are words; a beat or a signal is a sound. */
const WORDS: Readonly<Record<string, (figures: NonNullable<Call['figures']>) => string>> = {
  announcement: ({ say }) => String(say ?? ''),
  lapsToGo: ({ laps, called = 'lap' }) =>
    laps === 0 ? 'home' : laps === 1 ? `last ${called}` : `${String(laps)} to go`,
}

/** @returns what is said; empty for what is a sound */
export const sayCall = ({ code, figures = {} }: Call): string => WORDS[code]?.(figures) ?? ''
