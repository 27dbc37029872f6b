/**
 * A press comes first: while what it draws waits for its frame, nothing that time alone changes is drawn along with it, so that
 * a clock on the page never keeps a stamp from being seen. A press seldom comes alone, the digits of a bib least of all: what is
 * only looked at is drawn along with what follows a press, when the next is farthest, and then not until there is a pause.
 */

import { afterPaint } from './afterPaint.ts'

/** So long after a press another is likely. */
const BURST_MS = 300

/** Whether a press waits for its frame, and when it came. */
let isPressed = false
let pressedMs = -Infinity
const waiting = new Set<() => void>()
const isPainted = (): void => {
  isPressed = false
  const acts = [...waiting]
  waiting.clear()
  for (const act of acts) act()
}
const notePress = (): void => {
  isPressed = true
  pressedMs = performance.now()
  afterPaint(isPainted)
}
if (typeof window !== 'undefined') {
  for (const kind of ['keydown', 'pointerdown', 'click']) {
    window.addEventListener(kind, notePress, { capture: true, passive: true })
  }
}

/** How long ago the last press came. */
export const sincePressMs = (): number => performance.now() - pressedMs

/** Does something at its time. @returns how to call it off */
export type When = (act: () => void) => () => void

/** Draws in the next frame that no press waits for. */
export const inQuietFrame: When = (draw) => {
  const whenQuiet = (): void => {
    if (isPressed) asked = requestAnimationFrame(whenQuiet)
    else draw()
  }
  let asked = requestAnimationFrame(whenQuiet)
  return () => cancelAnimationFrame(asked)
}

/** Draws in the frame of what follows a press, else in a pause between presses. */
export const inPause: When = (draw) => {
  const leftMs = BURST_MS - sincePressMs()
  if (leftMs <= 0 && !isPressed) return inQuietFrame(draw)
  let callOff = (): void => undefined
  const soon = (): void => {
    stop()
    callOff = inQuietFrame(draw)
  }
  const timer = setTimeout(soon, leftMs)
  const stop = (): void => {
    clearTimeout(timer)
    waiting.delete(soon)
  }
  waiting.add(soon)
  return () => {
    stop()
    callOff()
  }
}

/** Acts now, or right after the frame a press waits for: for what is worked out from time, and seldom draws anything. */
export const afterPress: When = (act) => {
  if (isPressed) waiting.add(act)
  else act()
  return () => void waiting.delete(act)
}
