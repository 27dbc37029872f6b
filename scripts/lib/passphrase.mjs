/** The passphrase of a backup: from the environment, or asked for where somebody sits. */
import { createInterface } from 'node:readline/promises'
import { Obstacle } from './fail.mjs'

const SHORTEST = 12

export const askPassphrase = async (isNew) => {
  const given = process.env.ABLE_GAUGE_PASSPHRASE
  if (given) return checked(given, isNew)
  if (!process.stdin.isTTY)
    throw new Obstacle('A backup needs a passphrase. Set ABLE_GAUGE_PASSPHRASE, or run this in a terminal.')
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  try {
    const typed = await terminal.question('Passphrase of the backup: ')
    if (isNew && typed !== (await terminal.question('The same again: ')))
      throw new Obstacle('The two are not the same. Nothing was written.')
    return checked(typed, isNew)
  } finally {
    terminal.close()
  }
}

const checked = (passphrase, isNew) => {
  if (isNew && passphrase.length < SHORTEST)
    throw new Obstacle(`The passphrase has ${passphrase.length} characters. Expected ${SHORTEST} or more.`)
  return passphrase
}
