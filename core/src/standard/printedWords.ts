/** Words in the headings of a printed table that name no people: classes, new categories, captions. */
import type { HeadingLine, TableShape } from './printedShape.ts'

export interface SpokenWords {
  readonly captions: ReadonlySet<string>
  readonly classes: readonly string[]
  readonly newCategories: readonly string[]
}

/**
 * Words that are no people: classes or columns where the school has some, else categories. One word over everything is a caption.
 * @param hasNames whether the school has columns with names of their own
 * @param overAxis whether the first word on top stands over what the rows are named by
 */
export const wordsOf = ({ top, left }: TableShape, hasNames: boolean, overAxis: boolean): SpokenWords => {
  const lines = [...top.map((line) => (overAxis ? withoutFirst(line) : line)), ...left]
  const isCaption = (line: HeadingLine): boolean =>
    new Set(wordsIn(line)).size <= 1 && line.labels.every((label) => label === null)
  const spread = lines.filter((line) => !isCaption(line) && wordsIn(line).length > 0)
  // the classes stand next to the figures: in the last row on top, or else in the last column on the left
  const ofClasses = hasNames
    ? (spread.findLast((line) => top.some(({ at }) => at === line.at) && !left.includes(line)) ?? spread.at(-1))
    : undefined
  return {
    captions: new Set([
      ...lines.filter(isCaption).flatMap(wordsIn),
      ...(overAxis ? top.flatMap(({ words }) => words[0] ?? []) : []),
    ]),
    classes: ofClasses ? [...new Set(wordsIn(ofClasses))] : [],
    newCategories: [...new Set(spread.filter((line) => line !== ofClasses).flatMap(wordsIn))],
  }
}

const withoutFirst = ({ at, labels, words }: HeadingLine): HeadingLine => ({
  at,
  labels: labels.slice(1),
  words: words.slice(1),
})

const wordsIn = ({ words }: HeadingLine): string[] => words.filter((word) => word !== null)
