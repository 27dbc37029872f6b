/** The files of the demo, read and proven. */
import { readFile, readdir } from 'node:fs/promises'
import path from 'node:path'
import { parseDocument, parseStandard, sayFinding, type Standard } from '@able-gauge/core'
import { DEMO_FOLDER } from '../folders.ts'
import { DemoDay } from './demoDay.ts'

export const filesIn = async (folder: string): Promise<string[]> =>
  (await readdir(path.join(DEMO_FOLDER, folder)))
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => path.join(folder, name))

export const readText = (file: string): Promise<string> => readFile(path.join(DEMO_FOLDER, file), 'utf8')

export const readStandard = async (file: string): Promise<Standard> => {
  const parsed = parseStandard(JSON.parse(await readText(file)))
  if (!parsed.ok) throw new Error(`demo/${file} is unsound. ${parsed.findings.map(sayFinding).join(' ')}`)
  return parsed.value
}

export const readDayFile = async (file: string): Promise<DemoDay> => {
  const parsed = parseDocument(DemoDay, JSON.parse(await readText(file)))
  if (!parsed.ok) throw new Error(`demo/${file} is unsound. ${parsed.findings.map(sayFinding).join(' ')}`)
  return parsed.value
}

/** What a file of the demo names, among what others hold. @throws Error for what none of them does */
export const known = <Key extends string | number, Value>(values: ReadonlyMap<Key, Value>, name: Key): Value => {
  const value = values.get(name)
  if (value === undefined) throw new Error(`The demo names "${name}", which is in none of its files.`)
  return value
}
