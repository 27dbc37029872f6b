/** What an organisation asks and allows on its own account: screening questions, heat limits, words of the briefing. */
import { dateAfter, PERIODS, type Period } from '../clock/dates.ts'
import type { Finding } from '../document/finding.ts'
import {
  CalendarDate,
  Choice,
  Flag,
  Matching,
  Nested,
  NestedList,
  Optional,
  Slug,
  Text,
  TextList,
  Uuid,
  Whole,
} from '../document/rules.ts'
import { printDecimal } from '../quantity/digits.ts'
import { DATE_ORDERS, DECIMAL_SIGNS, type DateOrder, type DecimalSign } from '../quantity/style.ts'
import { OutcomeWords } from '../standard/standard.ts'
import { KitRule, StaffGroup, Venue } from './stock.ts'

export class ScreeningQuestion {
  @Slug() id!: string
  /** In the organisation's own plain words, to be answered with yes or no. */
  @Text(300) text!: string
  /** The answer that needs clearance. */
  @Choice(['yes', 'no']) holdsOn!: 'yes' | 'no'
}

/** From this heat on. */
export class HeatLimit {
  @Whole(-600, 600) fromDeciC!: number
  @Choice(['change', 'stop']) advice!: 'change' | 'stop'
  /** What is done: shorter waves, more water, another hour. */
  @Text(300) measure!: string
}

export const BODY_UNITS = ['metric', 'imperial', 'both'] as const

/** How the house writes: left out, a point, day before month, and body measures as the standard of the day is published. */
export class HouseStyle {
  @Choice(DECIMAL_SIGNS) decimalSign!: DecimalSign
  @Choice(DATE_ORDERS) dateOrder!: DateOrder
  /** In which body mass and height are asked for; `both` asks in metric and shows the other beside it. */
  @Optional() @Choice(BODY_UNITS) bodyUnits?: (typeof BODY_UNITS)[number]
  /** Where a standard has no words of its own. */
  @Optional() @Nested(() => OutcomeWords) words?: OutcomeWords
}

/** Read to everybody on a day under this standard, in place of what everybody hears. */
export class StandardBriefing {
  @Slug() standardId!: string
  @TextList(30, 600) lines!: string[]
}

export class RetestPeriod {
  @Whole(1, 1_200) count!: number
  @Choice(PERIODS) of!: Period
}

/** Whom the house calls for a test, and how often. */
export class RetestCall {
  @Text(80) name!: string
  @Slug() standardId!: string
  /** Whoever belongs to it, or to one below it; left out, everybody. */
  @Optional() @Uuid() unitId?: string
  /** After the last one that was met; with a date, how old that one may be on it. */
  @Optional() @Nested(() => RetestPeriod) every?: RetestPeriod
  /** By when it has to be met: the day before a course begins. */
  @Optional() @CalendarDate() before?: string
}

/** What the house asks of whoever grades: a set worked so well, not too long ago. It is shown in the plan, and stops nobody. */
export class PracticeRule {
  /** Agreement beyond chance, in hundredths. */
  @Whole(0, 100) atLeastHundredths!: number
  @Whole(1, 5) level!: number
  @Whole(1, 3_650) withinDays!: number
}

