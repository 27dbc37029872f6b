/**
 * The types of the screens, checked by the native compiler, which cannot read .vue files itself: each is turned into the
 * TypeScript that vue-tsc would check (by the same library), written beside the sources' own folders, and what the compiler
 * says is told at the place in the .vue file. A third of the processor time of vue-tsc, which `npm run test:long` runs too.
 */
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { shouldReportDiagnostics, SourceMap } from '@volar/language-core'
import { createParsedCommandLine, createVueLanguagePlugin } from '@vue/language-core'
import ts from 'typescript'
import { DATA, ROOT } from './lib/paths.mjs'

const WEB = path.join(ROOT, 'web')
const TURNED = path.join(DATA, 'screens')
/** `src/day/DayBar.vue.ts(12,3): error TS2339: …` */
const REMARK = /^(.+?)\((\d+),(\d+)\): error (TS(\d+): .*)$/

/** Line and column, from one, of a place in a text. */
const placeIn = (text, offset) => {
  const before = text.slice(0, offset).split('\n')
  return `${before.length}:${before.at(-1).length + 1}`
}

/** A remark on a turned file at its place in the .vue file; undefined for what only the turned text says of itself, such as a slot nobody fills. */
const toldAtItsPlace = ({ file, source, text, mappings }, [, , row, column, words, code]) => {
  const lineStart = text.split('\n', Number(row) - 1).reduce((sum, line) => sum + line.length + 1, 0)
  const reported = (data) => shouldReportDiagnostics(data, 'ts', code)
  for (const [at] of new SourceMap(mappings).toSourceLocation(lineStart + Number(column) - 1, reported))
    return `${path.relative(ROOT, file)}:${placeIn(source, at)} ${words}`
  return undefined
}

const { options, vueOptions } = createParsedCommandLine(ts, ts.sys, path.join(WEB, 'tsconfig.json'))
const plugin = createVueLanguagePlugin(
  ts,
  options,
  // the references to the library's own types are to hold in the folder of the turned files
  { ...vueOptions, typesRoot: '@vue/language-core/types' },
  (id) => id,
)

rmSync(TURNED, { recursive: true, force: true })
/** What a turned file was made of, by its path. */
const turned = new Map()
for (const file of ts.sys.readDirectory(WEB, ['.vue'], ['node_modules', 'dist'])) {
  const source = readFileSync(file, 'utf8')
  const code = plugin.createVirtualCode(file, 'vue', ts.ScriptSnapshot.fromString(source), {
    getAssociatedScript: () => undefined,
  })
  const script = plugin.typescript.getServiceScript(code)
  const target = path.join(TURNED, path.relative(WEB, file)) + script.extension
  const text = script.code.snapshot.getText(0, script.code.snapshot.getLength())
  mkdirSync(path.dirname(target), { recursive: true })
  writeFileSync(target, text)
  turned.set(target, { file, source, text, mappings: script.code.mappings })
}
const project = path.join(TURNED, 'tsconfig.json')
const from = (...parts) => path.relative(TURNED, path.join(ROOT, ...parts))
writeFileSync(
  project,
  JSON.stringify({
    extends: from('web', 'tsconfig.json'),
    compilerOptions: { rootDirs: [from('web'), '.'] },
    include: [from('web', 'src'), from('web', 'testing'), from('core', 'src', 'insight', 'jstat.d.ts'), 'src'],
  }),
)

const compiler = path.join(ROOT, 'node_modules', 'typescript-native', 'bin', 'tsc')
const { stdout, stderr } = spawnSync(process.execPath, [compiler, '-p', project, '--pretty', 'false'], {
  cwd: ROOT,
  encoding: 'utf8',
  maxBuffer: 1e9,
})
if (stderr) console.error(stderr)

let remarks = 0
/** Whether what was read last is a mistake of ours; its further lines, set in, share its lot. */
let told = true
for (const line of stdout.split('\n').filter((text) => text.trim() !== '')) {
  if (line.startsWith(' ')) {
    if (told) console.log(line)
    continue
  }
  const remark = REMARK.exec(line)
  const origin = remark && turned.get(path.resolve(ROOT, remark[1]))
  const words = origin ? toldAtItsPlace(origin, remark) : line
  told = words !== undefined
  if (!told) continue
  remarks += 1
  console.log(words)
}
if (remarks > 0) process.exitCode = 1
