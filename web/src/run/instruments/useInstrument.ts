/** What instruments sent for an event and nobody has taken yet, and the slot of a candidate it would fill. */
import { readingFrom, slotsOf, type Capture, type StandardEvent } from '@able-gauge/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useDay } from '../../day/dayStore.ts'
import { useTick } from '../../ui/useTick.ts'
import type { Grading } from '../console/useGrading.ts'

type SensedCapture = Extract<Capture, { kind: 'sensed' }>

/** What was sent longer ago belongs to somebody before. */
const OFFERED_MS = 60_000

export const useInstrument = (event: StandardEvent, grading: Grading) => {
  const store = useDay()
  const nowMs = useTick(1_000)
  const settled = store.settledIn(event.id)
  /** Whether figures are taken as they come, on this device. */
  const attached = useLocalStorage(`able-gauge-attached-${event.id}`, false)

  const taken = computed(
    () =>
      new Set(settled.value.flatMap((capture) => (capture.kind === 'read' ? (capture.payload.sensedBy ?? []) : []))),
  )
  const offered = computed<SensedCapture | undefined>(() =>
    settled.value.findLast(
      (capture): capture is SensedCapture =>
        capture.kind === 'sensed' && !taken.value.has(capture.id) && nowMs.value - capture.atMs < OFFERED_MS,
    ),
  )
  const filled = computed(
    () => new Set(grading.own.value.flatMap((capture) => (capture.kind === 'read' ? [capture.payload.slot] : []))),
  )
  /** The next empty slot that takes such a figure, with the figure as it would stand there. */
  const reading = computed(() =>
    offered.value ? readingFrom(event.protocol, offered.value.payload, filled.value) : null,
  )
  const slot = computed(() => slotsOf(event.protocol).find(({ id }) => id === reading.value?.slot))

  const take = (): void => {
    const [sensed, chosen] = [offered.value, reading.value]
    if (!sensed || !chosen || taken.value.has(sensed.id)) return
    grading.observe({ kind: 'read', payload: { ...chosen, sensedBy: sensed.id } })
    const { protocol } = event
    // a time from a gate gets no correction for hand timing
    if ('timing' in protocol && protocol.timing === 'either' && !filled.value.has('electronic')) {
      grading.observe({ kind: 'read', payload: { slot: 'electronic', value: 1 } })
    }
  }
  watch(offered, (now, before) => {
    // what lay there when the console was opened is offered, not taken
    if (attached.value && now && before?.id !== now.id && nowMs.value - now.atMs < 5_000) take()
  })

  return { offered, reading, slot, attached, take }
}
