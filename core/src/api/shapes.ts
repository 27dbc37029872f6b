/** What values that answers carry whole look like, told by a glance: they were checked field by field when they were stored. */
import { PAYLOADS } from '../capture/capture.ts'
import { Kept, KeptList } from '../document/rules.ts'
import type { RestState } from '../plan/restBoard.ts'

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isMoment = (value: unknown): boolean => Number.isSafeInteger(value)

const isCapture = (value: unknown): boolean =>
  isRecord(value) &&
  typeof value['id'] === 'string' &&
  typeof value['eventId'] === 'string' &&
  (value['entryId'] === null || typeof value['entryId'] === 'string') &&
  typeof value['kind'] === 'string' &&
  Object.hasOwn(PAYLOADS, value['kind']) &&
  isRecord(value['payload']) &&
  isMoment(value['atMs']) &&
  isMoment(value['receivedMs'])

/** Captures as the record keeps them, with their numbers. */
export const RecordedCaptures = (): PropertyDecorator =>
  KeptList(
    (value) => isCapture(value) && Number.isSafeInteger((value as { seq?: unknown }).seq),
    'a capture with its number, see captures.md',
  )

/** Captures of the annex, with the name of whoever made them. */
export const AnnexedCaptures = (): PropertyDecorator =>
  KeptList(
    (value) => isCapture(value) && typeof (value as { actor?: unknown }).actor === 'string',
    'a capture with the name of who made it, see captures.md',
  )

const isMark = (value: unknown): boolean =>
  isRecord(value) && typeof value['eventId'] === 'string' && typeof value['kind'] === 'string'

/** A mark with its figures. */
export const MarkShape = (): PropertyDecorator => Kept(isMark, 'a mark with its figures', { type: 'object' })

/** Marks of an earlier day, by event. */
export const CarriedMarks = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) &&
      Object.values(value).every((one) => isRecord(one) && typeof one['testDate'] === 'string' && isMark(one['mark'])),
    'marks of an earlier day, by event',
    { type: 'object' },
  )

/** A verdict with its marks and trace. */
export const VerdictShape = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) &&
      typeof value['outcome'] === 'string' &&
      typeof value['settled'] === 'boolean' &&
      Array.isArray(value['trace']) &&
      Array.isArray(value['marks']) &&
      value['marks'].every(isMark),
    'a verdict with its marks and trace',
    { type: 'object' },
  )

const REST_KINDS: ReadonlySet<string> = new Set<RestState['kind']>(['mayStart', 'resting', 'underWay', 'done'])

/** Where everybody is between events, by entry. */
export const RestStates = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) &&
      Object.values(value).every(
        (state) => isRecord(state) && typeof state['kind'] === 'string' && REST_KINDS.has(state['kind']),
      ),
    'where everybody is between events, by entry',
    { type: 'object', additionalProperties: { type: 'object' } },
  )

/** Texts by name, by name: what was set up for each entry. */
export const SetUps = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) &&
      Object.values(value).every(
        (setUp) => isRecord(setUp) && Object.values(setUp).every((text) => typeof text === 'string'),
      ),
    'texts by name, for each entry',
    { type: 'object', additionalProperties: { type: 'object', additionalProperties: { type: 'string' } } },
  )

/** Calendar dates by entry. */
export const TestDates = (): PropertyDecorator =>
  Kept(
    (value) => isRecord(value) && Object.values(value).every((date) => /^\d{4}-\d{2}-\d{2}$/.test(String(date))),
    'a date for each entry',
    { type: 'object', additionalProperties: { type: 'string' } },
  )

/** Figures of earlier days, by entry. */
export const EarlierFigures = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) &&
      Object.values(value).every(
        (figures) =>
          Array.isArray(figures) &&
          figures.every(
            (figure) =>
              isRecord(figure) &&
              Number.isSafeInteger(figure['value']) &&
              ['eventId', 'unit', 'testDate'].every((name) => typeof figure[name] === 'string'),
          ),
      ),
    'what was measured on earlier days, by entry',
    { type: 'object', additionalProperties: { type: 'array', items: { type: 'object' } } },
  )

/** Facts of an event of the security log: ids and codes by name. */
export const LogFacts = (): PropertyDecorator =>
  Kept(
    (value) =>
      isRecord(value) && Object.values(value).every((fact) => ['string', 'number', 'boolean'].includes(typeof fact)),
    'texts, numbers and flags by name',
    { type: 'object', additionalProperties: { type: ['string', 'number', 'boolean'] } },
  )

/** Figures by slot, in base units. */
export const FigureRecord = (): PropertyDecorator =>
  Kept(
    (value) => isRecord(value) && Object.values(value).every((figure) => Number.isSafeInteger(figure)),
    'whole numbers by name',
    { type: 'object', additionalProperties: { type: 'integer' } },
  )

/** A list of short texts, or of ids. */
export const Names = (): PropertyDecorator =>
  Kept((value) => Array.isArray(value) && value.every((item) => typeof item === 'string'), 'a list of texts', {
    type: 'array',
    items: { type: 'string' },
  })

/** What was measured under a version, without names. */
export const PastResults = (): PropertyDecorator =>
  KeptList(
    (value) => isRecord(value) && typeof value['key'] === 'string' && isRecord(value['measures']),
    'the measures of one person on one day',
  )

const OUTCOME_KINDS: ReadonlySet<unknown> = new Set(['entered', 'already', 'otherPerson', 'otherUnit', 'bibTaken'])

/** What became of each row of a roster. */
export const RosterOutcomes = (): PropertyDecorator =>
  KeptList((value) => isRecord(value) && OUTCOME_KINDS.has(value['kind']), 'what became of a row of the roster')

const MATCH_KINDS: ReadonlySet<unknown> = new Set(['new', 'same', 'differs', 'otherNumber', 'otherUnit'])

/** How each row of a file stands to the register. */
export const RegisterMatches = (): PropertyDecorator =>
  KeptList((value) => isRecord(value) && MATCH_KINDS.has(value['kind']), 'how a row stands to the register')
