import { parseDocument } from '../document/parseDocument.ts'
import { FIRST_KIND, PROTOCOLS, type EventKind, type Protocol } from './kinds.ts'
import { protocolTemplate } from './protocolTemplates.ts'

/**
 * A protocol from a document that is still being written: as it is when it can be read, else the template of its kind
 * with what stands in the document laid over it, else the template alone.
 */
export const parseProtocol = (plain: unknown): Protocol => {
  const { kind } = Object(plain) as { kind?: unknown }
  const known = typeof kind === 'string' && Object.hasOwn(PROTOCOLS, kind) ? (kind as EventKind) : FIRST_KIND
  const template = protocolTemplate(known)
  for (const candidate of [plain, { ...template, ...Object(plain) }, template]) {
    const parsed = parseDocument<Protocol>(PROTOCOLS[known], candidate)
    if (parsed.ok) return parsed.value
  }
  throw new Error(`The template of "${known}" cannot be read. Mend it in the folder of the kind.`)
}
