/** What is measured by an event, in which unit, and in which direction it improves. */
import type { FieldForm } from '../quantity/field.ts'
import type { Unit } from '../quantity/unit.ts'
import type { Sense } from './kind.ts'
import { kindOf, type Protocol } from './kinds.ts'

export interface EventFacts {
  readonly name: string
  readonly unit: Unit
  readonly sense: Sense
}

/**
 * Name, unit and sense of what the event measures.
 * @example factsOf(run) // { name: 'Timed distance', unit: 'ms', sense: 'atMost' }
 */
export const factsOf = (protocol: Protocol): EventFacts => {
  const kind = kindOf(protocol)
  return { name: kind.name, unit: kind.form(protocol).unit, sense: kind.sense(protocol) }
}

/**
 * How the measure of an event is written and read. Where people run together it takes minutes, and seconds alone are refused:
 * "9.40" is nobody's run. The protocol may be that of a draft, with figures still missing.
 */
export const formOf = (protocol: Protocol): FieldForm => {
  const kind = kindOf(protocol)
  const form = kind.form(protocol)
  if (form.unit !== 'ms' || kind.startsTogether !== true) return form
  const { least } = kind.sensibleRange(protocol)
  return Number.isFinite(least) ? { ...form, secondsFromMs: least } : form
}
