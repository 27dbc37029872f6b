/**
 * How a house prints figures and dates: its decimal sign, its order of day, month and year. As with a locale it is set once, by
 * the page that shows them; servers, files and the command line leave it as it is, so that what is written down never depends on
 * where it is read. What is typed is read in either sign, see decimalSign.ts.
 */
export const DECIMAL_SIGNS = ['.', ','] as const
export type DecimalSign = (typeof DECIMAL_SIGNS)[number]
export const DATE_ORDERS = ['dmy', 'mdy', 'ymd'] as const
export type DateOrder = (typeof DATE_ORDERS)[number]

export interface PrintStyle {
  readonly decimalSign: DecimalSign
  readonly dateOrder: DateOrder
}

export const PLAIN_STYLE: PrintStyle = { decimalSign: '.', dateOrder: 'dmy' }

let current: PrintStyle = PLAIN_STYLE

/** From now on everything is printed so. */
export const printInStyle = (style: PrintStyle): void => {
  current = style
}

export const printStyle = (): PrintStyle => current
