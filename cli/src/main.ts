/** able-gauge: the same computation as the application, over files, without server or database. */
import {
  checkStandard,
  contentHash,
  fingerprint,
  INSTRUMENT_KINDS,
  parsePlanTask,
  parseStandard,
  planByTask,
  readArchive,
  readPublicKey,
  sayFinding,
  sayRemark,
  simulateInstrument,
  type JudgedOtherwise,
  type Proof,
} from '@able-gauge/core'
import { compareVersions } from './compare.ts'
import { readJson, readStandard, readText } from './input.ts'
import { judgeFile, type ResultForm } from './judge.ts'
import { EXIT, type Output } from './output.ts'
import { reportFile } from './report.ts'
import { agreeFile, repeatFile } from './tables.ts'

const sayDifference = ({ entryId, signed, today, eventIds }: JudgedOtherwise): string =>
  `entry ${entryId} ${signed === today ? signed : `${signed}, today ${today}`}${eventIds.length > 0 ? ` (${eventIds.join(', ')})` : ''}`

const HELP = `able-gauge check STANDARD.json                       names every fault of a standard, with an example and a way to mend it
able-gauge judge STANDARD.json RESULTS.csv [--json]  judges people and measures, one row a person
able-gauge compare OLD.json NEW.json [RESULTS.csv] [--json]
                                                     what differs, and who of past results would change
able-gauge verify ARCHIVE.json [--key PUBLIC.pem]    proves a day's archive: its tree, its signatures, its verdicts; by which
                                                     key, and whether it is the one given
able-gauge plan TASK.json                            waves, timetable, what no plan can beat, and the day simulated, as JSON
able-gauge report STANDARD.json RESULTS.csv [--json] rates, the event that decides most, groups compared
able-gauge repeat TRIALS.csv [--json]                how trials agree: ICC(2,1), standard error, smallest real change, limits
able-gauge agree COUNTS.csv [--json]                 how two graders agree: kappa, plain and weighted
able-gauge simulate KIND COUNT [SEED]                lines an instrument would send: gate, jumpBoard, dynamometer,
                                                     heartRateStrap or bibReader (for bibs 1 to 24)

Ends with 0 when all is fine, 1 with findings or refused rows, 2 when the input cannot be used.`

/** Runs one command. @returns the exit code */
export const main = async (args: readonly string[], output: Output): Promise<number> => {
  const keyAt = args.indexOf('--key')
  const keyFile = keyAt < 0 ? null : (args[keyAt + 1] ?? '')
  const [command, ...files] = args.filter(
    (arg, index) => arg !== '--json' && (keyAt < 0 || ![keyAt, keyAt + 1].includes(index)),
  )
  const form: ResultForm = args.includes('--json') ? 'json' : 'csv'
  if (command === '--help' || command === undefined) {
    output.out(HELP)
    return command === undefined ? EXIT.unusable : EXIT.fine
  }
  const [standardFile, resultsFile] = files
  if (command === 'check' && standardFile !== undefined && files.length === 1) return check(standardFile, output)
  if (command === 'verify' && standardFile !== undefined && files.length === 1) {
    return verify(standardFile, keyFile, output)
  }
  if (command === 'judge' && standardFile !== undefined && resultsFile !== undefined && files.length === 2) {
    return judge(standardFile, resultsFile, form, output)
  }
  if (command === 'report' && standardFile !== undefined && resultsFile !== undefined && files.length === 2) {
    const standard = await readStandard(standardFile, output)
    return standard ? reportFile(standard, resultsFile, form === 'json', output) : EXIT.unusable
  }
  if (command === 'repeat' && standardFile !== undefined && files.length === 1)
    return repeatFile(standardFile, form === 'json', output)
  if (command === 'agree' && standardFile !== undefined && files.length === 1)
    return agreeFile(standardFile, form === 'json', output)
  if (command === 'compare' && standardFile !== undefined && resultsFile !== undefined && files.length <= 3) {
    return compare(standardFile, resultsFile, files[2], form, output)
  }
  if (command === 'plan' && standardFile !== undefined && files.length === 1) return plan(standardFile, output)
  if (command === 'simulate' && standardFile !== undefined && files.length <= 3) return simulate(files, output)
  output.complain(`"${args.join(' ')}" is not a command.\n\n${HELP}`)
  return EXIT.unusable
}

