/** Where files beside the program lie; the same from the sources and from what is built of them, which lies as deep. */
import path from 'node:path'
import { fileURLToPath } from 'node:url'

const SERVER = path.join(path.dirname(fileURLToPath(import.meta.url)), '..')

export const SQL_FOLDER = path.join(SERVER, 'sql')
export const DEMO_FOLDER = path.join(SERVER, '..', 'demo')
