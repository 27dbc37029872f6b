/** How this house writes, for everything this page shows; a page that is open takes it over when it is loaded anew. */
import { PLAIN_STYLE, printInStyle, type HouseStyle, type OutcomeWords } from '@able-gauge/core'
import { shallowReactive } from 'vue'

/** In place of our own words where a standard has none. */
export const houseWords = shallowReactive<OutcomeWords>({})

/** @param style null for the plain one */
export const writeAs = (style: HouseStyle | null): void => {
  printInStyle(style ?? PLAIN_STYLE)
  for (const key of Object.keys(houseWords)) Reflect.deleteProperty(houseWords, key)
  Object.assign(houseWords, style?.words ?? {})
}
