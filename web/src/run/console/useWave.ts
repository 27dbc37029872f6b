/** A wave that starts together: which one, who is in it, its start, and the bib that is typed. */
import { isMarkOver, startsIn, waveStarts, type StandardEvent, type WaveStart } from '@able-gauge/core'
import { computed, ref } from 'vue'
import { byBib, wavesOf, type Day, type Entry } from '../../day/day.ts'
import type { AgreedMoment } from '../../sync/agreedClock.ts'
import { sameList } from '../../ui/sameList.ts'
import { doesThis } from '../useQueue.ts'
import { waveTarget } from './slipTarget.ts'
import { startOfWave } from './startOfWave.ts'
import type { GroupGrading } from './useGroupGrading.ts'
import { useTypedBib } from './useTypedBib.ts'

export const useWave = (day: () => Day, event: StandardEvent, grading: GroupGrading) => {
  const waves = computed(() => wavesOf(day()))
  // starts and people are the same lists as long as they are the same, so that a press draws nothing that rests on them
  const starts = computed<readonly WaveStart[]>((before) => sameList(waveStarts(grading.settled.value), before))
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
  const runners = computed<readonly Entry[]>((before) => sameList(inWave(wave.value), before))
  const startsOfWave = computed(() => starts.value.filter(({ payload }) => payload.wave === wave.value))
  const started = computed(() => startsOfWave.value[0] ?? null)
  const startWho = computed(() => startsIn(starts.value))
  const startFor = ({ id, wave: own }: Entry) => startWho.value({ entryId: id, wave: own }, grading.ownOf(id))
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

  const bib = useTypedBib(
    () => runners.value,
    () => wave.value,
  )

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
    bib,
  }
}
