/** Makes a typed document of unknown JSON, or says what is wrong with it and where. */
import { plainToInstance } from 'class-transformer'
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator'
import { showFound, type Finding } from './finding.ts'
import { keepRules } from './keepRules.ts'
import { ONE_OF } from './rules.ts'

keepRules(getMetadataStorage())

export type ParsedDocument<Document> =
  | { readonly ok: true; readonly value: Document }
  | { readonly ok: false; readonly findings: readonly Finding[] }

const DEEPEST = 24
const FORBIDDEN_KEYS = new Set(['__proto__', 'prototype', 'constructor'])

/**
 * Validates a plain value against a document class. Unknown properties are refused.
 * @param plain anything, usually the result of JSON.parse
 * @returns the document, or at least one finding; never throws for bad input
 */
export const parseDocument = <Document extends object>(
  type: new () => Document,
  plain: unknown,
): ParsedDocument<Document> => {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain)) {
    return { ok: false, findings: [{ place: '', code: 'object', found: showFound(plain), expected: 'an object' }] }
  }
  const misshapen = findMisshapen(plain, '', 0)
  if (misshapen) return { ok: false, findings: [misshapen] }
  const document = plainToInstance(type, plain)
  // forbidUnknownValues would refuse payloads that rightly have no properties; the whitelist refuses all others
  const errors = validateSync(document, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: false })
  const findings = errors.flatMap((error) => findingsOf(error, ''))
  return findings.length > 0 ? { ok: false, findings } : { ok: true, value: document }
}

/** Signs that nobody types and no database keeps as they are; a line may break, and a tab may stand. */
const UNPRINTABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\p{Surrogate}]/u

/** Whether a text can be kept and printed: no control characters, no half of a surrogate pair. */
export const isPrintable = (text: string): boolean => !UNPRINTABLE.test(text)

/**
 * Names that would reach an object's prototype, nesting no document of ours has and texts that cannot be printed are refused
 * before anything else.
 */
const findMisshapen = (value: unknown, place: string, depth: number): Finding | undefined => {
  if (typeof value === 'string' && !isPrintable(value)) {
    return { place, code: 'printable', found: showFound(value), expected: 'text without control characters' }
  }
  if (typeof value !== 'object' || value === null) return undefined
  if (depth > DEEPEST) return { place, code: 'depth', found: 'deeper nesting', expected: `at most ${DEEPEST} levels` }
  for (const [key, inner] of Object.entries(value)) {
    const innerPlace = join(place, key, Array.isArray(value))
    if (FORBIDDEN_KEYS.has(key) || !isPrintable(key)) {
      return { place: innerPlace, code: 'unknownProperty', found: showFound(key), expected: 'no such property' }
    }
    if (inner === undefined && Array.isArray(value)) {
      return { place: innerPlace, code: 'object', found: 'nothing', expected: 'a value' }
    }
    const found = findMisshapen(inner, innerPlace, depth + 1)
    if (found) return found
  }
  return undefined
}

const findingsOf = (error: ValidationError, parent: string): Finding[] => {
  const place = join(parent, error.property, Array.isArray(error.target))
  const constraints = Object.entries(error.constraints ?? {})
  const oneOf = constraints.find(([code]) => code === ONE_OF)
  const own = (oneOf ? [oneOf] : constraints.slice(0, 1)).map(([code, expected]) =>
    ownFinding(place, code, expected, error.value),
  )
  const inner = oneOf ? [] : (error.children ?? []).flatMap((child) => findingsOf(child, place))
  return [...own, ...inner]
}

const ownFinding = (place: string, code: string, expected: string, value: unknown): Finding => {
  if (code === 'whitelistValidation') {
    return { place, code: 'unknownProperty', found: showFound(value), expected: 'no such property' }
  }
  if (code === 'nestedValidation') {
    return { place, code: 'object', found: showFound(value), expected: 'an object' }
  }
  return { place, code, found: showFound(value), expected }
}

const join = (parent: string, key: string, inList: boolean): string => {
  if (inList || /^\d+$/.test(key)) return `${parent}[${key}]`
  return parent === '' ? key : `${parent}.${key}`
}
