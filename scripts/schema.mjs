/** npm run schema: writes what is made from the document classes: the JSON Schema of the standard file, the OpenAPI
 * file and the page on the interface. */
import { writeFileSync } from 'node:fs'
import path from 'node:path'
import { register } from 'tsx/esm/api'
import { ROOT } from './lib/paths.mjs'

const unregister = register()
const { jsonSchemaOf, Standard } = await import('../core/src/index.ts')
const { openApi } = await import('../server/src/openApi.ts')
const { httpPage } = await import('../server/src/httpPage.ts')
const write = (name, document) => {
  const file = path.join(ROOT, 'docs', 'formats', name)
  writeFileSync(file, typeof document === 'string' ? document : `${JSON.stringify(document, null, 2)}\n`)
  console.log(`Wrote ${path.relative(ROOT, file)}.`)
}
write('standard.schema.json', jsonSchemaOf(Standard, 'Able Gauge standard'))
write('openapi.json', openApi())
write('http.md', httpPage())
await unregister()
