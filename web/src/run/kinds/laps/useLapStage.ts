/** How far a wave is: not started, on the course, in; whose cut the gauge shows; who could still stop. */
import { courseInWords, waveStarts } from '@able-gauge/core'
import { computed, type Ref } from 'vue'
import { shortName, type Day } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { groundOf } from '../../console/startOfWave.ts'
import type { RunEvent, useLapConsole } from './useLapConsole.ts'

type Console = ReturnType<typeof useLapConsole>
/** The board as it is shown, which may be a frame behind the record. */
type Shown = Omit<Console, 'board' | 'next' | 'stillOut'> & {
  readonly [Part in 'board' | 'next' | 'stillOut']: Readonly<Ref<Console[Part]['value']>>
}

export const useLapStage = (lap: Shown, day: () => Day, event: RunEvent) => {
  const store = useDay()
  const { board, wave, waves, runners, next, stillOut } = lap

  const started = computed(() => board.value.startedAtMs !== null)
  /** The starts of the wave that stand. */
  const starts = computed(() =>
    waveStarts(store.settledIn(event.id).value).filter(({ payload }) => payload.wave === wave.value),
  )
  /** How the way is laid out where this is run. */
  const setOutWords = computed(() => courseInWords(event.protocol, groundOf(day(), event.id)))
  const onCourse = computed(() => started.value && stillOut.value > 0)
  const isIn = computed(() => started.value && !onCourse.value && runners.value.length > 0)
  const nextWave = computed(() => waves.value.find((one) => one > wave.value))
  const endedAtMs = computed(() => {
    const { startedAtMs, runners: tiles, crossings } = board.value
    return startedAtMs === null || stillOut.value > 0 || tiles.length === 0
      ? null
      : (crossings.find(({ home }) => home)?.atMs ?? startedAtMs)
  })
  const gaugeEntry = computed(() => store.entry(next.value?.entryId ?? runners.value[0]?.id ?? null))
  const cut = computed(() => (gaugeEntry.value ? lap.cutFor(gaugeEntry.value) : null))
  const cutOf = computed(() => (cut.value?.band && gaugeEntry.value ? `, for ${shortName(gaugeEntry.value)}` : ''))
  /** Only looked at when somebody stops. */
  const outEntries = computed(() =>
    board.value.runners.flatMap(({ state, entryId }) => (state === 'running' ? (store.entry(entryId) ?? []) : [])),
  )
  return { started, starts, onCourse, isIn, nextWave, setOutWords, endedAtMs, cut, cutOf, outEntries }
}
