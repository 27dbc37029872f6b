/** @example numbered(1, 'station') // "1 station" */
export const numbered = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`