const BIBS = Array.from({ length: 24 }, (_, index) => index + 1)
const MOST_LINES = 100_000

const simulate = ([kind, count = '', seed = '1']: readonly string[], output: Output): number => {
  const known = INSTRUMENT_KINDS.find((one) => one === kind)
  const [lines, from] = [Number(count), Number(seed)]
  const isCount = Number.isInteger(lines) && lines >= 1 && lines <= MOST_LINES
  if (!known || !isCount || !Number.isInteger(from)) {
    const kinds = INSTRUMENT_KINDS.join(', ')
    output.complain(
      `Expected one of ${kinds}, then a number of lines from 1 to ${MOST_LINES}, then perhaps a whole seed.`,
    )
    return EXIT.unusable
  }
  for (const line of simulateInstrument(known, from, lines, BIBS)) output.out(JSON.stringify(line))
  return EXIT.fine
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

const plan = async (file: string, output: Output): Promise<number> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return EXIT.unusable
  const parsed = parsePlanTask(plain)
  if (!parsed.ok) {
    for (const finding of parsed.findings) output.complain(`${file}: ${sayFinding(finding)}`)
    return EXIT.unusable
  }
  const planned = planByTask(parsed.value)
  output.out(JSON.stringify(planned, null, 2))
  return planned.conflicts.length > 0 ? EXIT.findings : EXIT.fine
}

const sayProof = (proof: Proof, keyGiven: boolean): string => {
  switch (proof.kind) {
    case 'signed':
      return `Proven: signed by the key ${proof.keyFingerprint} that was given.`
    case 'unknownKey':
      return keyGiven
        ? `Not proven: signed by the key ${proof.keyFingerprint}, which is another than the one given.`
        : `Not proven: signed by the key ${proof.keyFingerprint}; name the key you trust with --key.`
    case 'noKey':
      return 'Not proven: signed before installations had keys.'
    case 'open':
      return 'Not proven: the day is not signed.'
  }
}

const verify = async (file: string, keyFile: string | null, output: Output): Promise<number> => {
  const plain = await readJson(file, output)
  if (plain === undefined) return EXIT.unusable
  const key = keyFile === null ? null : readPublicKey((await readText(keyFile, output)) ?? '')
  if (keyFile !== null && key === null) {
    output.complain(`"${keyFile}" holds no Ed25519 public key. Expected PEM, as the sign-off room saves it.`)
    return EXIT.unusable
  }
  const read = readArchive(plain, key === null ? [] : [key])
  if (!read.ok) {
    for (const finding of read.findings) output.out(`${file}: ${sayFinding(finding)}`)
    output.complain(
      `${read.findings.length === 1 ? '1 place is' : `${read.findings.length} places are`} not what they were.`,
    )
    return EXIT.findings
  }
  const { occasion, captures, records, verdicts, amendments, signOff } = read.archive
  output.out(
    `${occasion.name}, ${occasion.testDate}: ${captures.length} captures, ${records.length} entries of the log, ` +
      `${verdicts.length} verdicts, ${amendments.length} amendments, ${signOff ? 'signed' : 'not signed'}. ` +
      `Nothing was altered.${signOff ? ` Head ${fingerprint(signOff.head)}.` : ''}`,
  )
  if (read.differences.length > 0) {
    output.out(
      `Signed under an older judge, and given otherwise by today's (they stand as signed): ${read.differences.map(sayDifference).join(', ')}.`,
    )
  }
  output.out(sayProof(read.proof, keyFile !== null))
  // somebody who names a key wants to know whether it signed
  return keyFile !== null && read.proof.kind !== 'signed' ? EXIT.findings : EXIT.fine
}

const judge = async (standardFile: string, resultsFile: string, form: ResultForm, output: Output): Promise<number> => {
  const standard = await readStandard(standardFile, output)
  return standard === undefined ? EXIT.unusable : judgeFile(standard, resultsFile, form, output)
}

const compare = async (
  oldFile: string,
  newFile: string,
  resultsFile: string | undefined,
  form: ResultForm,
  output: Output,
): Promise<number> => {
  const [before, after] = [await readStandard(oldFile, output), await readStandard(newFile, output)]
  return before && after ? compareVersions(before, after, resultsFile, form, output) : EXIT.unusable
}
