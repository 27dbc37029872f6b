/** What one setting of a protocol changes in the printed rules. */
import { formFieldsOf } from '../document/formFields.ts'
import { PROTOCOLS, type Protocol } from '../kinds/kinds.ts'
import type { PublishedUnit } from '../quantity/imperial.ts'
import { rulesOf } from './describeProtocol.ts'

/**
 * The sentences of the printed rules that would read otherwise without the setting, or with another value of it: what the referee
 * does because of it.
 * @returns none for a setting the rules do not print
 * @example settingInWords(pressUps, 'longestPauseMs') // ["A pause of more than 5 s ends it."]
 */
export const settingInWords = (protocol: Protocol, name: string, publishedIn?: PublishedUnit): string[] => {
  const value: unknown = Reflect.get(protocol, name)
  if (value === undefined) return []
  const { [name]: _, ...without } = protocol as unknown as Readonly<Record<string, unknown>> // read by name
  const field = formFieldsOf(PROTOCOLS[protocol.kind]).find((one) => one.name === name)
  const another = field?.kind === 'choice' ? field.choices.find((choice) => choice !== value) : anotherThan(value)
  const variants = [...(field?.optional ? [without] : []), { ...without, [name]: another }]
  const others = variants.flatMap((other) => {
    const said = sentencesOf(other as unknown as Protocol, publishedIn)
    return said ? [said] : []
  })
  return (sentencesOf(protocol, publishedIn) ?? []).filter((sentence) =>
    others.some((said) => !said.includes(sentence)),
  )
}

const sentencesOf = (protocol: Protocol, publishedIn?: PublishedUnit): string[] | null => {
  try {
    return rulesOf(protocol, publishedIn).flatMap((rule) => rule.split(/(?<=[.!?])\s+(?=[A-Z0-9"])/))
  } catch {
    // the words take a protocol to be whole; without this setting it is none
    return null
  }
}

const anotherThan = (value: unknown): unknown => {
  if (typeof value === 'number') return value * 2 + 1
  if (typeof value === 'boolean') return !value
  if (typeof value === 'string') return `${value} …`
  if (Array.isArray(value)) return value.map(anotherThan)
  if (typeof value === 'object' && value !== null) {
    return Object.fromEntries(Object.entries(value).map(([key, own]: [string, unknown]) => [key, anotherThan(own)]))
  }
  return value
}
