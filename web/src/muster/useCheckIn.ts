/** One person at muster: what is typed, what the standard offers them, and how it goes on record. */
import {
  type Attendance,
  type EntryChoices,
  type HouseStyle,
  openHolds,
  parseField,
  printField,
  printQuantity,
  ScreenedAnswer,
  type ScreeningAnswer,
  screeningConcerns,
  type ScreeningQuestion,
  type Standard,
} from '@able-gauge/core'
import { computed, reactive, ref, watch } from 'vue'
import { call, inWords, Refusal, tell } from '../api.ts'
import { bibAndName, eventName, type Day, type Entry } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useDone } from '../ui/done.ts'

export interface CheckInForm {
  bib: string
  category: string
  attendance: Attendance
  note: string
  bodyMass: string
  height: string
  gear: string
  identityChecked: boolean
  consented: boolean
  /** By the id of the battery's event: the id of a variant, an alternate or an exemption, or nothing. */
  choices: Record<string, string>
  role: string
  /** Does everything again, although only what was short is asked. */
  wholeBattery: boolean
  reason: string
  setUp: Record<string, string>
  answers: Record<string, 'yes' | 'no'>
}

export interface Choice {
  readonly eventId: string
  readonly eventName: string
  readonly options: readonly { readonly value: string; readonly label: string }[]
}

const isImperial = ({ events }: Standard): boolean => events.some(({ publishedIn }) => publishedIn !== undefined)

/** What the standard lets one choose for a person, event by event. */
export const choicesIn = ({ events, alternateEvents = [], exemptions = [] }: Standard): Choice[] =>
  events.flatMap((event) => {
    // what is done by everybody in a category is not chosen
    const free = (event.variants ?? []).filter(({ category }) => category === undefined)
    const variants = free.map(({ id, name }) => ({
      value: `variant ${id}`,
      label: `Variant: ${name}`,
    }))
    const alternates = (event.alternates ?? []).flatMap(({ eventId, allowedBy }) => {
      const instead = alternateEvents.find(({ id }) => id === eventId)
      return instead && allowedBy !== 'band'
        ? [{ value: `alternate ${eventId}`, label: `Instead: ${instead.name}` }]
        : []
    })
    const exempt = exemptions
      .filter(({ eventIds }) => eventIds.includes(event.id))
      .map(({ id, name }) => ({ value: `exemption ${id}`, label: `Exempt: ${name}` }))
    const options = [...variants, ...alternates, ...exempt]
    return options.length === 0 ? [] : [{ eventId: event.id, eventName: event.name, options }]
  })

const chosenIn = ({ variants, alternates, exemptions }: EntryChoices): Record<string, string> => {
  const all: [string, string][] = [
    ...Object.entries(variants).map(([eventId, id]): [string, string] => [eventId, `variant ${id}`]),
    ...Object.entries(alternates).map(([eventId, id]): [string, string] => [eventId, `alternate ${id}`]),
    ...Object.entries(exemptions).map(([eventId, id]): [string, string] => [eventId, `exemption ${id}`]),
  ]
  return Object.fromEntries(all)
}

interface BodyUnits {
  readonly mass: 'kg' | 'lb'
  readonly height: 'cm' | 'in'
}
/** As the house asks, or as the standard of the day is published. */
const bodyUnitsOf = (asked: HouseStyle['bodyUnits'], standard: Standard): BodyUnits =>
  asked === 'imperial' || (asked === undefined && isImperial(standard))
    ? { mass: 'lb', height: 'in' }
    : { mass: 'kg', height: 'cm' }

const formOf = (entry: Entry, { mass, height }: BodyUnits): CheckInForm => ({
  bib: entry.bib === null ? '' : String(entry.bib),
  category: entry.category,
  // opening somebody who is awaited is the beginning of checking them in
  attendance: entry.attendance === 'expected' || entry.attendance === 'late' ? 'present' : entry.attendance,
  note: entry.note,
  bodyMass: entry.bodyMassG === null ? '' : printField(entry.bodyMassG, { unit: 'g', shownIn: mass }),
  height: entry.heightMm === null ? '' : printField(entry.heightMm, { unit: 'mm', shownIn: height }),
  gear: entry.gear,
  identityChecked: entry.identityChecked,
  consented: entry.consented,
  choices: chosenIn(entry.choices),
  role: entry.choices.role ?? '',
  wholeBattery: entry.choices.wholeBattery === true,
  reason: entry.choices.reason ?? '',
  setUp: { ...entry.setUp },
  answers: {},
})

