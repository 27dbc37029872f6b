/** A small seeded generator (mulberry32), so that a rehearsal can be repeated exactly. */
export interface Random {
  /** From 0 up to, not including, 1. */
  readonly next: () => number
  /** A whole number from `least` to `most`, both included. */
  readonly whole: (least: number, most: number) => number
  readonly bytes: (count: number) => Uint8Array
}

/** @param seed any whole number; the same seed gives the same sequence */
export const seededRandom = (seed: number): Random => {
  let state = seed >>> 0
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
  return {
    next,
    whole: (least, most) => least + Math.floor(next() * (most - least + 1)),
    bytes: (count) => Uint8Array.from({ length: count }, () => Math.floor(next() * 256)),
  }
}
