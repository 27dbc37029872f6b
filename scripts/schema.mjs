/** npm run schema: writes the JSON Schema of the standard file, made from the document classes. */
import { writeFileSync } from 'node:fs'
import path from 'node:path'
import { register } from 'tsx/esm/api'
import { ROOT } from './lib/paths.mjs'

const unregister = register()
const { jsonSchemaOf, Standard } = await import('../core/src/index.ts')
const file = path.join(ROOT, 'docs', 'formats', 'standard.schema.json')
writeFileSync(file, `${JSON.stringify(jsonSchemaOf(Standard, 'Able Gauge standard'), null, 2)}\n`)
await unregister()
console.log(`Wrote ${path.relative(ROOT, file)}.`)
