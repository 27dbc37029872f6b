/** Adds a sixteenth kind to a copy of the house, as a contributor would: a folder and a line in core, a folder and a line in web. */
import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

const HERE = path.dirname(fileURLToPath(import.meta.url))

/** @throws Error when the file is not as it was, so that nothing is added beside its place */
const addLine = (house, file, after, line) => {
  const place = path.join(house, file)
  const text = readFileSync(place, 'utf8')
  if (!text.includes(`${after}\n`)) throw new Error(`${file} has no line "${after}".`)
  writeFileSync(place, text.replace(`${after}\n`, `${after}\n${line}\n`))
}

export const addKindToCore = (house) => {
  const folder = path.join(house, 'core/src/kinds/balance')
  mkdirSync(folder)
  const [, ...parts] = readFileSync(path.join(HERE, 'balance.core.txt'), 'utf8').split(/^\/\/ (\w+\.ts)$/m)
  for (let at = 0; at < parts.length; at += 2) writeFileSync(path.join(folder, parts[at]), parts[at + 1])
  const table = 'core/src/kinds/kinds.ts'
  addLine(
    house,
    table,
    "import { attempts } from './attempts/attempts.ts'",
    "import { balance } from './balance/balance.ts'",
  )
  addLine(house, table, '  bodyMeasures,', '  balance,')
}

export const addKindToWeb = (house) => {
  const folder = path.join(house, 'web/src/run/kinds/balance')
  mkdirSync(folder)
  cpSync(path.join(HERE, 'BalanceConsole.web.txt'), path.join(folder, 'BalanceConsole.vue'))
  addLine(
    house,
    'web/src/run/consoles.ts',
    '  bodyMeasures: {},',
    "  balance: { ofOne: opened(() => import('./kinds/balance/BalanceConsole.vue')) },",
  )
}
