/** Whether groups meet a standard alike: rates with intervals, the ratio to the highest, and how likely the difference is by chance. */
import { fisherExact, holm, wilson, type Interval } from './rate.ts'

export interface Group {
  readonly name: string
  readonly met: number
  readonly of: number
}

/** Fewer people say nothing of a group. */
export const LEAST_IN_GROUP = 20
const CHANCE = 0.05

type GroupReading =
  | 'tooFew'
  /** The one the others are held against. */
  | 'highest'
  | 'alike'
  /** Below four fifths, but chance may have done it. */
  | 'lowerPerhaps'
  /** Differs beyond chance, but not below four fifths. */
  | 'lowerSlightly'
  | 'lower'

export interface ComparedGroup extends Group {
  readonly rate: number
  readonly interval: Interval
  /** To the highest rate among groups that are large enough; null where that says nothing. */
  readonly ratio: number | null
  /** Of Fisher's exact test against the highest, adjusted for as many comparisons; null for the highest and for small groups. */
  readonly chance: number | null
  readonly reading: GroupReading
}

/** In the order given. */
export const compareGroups = (groups: readonly Group[]): ComparedGroup[] => {
  const large = groups.filter(({ of }) => of >= LEAST_IN_GROUP)
  const highest = large.reduce<Group | null>(
    (best, one) => (best && best.met / best.of >= one.met / one.of ? best : one),
    null,
  )
  const others = large.filter((one) => one !== highest)
  const chances = holm(
    others.map(({ met, of }) =>
      highest
        ? fisherExact([
            [met, of - met],
            [highest.met, highest.of - highest.met],
          ])
        : 1,
    ),
  )
  return groups.map((group) => {
    const { met, of } = group
    const rate = of === 0 ? 0 : met / of
    const at = others.indexOf(group)
    const isLarge = of >= LEAST_IN_GROUP
    const ratio = isLarge && highest && highest.met > 0 ? rate / (highest.met / highest.of) : null
    const chance = at < 0 ? null : (chances[at] ?? null)
    return {
      ...group,
      rate,
      interval: wilson(met, of),
      ratio,
      chance,
      reading: readingOf(group, highest, chance),
    }
  })
}

/** The four-fifths rule of thumb (US Uniform Guidelines 1978), in whole numbers: 32 of 50 against 40 of 50 is not below it. */
const isBelowFourFifths = (group: Group, highest: Group): boolean =>
  5 * group.met * highest.of < 4 * highest.met * group.of

const readingOf = (group: Group, highest: Group | null, chance: number | null): GroupReading => {
  if (group.of < LEAST_IN_GROUP) return 'tooFew'
  if (group === highest) return 'highest'
  const isBelow = highest !== null && isBelowFourFifths(group, highest)
  const isBeyondChance = chance !== null && chance < CHANCE
  if (isBelow) return isBeyondChance ? 'lower' : 'lowerPerhaps'
  return isBeyondChance ? 'lowerSlightly' : 'alike'
}

const percent = (share: number): string => `${Math.round(100 * share)} %`

/** A group in a sentence anybody can read. */
export const sayGroup = ({ name, met, of, rate, ratio, reading }: ComparedGroup): string => {
  const figures = `${name}: ${met} of ${of} met it, ${percent(rate)}`
  switch (reading) {
    case 'tooFew':
      return `${name}: ${of} ${of === 1 ? 'person' : 'people'}, too few to say.`
    case 'highest':
      return `${figures}, the highest rate; the others are held against it.`
    case 'alike':
      return `${figures}, ${percent(ratio ?? 1)} of the highest: no difference that chance does not explain.`
    case 'lowerSlightly':
      return `${figures}, ${percent(ratio ?? 1)} of the highest: lower than by chance, above four fifths.`
    case 'lowerPerhaps':
      return `${figures}, ${percent(ratio ?? 1)} of the highest: below four fifths, though chance may have done it.`
    case 'lower':
      return `${figures}, ${percent(ratio ?? 1)} of the highest: below four fifths, and lower than by chance. Look at what the event asks, and whether the work asks it.`
  }
}
