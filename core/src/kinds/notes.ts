/** Captures that did not count -> the notes a trace tells. */
import type { Doubt } from '../referee/referee.ts'
import type { Note } from './measure.ts'

const COUNTED = [
  'countedAfterEnd',
  'countedBeforeStart',
  'secondStartIgnored',
  'crossedBeforeStart',
  'crossedAfterEnd',
  'stampedTwice',
] as const
type CountedCode = (typeof COUNTED)[number]

const isCounted = (code: string): code is CountedCode => (COUNTED as readonly string[]).includes(code)

/** Each reason once, with how many captures it is about; what a trace does not tell is left out. */
export const notesOf = (refused: readonly Doubt[]): Note[] => {
  const counts = new Map<CountedCode, number>()
  const notes: Note[] = []
  for (const { code, figures = {} } of refused) {
    if (isCounted(code)) counts.set(code, (counts.get(code) ?? 0) + 1)
    else if (code === 'outOfOrder') {
      const part = String(figures['part'])
      if (!notes.some((note) => note.code === 'outOfOrder' && note.part === part)) notes.push({ code, part })
    } else if (code === 'restartRefused') {
      // the referee gives one of these three
      const why = figures['why'] as 'notInProtocol' | 'tooMany' | 'tooLate'
      notes.push({ code, reason: String(figures['reason']), why })
    }
  }
  return [...[...counts].map(([code, count]) => ({ code, count })), ...notes]
}

/** Notes of one code that count are one note. */
export const joined = (notes: readonly Note[]): Note[] =>
  notes.reduce<Note[]>((all, note) => {
    const at = 'count' in note ? all.findIndex(({ code }) => code === note.code) : -1
    const known = all[at]
    if (!('count' in note) || !known || !('count' in known)) return [...all, note]
    return all.with(at, { ...known, count: known.count + note.count })
  }, [])
