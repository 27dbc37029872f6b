/** A person's events as lanes of one picture: the distance to the cut of each day, and what of a change is more than noise. */
import { gainOf, printQuantity, readChange, type PersonTest, type Unit } from '@able-gauge/core'
import type { LinePoint, PersonLine } from './personLines.ts'

/** How large a change of one person has to be to be more than noise, by standard and event. */
export type Noise = ReadonlyMap<string, number>

export interface LanePoint {
  readonly date: string
  readonly value: number
  /** Null where nothing was asked. */
  readonly cut: number | null
  /** How far on the good side of the cut; without one the figure itself, better up. */
  readonly height: number
  readonly state: LinePoint['state']
  readonly own: boolean
  readonly about: string
  readonly className: string
}

export interface Lane {
  readonly key: string
  readonly name: string
  /** Null for points. */
  readonly unit: Unit | null
  readonly isLessBetter: boolean
  readonly hasCut: boolean
  readonly points: readonly LanePoint[]
  /** Classes, at the height each begins. */
  readonly levels: readonly { readonly name: string; readonly at: number }[]
  /** The last official figure. */
  readonly last: LanePoint | null
  /** What was asked the last time. */
  readonly asked: number | null
  readonly real: number | null
}

export const lanesOf = (lines: readonly PersonLine[], tests: readonly PersonTest[], noise: Noise): Lane[] => [
  ...lines.map((line) => laneOf(line, noise)),
  ...totalLanes(tests),
]

const laneOf = ({ eventId, standardId, name, unit, points }: PersonLine, noise: Noise): Lane => {
  const isLessBetter = points.some(({ cut }) => cut?.sense === 'atMost')
  const hasCut = points.every(({ cut }) => cut !== null)
  const placed = points.map(({ date, value, cut, state, own, about, className }): LanePoint => {
    const from = hasCut ? (cut?.value ?? 0) : 0
    return {
      date,
      value,
      cut: cut?.value ?? null,
      height: isLessBetter ? from - value : value - from,
      state,
      own,
      about,
      className,
    }
  })
  const last = placed.findLast(({ own }) => !own) ?? null
  const real = noise.get(`${standardId} ${eventId}`) ?? null
  return {
    key: `${name} ${unit}`,
    name,
    unit,
    isLessBetter,
    hasCut,
    points: placed,
    levels: [],
    last,
    asked: last?.cut ?? null,
    real,
  }
}

/** Points in total, with the classes they reach. */
const totalLanes = (tests: readonly PersonTest[]): Lane[] => {
  const ids = [...new Set(tests.filter(({ verdict }) => verdict?.points).map(({ standardId }) => standardId))]
  return ids.map((standardId): Lane => {
    const own = tests.filter((test) => test.standardId === standardId)
    const points = own.flatMap(({ verdict, testDate, standardVersion }): LanePoint[] => {
      if (!verdict?.points) return []
      const { centipoints, asked, className } = verdict.points
      return [
        {
          date: testDate,
          value: centipoints,
          cut: asked,
          height: centipoints,
          state: verdict.outcome === 'met' ? 'good' : 'short',
          own: false,
          about: `version ${standardVersion}`,
          className: className ?? '',
        },
      ]
    })
    const last = points.at(-1) ?? null
    return {
      key: `${standardId} total`,
      name: 'Points in total',
      unit: null,
      isLessBetter: false,
      hasCut: false,
      points,
      levels: (own.at(-1)?.classes ?? []).map(({ name, fromCentipoints }) => ({ name, at: fromCentipoints })),
      last,
      asked: last?.cut ?? null,
      real: null,
    }
  })
}

/** Whether the last change is more than noise, in words; empty where nobody can say. */
export const changeOf = ({ points, real, isLessBetter, unit }: Lane): string => {
  const [before, last] = points.filter(({ own }) => !own).slice(-2)
  if (!before || !last || real === null || unit === null) return ''
  const change = { first: before.value, last: last.value }
  const sense = isLessBetter ? 'atMost' : 'atLeast'
  const gain = gainOf(change, sense)
  if (gain === 0) return 'as before'
  const surely = readChange(change, sense, real) === 'noise' ? 'may be noise' : 'more than noise'
  return `${printQuantity(Math.abs(gain), unit)} ${gain > 0 ? 'better' : 'worse'}, ${surely}`
}
