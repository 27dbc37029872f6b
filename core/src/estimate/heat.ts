/** Heat: wet bulb globe temperature. Limits are local and set by the organisation. */
import { toTenth, type Estimate } from './estimate.ts'

/**
 * Measured outdoors: 0.7·Tnw + 0.2·Tg + 0.1·Ta, all in °C.
 * @example wetBulbGlobe(25, 40, 30) // 28.5
 */
export const wetBulbGlobe = (naturalWetBulbC: number, globeC: number, airC: number): number =>
  toTenth(0.7 * naturalWetBulbC + 0.2 * globeC + 0.1 * airC)

/**
 * From air temperature and humidity alone: about 0.567·T + 0.393·e + 3.94, e = RH/100 · 6.105 · exp(17.27·T/(237.7 + T))
 * hPa (Australian Bureau of Meteorology). Full sun and light wind are assumed.
 * @example heatFromAir(30, 50).value // 29.3
 */
export const heatFromAir = (airC: number, relativeHumidityPercent: number): Estimate => {
  const vapourHPa = (relativeHumidityPercent / 100) * 6.105 * Math.exp((17.27 * airC) / (237.7 + airC))
  return {
    name: 'Wet bulb globe temperature',
    value: toTenth(0.567 * airC + 0.393 * vapourHPa + 3.94),
    unit: '°C',
    source: '0.567·T + 0.393·e + 3.94, Australian Bureau of Meteorology',
    range: 'air of 10 to 45 °C in full sun and light wind',
    isWithin: airC >= 10 && airC <= 45 && relativeHumidityPercent >= 0 && relativeHumidityPercent <= 100,
  }
}
