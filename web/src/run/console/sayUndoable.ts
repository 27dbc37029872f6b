import type { Capture } from '@able-gauge/core'
import { bibAndName, type Entry } from '../../day/day.ts'
import { sayCapture } from '../../ui/sayCapture.ts'

/** What undo takes back, and of whom: "missed, 12 T. Okafor-Lind". */
export const sayUndoable = (capture: Capture, entry: Entry | undefined): string =>
  [sayCapture(capture), entry ? bibAndName(entry) : ''].filter(Boolean).join(', ')
