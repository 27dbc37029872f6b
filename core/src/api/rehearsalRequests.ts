/** What the interface takes about rehearsals. */
import { Optional, Slug, Whole } from '../document/rules.ts'

export class RehearsalBody {
  @Slug() standardId!: string
  @Whole(1, 10_000) version!: number
  @Whole(4, 200) people!: number
  @Whole(1, 60) speed!: number
  /** How many start together. */
  @Optional() @Whole(2, 200) waveOf?: number
  @Optional() @Whole(0, 2_000_000_000) seed?: number
  /** An event to work by hand. */
  @Optional() @Slug() ownEventId?: string
}
