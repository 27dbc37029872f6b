import { expect, test } from 'vitest'
import { formFieldsOf, type FormField } from '../document/formFields.ts'
import { PROTOCOLS } from '../kinds/kinds.ts'
import { COMBINATIONS } from '../standard/combination.ts'
import { SCORINGS } from '../standard/scoring.ts'
import { Standard } from '../standard/standard.ts'
import { choiceInWords } from './choiceInWords.ts'

const choicesIn = (fields: readonly FormField[]): { name: string; choice: string | number }[] =>
  fields.flatMap((field) => {
    if (field.kind === 'choice') return field.choices.map((choice) => ({ name: field.name, choice }))
    if (field.kind === 'object' || field.kind === 'list') return choicesIn(field.fields())
    return []
  })
const ALL = [Standard, ...Object.values(PROTOCOLS), ...Object.values(SCORINGS), ...Object.values(COMBINATIONS)].flatMap(
  (type) => choicesIn(formFieldsOf(type)),
)

test('no choice of a standard is shown as it stands in the file, where that is no plain word', () => {
  const raw = ALL.filter(({ name }) => name !== 'unit').map(({ name, choice }) => choiceInWords(name, choice))
  expect(raw.filter((words) => /[a-z][A-Z]/.test(words))).toEqual([])
  expect(choiceInWords('restAllowed', 'up')).toBe('in the up position only')
  expect(choiceInWords('mode', 'up')).toBe('up to a whole step')
  expect(choiceInWords('pulseWindowMs', 30_000)).toBe('30 s')
})
