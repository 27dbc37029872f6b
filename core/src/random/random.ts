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

/** About a standard normal value: the sum of twelve even ones less six. */
export const bell = (random: Random): number => {
  let sum = -6
  for (let draw = 0; draw < 12; draw++) sum += random.next()
  return sum
}

/** The same items in an order of their own (Fisher and Yates 1938). */
export const shuffled = <Item>(items: readonly Item[], random: Random): Item[] => {
  const mixed = [...items]
  for (let at = mixed.length - 1; at > 0; at--) {
    const other = random.whole(0, at)
    ;[mixed[at], mixed[other]] = [mixed[other] as Item, mixed[at] as Item]
  }
  return mixed
}
