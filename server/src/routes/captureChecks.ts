/** Whether a capture fits the day it is sent to: its event, its candidate, and what its payload names. */
import {
  captureKindsOf,
  kindOf,
  NEEDS_CANDIDATE,
  fitsForm,
  ruledFindings,
  slotsOf,
  withAlternates,
  type CaptureDocument,
  type Finding,
  type Protocol,
  type Ruled,
  type Standard,
  type StandardEvent,
} from '@able-gauge/core'

export interface SentCapture {
  readonly document: Pick<CaptureDocument, 'eventId' | 'kind' | 'payload'> & {
    readonly bib: number | undefined
    readonly entryId: string | undefined
  }
  /** The candidate, found by id or by bib. */
  readonly entryId: string | null
  readonly standard: Standard
  /** Whoever is entered, by entry. */
  readonly entered: Pick<ReadonlySet<string>, 'has'>
  /** Where the capture stands in the request. */
  readonly place: string
}

export const placesWrong = (sent: SentCapture): Finding[] => {
  const { document, standard, place } = sent
  const event = standard.events.find(({ id }) => id === document.eventId)
  if (!event) {
    const expected = `one of ${standard.events.map(({ id }) => id).join(', ')}`
    return [{ place: `${place}.eventId`, code: 'unknownEvent', found: document.eventId, expected }]
  }
  const events = withAlternates(standard, event)
  return [...kindFindings(sent, event, events), ...candidateFindings(sent), ...payloadFindings(sent, events)]
}

const kindFindings = (
  { document, place }: SentCapture,
  event: StandardEvent,
  events: readonly StandardEvent[],
): Finding[] => {
  if (events.some(({ protocol }) => captureKindsOf(protocol).includes(document.kind))) return []
  const kinds = new Set(events.flatMap(({ protocol }) => captureKindsOf(protocol)))
  const expected = `one of ${[...kinds].join(', ')} in ${event.name}`
  return [{ place: `${place}.kind`, code: 'kindOfEvent', found: document.kind, expected }]
}

const candidateFindings = ({ document, entryId, entered, place }: SentCapture): Finding[] => {
  const { bib, entryId: given, kind } = document
  if (bib !== undefined && given !== undefined) {
    return [{ place: `${place}.bib`, code: 'bibAndEntry', found: String(bib), expected: 'either a bib or an entryId' }]
  }
  if (bib !== undefined && entryId === null) {
    const expected = 'a bib that is entered on this day'
    return [{ place: `${place}.bib`, code: 'bibNotEntered', found: String(bib), expected }]
  }
  if (given !== undefined && !entered.has(given)) {
    return [{ place: `${place}.entryId`, code: 'notEntered', found: given, expected: 'an entry of this day' }]
  }
  if (NEEDS_CANDIDATE.has(kind) && entryId === null) {
    const expected = `a candidate, because it is "${kind}"`
    return [{ place: `${place}.entryId`, code: 'candidate', found: 'nothing', expected }]
  }
  return []
}

/** Names within a payload have to be names of the protocol or of the day. */
const payloadFindings = ({ document, entered, place }: SentCapture, events: readonly StandardEvent[]): Finding[] => {
  const protocols = events.map(({ protocol }) => protocol)
  const { kind, payload } = document
  const named = (field: string, code: string, found: string, known: readonly string[]): Finding[] =>
    known.includes(found)
      ? []
      : [{ place: `${place}.payload.${field}`, code, found, expected: `one of ${known.join(', ')}` }]
  if ('entryIds' in payload) {
    return payload.entryIds.flatMap((id, index) =>
      entered.has(id)
        ? []
        : [
            {
              place: `${place}.payload.entryIds[${index}]`,
              code: 'notEntered',
              found: id,
              expected: 'an entry of this day',
            },
          ],
    )
  }
  if (kind === 'read' && 'slot' in payload) {
    const slots = protocols.flatMap((protocol) => slotsOf(protocol).map(({ id }) => id))
    const unknown = named('slot', 'unknownSlot', payload.slot, slots)
    const ofThatName = protocols.flatMap(slotsOf).filter(({ id }) => id === payload.slot)
    return unknown.length > 0 || ofThatName.some((slot) => fitsForm(payload.value, slot))
      ? unknown
      : [
          {
            place: `${place}.payload.value`,
            code: 'schedule',
            found: String(payload.value),
            expected: 'a level and shuttle of the schedule',
          },
        ]
  }
  if (kind === 'decided' && 'reason' in payload) {
    // of those payloads only a decision's has a reason: the kind says which it is
    return ruledFindings(payload as Ruled, events, `${place}.payload.`)
  }
  if (kind === 'refused' && 'reason' in payload) {
    const reasons = protocols.flatMap((one) => (kindOf(one).refusals?.(one) ?? []).map(({ id }) => id))
    return named('reason', 'unknownReason', payload.reason, reasons)
  }
  if ((kind === 'passed' || kind === 'faulted') && 'part' in payload) {
    return named('part', 'unknownPart', payload.part, protocols.flatMap(partsOf))
  }
  return []
}

const partsOf = (protocol: Protocol): readonly string[] => kindOf(protocol).parts?.(protocol) ?? []
