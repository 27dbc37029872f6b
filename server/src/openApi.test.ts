import { readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, test } from 'vitest'
import { httpPage } from './httpPage.ts'
import { openApi } from './openApi.ts'
import { ROUTES } from './routes/index.ts'

test('the description beside the page on the interface is the one of today’s routes; npm run schema writes it anew', () => {
  const file = path.resolve(import.meta.dirname, '../../docs/formats/openapi.json')
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(openApi())
})

test('the page on the interface is the one of today’s routes; npm run schema writes it anew', () => {
  const file = path.resolve(import.meta.dirname, '../../docs/formats/http.md')
  expect(readFileSync(file, 'utf8')).toBe(httpPage())
})

test('every route is in it, and every body it takes has a schema that is there', () => {
  const { paths, components } = openApi() as {
    paths: Record<string, Record<string, { requestBody?: { content: Record<string, { schema: { $ref: string } }> } }>>
    components: { schemas: Record<string, unknown> }
  }
  for (const { method, path: address, body } of ROUTES) {
    const operation = paths[address.replaceAll(/:(\w+)/g, '{$1}')]?.[method]
    expect(operation, `${method} ${address}`).toBeDefined()
    const reference = operation?.requestBody?.content['application/json']?.schema.$ref
    expect(reference, `${method} ${address}`).toBe(body && `#/components/schemas/${body.name}`)
    if (body) expect(components.schemas).toHaveProperty(body.name)
  }
})
