/** What figures say, in sentences anybody can read: who met it, what decides, what became harder, where it comes out otherwise, who differs. */
import type { Unit } from '../quantity/unit.ts'
import type { ComparedGrader } from './compareGraders.ts'
import { LEAST_IN_GROUP } from './compareGroups.ts'
import type { ComparedVenue } from './compareVenues.ts'
import { fisherExact, holm, wilson } from './rate.ts'

/** How many of a group met it, of those who met it or fell short. */
interface CountedGroup {
  readonly by: string
  readonly key: string
  readonly met: number
  readonly of: number
}

interface CountedEventGroup extends CountedGroup {
  readonly eventId: string
}

/** Everything there is to say something about. */
export interface InsightFacts {
  readonly standardName: string
  readonly outcomes: readonly { readonly outcome: string; readonly results: number }[]
  readonly near: number
  readonly combinations: readonly { readonly eventIds: readonly string[]; readonly results: number }[]
  readonly groups: readonly CountedGroup[]
  readonly eventGroups: readonly CountedEventGroup[]
  readonly venues: readonly ComparedVenue[]
  readonly graders: readonly ComparedGrader[]
  readonly eventNamed: (id: string) => string
  readonly unitOfEvent: (id: string) => Unit
  readonly unitNamed: (id: string) => string
}

/** What is found, and what to do about it where something is to be done. */
export interface InsightSentence {
  readonly text: string
  readonly advice?: string
}

const CHANCE = 0.05
/** Hundredths by which a rate has to differ to be worth a sentence. */
const WORTH_SAYING = 5

const percent = (share: number): string => `${Math.round(100 * share)} %`

export const sayInsight = (facts: InsightFacts): InsightSentence[] => [
  ...sayShare(facts),
  ...sayDecisive(facts),
  ...sayVersions(facts),
  ...sayVenues(facts),
  ...sayGraders(facts),
  ...sayUnits(facts),
  ...sayNear(facts),
  ...saySmall(facts),
]

const OTHERS: Readonly<Record<string, string>> = {
  tookPart: 'took part',
  open: 'open',
  notFinished: 'not finished',
  notStarted: 'never begun',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  exempt: 'exempt',
}

const sayShare = ({ standardName, outcomes }: InsightFacts): InsightSentence[] => {
  const count = (wanted: string): number => outcomes.find(({ outcome }) => outcome === wanted)?.results ?? 0
  const [met, judged] = [count('met'), count('met') + count('short')]
  const others = outcomes.flatMap(({ outcome, results }) =>
    outcome in OTHERS && results > 0 ? [`${results} ${OTHERS[outcome] ?? ''}`] : [],
  )
  const beside = others.length === 0 ? '' : ` Besides, and in no rate: ${others.join(', ')}.`
  if (judged === 0) return others.length === 0 ? [] : [{ text: `Nobody met it or fell short.${beside}` }]
  const { low, high } = wilson(met, judged)
  const range = `between ${percent(low)} and ${percent(high)} with what chance allows`
  return [{ text: `${met} of ${judged} met ${standardName}: ${percent(met / judged)}, ${range}.${beside}` }]
}

const sayDecisive = ({ combinations, eventNamed }: InsightFacts): InsightSentence[] => {
  const alone = combinations.filter(({ eventIds }) => eventIds.length === 1)
  const [first, second] = alone
  const all = combinations.reduce((sum, { results }) => sum + results, 0)
  const [id] = first?.eventIds ?? []
  if (!first || id === undefined) return []
  const next = second?.eventIds[0]
  const behind = second && next !== undefined ? `; next ${eventNamed(next)}, alone in ${second.results}` : ''
  return [
    { text: `${eventNamed(id)} decides most: of ${all} who fell short ${first.results} did in it alone${behind}.` },
  ]
}

/** Two rates that differ beyond chance and by enough, of several that are compared. */
const differing = <Pair extends { readonly before: CountedGroup; readonly after: CountedGroup }>(
  pairs: readonly Pair[],
): Pair[] => {
  const large = pairs.filter(({ before, after }) => before.of >= LEAST_IN_GROUP && after.of >= LEAST_IN_GROUP)
  const chances = holm(
    large.map(({ before, after }) =>
      fisherExact([
        [before.met, before.of - before.met],
        [after.met, after.of - after.met],
      ]),
    ),
  )
  return large.filter(({ before, after }, at) => {
    const apart = 100 * Math.abs(after.met / after.of - before.met / before.of)
    return (chances[at] ?? 1) < CHANCE && apart >= WORTH_SAYING
  })
}

