/** What an organisation asks and allows on its own account: screening questions, heat limits, words of the briefing. */
import { dateAfter } from '../clock/calendarDate.ts'
import { Choice, Flag, NestedList, Optional, Slug, Text, TextList, Whole } from '../document/rules.ts'

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

export class HouseRules {
  /** What the organisation is called. */
  @Optional() @Text(120) organisation?: string
  @NestedList(() => ScreeningQuestion, 0, 40) screening!: ScreeningQuestion[]
  /** What people agree to when they take part. */
  @Text(2_000) consent!: string
  @NestedList(() => HeatLimit, 0, 10) heat!: HeatLimit[]
  /** Read to everybody before the first event. */
  @TextList(30, 600) briefing!: string[]
  /** Whether nobody is checked in without consent. */
  @Flag() consentNeeded!: boolean
  /** Personal data is kept at least so many days after the last test, and may be erased from then on; left out, at any time. */
  @Optional() @Whole(1, 36_500) keepDays?: number
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

/** The strictest limit a heat reaches, or null. */
export const heatAdvice = ({ heat }: Pick<HouseRules, 'heat'>, wbgtDeciC: number): HeatLimit | null =>
  [...heat].sort((a, b) => a.fromDeciC - b.fromDeciC).findLast(({ fromDeciC }) => wbgtDeciC >= fromDeciC) ?? null
