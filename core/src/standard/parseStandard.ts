/** Reads a standard document: its shape first, then what has to agree between its parts. */
import type { Finding } from '../document/finding.ts'
import { parseDocument, type ParsedDocument } from '../document/parseDocument.ts'
import { contradictionsIn } from './contradictions.ts'
import { Standard } from './standard.ts'

/**
 * Makes a standard of unknown JSON.
 * @returns the standard, or findings that each name their place
 */
export const parseStandard = (plain: unknown): ParsedDocument<Standard> => {
  const parsed = parseDocument(Standard, plain)
  if (!parsed.ok) return parsed
  const findings: Finding[] = contradictionsIn(parsed.value)
  return findings.length > 0 ? { ok: false, findings } : parsed
}
