/**
 * The one rule for decimal signs, wherever a person types or a file brings a number: point and comma are both read as a decimal
 * sign; where both stand, or one of them twice, the first parts thousands. A single sign with exactly three digits behind it could
 * be either, and is not guessed at.
 */

/**
 * The text with a point in every number that has decimals, and nothing between thousands.
 * @returns null where a number could be read in two ways
 * @example withPoints('66,5 kg')    // "66.5 kg"
 * @example withPoints('2,414.016 m') // "2414.016 m"
 * @example withPoints('2,400 m')    // null
 */
export const withPoints = (text: string): string | null => {
  let isClear = true
  const clear = text.replace(/\d[\d.,]*\d/g, (number) => {
    const read = readNumber(number)
    isClear &&= read !== null
    return read ?? number
  })
  return isClear ? clear : null
}

const readNumber = (number: string): string | null => {
  const [sign, another] = number.match(/[.,]/g) ?? []
  if (sign === undefined) return number
  if (another === undefined) {
    const [whole = '', behind = ''] = number.split(sign)
    // nobody parts thousands of nothing
    return behind.length === 3 && whole.length <= 3 && !whole.startsWith('0') ? null : `${whole}.${behind}`
  }
  const grouped = /^(\d{1,3}(?:([.,])\d{3})(?:\2\d{3})*)(?:(?!\2)[.,](\d+))?$/.exec(number)
  if (!grouped) return null
  const [, whole = '', , behind] = grouped
  return `${whole.replace(/[.,]/g, '')}${behind === undefined ? '' : `.${behind}`}`
}
