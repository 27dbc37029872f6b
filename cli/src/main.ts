/** able-gauge: the same computation as the application, over files, without server or database. */
import { readFile } from 'node:fs/promises'
import { checkStandard, contentHash, parseStandard, sayFinding, sayRemark } from '@able-gauge/core'

export interface Output {
  readonly out: (line: string) => void
  readonly complain: (line: string) => void
}

/** What a command ends with. */
export const EXIT = { fine: 0, findings: 1, unusable: 2 } as const

const HELP = `able-gauge check STANDARD.json   reads a standard, names every fault with its place, an example and a way to mend it

Ends with 0 when all is fine, 1 with findings, 2 when the input cannot be used.`

/** Runs one command. @returns the exit code */
export const main = async (args: readonly string[], output: Output): Promise<number> => {
  const [command, file, ...rest] = args
  if (command === '--help' || command === undefined) {
    output.out(HELP)
    return command === undefined ? EXIT.unusable : EXIT.fine
  }
  if (command !== 'check' || file === undefined || rest.length > 0) {
    output.complain(`Expected "check" and one file, found "${args.join(' ')}".\n\n${HELP}`)
    return EXIT.unusable
  }
  return check(file, output)
}

const check = async (file: string, output: Output): Promise<number> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return EXIT.unusable
  const parsed = parseStandard(plain)
  const lines = parsed.ok
    ? checkStandard(parsed.value).map(sayRemark)
    : parsed.findings.map((one) => `error: ${sayFinding(one)}`)
  for (const line of lines) output.out(`${file}: ${line}`)
  if (lines.length > 0) {
    output.complain(`${lines.length} ${lines.length === 1 ? 'finding' : 'findings'}.`)
    return EXIT.findings
  }
  if (parsed.ok) {
    const { name, version, events } = parsed.value
    output.out(`${name}, version ${version}: ${events.length} events, sound. Content hash ${contentHash(plain)}`)
  }
  return EXIT.fine
}

const readJson = async (file: string, { complain }: Output): Promise<unknown> => {
  try {
    return JSON.parse(await readFile(file, 'utf8'))
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error)
    complain(`${file} cannot be read as JSON: ${reason}`)
    return undefined
  }
}
