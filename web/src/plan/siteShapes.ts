/** Site plans as they are drawn, in metres. */
import { footprintAt, SITE_MARK_NAMES, type DayPlan, type SiteMark, type SitePlan } from '@able-gauge/core'
import { eventName, type Day } from '../day/day.ts'

export const inM = (mm: number): number => mm / 1_000

export interface DrawnMark {
  readonly mark: SiteMark
  readonly x: number
  readonly y: number
  readonly turn: number
  readonly name: string
  /** An outline round the middle; null for a point. */
  readonly path: string | null
  readonly isLoop: boolean
  readonly along: number
  readonly across: number
}

export const drawnMarks = (day: Day, plan: DayPlan, { marks }: SitePlan): DrawnMark[] =>
  marks.map((mark) => {
    const footprint = footprintAt(plan, mark)
    const [along, across] = [inM(footprint?.alongMm ?? 0), inM(footprint?.acrossMm ?? 0)]
    return {
      mark,
      x: inM(mark.xMm),
      y: inM(mark.yMm),
      turn: mark.turnDegrees ?? 0,
      name: mark.label ?? (mark.eventId === undefined ? SITE_MARK_NAMES[mark.kind] : eventName(day, mark.eventId)),
      path: footprint && pathOf(footprint.shape, along, across),
      isLoop: footprint?.shape === 'loop',
      along,
      across,
    }
  })

const pathOf = (shape: 'loop' | 'line' | 'area', along: number, across: number): string => {
  const [x, y] = [along / 2, across / 2]
  if (shape !== 'loop') return `M${-x} ${-y}H${x}V${y}H${-x}Z`
  const straight = x - y
  return `M${-straight} ${y}H${straight}A${y} ${y} 0 0 0 ${straight} ${-y}H${-straight}A${y} ${y} 0 0 0 ${-straight} ${y}Z`
}

/** Letters for what is no event: they are explained beside the drawing, and need no colour. */
export const MARK_SIGNS: Readonly<Record<SiteMark['kind'], string>> = {
  event: '',
  muster: 'M',
  briefing: 'B',
  warmUp: 'U',
  medical: '+',
  defibrillator: 'D',
  water: 'W',
  shade: 'S',
  toilets: 'T',
}

/** A round length of about a fifth of the width, in metres. */
export const barOf = (width: number): number =>
  [1, 2, 5, 10, 20, 50, 100, 200, 500, 1_000, 2_000].findLast((round) => round <= width / 5) ?? 1
