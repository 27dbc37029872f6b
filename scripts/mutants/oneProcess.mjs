/**
 * Asks the tests of core in one process, again and again, instead of reading them anew for each mutant: a mutation run of hours becomes one of
 * minutes. What core remembers of documents (in weak maps) is forgotten between mutants, so that none sees what another left behind.
 */
import path from 'node:path'
import { pathToFileURL } from 'node:url'
import { readFile } from 'node:fs/promises'
import { PluginKind, declareClassPlugin } from '@stryker-mutator/api/plugin'
import { DryRunStatus, MutantRunStatus, TestStatus } from '@stryker-mutator/api/test-runner'
import { build } from 'esbuild'
import fc from 'fast-check'
import { askedTests } from './askedTests.mjs'

/** No mutant is asked about for longer: what the quick tests do not notice by then, the slow ones seldom do. */
const MOST_MS = 8_000

const stryker = (globalThis.__stryker__ ??= {})
/** Few runs of each property: what they find anywhere they find in these, and a mutant that lives has to bear them all. */
const PROPERTIES = { seed: 2026, endOnFailure: true, numRuns: 20 }
const idOf = ({ file, name }) => `${file}#${name}`

let generation = 0
/** @returns a class of weak collections that are empty again with each mutant */
const forgetful = (Weak) =>
  class {
    #of = generation
    #kept = new Weak()
    get #now() {
      if (this.#of !== generation) [this.#of, this.#kept] = [generation, new Weak()]
      return this.#kept
    }
    get = (key) => this.#now.get(key)
    has = (key) => this.#now.has(key)
    add = (key) => this.#now.add(key)
    set = (key, value) => {
      this.#now.set(key, value)
      return this
    }
  }
globalThis.ForgetfulMap = forgetful(WeakMap)
globalThis.ForgetfulSet = forgetful(WeakSet)

/**
 * A file that asks where it lies is told where it lay, not where it was gathered.
 * @param counting whether it is counted what each test comes by; asked once, and dear
 */
const asItLay = (counting) => ({
  name: 'as it lay',
  setup: ({ onLoad }) =>
    onLoad({ filter: /core\/.*\.ts$/ }, async ({ path: file }) => ({
      loader: 'ts',
      contents: (await readFile(file, 'utf8'))
        .replaceAll('import.meta.dirname', JSON.stringify(path.dirname(file)))
        .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(file).href))
        .replace(COUNT, counting ? COUNT : `${COUNT} return;`),
    })),
})
const COUNT = 'function stryCov_9fa48() {'

/** @returns every test of the files, read into this process */
const gather = async (root, files, counting) => {
  // another process does the same beside this one
  const outdir = path.join(root, `.gathered-${process.pid}-${counting ? 'counting' : 'asked'}`)
  await build({
    absWorkingDir: root,
    entryPoints: files,
    outdir,
    outbase: root,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    tsconfig: path.join(root, 'core', 'tsconfig.json'),
    plugins: [asItLay(counting)],
    alias: { vitest: path.join(root, 'scripts', 'mutants', 'vitest.mjs') },
    external: [path.join(root, 'scripts', 'mutants', 'vitest.mjs')],
    define: { WeakMap: 'ForgetfulMap', WeakSet: 'ForgetfulSet' },
  })
  const { kept, tellOf } = await import(pathToFileURL(path.join(root, 'scripts', 'mutants', 'vitest.mjs')).href)
  for (const file of files) {
    tellOf(file)
    await import(pathToFileURL(path.join(outdir, file.replace(/\.ts$/, '.mjs'))).href)
  }
  return kept.filter(({ file }) => files.includes(file))
}

/** @returns what went wrong, or null */
const ask = async ({ body, after }) => {
  try {
    await body()
    return null
  } catch (error) {
    return String(error?.message ?? error)
  } finally {
    for (const done of after) await done()
  }
}

class OneProcess {
  #root = process.cwd()
  #files = askedTests(this.#root, process.env.ABLE_GAUGE_MUTANTS ?? 'quantity')
  #tests
  #tookMs = new Map()

  // a mutant is put in once everything is read, and out again: there is nothing to read anew
  capabilities = () => ({ reloadEnvironment: true })

  init = async () => {
    await import('reflect-metadata')
    fc.configureGlobal(PROPERTIES)
  }

  dryRun = async () => {
    const tests = []
    for (const test of await gather(this.#root, this.#files, true)) {
      stryker.currentTestId = idOf(test)
      const began = performance.now()
      const failureMessage = await ask(test)
      const timeSpentMs = performance.now() - began
      stryker.currentTestId = undefined
      this.#tookMs.set(idOf(test), timeSpentMs)
      const facts = { id: idOf(test), name: test.name, fileName: path.resolve(test.file), timeSpentMs }
      tests.push(
        failureMessage === null
          ? { ...facts, status: TestStatus.Success }
          : { ...facts, status: TestStatus.Failed, failureMessage },
      )
    }
    return { status: DryRunStatus.Complete, tests, mutantCoverage: stryker.mutantCoverage }
  }

  mutantRun = async ({ activeMutant, testFilter, hitLimit }) => {
    this.#tests ??= await gather(this.#root, this.#files, false)
    const wanted = new Set(testFilter)
    const covering = this.#tests.filter((test) => wanted.size === 0 || wanted.has(idOf(test)))
    // the quickest first: most mutants are noticed by one of them
    covering.sort((a, b) => this.#took(a) - this.#took(b))
    let sumMs = 0
    const tests = covering.filter((test, at) => (sumMs += this.#took(test)) <= MOST_MS || at === 0)
    this.#activate(activeMutant.id, hitLimit)
    try {
      for (const [index, test] of tests.entries()) {
        const began = performance.now()
        const failureMessage = await ask(test)
        if (!this.#tookMs.has(idOf(test))) this.#tookMs.set(idOf(test), performance.now() - began)
        if (hitLimit !== undefined && stryker.hitCount > hitLimit) {
          return { status: MutantRunStatus.Timeout, reason: `asked ${stryker.hitCount} times` }
        }
        if (failureMessage !== null) {
          // nothing of the mutant may be left behind for the next
          this.#activate(undefined)
          const anyway = await ask(test)
          if (anyway !== null) throw new Error(`${idOf(test)} fails without the mutant too: ${anyway}`)
          return { status: MutantRunStatus.Killed, killedBy: [idOf(test)], failureMessage, nrOfTests: index + 1 }
        }
      }
      return { status: MutantRunStatus.Survived, nrOfTests: tests.length }
    } finally {
      this.#activate(undefined)
    }
  }

  #activate = (activeMutant, hitLimit) => {
    generation++
    Object.assign(stryker, { activeMutant, hitLimit, hitCount: 0 })
  }

  #took = (test) => this.#tookMs.get(idOf(test)) ?? 0
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'one-process', OneProcess)]
