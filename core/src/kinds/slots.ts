/** The slots of protocols and events of any kind. */
import type { PublishedUnit } from '../quantity/imperial.ts'
import { suits } from '../quantity/unit.ts'
import { factsOf } from './facts.ts'
import { kindOf, type Protocol } from './kinds.ts'
import { isTry, type Readings, type Slot } from './slot.ts'

/** A protocol with the unit its figures are published in, where that is not the metric one. */
export interface PublishedProtocol {
  readonly protocol: Protocol
  readonly publishedIn?: PublishedUnit
}

const slotsKnown = new WeakMap<Protocol, readonly Slot[]>()

/** The slots of a protocol, in the order they are read. The first one alone is enough where the measure is one figure. */
export const slotsOf = (protocol: Protocol): readonly Slot[] => {
  const known = slotsKnown.get(protocol) ?? slotsAnew(protocol)
  slotsKnown.set(protocol, known)
  return known
}

const slotsAnew = (protocol: Protocol): readonly Slot[] => {
  const kind = kindOf(protocol)
  const slots = kind.slots(protocol)
  const secondsFromMs = factsOf(protocol).unit === 'ms' ? kind.sensibleRange(protocol).least : 0
  return secondsFromMs === 0 ? slots : slots.map((slot) => (slot.unit === 'ms' ? { ...slot, secondsFromMs } : slot))
}

/** Whether the readings taken so far make a measure. @param oneIsEnough one try on one side stands for all of them */
export const isFilled = (protocol: Protocol, readings: Readings, oneIsEnough = false): boolean =>
  kindOf(protocol).isEnough?.(protocol, readings) === true ||
  slotsOf(protocol).every((slot) => slot.optional || readings[slot.id] !== undefined || (oneIsEnough && isTry(slot)))

/**
 * The slot of the one raw reading that stands for an event where there is only one: the time, the load, the beats, the first try.
 * @returns undefined where nothing is read but that it was done
 */
export const mainSlotOf = (event: PublishedProtocol): Slot | undefined => {
  const slots = slotsOfEvent(event)
  const { mainSlot } = kindOf(event.protocol)
  return mainSlot ? slots.find(({ id }) => id === mainSlot(event.protocol)) : slots[0]
}

/** The slots of an event, read in the unit it is published in. */
export const slotsOfEvent = ({ protocol, publishedIn }: PublishedProtocol): readonly Slot[] =>
  publishedIn === undefined
    ? slotsOf(protocol)
    : slotsOf(protocol).map((slot) => (suits(slot.unit, publishedIn) ? { ...slot, shownIn: publishedIn } : slot))
