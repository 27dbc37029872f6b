/** The standard in a version. What is published was checked before; a draft is checked in a worker, because a large one takes long. */
import type { Standard, VersionDetail } from '@able-gauge/core'
import { wrap } from 'comlink'
import type { Checker, DraftRemark } from '../workers/check.worker.ts'
import CheckWorker from '../workers/check.worker.ts?worker'

export interface ReadVersion {
  /** Null while a draft cannot be read as a standard. */
  readonly standard: Standard | null
  /** What the check says of a draft. */
  readonly remarks: readonly DraftRemark[]
}

export const readStandard = async ({ state, content }: VersionDetail): Promise<ReadVersion> => {
  // the server has read and checked it; JSON of a standard has the shape of a standard
  const standard = content as Standard
  if (state !== 'draft') return { standard, remarks: [] }
  const worker = new CheckWorker()
  try {
    const { isSound, remarks } = await wrap<Checker>(worker).check(content, [])
    return { standard: isSound ? standard : null, remarks }
  } finally {
    worker.terminate()
  }
}
