/** Turns of phrase that several kinds share. */

export const cautionRule = (allowed: number): string =>
  allowed === 0
    ? 'The first caution ends the event.'
    : `${allowed} ${allowed === 1 ? 'caution is' : 'cautions are'} allowed, one more ends the event.`

const SELECT = { best: 'best of', mean: 'mean of', last: 'last of', sum: 'sum of' } as const

/** @example printTries(3, 'best') // "best of 3 tries" */
export const printTries = (allowed: number, select: keyof typeof SELECT): string =>
  allowed === 1 ? 'a single try' : `${SELECT[select]} ${allowed} tries`

/** Items of a protocol within a sentence. */
export const listed = (items: readonly string[]): string => items.map((item) => item.toLowerCase()).join(', ')