/** What is told once it is saved. */
const TOLD: Readonly<Record<Attendance, string>> = {
  present: 'is checked in',
  held: 'is held and may not start',
  late: 'comes later',
  absent: 'is put down as absent',
  withdrawn: 'has withdrawn',
  expected: 'is still expected',
}

/** @param entry whom to check in; null while nobody is */
export const useCheckIn = (day: () => Day, entry: () => Entry | null) => {
  const store = useDay()
  const done = useDone()
  const house = useHouseRules()
  const form = reactive<CheckInForm>({
    bib: '',
    category: '',
    attendance: 'present',
    note: '',
    bodyMass: '',
    height: '',
    gear: '',
    identityChecked: false,
    consented: false,
    choices: {},
    role: '',
    wholeBattery: false,
    reason: '',
    setUp: {},
    answers: {},
  })
  const units = computed(() => bodyUnitsOf(house.rules?.style?.bodyUnits, day().standard))
  const problem = ref('')
  const saving = ref(false)

  // only another person resets what is typed: when somebody else changes this entry meanwhile, the typing stays
  watch(
    () => entry()?.id,
    () => {
      const one = entry()
      problem.value = ''
      if (one) Object.assign(form, formOf(one, units.value))
    },
    { immediate: true },
  )

  const choices = computed(() => choicesIn(day().standard))
  /** What is typed of body mass and height; null for nothing. */
  const typedMass = () =>
    form.bodyMass.trim() === '' ? null : parseField(form.bodyMass, { unit: 'g', shownIn: units.value.mass })
  const typedHeight = () =>
    form.height.trim() === '' ? null : parseField(form.height, { unit: 'mm', shownIn: units.value.height })
  // the house's rules may arrive after what is on record was shown
  watch(units, (now, before) => {
    const mass = parseField(form.bodyMass, { unit: 'g', shownIn: before.mass })
    const height = parseField(form.height, { unit: 'mm', shownIn: before.height })
    if (mass.ok) form.bodyMass = printField(mass.value, { unit: 'g', shownIn: now.mass })
    if (height.ok) form.height = printField(height.value, { unit: 'mm', shownIn: now.height })
  })
  /** The same in pounds and feet, where the house reads both. */
  const inOtherUnits = computed(() => {
    if (house.rules?.style?.bodyUnits !== 'both') return ''
    const mass = typedMass()
    const height = typedHeight()
    return [
      ...(mass?.ok ? [printQuantity(mass.value, 'g', 'lb')] : []),
      ...(height?.ok ? [printQuantity(height.value, 'mm', 'ft-in')] : []),
    ].join(', ')
  })
  /** Events whose mark stands from an earlier day, and when that was. */
  const standing = computed(() =>
    Object.entries(entry()?.carried ?? {}).map(([eventId, { testDate }]) => ({
      name: eventName(day(), eventId),
      testDate,
    })),
  )
  const questions = computed<readonly ScreeningQuestion[]>(() => house.rules?.screening ?? [])
  const isScreened = computed(() => day().screened.includes(entry()?.id ?? ''))
  const answers = computed<ScreeningAnswer[]>(() =>
    Object.entries(form.answers).map(([questionId, answer]) => ({ questionId, answer })),
  )
  const concerns = computed(() => screeningConcerns({ screening: [...questions.value] }, answers.value))
  const holds = computed(() => openHolds(day().records).filter(({ content }) => content.entryId === entry()?.id))
  // once the last hold is lifted, saving must not hold anew
  watch(
    () => holds.value.length,
    (now, before) => {
      if (now === 0 && before > 0 && form.attendance === 'held') form.attendance = 'present'
    },
  )
  const setUpFields = computed(() =>
    day().standard.events.flatMap(({ id, name, protocol }) =>
      (protocol.setUp ?? []).map(({ id: valueId, label, writtenIn }) => ({
        key: `${id}.${valueId}`,
        label: `${name}: ${label}${writtenIn ? ` in ${writtenIn}` : ''}`,
        before: day().earlierSetUps[entry()?.id ?? '']?.[`${id}.${valueId}`] ?? '',
      })),
    ),
  )

  const choicesBody = (): EntryChoices => {
    const ofKind = (kind: string): Record<string, string> =>
      Object.fromEntries(
        Object.entries(form.choices).flatMap(([eventId, value]): [string, string][] => {
          const [name, id = ''] = value.split(' ')
          return name === kind && id !== '' ? [[eventId, id]] : []
        }),
      )
    const reason = form.reason.trim()
    return {
      variants: ofKind('variant'),
      alternates: ofKind('alternate'),
      exemptions: ofKind('exemption'),
      ...(form.role === '' ? {} : { role: form.role }),
      ...(form.wholeBattery ? { wholeBattery: true } : {}),
      ...(reason === '' ? {} : { reason }),
    }
  }

  /** What is typed as it is sent, or the reason it cannot be. */
  const body = (): { readonly ok: true; readonly value: object } | { readonly ok: false; readonly reason: string } => {
    if (form.bib !== '' && !/^[1-9]\d{0,4}$/.test(form.bib)) {
      return { ok: false, reason: `"${form.bib}" is not a bib. Expected a number from 1 to 99999.` }
    }
    const mass = typedMass()
    if (mass?.ok === false) return { ok: false, reason: mass.reason }
    const height = typedHeight()
    if (height?.ok === false) return { ok: false, reason: height.reason }
    const setUp = Object.fromEntries(Object.entries(form.setUp).filter(([, text]) => text.trim() !== ''))
    return {
      ok: true,
      value: {
        ...(form.bib === '' ? {} : { bib: Number(form.bib) }),
        category: form.category,
        note: form.note.trim(),
        gear: form.gear.trim(),
        identityChecked: form.identityChecked,
        consented: form.consented,
        choices: choicesBody(),
        setUp,
        ...(mass ? { bodyMassG: mass.value } : {}),
        ...(height ? { heightMm: height.value } : {}),
      },
    }
  }

  /** @returns whether everything is on record */
  const save = async (): Promise<boolean> => {
    const one = entry()
    if (!one) return false
    const sent = body()
    if (!sent.ok) {
      problem.value = sent.reason
      return false
    }
    const { id } = day().occasion
    const path = `/occasions/${id}/entries/${one.id}`
    saving.value = true
    problem.value = ''
    try {
      let { attendance } = form
      let { revision } = one
      if (answers.value.length > 0) {
        const { held } = await call('PUT', `${path}/screening`, ScreenedAnswer, { answers: answers.value })
        if (held) {
          form.attendance = attendance = 'held'
          await store.reread(id)
          revision = store.entry(one.id)?.revision ?? revision
        }
      }
      await tell('PATCH', path, { ...sent.value, attendance, revision })
      await store.reread(id)
      done.tell(`${bibAndName(store.entry(one.id) ?? one)} ${TOLD[attendance]}.`)
      return true
    } catch (error) {
      problem.value = inWords(error)
      await store.reread(id)
      if (error instanceof Refusal && error.code === 'entry.editedMeanwhile') problem.value += ` ${onRecord()}`
      return false
    } finally {
      saving.value = false
    }
  }

  const onRecord = (): string => {
    const one = entry()
    return `On record now: bib ${one?.bib ?? 'none'}, ${one?.attendance ?? ''}, note "${one?.note ?? ''}". Saving again replaces that with what stands here.`
  }

  return {
    form,
    problem,
    saving,
    choices,
    standing,
    units,
    inOtherUnits,
    questions,
    isScreened,
    given: answers,
    concerns,
    holds,
    setUpFields,
    save,
  }
}
