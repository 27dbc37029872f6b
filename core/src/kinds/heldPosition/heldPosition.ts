/** A position held for as long as possible. */
import { defineKind } from '../kind.ts'
import { HOUR_MS } from '../ranges.ts'
import { watchSlots } from '../slot.ts'
import { bare, ended, makerFor } from '../stage.ts'
import { capped, watched } from '../worked.ts'
import { holdReferee, stampedHold, type Hold } from './referee.ts'
import { HeldPosition } from './protocol.ts'
import { words } from './words.ts'

/** As many as a protocol can allow. */
const MOST_CAUTIONS = 20

export const heldPosition = defineKind<HeldPosition, Hold>({
  name: 'Held position',
  protocol: HeldPosition,
  template: {
    startCommands: ['Into position', 'Begin'],
    position: 'Describe the position.',
    cautionsAllowed: 1,
    endsWhen: ['Position lost'],
  },
  captures: ['started', 'cautioned', 'crossed'],
  form: () => ({ unit: 'ms' }),
  sense: () => 'atLeast',
  slots: ({ watchRule }) => watchSlots('time', 'Time', watchRule?.watches ?? 1),
  measure: ({ watchRule, capMs }, readings) => capped(watched('time', readings, watchRule), capMs),
  ...holdReferee,
  stamped: stampedHold,
  endings: ({ endsWhen }) => endsWhen.map((label) => ({ label, then: 'stands' as const })),
  // the tone that starts it
  heard: () => [{ atMs: 0, tone: 'level' }],
  sensibleRange: ({ capMs }) => ({ least: 1_000, most: capMs ?? HOUR_MS }),
  practice: (protocol) => ({
    of: 'position',
    ...(protocol.capMs === undefined ? {} : { untilMs: protocol.capMs }),
    // cautions are what is practised, so that none of them ends the set
    eased: { ...protocol, cautionsAllowed: MOST_CAUTIONS },
  }),
  words,
  usual: () => 80_000,
  rehearse: (stage, { capMs = Infinity }, turn) => {
    const make = makerFor(stage, turn)
    return [make(0, bare('started')), make(Math.min(turn.target, capMs), ended)]
  },
})
