import { Choice, Flag, Nested, NestedList, Optional, Text } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

const BODY_MEASURES = ['mass', 'height', 'waist', 'composition'] as const
export type BodyMeasureId = (typeof BODY_MEASURES)[number]

export class BodyMeasure {
  @Choice(BODY_MEASURES) id!: BodyMeasureId
  /** The named device or method. */
  @Optional() @Text(120) device?: string
}

/** Only what is published is judged; everything else is recorded. */
export class JudgedBodyMeasure {
  @Choice(BODY_MEASURES) id!: BodyMeasureId
  /** Whether more is better, as for height; otherwise less is. */
  @Flag() moreIsBetter!: boolean
}

export class BodyMeasures extends ProtocolBase {
  @Choice(['bodyMeasures']) kind!: 'bodyMeasures'
  @NestedList(() => BodyMeasure, 1, 4) measures!: BodyMeasure[]
  @Optional() @Nested(() => JudgedBodyMeasure) judged?: JudgedBodyMeasure
}
