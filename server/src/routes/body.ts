import { parseDocument } from '@able-gauge/core'
import type { Request } from 'express'
import { invalidInput } from '../problem.ts'

/** Makes a typed document of a request's body. @throws Problem 422 that names each place */
export const readBody = <Document extends object>(type: new () => Document, request: Request): Document => {
  const parsed = parseDocument(type, request.body as unknown)
  if (!parsed.ok) throw invalidInput(parsed.findings)
  return parsed.value
}
