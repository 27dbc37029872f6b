import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { Ajv2020 } from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { expect, test } from 'vitest'
import { parseStandard } from '../standard/parseStandard.ts'
import { Standard } from '../standard/standard.ts'
import { jsonSchemaOf } from './jsonSchema.ts'

const ROOT = path.resolve(import.meta.dirname, '../../..')
const readJson = (file: string): unknown => JSON.parse(readFileSync(path.join(ROOT, file), 'utf8'))
const schema = jsonSchemaOf(Standard, 'Able Gauge standard')
const ajv = new Ajv2020({ strict: false })
addFormats.default(ajv)
const isValid = ajv.compile(schema)

test('the schema beside the page on the file is the one of today’s classes; npm run schema writes it anew', () => {
  expect(readJson('docs/formats/standard.schema.json')).toEqual(schema)
})

test.each(readdirSync(path.join(ROOT, 'demo/standards')))('%s is valid under the schema', (file) => {
  expect(isValid(readJson(`demo/standards/${file}`)), JSON.stringify(isValid.errors)).toBe(true)
})

test.each([
  ['a property nobody knows', { colour: 'green' }],
  ['no events', { events: [] }],
  ['a version of nought', { version: 0 }],
  ['a date that is none', { inForceFrom: '2026-13-01' }],
  ['an unknown combination', { combination: { kind: 'lottery' } }],
])('%s is refused by the schema and by the parser alike', (_, change) => {
  const plain = { ...(readJson('demo/standards/drill-yard-course-v1.json') as object), ...change }
  expect(isValid(plain)).toBe(false)
  expect(parseStandard(plain).ok).toBe(false)
})
