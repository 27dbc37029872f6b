/**
 * What the tests of core import as `vitest` in a mutation run: tests are kept, to be asked again and again in one process. Expectations are
 * those of vitest itself.
 */
import { readFileSync } from 'node:fs'
import { GLOBAL_EXPECT, JestAsymmetricMatchers, JestChaiExpect, JestExtend, customMatchers } from '@vitest/expect'
import * as chai from 'chai'

chai.use(JestExtend)
chai.use(JestChaiExpect)
chai.use(JestAsymmetricMatchers)
chai.use((_, { addMethod }) => {
  // a text within a test is vitest's own affair: what it shows is held by other tests too
  addMethod(chai.Assertion.prototype, 'toMatchInlineSnapshot', () => {})
  addMethod(chai.Assertion.prototype, 'toMatchFileSnapshot', function (file) {
    new chai.Assertion(this._obj).to.equal(readFileSync(file, 'utf8'))
  })
})

export const expect = Object.assign((value, message) => chai.expect(value, message), chai.expect)
globalThis[GLOBAL_EXPECT] = expect
expect.extend(expect, customMatchers)

/** Everything that was told, in the order of the files: a name, what to do, and what to do after it. */
export const kept = []
let [file, within, after] = ['', [], []]

/** What is told from here on belongs to a file. */
export const tellOf = (name) => {
  kept.splice(0, kept.length, ...kept.filter((other) => other.file !== name))
  ;[file, within, after] = [name, [], []]
}

const keep = (title, body) => {
  const name = [...within, title].join(' ')
  const same = kept.filter((other) => other.file === file && other.name.replace(/ #\d+$/, '') === name).length
  kept.push({ file, name: same === 0 ? name : `${name} #${same + 1}`, body, after })
}
const bodyOf = (rest) => rest.find((part) => typeof part === 'function')

/** Titles of rows are theirs by number: a mutation run has no use for their figures. */
const eachOf =
  (tell) =>
  (rows) =>
  (title, ...rest) =>
    rows.forEach((row) => tell(title, () => bodyOf(rest)(...(Array.isArray(row) ? row : [row]))))

export const test = Object.assign((title, ...rest) => keep(title, bodyOf(rest)), {
  each: eachOf(keep),
  runIf: (wanted) => (wanted ? test : () => {}),
})

const group = (title, body) => {
  within.push(title)
  body()
  within.pop()
}
export const describe = Object.assign(group, { each: eachOf(group) })

export const afterEach = (done) => after.push(done)
