/** The shipped fonts come as files by part of the alphabet; a text is cut where it goes from one file to the other. */

export interface FontRun {
  readonly text: string
  readonly font: 'Next' | 'NextExtended'
}

/** What the file for western letters holds, as its maker lists it: letters, and the signs of prose. */
const isWestern = (code: number): boolean =>
  code <= 0xff ||
  code === 0x131 ||
  code === 0x152 ||
  code === 0x153 ||
  (code >= 0x2000 && code <= 0x206f) ||
  code === 0x20ac ||
  code === 0x2212

/** @example fontRuns('Ilić') // [{ text: 'Ili', font: 'Next' }, { text: 'ć', font: 'NextExtended' }] */
export const fontRuns = (text: string): FontRun[] => {
  const runs: { text: string; font: FontRun['font'] }[] = []
  for (const sign of text) {
    const font = isWestern(sign.codePointAt(0) ?? 0) ? 'Next' : 'NextExtended'
    const last = runs.at(-1)
    if (last?.font === font) last.text += sign
    else runs.push({ text: sign, font })
  }
  return runs
}
