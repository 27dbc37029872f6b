/** able-gauge: the same computation as the application, over files, without server or database. */
import { readFile } from 'node:fs/promises'
import { checkStandard, contentHash, parseStandard, sayFinding, sayRemark, type Standard } from '@able-gauge/core'
import { judgeFile, type ResultForm } from './judge.ts'
import { EXIT, type Output } from './output.ts'

const HELP = `able-gauge check STANDARD.json                       names every fault of a standard, with an example and a way to mend it
able-gauge judge STANDARD.json RESULTS.csv [--json]  judges people and measures, one row a person

Ends with 0 when all is fine, 1 with findings or refused rows, 2 when the input cannot be used.`

/** Runs one command. @returns the exit code */
export const main = async (args: readonly string[], output: Output): Promise<number> => {
  const [command, ...files] = args.filter((arg) => arg !== '--json')
  const form: ResultForm = args.includes('--json') ? 'json' : 'csv'
  if (command === '--help' || command === undefined) {
    output.out(HELP)
    return command === undefined ? EXIT.unusable : EXIT.fine
  }
  const [standardFile, resultsFile] = files
  if (command === 'check' && standardFile !== undefined && files.length === 1) return check(standardFile, output)
  if (command === 'judge' && standardFile !== undefined && resultsFile !== undefined && files.length === 2) {
    return judge(standardFile, resultsFile, form, output)
  }
  output.complain(`"${args.join(' ')}" is not a command.\n\n${HELP}`)
  return EXIT.unusable
}

const check = async (file: string, output: Output): Promise<number> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return EXIT.unusable
  const parsed = parseStandard(plain)
  const lines = parsed.ok
    ? checkStandard(parsed.value).map(sayRemark)
    : parsed.findings.map((finding) => `error: ${sayFinding(finding)}`)
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

const judge = async (standardFile: string, resultsFile: string, form: ResultForm, output: Output): Promise<number> => {
  const standard = await readStandard(standardFile, output)
  return standard === undefined ? EXIT.unusable : judgeFile(standard, resultsFile, form, output)
}

/** A standard nobody may be judged by is unusable: its errors make verdicts arbitrary. */
const readStandard = async (file: string, output: Output): Promise<Standard | undefined> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return undefined
  const parsed = parseStandard(plain)
  const errors = parsed.ok
    ? checkStandard(parsed.value)
        .filter(({ severity }) => severity === 'error')
        .map(sayRemark)
    : parsed.findings.map(sayFinding)
  for (const error of errors) output.complain(`${file}: ${error}`)
  return parsed.ok && errors.length === 0 ? parsed.value : undefined
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
