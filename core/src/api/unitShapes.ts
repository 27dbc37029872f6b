/** What the interface takes and answers about units. */
import { Flag, NestedList, Nullable, Text, Uuid } from '../document/rules.ts'
import type { OrgUnit } from '../people/units.ts'

export class UnitBody {
  @Text(80) name!: string
  /** Null for one at the top. */
  @Nullable() @Uuid() parentId!: string | null
  @Flag() isClosed!: boolean
}

export class UnitAnswer implements OrgUnit {
  @Uuid() readonly id!: string
  @Text(80) readonly name!: string
  @Nullable() @Uuid() readonly parentId!: string | null
  @Flag() readonly isClosed!: boolean
}

export class UnitsAnswer {
  @NestedList(() => UnitAnswer, 0, 10_000) readonly units!: readonly UnitAnswer[]
}
