import { Choice, Flag, Optional, TextList, Whole } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

const SELECTIONS = ['best', 'mean', 'last', 'sum'] as const
export type Selection = (typeof SELECTIONS)[number]

/** The best, mean, last or sum of several readings: grip, jump, reach, throw. */
export class Attempts extends ProtocolBase {
  @Choice(['attempts']) kind!: 'attempts'
  @TextList(6, 40) startCommands!: string[]
  @Choice(['mm', 'g', 'count']) unit!: 'mm' | 'g' | 'count'
  @Whole(1, 10) attemptsAllowed!: number
  /** `each`: both sides are measured. `dominant`: one. */
  @Choice(['none', 'dominant', 'each']) sides!: 'none' | 'dominant' | 'each'
  /** What the tries of one side amount to. */
  @Choice(SELECTIONS) select!: Selection
  /** What the two sides amount to, when both are measured. */
  @Optional() @Choice(['lesser', 'greater', 'mean', 'sum']) ofSides?: 'lesser' | 'greater' | 'mean' | 'sum'
  /** The smallest step the instrument tells, in the unit of the readings. */
  @Whole(1, 100_000) resolution!: number
  /** The value read at the zero line, taken off each reading: a ruler's foot line. */
  @Optional() @Whole(1, 10_000_000) zero?: number
  /** Each try is read as a reach, and the standing reach is taken off. */
  @Optional() @Flag() lessStandingReach?: boolean
  /** When both hands reach, the one further back is read. */
  @Optional() @Flag() lesserHand?: boolean
  /** The position has to be held this long for a try to count. */
  @Optional() @Whole(100, 60_000) holdMs?: number
}
