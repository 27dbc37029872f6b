/** The standards of the demo, as they are published. */
import { readFileSync } from 'node:fs'
import { parseStandard } from '../src/standard/parseStandard.ts'
import type { Standard } from '../src/standard/standard.ts'

/** @param name of the file without its ending */
export const demoStandard = (name: string): Standard => {
  const file = new URL(`../../demo/standards/${name}.json`, import.meta.url)
  const parsed = parseStandard(JSON.parse(readFileSync(file, 'utf8')))
  if (!parsed.ok) throw new Error(`${file.pathname} is unsound: ${JSON.stringify(parsed.findings)}`)
  return parsed.value
}
