/** Which plates make a load: what is put on each side of a bar. */

/** Plates as most rooms have them, in g, the heaviest first. */
export const PLATES_G: readonly number[] = [25_000, 20_000, 15_000, 10_000, 5_000, 2_500, 1_250, 500, 250]
/** Bars to choose from, in g. */
export const BARS_G: readonly number[] = [20_000, 15_000, 10_000]

export interface Plates {
  /** On one side, from the inside out; the other side has the same. */
  readonly eachSideG: readonly number[]
  /** What no pair of plates makes up; negative where the bar alone is heavier than the load. */
  readonly restG: number
}

/**
 * @param loadG the whole load, bar and all
 * @example platesFor(62_500, 20_000) // { eachSideG: [20_000, 1_250], restG: 0 }
 */
export const platesFor = (loadG: number, barG: number): Plates => {
  let restG = loadG - barG
  const eachSideG: number[] = []
  for (const plateG of PLATES_G) {
    while (restG >= 2 * plateG) {
      eachSideG.push(plateG)
      restG -= 2 * plateG
    }
  }
  return { eachSideG, restG }
}
