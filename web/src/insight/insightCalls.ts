/** Requests about the results of many days. */
import {
  DueAnswer,
  EventGroupsAnswer,
  GradersAnswer,
  InsightAnswer,
  InsightDaysAnswer,
  InsightPeopleAnswer,
  MadeAnswer,
  NoiseAnswer,
  ProgressAnswer,
  RepeatsAnswer,
  VenuesAnswer,
  type DueDayBody,
} from '@able-gauge/core'
import { call, download } from '../api.ts'

/** Filters as they stand in the address; what is empty is not asked about. */
export type Filters = Readonly<Record<string, string | undefined>>

const path = (what: string, filters: Filters): string => {
  const query = new URLSearchParams()
  for (const [name, value] of Object.entries(filters)) if (value) query.set(name, value)
  return `/insight/${what}?${query.toString()}`
}

export const readResults = (filters: Filters) => call('GET', path('results', filters), InsightAnswer)
export const readEventGroups = (filters: Filters) => call('GET', path('events', filters), EventGroupsAnswer)
export const readVenues = (filters: Filters) => call('GET', path('venues', filters), VenuesAnswer)
export const readNoise = (filters: Filters) => call('GET', path('noise', filters), NoiseAnswer)
export const readBehind = (filters: Filters) => call('GET', path('people', filters), InsightPeopleAnswer)
export const readRepeats = (filters: Filters) => call('GET', path('repeats', filters), RepeatsAnswer)
export const readGraders = (filters: Filters) => call('GET', path('graders', filters), GradersAnswer)
export const readProgress = (filters: Filters) => call('GET', path('progress', filters), ProgressAnswer)
export const readDays = (filters: Filters) => call('GET', path('days', filters), InsightDaysAnswer)
/** Every result without a name, as CSV. */
export const readData = (filters: Filters) => download(path('data', filters))
export const readDue = () => call('GET', '/insight/due', DueAnswer)
export const makeDueDay = (body: DueDayBody) => call('POST', '/insight/due/day', MadeAnswer, body)
