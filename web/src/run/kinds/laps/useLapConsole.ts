/** State and actions of the lap console. What is shown follows from captures; every action is a capture. */
import {
  byTimeThenId,
  findCut,
  minimumOf,
  lapBoard,
  lapWord,
  measuredLap,
  printClock,
  voidedIds,
  type Capture,
  type Cut,
  type LapBoard,
  newLapMemory,
  rulingFor,
  sayCall,
  startOf,
  waveStarts,
  type LapMemory,
  type Observation,
  type StandardEvent,
  type StopReason,
  type TimedDistance,
} from '@able-gauge/core'
import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import { bibAndName, byBib, shortName, wavesOf, type Day, type Entry } from '../../../day/day.ts'
import { useDay } from '../../../day/dayStore.ts'
import { groundOf, startOfWave } from '../../console/startOfWave.ts'
import { doesThis } from '../../useQueue.ts'
import { useSession } from '../../../session/sessionStore.ts'
import { useSound } from '../../../sound/useSound.ts'
import { useAgreedClock, type AgreedMoment } from '../../../sync/agreedClock.ts'
import { deviceId } from '../../../sync/outbox.ts'
import { sameList } from '../../../ui/sameList.ts'

export type RunEvent = StandardEvent & { readonly protocol: TimedDistance }

const NOBODY: readonly string[] = []

/** A pace to expect runners at where the standard asks for none: five minutes a kilometre. */
const EASY_MS_PER_MM = 0.3

