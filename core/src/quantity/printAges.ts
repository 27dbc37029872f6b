/** "18 to 29", "40 and over", or "17" for a single year. */
export const printAges = (from: number, to: number | null): string => {
  if (to === null) return `${from} and over`
  return from === to ? String(from) : `${from} to ${to}`
}