const sayVersions = ({ eventGroups, eventNamed }: InsightFacts): InsightSentence[] => {
  const ids = [...new Set(eventGroups.map(({ eventId }) => eventId))]
  const pairs = ids.flatMap((eventId) => {
    const own = eventGroups
      .filter((group) => group.eventId === eventId && group.by === 'version')
      .sort((a, b) => Number(a.key) - Number(b.key))
    const [before, after] = own.slice(-2)
    return before && after ? [{ eventId, before, after }] : []
  })
  return differing(pairs).map(({ eventId, before, after }) => {
    const [was, is] = [before.met / before.of, after.met / after.of]
    const way = is < was ? 'harder' : 'easier'
    return {
      text: `${eventNamed(eventId)} has become ${way}: ${percent(is)} met it under version ${after.key}, ${percent(was)} under version ${before.key}.`,
    }
  })
}

const sayVenues = ({ venues, eventNamed, unitOfEvent }: InsightFacts): InsightSentence[] => {
  const ids = [...new Set(venues.map(({ eventId }) => eventId))]
  return ids.flatMap((eventId) => {
    const own = venues.filter((one) => one.eventId === eventId)
    const apart = own.filter(({ reading }) => reading === 'differs').sort((a, b) => a.ratio - b.ratio)
    const isTime = unitOfEvent(eventId) === 'ms'
    const figure = ({ ratio }: ComparedVenue): string => `${(100 * Math.abs(ratio - 1)).toFixed(1)} %`
    const [first, second] = own.length === 2 ? apart : []
    // of two venues one is as much quicker as the other is slower: nobody knows which ground is wrong
    if (first && second)
      return [
        {
          text: `${eventNamed(eventId)} comes out ${figure(first)} ${isTime ? 'quicker' : 'shorter'} at ${first.venue} than at ${second.venue}, of the same ${first.people} people;`,
          advice: 'measure both grounds again.',
        },
      ]
    return apart.map((one) => {
      const way = isTime ? (one.ratio < 1 ? 'quicker' : 'slower') : one.ratio < 1 ? 'shorter' : 'further'
      return {
        text: `${eventNamed(eventId)} at ${one.venue} comes out ${figure(one)} ${way} than the same ${one.people} people's elsewhere;`,
        advice: 'measure the ground there again.',
      }
    })
  })
}

const sayGraders = ({ graders }: InsightFacts): InsightSentence[] => {
  const apart = graders.filter(({ reading }) => reading === 'stricter' || reading === 'milder')
  return apart.map(({ reading, ratio }) => {
    const times = reading === 'stricter' ? (ratio ?? 1) : 1 / (ratio ?? 1)
    const how = `${times.toFixed(1)} times as ${reading === 'stricter' ? 'many' : 'few'} repetitions as the others`
    return {
      text: `One grader refuses ${how}, and chance would rarely do that;`,
      advice: 'let two grade side by side.',
    }
  })
}

const sayUnits = ({ groups, unitNamed }: InsightFacts): InsightSentence[] => {
  const own = groups.filter(({ by, key }) => by === 'unitYear' && !key.startsWith(' '))
  const units = [...new Set(own.map(({ key }) => key.split(' ')[0] ?? ''))]
  const years = [...new Set(own.map(({ key }) => key.split(' ')[1] ?? ''))].sort()
  // under another version a unit may be as good as before and meet it less often
  const versions = new Set(groups.filter(({ by }) => by === 'version').map(({ key }) => key))
  if (years.length < 2 || versions.size > 1) return []
  const half = years[Math.floor(years.length / 2)] ?? ''
  const pairs = units.map((unit) => {
    const sum = (isAfter: boolean): CountedGroup => {
      const part = own.filter(({ key }) => {
        const [id = '', year = ''] = key.split(' ')
        return id === unit && year >= half === isAfter
      })
      const add = (of: 'met' | 'of'): number => part.reduce((all, group) => all + group[of], 0)
      return { by: 'unit', key: unit, met: add('met'), of: add('of') }
    }
    return { unit, before: sum(false), after: sum(true) }
  })
  return differing(pairs).map(({ unit, before, after }) => {
    const [was, is] = [before.met / before.of, after.met / after.of]
    return {
      text: `${unitNamed(unit)} ${is > was ? 'improved' : 'fell back'}: ${percent(is)} met it from ${half} on, ${percent(was)} before.`,
    }
  })
}

const sayNear = ({ near, outcomes }: InsightFacts): InsightSentence[] => {
  const all = outcomes.reduce((sum, { results }) => sum + results, 0)
  if (near === 0 || all === 0) return []
  return [
    {
      text: `${near} of ${all} came so near a cut that the method cannot tell the sides apart.`,
    },
  ]
}

const saySmall = ({ groups, unitNamed }: InsightFacts): InsightSentence[] => {
  const small = groups.filter(({ by, key, of }) => by === 'unit' && key !== '' && of > 0 && of < LEAST_IN_GROUP)
  return small.map(({ key, of }) => ({
    text: `${unitNamed(key)} has ${of} ${of === 1 ? 'result' : 'results'}: too few to say.`,
  }))
}
