/** What the interface takes about station codes. */
import { Choice, SlugList } from '../document/rules.ts'

export class StationCodeBody {
  @SlugList(1, 40) eventIds!: string[]
  @Choice(['grader', 'timer']) role!: 'grader' | 'timer'
}
