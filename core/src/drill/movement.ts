/** Movements that can be drawn for practice, and the faults each of them can show. */
import type { EyePractice } from '../kinds/kind.ts'
import { kindOf, type Protocol } from '../kinds/kinds.ts'
import type { StandardEvent } from '../standard/standard.ts'
import { MOVEMENTS, type Movement } from './practised.ts'

/** What can go wrong, as it can be drawn. */
export type FaultForm = 'depth' | 'lockOut' | 'bodyLine' | 'hips' | 'hands' | 'feet' | 'swing' | 'offBeat'

/** A form and the name it has on the grader's button. */
export interface ShownFault {
  /** Of the protocol's refusal; where the kind has none, the form itself. */
  readonly reasonId: string
  readonly label: string
  readonly form: FaultForm
}

/** Whether every repetition is answered, or only what is wrong. */
export type DrillStyle = 'counted' | 'flagged'

interface MovementFacts {
  readonly name: string
  readonly style: DrillStyle
  readonly of: EyePractice['of']
  /** Words of a name that tell it. */
  readonly named: RegExp
  readonly forms: readonly FaultForm[]
}

const FACTS: Readonly<Record<Movement, MovementFacts>> = {
  pressUp: {
    name: 'Press-up',
    style: 'counted',
    of: 'repetitions',
    named: /press|push/i,
    forms: ['depth', 'lockOut', 'bodyLine', 'hips', 'offBeat'],
  },
  curlUp: {
    name: 'Curl-up',
    style: 'counted',
    of: 'repetitions',
    named: /curl|sit|crunch/i,
    forms: ['depth', 'lockOut', 'hips', 'hands', 'feet', 'offBeat'],
  },
  pullUp: {
    name: 'Pull-up',
    style: 'counted',
    of: 'repetitions',
    named: /pull|chin/i,
    forms: ['depth', 'lockOut', 'swing', 'offBeat'],
  },
  squat: {
    name: 'Squat',
    style: 'counted',
    of: 'repetitions',
    named: /squat|knee bend/i,
    forms: ['depth', 'lockOut', 'bodyLine', 'feet', 'offBeat'],
  },
  trunkHold: {
    name: 'Trunk hold',
    style: 'flagged',
    of: 'position',
    named: /trunk|front|elbow/i,
    forms: ['bodyLine', 'hips'],
  },
  hang: { name: 'Hang', style: 'flagged', of: 'position', named: /hang|bar/i, forms: ['depth', 'swing'] },
  shuttleTurn: {
    name: 'Shuttle turn',
    style: 'flagged',
    of: 'turns',
    named: /./,
    forms: ['depth'],
  },
}

/** Names of faults of kinds whose protocols name none. */
const OWN_LABELS: Readonly<Partial<Record<Movement, Readonly<Partial<Record<FaultForm, string>>>>>> = {
  trunkHold: { bodyLine: 'Hips sag', hips: 'Hips rise' },
  hang: { depth: 'Chin sinks below the bar', swing: 'Legs kick' },
  shuttleTurn: { depth: 'Short of the line at the signal' },
}

/** Words by which the reasons of a protocol are told apart; the first that fits. */
const FORM_WORDS: readonly (readonly [form: FaultForm, words: RegExp])[] = [
  ['offBeat', /beat|rhythm|cadence/i],
  ['swing', /swing|swung|kick|kip/i],
  ['hands', /hand|finger|ear\b|temple/i],
  ['feet', /foot|feet|heel/i],
  ['lockOut', /lock|arms?\b|straighten|extend|shoulder blade|legs? not straight/i],
  ['bodyLine', /line|sag|back|lean/i],
  ['hips', /hip|bottom|seat/i],
  ['depth', /depth|low|deep|chin|high|chest|thigh|touch/i],
]

export const movementName = (movement: Movement): string => FACTS[movement].name
export const drillStyle = (movement: Movement): DrillStyle => FACTS[movement].style

/** How an event's kind is practised on; null where nothing of it is judged by eye. */
export const practiceOf = (protocol: Protocol): EyePractice | null => kindOf(protocol).practice?.(protocol) ?? null

/** Movements an event can be drawn as; the likeliest by its name first. Empty where none can. */
export const movementsFor = ({ name, protocol }: Pick<StandardEvent, 'name' | 'protocol'>): Movement[] => {
  const { of } = practiceOf(protocol) ?? {}
  const fitting = MOVEMENTS.filter((movement) => FACTS[movement].of === of)
  const isNamed = (movement: Movement): boolean => FACTS[movement].named.test(name)
  // a wall sit is none of the positions that are drawn
  const asked = fitting.filter((movement) => FACTS[movement].style === 'counted' || isNamed(movement))
  return [...asked].sort((a, b) => Number(isNamed(b)) - Number(isNamed(a)))
}

export interface FaultsOf {
  readonly shown: readonly ShownFault[]
  /** Labels of reasons that this movement cannot show. */
  readonly notShown: readonly string[]
}

/** What of the protocol's own reasons a movement shows. */
export const faultsOf = (protocol: Protocol, movement: Movement): FaultsOf => {
  const refusals = kindOf(protocol).refusals?.(protocol) ?? []
  const { forms, style } = FACTS[movement]
  if (style !== 'counted') {
    const labels = OWN_LABELS[movement] ?? {}
    return { shown: forms.map((form) => ({ reasonId: form, label: labels[form] ?? form, form })), notShown: [] }
  }
  const shown: ShownFault[] = []
  const notShown: string[] = []
  for (const { id, label } of refusals) {
    const form = FORM_WORDS.find(([candidate, words]) => forms.includes(candidate) && words.test(`${id} ${label}`))?.[0]
    if (form && !shown.some((one) => one.form === form)) shown.push({ reasonId: id, label, form })
    else notShown.push(label)
  }
  return { shown, notShown }
}
