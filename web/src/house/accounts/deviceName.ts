/** A device by what its browser says of itself, as far as people would recognise it: "Chrome on Android". */

/** The first that fits; most browsers also name others. */
const BROWSERS = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/SamsungBrowser\//, 'Samsung browser'],
  [/Chrome\/|CriOS\//, 'Chrome'],
  [/Safari\//, 'Safari'],
] as const
const SYSTEMS = [
  [/iPhone/, 'an iPhone'],
  [/iPad/, 'an iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'a Mac'],
  [/Linux/, 'Linux'],
] as const

const firstIn = (known: readonly (readonly [RegExp, string])[], text: string): string | undefined =>
  known.find(([form]) => form.test(text))?.[1]

/** @param userAgent as it was sent; empty where nobody knows */
export const deviceName = (userAgent: string): string => {
  const [browser, system] = [firstIn(BROWSERS, userAgent), firstIn(SYSTEMS, userAgent)]
  if (!browser && !system) return userAgent === '' ? 'A device nobody knows' : userAgent.slice(0, 40)
  return system ? `${browser ?? 'A browser'} on ${system}` : (browser ?? '')
}
