import { standardNamed } from '@able-gauge/core/testing'
import { expect, test } from 'vitest'
import { standardPdf } from './standardPdf.ts'

/** Every text of the document, in order. */
const textsOf = (node: unknown): string[] => {
  if (typeof node === 'string') return [node]
  if (Array.isArray(node)) return node.flatMap(textsOf)
  if (typeof node !== 'object' || node === null) return []
  const { text, stack, columns, table } = node as Record<string, unknown>
  if (text !== undefined) return [Array.isArray(text) ? textsOf(text).join('') : textsOf(text).join('')]
  return [stack, columns, Object(table).body].flatMap(textsOf)
}

test('a standard prints with its mark, its events, its tables and how it is judged', () => {
  const document = standardPdf(standardNamed('v2'), 'data:image/png;base64,AAAA')
  const texts = textsOf(document.content)
  expect(JSON.stringify(document.content)).toContain('data:image/png;base64,AAAA')
  expect(texts).toContain('Constabulary Entry Standard')
  expect(texts).toContain('2  Run 2,000 m')
  // men of 18 to 29
  expect(texts).toContain('9:15')
  expect(texts.some((text) => text.startsWith('Age is counted'))).toBe(true)
  // plain data alone reaches the worker that makes the file
  expect(JSON.parse(JSON.stringify(document))).toEqual(document)
})