export const useLapConsole = (day: () => Day, event: RunEvent) => {
  const store = useDay()
  const session = useSession()
  const clock = useAgreedClock()
  const sound = useSound()

  const settled = store.settledIn(event.id)
  const waves = computed(() => wavesOf(day()))
  const chosenWave = ref<number | null>(null)
  /** 1: the timer. 2 and 3: backup watches, which keep a log beside it. 0: the order of the finish. */
  const role = ref(1)
  const message = shallowRef<{ readonly text: string; readonly kind: 'done' | 'look' } | null>(null)

  /** Those of the wave who are here, or were stamped though they are not. */
  const inWave = (wave: number): Entry[] =>
    withBibs.value.filter(
      (entry) => entry.wave === wave && (entry.attendance === 'present' || stampedAway.value.includes(entry.id)),
    )
  const withBibs = computed(() =>
    day()
      .entries.filter((entry) => entry.bib !== null && doesThis(day(), event, entry))
      .sort(byBib),
  )
  const away = computed(
    () => new Set(withBibs.value.filter(({ attendance }) => attendance !== 'present').map(({ id }) => id)),
  )
  /** The same list as long as nobody is new in it, so that a stamp changes nothing about who stands on the line. */
  const stampedAway = computed<readonly string[]>((before) => {
    if (away.value.size === 0) return NOBODY
    const ids = settled.value.flatMap(({ entryId }) => (entryId !== null && away.value.has(entryId) ? [entryId] : []))
    return sameList([...new Set(ids)], before)
  })

  /** Who runs in each wave, with the pace to expect; made anew only when who is here changes. */
  const fields = computed(
    () =>
      new Map(
        waves.value.map((wave) => {
          const runners = inWave(wave)
          const onBoard = runners.map(({ id }) => ({ entryId: id, wave }))
          return [wave, { runners, onBoard, paceMs: paceMs(runners) }]
        }),
      ),
  )
  const plannedCourse = computed<TimedDistance>(() => {
    const lapLengthMm = measuredLap(event.protocol, groundOf(day(), event.id))
    return lapLengthMm === undefined ? event.protocol : { ...event.protocol, lapLengthMm }
  })
  const boardOf = (wave: number): LapBoard => {
    const { onBoard = [], paceMs: expectedMs = 0 } = fields.value.get(wave) ?? {}
    // before its start nothing tells the lap but the plan; a start that stands tells its own
    const isStarted = waveStarts(settled.value).some(({ payload }) => payload.wave === wave)
    const course = isStarted ? event.protocol : plannedCourse.value
    const memory = isStarted ? memoryOf(wave) : newLapMemory()
    return lapBoard(course, wave, onBoard, settled.value, expectedMs, memory)
  }
  const memories = new Map<number, LapMemory>()
  const memoryOf = (wave: number): LapMemory => {
    const memory = memories.get(wave) ?? newLapMemory()
    memories.set(wave, memory)
    return memory
  }
  /** The most generous cut among the runners: nobody is expected before it is reasonable. */
  const paceMs = (runners: readonly Entry[]): number =>
    Math.max(...runners.map((entry) => cutFor(entry)?.value ?? 0)) || event.protocol.distanceMm * EASY_MS_PER_MM
  const cuts = new Map<string, Cut | null>()
  const cutFor = ({ ageYears, category }: Entry): Cut | null => {
    const key = `${ageYears} ${category}`
    const known = cuts.get(key)
    if (known !== undefined) return known
    const found = findCut(event, { ageYears, category }, minimumOf(day().standard, event))
    const cut = found.ok ? found.cut : null
    cuts.set(key, cut)
    return cut
  }

  /** The wave that is on the course, else the first that has not run, else the last. */
  const suggestedWave = computed(() => {
    const boards = waves.value.map((wave) => ({ wave, board: boardOf(wave) }))
    const isOut = ({ board }: { board: LapBoard }) =>
      board.startedAtMs !== null && board.runners.some(({ state }) => state === 'running')
    return (boards.find(isOut) ?? boards.find(({ board }) => board.startedAtMs === null) ?? boards.at(-1))?.wave ?? 1
  })
  const wave = computed({
    get: () => chosenWave.value ?? suggestedWave.value,
    set: (value) => (chosenWave.value = value),
  })
  const board: ComputedRef<LapBoard> = computed(() => boardOf(wave.value))
  const runners = computed<readonly Entry[]>(() => fields.value.get(wave.value)?.runners ?? [])
  const next = computed(() => {
    const first = board.value.runners[0]
    return first?.state === 'running' ? first : undefined
  })
  const unassigned = computed(() => board.value.crossings.filter(({ entryId }) => entryId === null))
  const stillOut = computed(() => board.value.runners.filter(({ state }) => state === 'running').length)

  const mayCapture = computed(() => session.can('capture') && !day().occasion.signedOff)
  const ready = computed(() => mayCapture.value && clock.agreement !== null)

  const say = (text: string, kind: 'done' | 'look' = 'done'): void => {
    message.value = { text, kind }
  }

  /** What the start of the wave is captured as. */
  const begins = (): Observation =>
    startOfWave(
      day(),
      event,
      wave.value,
      runners.value.map(({ id }) => id),
    )
  const start = (moment: AgreedMoment): void => {
    chosenWave.value = wave.value
    store.capture(event.id, null, begins(), moment)
    say(`Wave ${wave.value} started with ${runners.value.length} runners.`)
  }

  /** The moment is that of the press. */
  const crossEntry = (entryId: string, moment = clock.moment()): void => stampEntry(entryId, moment)

  const crossNext = (moment = clock.moment()): void => {
    if (next.value) stampEntry(next.value.entryId, moment)
  }

  /** A backup's stamp, or a bib in the order of the finish: beside the laps, and never refused for them. */
  const logEntry = (entry: Entry, moment: AgreedMoment): void => {
    const bib = entry.bib ?? ''
    if (role.value === 0) {
      store.capture(event.id, entry.id, { kind: 'placed', payload: {} }, moment)
      const place = settled.value.filter(({ kind }) => kind === 'placed').length
      say(`${bib} ${shortName(entry)}: written down, number ${place} in the order.`)
      return
    }
    store.capture(event.id, entry.id, { kind: 'crossed', payload: { watch: role.value } }, moment)
    say(
      `${bib} ${shortName(entry)}: ${printClock(moment.atMs - (board.value.startedAtMs ?? 0), 1)} on watch ${role.value}`,
    )
  }

  const stampEntry = (entryId: string, moment: AgreedMoment | null): void => {
    const { runners: onBoard, startedAtMs, laps } = board.value
    const runner = onBoard.find((one) => one.entryId === entryId)
    const entry = store.entry(entryId)
    if (!entry || startedAtMs === null) return
    if (!moment) {
      say('Nothing was stamped: this device has no agreed time yet. Wait for the clock in the bar.', 'look')
      return
    }
    if (role.value !== 1) return logEntry(entry, moment)
    if (runner?.state !== 'running') {
      stampUnknown(`Bib ${entry.bib ?? ''} is not on the course any more.`, moment)
      return
    }
    const lap = runner.lapsDone + 1
    store.capture(event.id, entryId, { kind: 'crossed', payload: {} }, moment)
    const elapsed = printClock(moment.atMs - startedAtMs, 1)
    const heard = callsAt(entry, moment.atMs)
    const where = lap === laps ? 'home' : `${lapWord(event.protocol)} ${lap}`
    say(`${bibAndName(entry)}: ${where} at ${elapsed}${heard === '' ? '' : `. ${heard}`}`)
    if (heard !== '') sound.say(`${entry.bib ?? ''}, ${heard}`)
  }

  /** What the runner is told at this crossing: laps to go, where the standard has them called, and what it announces there. */
  const callsAt = (entry: Entry, atMs: number): string => {
    const { id: entryId, wave: ofWave, category } = entry
    if (event.protocol.lapsCalledBy === undefined && event.protocol.announcements === undefined) return ''
    const own = settled.value.filter((capture) => capture.entryId === entryId)
    const start = startOf({ entryId, wave: ofWave }, waveStarts(settled.value), own)
    const { calls } = rulingFor(event, { entryId, wave: ofWave, category }, own, atMs, start)
    return (
      calls
        // who is home is told so already
        .filter((call) => call.atMs === atMs && call.figures?.['laps'] !== 0)
        .map(sayCall)
        .filter(Boolean)
        .join('. ')
    )
  }

  const crossBib = (bib: number, moment = clock.moment()): void => {
    const entry = runners.value.find((one) => one.bib === bib)
    if (entry) stampEntry(entry.id, moment)
    else stampUnknown(`Bib ${bib} is not entered in wave ${wave.value}.`, moment)
  }

  /** Time first: the stamp is kept, the bib is put to it later. */
  const crossUnknown = (moment = clock.moment()): void => stampUnknown('', moment)

  const stampUnknown = (why: string, moment: AgreedMoment | null): void => {
    const { startedAtMs } = board.value
    if (!moment || startedAtMs === null) return
    if (role.value !== 1) {
      say(`${why} A ${role.value === 0 ? 'place in the order' : 'backup stamp'} needs a bib.`.trim(), 'look')
      return
    }
    store.capture(event.id, null, { kind: 'crossed', payload: {} }, moment)
    const elapsed = printClock(moment.atMs - startedAtMs, 1)
    say(`${why} The time ${elapsed} is kept without a bib: put the bib to it.`.trim(), 'look')
  }

  const assign = (captureId: string, bib: number): boolean => {
    const entry = runners.value.find((one) => one.bib === bib)
    if (!entry) {
      say(`Bib ${bib} is not entered in wave ${wave.value}. The time is kept; try another bib.`, 'look')
      return false
    }
    store.capture(event.id, entry.id, { kind: 'assigned', payload: { captureId } })
    say(`The time now belongs to ${bib} ${shortName(entry)}.`)
    return true
  }

  const cautionRunner = (entryId: string): void => {
    store.capture(event.id, entryId, { kind: 'cautioned', payload: {} })
  }
  const stopRunner = (entryId: string, reason: StopReason, note: string): void => {
    const payload = note.trim() === '' ? { reason } : { reason, note: note.trim() }
    store.capture(event.id, entryId, { kind: 'stopped', payload })
    say(`Recorded for bib ${store.entry(entryId)?.bib ?? ''}.`)
  }

  /** The last thing this device captured here that still stands. */
  const lastOwn = (): Capture | undefined => {
    const mine = deviceId()
    const all = store.allIn(event.id)
    const voided = voidedIds(all)
    const candidates = all.filter(
      ({ id, kind, deviceId: device }) => device === mine && kind !== 'voided' && kind !== 'decided' && !voided.has(id),
    )
    return candidates.sort(byTimeThenId).at(-1)
  }

  const undo = (): void => {
    const last = lastOwn()
    if (!last) {
      say('Nothing captured on this device is left to undo.', 'look')
      return
    }
    store.capture(event.id, last.entryId, {
      kind: 'voided',
      payload: { captureId: last.id, reason: 'undone at the console' },
    })
    const bib = store.entry(last.entryId)?.bib
    const what = {
      waveStarted: `the start of wave ${wave.value}`,
      crossed: 'the crossing',
      assigned: 'the bib',
      placed: 'the place',
      voided: 'the repair',
      stopped: 'the end',
    }
    say(`Undone: ${what[last.kind as keyof typeof what] ?? last.kind}${bib ? ` of bib ${bib}` : ''}.`)
  }

  return {
    role,
    waves,
    wave,
    board,
    runners,
    next,
    unassigned,
    stillOut,
    mayCapture,
    ready,
    message,
    cutFor,
    begins,
    start,
    crossEntry,
    crossNext,
    crossBib,
    crossUnknown,
    assign,
    stopRunner,
    cautionRunner,
    undo,
  }
}
