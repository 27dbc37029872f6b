import { getMetadataStorage, IsInt, IsString, Max, validateSync } from 'class-validator'
import { expect, test } from 'vitest'
import { parseDocument } from './parseDocument.ts'

class Bib {
  @IsInt() @Max(99_999) bib!: number
}
class NamedBib extends Bib {
  @IsString() name!: string
}
class GroupedBib {
  @IsInt({ groups: ['late'] }) bib!: number
}

const storage = getMetadataStorage()
/** What the library itself works out. */
const fresh = (type: new () => object) =>
  (Object.getPrototypeOf(storage) as typeof storage).getTargetValidationMetadatas.call(
    storage,
    type,
    '',
    false,
    false,
    [],
  )

test('the rules of a class are those the library works out, its own and the inherited ones, however often they are asked for', () => {
  for (const type of [Bib, NamedBib, Bib, NamedBib]) {
    const kept = storage.getTargetValidationMetadatas(type, '', false, false, [])
    expect(kept).toEqual(fresh(type))
    expect(storage.getTargetValidationMetadatas(type, '', false, false, [])).toBe(kept)
  }
  expect(parseDocument(NamedBib, { bib: 7, name: 'Marsh' }).ok).toBe(true)
  expect(parseDocument(NamedBib, { bib: 100_000, name: 'Marsh' }).ok).toBe(false)
  expect(parseDocument(Bib, { bib: 7, name: 'Marsh' }).ok).toBe(false)
})

test('whoever asks for some groups alone is not answered from what is kept for all', () => {
  const late = Object.assign(new GroupedBib(), { bib: 'seven' })
  expect(validateSync(late)).toHaveLength(1)
  expect(validateSync(late, { groups: ['early'], forbidUnknownValues: false })).toHaveLength(0)
  expect(validateSync(late, { groups: ['late'] })).toHaveLength(1)
})
