/** What the interface takes about the house rules. */
import { Nested, Revision, Text } from '../document/rules.ts'
import { HouseRules } from '../day/houseRules.ts'
import { MOST_PICTURE } from './peopleRequests.ts'

export class HouseMarkBody {
  /** A JPEG, PNG or WebP file in base 64. */
  @Text(MOST_PICTURE) image!: string
}

export class HouseRulesBody {
  /** The revision that was being looked at. */
  @Revision(0) revision!: number
  @Nested(() => HouseRules) rules!: HouseRules
}
