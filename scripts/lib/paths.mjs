import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..', '..')
/** Everything the program makes on this machine stands here; git ignores it. Tests of the start use another folder. */
export const DATA = path.resolve(ROOT, process.env.ABLE_GAUGE_DATA ?? '.data')
