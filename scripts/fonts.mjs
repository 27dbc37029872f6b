/**
 * npm run fonts: makes the faces of web/src/style/fonts anew. A phone on the field fetches first what English takes and, of the
 * face for figures, the figures alone, in the weights that are used; other letters come when a page has them.
 */
import { readFile, writeFile } from 'node:fs/promises'
import path from 'node:path'
import subsetFont from 'subset-font'
import { ROOT } from './lib/paths.mjs'

const FOLDER = path.join(ROOT, 'web/src/style/fonts')
const WEIGHTS = { wght: { min: 400, max: 700, default: 400 } }
const range = (first, last) =>
  Array.from({ length: last - first + 1 }, (_, index) => String.fromCodePoint(first + index)).join('')

/** As `fonts.scss` declares the ranges. */
const FIRST = range(0x20, 0x7e) + '\u00a0°±·×–—‘’“”•…′″→−≤≥'
const FIGURES = ' %()+,-./0123456789:\u00a0°·×–…−'
const LETTERS = [...FIRST].filter((sign) => !FIGURES.includes(sign)).join('')
const LATIN = [range(0xa1, 0xff), 'ıŒœʻʼˆ˚˜\u0304\u0308\u0329', range(0x2000, 0x206f), '€™↑↓−∕'].join('')
const REST = [...LATIN].filter((sign) => !FIRST.includes(sign)).join('')
const PARTS = {
  next: { first: FIRST, latin: REST },
  mono: { figures: FIGURES, letters: LETTERS, latin: REST },
}

for (const [name, parts] of Object.entries(PARTS)) {
  const source = `@fontsource-variable/atkinson-hyperlegible-${name}/files/atkinson-hyperlegible-${name}-latin-wght-normal.woff2`
  const whole = await readFile(path.join(ROOT, 'node_modules', source))
  for (const [part, signs] of Object.entries(parts)) {
    const face = await subsetFont(whole, signs, {
      targetFormat: 'woff2',
      variationAxes: WEIGHTS,
      // letters that stand closer, and figures of one width
      keepFeatures: ['kern', 'tnum'],
    })
    await writeFile(path.join(FOLDER, `${name}-${part}.woff2`), face)
    console.log(`${name}-${part}.woff2: ${face.length} bytes`)
  }
}
