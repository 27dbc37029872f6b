/**
 * A press comes first: while what it draws waits for its frame, nothing that time alone changes is drawn along with it, so that
 * a clock on the page never keeps a stamp from being seen. A press seldom comes alone, the digits of a bib least of all: what is
 * only looked at waits for a pause between them.
 */

import { afterPaint } from './afterPaint.ts'

/** So long nobody has pressed: a pause. */
const PAUSE_MS = 150
/** However many presses follow each other, a clock is drawn after so long. */
const AT_MOST_MS = 300

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

/** Draws in the first such frame of a pause between presses. */
export const inPause: When = (draw) => {
  const latestMs = performance.now() + AT_MOST_MS
  const leftMs = (): number => Math.min(pressedMs + PAUSE_MS, latestMs) - performance.now()
  const wait = (): (() => void) => {
    const left = leftMs()
    if (left <= 0) return inQuietFrame(() => (leftMs() > 0 ? (callOff = wait()) : draw()))
    const timer = setTimeout(() => (callOff = wait()), left)
    return () => clearTimeout(timer)
  }
  let callOff = wait()
  return () => callOff()
}

/** Acts now, or right after the frame a press waits for: for what is worked out from time, and seldom draws anything. */
export const afterPress: When = (act) => {
  if (isPressed) waiting.add(act)
  else act()
  return () => void waiting.delete(act)
}
