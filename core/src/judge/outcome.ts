/** How a verdict can read, and why a mark can be open. */
export const OUTCOMES = [
  'met',
  /** Where nothing is judged. Never "met". */
  'tookPart',
  'short',
  'open',
  'notFinished',
  'notStarted',
  'withdrawn',
  'disqualified',
  'exempt',
] as const
export type Outcome = (typeof OUTCOMES)[number]

export type OpenReason =
  | 'nearTheCut'
  | 'stoppedForSafety'
  | 'noBand'
  | 'severalBands'
  | 'noBodyMass'
  /** An alternate or a variant was chosen that is not for this person. */
  | 'choiceNotOffered'
  /** What was captured makes no sense to the rules: a person has to look. */
  | 'notJudged'