export class HouseRules {
  /** What the organisation is called. */
  @Optional() @Text(120) organisation?: string
  @NestedList(() => ScreeningQuestion, 0, 40) screening!: ScreeningQuestion[]
  /** What people agree to when they take part. */
  @Text(2_000) consent!: string
  @NestedList(() => HeatLimit, 0, 10) heat!: HeatLimit[]
  /** Read to everybody before the first event. */
  @TextList(30, 600) briefing!: string[]
  @Optional() @NestedList(() => StandardBriefing, 0, 200) briefings?: StandardBriefing[]
  /** Whether nobody is checked in without consent. */
  @Flag() consentNeeded!: boolean
  /** Personal data is kept at least so many days after the last test, and may be erased from then on; left out, at any time. */
  @Optional() @Whole(1, 36_500) keepDays?: number
  /** Who does nothing for so long is signed out; left out, after sixteen hours. */
  @Optional() @Whole(15, 960) idleMinutes?: number
  /** Where others reach this house, such as https://tests.example; links on printed sheets begin with it. */
  @Optional()
  @Matching(/^https?:\/\/[^\s/?#]+$/, 'an address such as "https://tests.example", with nothing behind the name')
  publicAddress?: string
  /** Whether published standards can be read by everybody who has their link. */
  @Optional() @Flag() standardsPublic?: boolean
  /** Whether administrators sign in with a code of an authenticator beside the password. */
  @Optional() @Flag() administratorsByCode?: boolean
  /** Whether a signature takes such a code beside the password. */
  @Optional() @Flag() signingByCode?: boolean
  @Optional() @Nested(() => HouseStyle) style?: HouseStyle
  /** Kept once, used in every day. */
  @Optional() @NestedList(() => Venue, 0, 200) venues?: Venue[]
  /** Brought to every day besides what the events need; what experience asks for when left out. */
  @Optional() @NestedList(() => KitRule, 0, 100) kit?: KitRule[]
  @Optional() @NestedList(() => StaffGroup, 0, 100) staffGroups?: StaffGroup[]
  @Optional() @NestedList(() => RetestCall, 0, 100) retests?: RetestCall[]
  @Optional() @Nested(() => PracticeRule) practice?: PracticeRule
}

/** Rules to begin with. The heat limits are left to be set: they are local, and no figure fits everywhere. */
export const FIRST_HOUSE_RULES: Readonly<HouseRules> = {
  screening: [
    { id: 'chest-pain', text: 'Do you get pain or tightness in the chest when you exert yourself?', holdsOn: 'yes' },
    { id: 'faint', text: 'Have you fainted or felt faint during effort in the last year?', holdsOn: 'yes' },
    { id: 'breath', text: 'Do you have trouble with your breathing that a doctor treats?', holdsOn: 'yes' },
    { id: 'injury', text: 'Do you have an injury or pain that effort could make worse?', holdsOn: 'yes' },
    { id: 'fever', text: 'Have you had a fever or an infection in the last seven days?', holdsOn: 'yes' },
    { id: 'advice', text: 'Has a doctor advised you against hard effort?', holdsOn: 'yes' },
    { id: 'ready', text: 'Do you feel well and ready to be tested today?', holdsOn: 'no' },
  ],
  consent:
    'I know what the test asks, I take part of my own will, and I can stop at any time. My results are recorded and judged.',
  consentNeeded: true,
  heat: [],
  briefing: [
    'Stop at once and tell us if you have chest pain, feel faint or confused, or are hurt. Stopping is always right.',
    'Medical cover and a defibrillator are here; the officer in charge says where.',
    'Drink before you are thirsty. Tell us if you feel cold, or too hot.',
    'Each event is explained and shown before you start. Ask if anything is not clear.',
    'The grader counts aloud and says at once why something does not count. Questions about a result go to the officer in charge.',
    'Afterwards keep walking, drink, and stay here until you feel well.',
  ],
}

export class ScreeningAnswer {
  @Slug() questionId!: string
  @Choice(['yes', 'no']) answer!: 'yes' | 'no'
}

/**
 * The first day on which somebody's personal data may be erased; null for any day.
 * @param lastTest YYYY-MM-DD, or null for somebody who was never tested
 */
export const erasableFrom = ({ keepDays }: Pick<HouseRules, 'keepDays'>, lastTest: string | null): string | null =>
  keepDays === undefined || lastTest === null ? null : dateAfter(lastTest, keepDays)

/** The questions whose answers need clearance, or that were left out. */
export const screeningConcerns = (
  { screening }: Pick<HouseRules, 'screening'>,
  answers: readonly Readonly<ScreeningAnswer>[],
): { readonly clearance: readonly ScreeningQuestion[]; readonly unanswered: readonly ScreeningQuestion[] } => {
  const given = new Map(answers.map(({ questionId, answer }) => [questionId, answer]))
  return {
    clearance: screening.filter(({ id, holdsOn }) => given.get(id) === holdsOn),
    unanswered: screening.filter(({ id }) => !given.has(id)),
  }
}

/** What is read to everybody on a day under a standard. */
export const briefingFor = ({ briefing, briefings = [] }: HouseRules, standardId: string): readonly string[] =>
  briefings.find((one) => one.standardId === standardId)?.lines ?? briefing

export interface MusterChecks {
  readonly identityChecked: boolean
  readonly consented: boolean
  /** Whether the questions were put before. */
  readonly isScreened: boolean
  readonly answers: readonly Readonly<ScreeningAnswer>[]
}

/**
 * What has not been done yet for somebody who is checked in as here: to be asked about once, so that nothing is passed over by
 * accident.
 * @param before what is on record of somebody who is here already: then only what is taken back is asked about
 */
export const passedOverAtMuster = (
  rules: Pick<HouseRules, 'screening' | 'consentNeeded'>,
  { identityChecked, consented, isScreened, answers }: MusterChecks,
  before: MusterChecks | null = null,
): readonly ('identity' | 'screening' | 'consent')[] => {
  const known = before === null ? [] : passedOverAtMuster(rules, before)
  return [
    ...(identityChecked ? [] : ['identity' as const]),
    ...(isScreened || screeningConcerns(rules, answers).unanswered.length === 0 ? [] : ['screening' as const]),
    ...(consented || !rules.consentNeeded ? [] : ['consent' as const]),
  ].filter((one) => !known.includes(one))
}

/** The strictest limit a heat reaches, or null: whatever stops a day comes before whatever changes it. */
export const heatAdvice = ({ heat }: Pick<HouseRules, 'heat'>, wbgtDeciC: number): HeatLimit | null => {
  const reached = [...heat].sort((a, b) => a.fromDeciC - b.fromDeciC).filter(({ fromDeciC }) => wbgtDeciC >= fromDeciC)
  return reached.findLast(({ advice }) => advice === 'stop') ?? reached.at(-1) ?? null
}

/** "26.5 °C". */
export const printHeat = (deciC: number): string => `${printDecimal(deciC, 1)} °C`

/** Rules that contradict each other: a heat at which a hotter day would be milder, names that stand twice. */
export const houseRuleFindings = ({
  heat,
  venues = [],
  staffGroups = [],
  briefings = [],
  retests = [],
}: HouseRules): Finding[] => {
  const twice = (place: string, names: readonly string[]): Finding[] =>
    names.flatMap((name, index) =>
      names.findIndex((other) => other.toLowerCase() === name.toLowerCase()) < index
        ? [{ place: `rules.${place}[${index}].name`, code: 'twice', found: name, expected: 'each name once' }]
        : [],
    )
  const milder = heat.flatMap(({ fromDeciC, advice }, index): Finding[] => {
    const place = `rules.heat[${index}].fromDeciC`
    const found = printHeat(fromDeciC)
    if (heat.findIndex((other) => other.fromDeciC === fromDeciC) < index)
      return [{ place, code: 'twice', found, expected: 'one limit for each heat' }]
    const stop = heat.find((other) => other.advice === 'stop' && other.fromDeciC < fromDeciC)
    return advice === 'change' && stop
      ? [
          {
            place,
            code: 'milder',
            found,
            expected: `less than ${printHeat(stop.fromDeciC)}, from which the day is stopped`,
          },
        ]
      : []
  })
  const names = (of: readonly { readonly name: string }[]): string[] => of.map(({ name }) => name)
  const briefed = briefings.flatMap(({ standardId }, index): Finding[] =>
    briefings.findIndex((other) => other.standardId === standardId) < index
      ? [
          {
            place: `rules.briefings[${index}].standardId`,
            code: 'twice',
            found: standardId,
            expected: 'each standard once',
          },
        ]
      : [],
  )
  const uncalled = retests.flatMap(({ every, before }, index): Finding[] =>
    every === undefined && before === undefined
      ? [
          {
            place: `rules.retests[${index}].every`,
            code: 'missing',
            found: 'nothing',
            expected: 'how often, or by when',
          },
        ]
      : [],
  )
  return [
    ...milder,
    ...twice('venues', names(venues)),
    ...twice('staffGroups', names(staffGroups)),
    ...twice('retests', names(retests)),
    ...briefed,
    ...uncalled,
  ]
}
