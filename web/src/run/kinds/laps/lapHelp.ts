/** What the keys of the lap console do. */
export const LAP_HELP = [
  ['0–9, Enter', 'stamp a bib as it crosses'],
  ['Space', 'stamp the runner expected next'],
  ['N', 'keep the time now, put the bib to it later'],
  ['B', 'put a bib to the oldest time without one'],
  ['W', 'wrong bib: give the last crossing another'],
  ['J', 'put right: start too early or forgotten'],
  ['U', 'undo the last capture of this device'],
  ['X', 'somebody stops: safety, medical, gave up'],
  ['S', 'start commands'],
  ['Esc', 'clear what is typed'],
] as const
