/** A wave that starts together: which one, who is in it, its start, and the bib that is typed. */
import { isMarkOver, startOf, waveStarts, type StandardEvent } from '@able-gauge/core'
import { computed, ref } from 'vue'
import { byBib, shortName, wavesOf, type Day, type Entry } from '../../day/day.ts'
import type { AgreedMoment } from '../../sync/agreedClock.ts'
import { doesThis } from '../useQueue.ts'
import { waveTarget } from './slipTarget.ts'
import { startOfWave } from './startOfWave.ts'
import type { GroupGrading } from './useGroupGrading.ts'

const MOST_DIGITS = 5

export const useWave = (day: () => Day, event: StandardEvent, grading: GroupGrading) => {
  const waves = computed(() => wavesOf(day()))
  const starts = computed(() => waveStarts(grading.settled.value))
  const chosen = ref<number | null>(null)

  const inWave = (wave: number): Entry[] =>
    day()
      .entries.filter(
        (entry) =>
          entry.wave === wave &&
          entry.bib !== null &&
          doesThis(day(), event, entry) &&
          (entry.attendance === 'present' || grading.ownOf(entry.id).length > 0),
      )
      .sort(byBib)
  const isOver = ({ id }: Entry): boolean => {
    const mark = grading.markOf(id)
    return mark !== undefined && isMarkOver(mark)
  }
  /** The first wave that is not through. */
  const wave = computed({
    get: () => chosen.value ?? waves.value.find((one) => !inWave(one).every(isOver)) ?? waves.value.at(-1) ?? 1,
    set: (value) => (chosen.value = value),
  })
  const runners = computed(() => inWave(wave.value))
  const startsOfWave = computed(() => starts.value.filter(({ payload }) => payload.wave === wave.value))
  const started = computed(() => startsOfWave.value[0] ?? null)
  const startFor = ({ id, wave: own }: Entry) => startOf({ entryId: id, wave: own }, starts.value, grading.ownOf(id))
  const nextWave = computed(() => waves.value.find((one) => one > wave.value))

  const startWith = (onLine: readonly Entry[]) =>
    startOfWave(
      day(),
      event,
      wave.value,
      onLine.map(({ id }) => id),
    )
  /** What a start of everybody in the wave is captured as. */
  const begins = computed(() => startWith(runners.value))
  const start = (moment: AgreedMoment): void => {
    const onLine = runners.value.filter((entry) => !isOver(entry))
    chosen.value = wave.value
    grading.observe(null, startWith(onLine), moment)
  }

  /** Whose start can be put right. */
  const target = computed(() => waveTarget(wave.value, startsOfWave.value, begins.value))

  const typed = ref('')
  const typedEntry = computed(() => runners.value.find(({ bib }) => String(bib) === typed.value))
  const typedName = computed(() =>
    typed.value === '' ? '' : typedEntry.value ? shortName(typedEntry.value) : `not in wave ${wave.value}`,
  )
  const type = (digit: string): void => {
    if (typed.value.length < MOST_DIGITS) typed.value += digit
  }
  /** Takes the typed bib off the field. */
  const takeTyped = (): Entry | undefined => {
    const entry = typedEntry.value
    typed.value = ''
    return entry
  }

  return {
    waves,
    wave,
    runners,
    started,
    startFor,
    nextWave,
    isOver,
    begins,
    start,
    target,
    typed,
    typedName,
    type,
    takeTyped,
    event,
  }
}
