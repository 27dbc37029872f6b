/**
 * One queue for all that may wait until what has changed so far is painted: one frame is asked for, whoever asks, and then one
 * thing is done at a time, so that a press never waits for all of them.
 */

/** A page that is not looked at paints nothing; then nothing waits longer than this. */
const AT_MOST_MS = 120

const acts = new Set<() => void>()
/** A frame that is asked for and has not begun. */
let frame = 0
/** The next thing to be done, once the frame has begun. */
let turn: ReturnType<typeof setTimeout> | undefined
let atMost: ReturnType<typeof setTimeout> | undefined
/** When the first of them began to wait. */
let sinceMs = -Infinity

const begin = (): void => {
  frame = 0
  turn = setTimeout(doNext)
}
const doNext = (): void => {
  turn = undefined
  const [act] = acts
  if (act) acts.delete(act)
  if (acts.size > 0) turn = setTimeout(doNext)
  else rest()
  act?.()
}
const rest = (): void => {
  cancelAnimationFrame(frame)
  clearTimeout(turn)
  clearTimeout(atMost)
  frame = 0
  turn = atMost = undefined
}
const doAll = (): void => {
  rest()
  const all = [...acts]
  acts.clear()
  for (const act of all) setTimeout(act)
}

/** Does something once a frame has been painted that shows all changes so far; asked twice, it is done once. @returns how to call it off */
export const afterPaint = (act: () => void): (() => void) => {
  acts.add(act)
  const nowMs = performance.now()
  // what was asked for so long ago does not come any more: the page was frozen, or its clock set
  if (Math.abs(nowMs - sinceMs) > 2 * AT_MOST_MS) rest()
  // what has changed now is painted in the frame after
  clearTimeout(turn)
  turn = undefined
  if (frame === 0) frame = requestAnimationFrame(begin)
  if (atMost === undefined) {
    sinceMs = nowMs
    atMost = setTimeout(doAll, AT_MOST_MS)
  }
  return () => void acts.delete(act)
}
