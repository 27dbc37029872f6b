/** Why a mark is what it is: no console needs it to begin, so it is fetched while the event still runs. */
import { fetchSoon } from '../../ui/fetchSoon.ts'
import { partLater } from '../../ui/partLater.ts'

const loader = () => import('../../ui/TraceList.vue')

export const TraceList = partLater(loader)
export const fetchWhy = (): void => fetchSoon(loader)
