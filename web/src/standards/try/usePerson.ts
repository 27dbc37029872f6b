/** A made-up person and their readings, kept as they were typed, judged as they are typed. */
import {
  chosenEvent,
  combinePerson,
  estimatesFor,
  exampleOf,
  judgeEvent,
  measureReadings,
  parseField,
  slotsOfEvent,
  whatToReach,
  type Candidate,
  type Slot,
  type Standard,
} from '@able-gauge/core'
import { computed, reactive } from 'vue'
import { today } from '../../ui/localTime.ts'

export const usePerson = (standard: Standard) => {
  const person = reactive({ age: '25', category: standard.categories[0]?.id ?? '', role: '', bodyMass: '' })
  const choices = reactive({
    variants: {} as Record<string, string>,
    alternates: {} as Record<string, string>,
    exemptions: {} as Record<string, string>,
  })
  /** What was typed, by event and slot. */
  const typed = reactive<Record<string, Record<string, string>>>(
    Object.fromEntries(standard.events.map(({ id }) => [id, {}])),
  )
  const ageCountedOn = today()

  const ageProblem = computed(() =>
    /^\d{1,3}$/.test(person.age) && Number(person.age) <= 120 ? '' : 'An age from 0 to 120.',
  )
  const mass = computed(() => (person.bodyMass.trim() === '' ? null : parseField(person.bodyMass, { unit: 'g' })))
  const massProblem = computed(() => (mass.value?.ok === false ? mass.value.reason : ''))

  const candidate = computed<Candidate>(() => ({
    entryId: 'tried',
    ageYears: ageProblem.value ? 0 : Number(person.age),
    ageCountedOn,
    category: person.category,
    ...(person.role === '' ? {} : { role: person.role }),
    ...(mass.value?.ok ? { bodyMassG: mass.value.value } : {}),
    variants: { ...choices.variants },
    alternates: { ...choices.alternates },
    exemptions: { ...choices.exemptions },
  }))

  const terms = { standard, testDate: ageCountedOn }
  const rows = computed(() =>
    standard.events.map((event) => {
      const { event: done } = chosenEvent(standard, event, candidate.value)
      const slots = slotsOfEvent(done)
      const { readings, problems } = readTyped(slots, typed[event.id] ?? {})
      const measure = measureReadings(done.protocol, readings)
      const mark = judgeEvent(terms, event, candidate.value, measure)
      const estimates =
        measure.kind === 'complete' ? estimatesFor(done.protocol, measure.value, measure.reading, candidate.value) : []
      return { event, done, slots, problems, mark, estimates }
    }),
  )
  const verdict = computed(() =>
    combinePerson(
      terms,
      candidate.value,
      rows.value.map(({ mark }) => mark),
    ),
  )
  const reach = computed(() => (ageProblem.value ? [] : whatToReach(standard, candidate.value)))

  return { person, choices, typed, ageProblem, massProblem, candidate, rows, verdict, reach }
}

const readTyped = (slots: readonly Slot[], texts: Readonly<Record<string, string>>) => {
  const readings: Record<string, number> = {}
  const problems: Record<string, string> = {}
  for (const slot of slots) {
    const text = (texts[slot.id] ?? '').trim()
    if (text === '') continue
    const read = parseField(text, slot)
    if (read.ok) readings[slot.id] = read.value
    else problems[slot.id] = `"${text}" is not ${exampleOf(slot)}.`
  }
  return { readings, problems }
}
