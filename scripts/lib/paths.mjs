import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..', '..')
/** Everything the program makes on this machine stands here; git ignores it. */
export const DATA = path.join(ROOT, '.data')
