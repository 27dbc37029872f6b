/**
 * A press comes first: while what it draws waits for its frame, nothing that time alone changes is drawn along with it, so that
 * a clock on the page never keeps a stamp from being seen.
 */

/** Whether a press waits for its frame. */
let isPressed = false
let frame = 0
let afterFrame: ReturnType<typeof setTimeout> | undefined
const notePress = (): void => {
  isPressed = true
  cancelAnimationFrame(frame)
  clearTimeout(afterFrame)
  frame = requestAnimationFrame(() => (afterFrame = setTimeout(() => (isPressed = false))))
}
if (typeof window !== 'undefined') {
  for (const kind of ['keydown', 'pointerdown', 'click']) {
    window.addEventListener(kind, notePress, { capture: true, passive: true })
  }
}

/**
 * Does some drawing in the next frame that no press waits for.
 * @returns how to call it off
 */
export const inQuietFrame = (draw: () => void): (() => void) => {
  const whenQuiet = (): void => {
    if (isPressed) asked = requestAnimationFrame(whenQuiet)
    else draw()
  }
  let asked = requestAnimationFrame(whenQuiet)
  return () => cancelAnimationFrame(asked)
}
