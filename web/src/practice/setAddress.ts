/** A set as the address of a page names it, so that it can be given to somebody else. */
import { DRILL_LEVELS, PRACTISED } from '@able-gauge/core/drill'
import type { LocationQueryRaw, RouteLocationNormalizedLoaded, RouteLocationRaw } from 'vue-router'
import { lanesFor, type PracticeSet } from './practiceDay.ts'

const MOST_SETS = 9_999

/** One that nobody has just had. */
export const someSeed = (): number => 1 + Math.floor(Math.random() * 999)

const wholeIn = (text: unknown, least: number, most: number): number | null => {
  const value = Number(text)
  return typeof text === 'string' && Number.isInteger(value) && value >= least && value <= most ? value : null
}

/** @returns null for an address that names no set */
export const setIn = ({
  params,
  query,
}: Pick<RouteLocationNormalizedLoaded, 'params' | 'query'>): PracticeSet | null => {
  const what = PRACTISED.find((one) => one === params['what'])
  const level = DRILL_LEVELS.find((one) => String(one) === query['level'])
  const seed = wholeIn(query['set'], 1, MOST_SETS)
  const eventId = String(params['eventId'])
  if (!what || !level || seed === null) return null
  const lanes = lanesFor(what).find((many) => String(many) === query['lanes']) ?? lanesFor(what)[0] ?? 1
  const { more } = query
  return { eventId, what, level, seed, lanes, ...(typeof more === 'string' && more !== '' ? { more } : {}) }
}

export const addressOf = (standardId: string, version: number, set: PracticeSet): RouteLocationRaw => {
  const { level, seed, lanes, more } = set
  const query: LocationQueryRaw = { level, set: seed, lanes, ...(more === undefined ? {} : { more }) }
  return {
    name: 'drill',
    // consoles name the rooms of their day; this one has none
    params: { dayId: 'set', standardId, version, eventId: set.eventId, what: set.what },
    query,
  }
}
