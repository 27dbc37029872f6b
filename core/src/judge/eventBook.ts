/** What is kept of an event between two judgements, so that one more capture costs the one person it is about. */
import type { ByCandidate } from '../capture/byCandidate.ts'
import type { Capture } from '../capture/capture.ts'
import type { StandardEvent } from '../standard/standard.ts'
import type { Terms } from './basis.ts'
import type { Mark } from './mark.ts'

/** One person's page: the mark, with all it rests on. */
export interface BookPage {
  readonly candidate: object
  readonly own: readonly Capture[]
  readonly start: Capture | undefined
  /** The moment it was judged as of, and until when it holds. */
  readonly asOfMs: number | null
  readonly changesAtMs: number | null
  readonly mark: Mark
}

export interface EventBook {
  /** What all pages rest on; another standard, date or event begins the book anew. */
  rests: readonly [standard: unknown, testDate: string, event: unknown] | null
  readonly pages: Map<string, BookPage>
  /** The captures as they were sorted out last. */
  sorted: ByCandidate | null
}

export const newBook = (): EventBook => ({ rests: null, pages: new Map(), sorted: null })

/** Opens a book for an event: its pages are dropped where they rest on something else. */
export const openBook = (book: EventBook, { standard, testDate }: Terms, event: StandardEvent): EventBook => {
  const rests = [standard, testDate, event] as const
  if (!book.rests?.every((part, at) => part === rests[at])) book.pages.clear()
  book.rests = rests
  return book
}

/** Whether a page still says what it said. */
export const isCurrent = (
  page: BookPage | undefined,
  candidate: object,
  own: readonly Capture[],
  start: Capture | undefined,
  asOfMs: number | null,
): page is BookPage =>
  page !== undefined &&
  page.candidate === candidate &&
  page.start === start &&
  holdsAt(page, asOfMs) &&
  (page.own === own || (page.own.length === own.length && page.own.every((capture, at) => capture === own[at])))

const holdsAt = (page: BookPage, asOfMs: number | null): boolean => {
  if (asOfMs === null || page.asOfMs === null) return asOfMs === page.asOfMs
  return asOfMs >= page.asOfMs && (page.changesAtMs === null || asOfMs <= page.changesAtMs)
}
