/** Lines a simulated instrument would send, from a seed: to practise, to demonstrate and to test without the instrument. */
import { QUANTITY_OF, type InstrumentKind, type InstrumentLine } from '../instrument/instrumentLine.ts'
import { seededRandom } from '../random/random.ts'

/** Range and step of what each instrument tells, in its unit. */
const RANGES: Readonly<Record<keyof typeof QUANTITY_OF, { least: number; most: number; resolution: number }>> = {
  gate: { least: 8_600, most: 29_500, resolution: 10 },
  jumpBoard: { least: 2_300, most: 2_850, resolution: 10 },
  dynamometer: { least: 26_000, most: 58_000, resolution: 100 },
  heartRateStrap: { least: 96, most: 158, resolution: 1 },
}

/**
 * @param bibs whom a bib reader may see
 * @returns `count` lines, numbered from 1
 */
export const simulateInstrument = (
  kind: InstrumentKind,
  seed: number,
  count: number,
  bibs: readonly number[] = [],
): InstrumentLine[] => {
  const random = seededRandom(seed)
  return Array.from({ length: count }, (_, index): InstrumentLine => {
    const base = { kind, instrument: `${kind}-1`, line: index + 1 }
    if (kind === 'bibReader') return { ...base, bib: bibs[random.whole(0, Math.max(0, bibs.length - 1))] ?? index + 1 }
    const { least, most, resolution } = RANGES[kind]
    const value = Math.round(random.whole(least, most) / resolution) * resolution
    return { ...base, value, resolution }
  })
}
