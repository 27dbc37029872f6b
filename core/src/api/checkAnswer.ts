/** Whether an answer of the interface is what its class says; asked by the browser of each answer, and by the server's own tests. */
import type { Finding } from '../document/finding.ts'
import { parseDocument } from '../document/parseDocument.ts'

/**
 * @param plain the result of JSON.parse
 * @returns what is not as declared; properties that are not declared are told too, as `unknownProperty`
 */
export const checkAnswer = (type: new () => object, plain: unknown): readonly Finding[] => {
  const parsed = parseDocument(type, plain)
  return parsed.ok ? [] : parsed.findings
}
