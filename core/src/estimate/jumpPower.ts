import type { Estimate } from './estimate.ts'

/**
 * Peak power of a jump: 60.7·h + 45.3·m − 2055 W, h in cm, m in kg (Sayers et al. 1999).
 * @example jumpPower(450, 75_000).value // 4074
 */
export const jumpPower = (heightMm: number, bodyMassG: number): Estimate => ({
  name: 'Peak power',
  value: Math.round(60.7 * (heightMm / 10) + 45.3 * (bodyMassG / 1000) - 2055),
  unit: 'W',
  source: '60.7·h + 45.3·m − 2055, Sayers et al. 1999',
  range: 'jumps of 15 to 80 cm',
  isWithin: heightMm >= 150 && heightMm <= 800,
})
