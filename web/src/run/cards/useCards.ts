/** Paper cards of one event keyed in twice: the figures typed, the two keyings compared, what agrees put on record. */
import {
  keyedDifferences,
  parseField,
  printField,
  recordsOf,
  slotsOfEvent,
  type KeyedDifference,
  type KeyedFigure,
  type Slot,
  type StandardEvent,
} from '@able-gauge/core'
import { computed, ref } from 'vue'
import { byBib, eventFor, type Day, type Entry } from '../../day/day.ts'
import { useDay } from '../../day/dayStore.ts'
import { useRecords } from '../../day/useRecords.ts'

export interface CardRow {
  readonly entry: Entry
  readonly slots: readonly Slot[]
}

export const cellKey = (entryId: string, slot: string): string => `${entryId} ${slot}`

export const useCards = (day: () => Day, event: StandardEvent) => {
  const store = useDay()
  const { write, writing, problem } = useRecords(day)

  /** Everybody who could have a card, with the slots of what they really do. */
  const rows = computed<CardRow[]>(() =>
    [...day().entries]
      .filter(({ attendance }) => attendance === 'present')
      .sort(byBib)
      .map((entry) => ({ entry, slots: slotsOfEvent(eventFor(day(), event, entry)) })),
  )
  const slotOf = (entryId: string, slot: string): Slot | undefined =>
    rows.value.find(({ entry }) => entry.id === entryId)?.slots.find(({ id }) => id === slot)

  const keyings = computed(() =>
    recordsOf(day().records, 'cardsKeyed').filter(({ content }) => content.eventId === event.id),
  )
  const isSecond = computed(() => keyings.value.length === 1)
  /** The last two keyings, once there are two. */
  const pair = computed(() => {
    const [first, second] = keyings.value.slice(-2)
    return first && second ? { first, second, differences: keyedDifferences(first.content, second.content) } : null
  })

  /** Typed text by cell. */
  const typed = ref<Record<string, string>>({})
  const wrong = ref<readonly { readonly place: string; readonly reason: string }[]>([])
  const nameOf = ({ entry }: CardRow, slot: Slot): string => `Bib ${entry.bib ?? 'none'}, ${slot.label}`

  const read = (): KeyedFigure[] | null => {
    const figures: KeyedFigure[] = []
    const faults: { place: string; reason: string }[] = []
    for (const row of rows.value) {
      for (const slot of row.slots) {
        const text = typed.value[cellKey(row.entry.id, slot.id)]?.trim() ?? ''
        if (text === '') continue
        const value = parseField(text, slot)
        if (value.ok) figures.push({ entryId: row.entry.id, slot: slot.id, value: value.value })
        else faults.push({ place: nameOf(row, slot), reason: value.reason })
      }
    }
    wrong.value = faults
    return faults.length > 0 || figures.length === 0 ? null : figures
  }
  /**
   * Keeps what was typed as one keying. The cells are emptied at once for the next, which is keyed without seeing this one and
   * may be begun while this one is on its way; where it could not be kept, it stands there again.
   */
  const keep = async (): Promise<void> => {
    const figures = read()
    if (!figures) return
    const sent = typed.value
    typed.value = {}
    if (!(await write({ kind: 'cardsKeyed', eventId: event.id, figures }))) typed.value = { ...sent, ...typed.value }
  }

  /** The right figure of each difference, as somebody reads it off the card again. */
  const settled = ref<Record<string, string>>({})
  const settledValue = ({ entryId, slot }: KeyedDifference): number | null => {
    const form = slotOf(entryId, slot)
    const value = form ? parseField(settled.value[cellKey(entryId, slot)] ?? '', form) : null
    return value?.ok ? value.value : null
  }
  const unsettled = computed(() => pair.value?.differences.filter((one) => settledValue(one) === null).length ?? 0)

  const recorded = ref(0)
  /** Puts on record what both keyed alike, and what was settled; a figure that is on record as it is stays alone. */
  const putOnRecord = (): void => {
    if (!pair.value || unsettled.value > 0) return
    const parted = new Map(pair.value.differences.map((one) => [cellKey(one.entryId, one.slot), settledValue(one)]))
    const figures = new Map(pair.value.first.content.figures.map((one) => [cellKey(one.entryId, one.slot), one]))
    for (const one of pair.value.second.content.figures) figures.set(cellKey(one.entryId, one.slot), one)
    const known = new Map(
      store
        .settledIn(event.id)
        .value.flatMap((capture) =>
          capture.kind === 'read' && capture.entryId !== null
            ? [[cellKey(capture.entryId, capture.payload.slot), capture.payload.value] as const]
            : [],
        ),
    )
    for (const [cell, { entryId, slot, value: keyed }] of figures) {
      const value = parted.get(cell) ?? keyed
      if (known.get(cell) === value) continue
      store.capture(event.id, entryId, { kind: 'read', payload: { slot, value } })
      recorded.value += 1
    }
  }

  const show = (entryId: string, slot: string, value: number | null): string => {
    const form = slotOf(entryId, slot)
    return value === null || !form ? 'nothing' : printField(value, form)
  }

  return {
    rows,
    keyings,
    isSecond,
    pair,
    typed,
    wrong,
    settled,
    unsettled,
    recorded,
    writing,
    problem,
    keep,
    putOnRecord,
    show,
    slotOf,
  }
}
