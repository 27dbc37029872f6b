/** What the interface takes about the house rules. */
import { Nested, Revision } from '../document/rules.ts'
import { HouseRules } from '../day/houseRules.ts'

export class HouseRulesBody {
  /** The revision that was being looked at. */
  @Revision(0) revision!: number
  @Nested(() => HouseRules) rules!: HouseRules
}
