import { Choice, Flag, Text, TextList } from '../../document/rules.ts'
import { ProtocolBase } from '../protocolBase.ts'

/** Done or not: height climb, dark crawl, confidence jump. */
export class UntimedTask extends ProtocolBase {
  @Choice(['untimedTask']) kind!: 'untimedTask'
  @Text(400) task!: string
  @TextList(9, 120) failsWhen!: string[]
  @Flag() stoppingAllowed!: boolean
}
