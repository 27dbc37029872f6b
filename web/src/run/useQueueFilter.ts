/** The part of a list of candidates that is looked for: by bib or name, those who wait, those who rest, those of this station. */
import { computed, ref } from 'vue'
import type { Day, Entry } from '../day/day.ts'
import { fullName } from '../day/day.ts'
import { useRests } from './useRests.ts'
import type { useCandidates } from './useQueue.ts'

export type Shown = 'all' | 'waiting' | 'resting'

/** Fewer are seen at a glance. */
const WORTH_SEARCHING = 8

export const useQueueFilter = (
  day: () => Day,
  { queue, kindOf, station }: Pick<ReturnType<typeof useCandidates>, 'queue' | 'kindOf' | 'station'>,
) => {
  const rests = useRests(day)
  const text = ref('')
  const shown = ref<Shown>('all')
  const isWorthIt = computed(() => queue.value.length > WORTH_SEARCHING)

  const isFound = (entry: Entry): boolean => {
    const wanted = text.value.trim().toLowerCase()
    if (wanted === '') return true
    return /^\d+$/.test(wanted)
      ? String(entry.bib ?? '').startsWith(wanted)
      : fullName(entry).toLowerCase().includes(wanted)
  }
  const isResting = (entryId: string): boolean => rests.value.get(entryId)?.kind === 'resting'
  const isShown = ({ id }: Entry): boolean =>
    shown.value === 'all' || (kindOf(id) === 'waiting' && isResting(id) === (shown.value === 'resting'))
  const found = computed(() =>
    queue.value.filter((entry) => isFound(entry) && isShown(entry) && station.isMine(entry.id)),
  )
  return { text, shown, found, isWorthIt, station }
}
