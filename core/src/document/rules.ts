/** The validation decorators our document classes are written with; each message completes "expected …". */
import 'reflect-metadata'
import { Expose, Transform, plainToInstance, type TransformFnParams } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsObject,
  IsString,
  Length,
  Matches,
  MaxLength,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator'
import { described, type Class } from './described.ts'
import { isLeapYear } from '../quantity/isLeapYear.ts'

const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) => {
    for (const decorate of decorators) decorate(target, key)
  }

/** A field that may be left out; unlike class-validator's own rule, null is not the same as left out. */
export const Optional = (): PropertyDecorator =>
  all(
    ValidateIf((_, value) => value !== undefined),
    described({ kind: 'optional' }),
  )

/** A field that is there, and may say nothing: null. */
export const Nullable = (): PropertyDecorator =>
  all(
    ValidateIf((_, value) => value !== null),
    described({ kind: 'nullable' }),
  )

/** A whole number within limits. */
export const Whole = (least: number, most: number = Number.MAX_SAFE_INTEGER): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: wholeSchema(least, most) }),
    ValidateBy({
      name: 'whole',
      validator: {
        validate: (value) => isWhole(value, least, most),
        defaultMessage: () =>
          most === Number.MAX_SAFE_INTEGER ? `a whole number from ${least}` : `a whole number from ${least} to ${most}`,
      },
    }),
  )

/** A number that need not be whole: a share, a mean, a deviation. Never a figure that is judged. */
export const Real = (): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'number' } }),
    ValidateBy({
      name: 'real',
      validator: { validate: (value) => Number.isFinite(value), defaultMessage: () => 'a number' },
    }),
  )

const MOST_REVISIONS = 2_147_483_647

/** Counts edits, so that a second person editing is told instead of overwriting. */
export const Revision = (least: 0 | 1): PropertyDecorator => Whole(least, MOST_REVISIONS)

/** A list of whole numbers from `leastValue`. */
export const WholeList = (leastValue: number, leastItems: number, mostItems: number): PropertyDecorator =>
  all(
    described({
      kind: 'plain',
      schema: { type: 'array', minItems: leastItems, maxItems: mostItems, items: wholeSchema(leastValue) },
    }),
    ValidateBy({
      name: 'wholeList',
      validator: {
        validate: (value) =>
          Array.isArray(value) &&
          value.length >= leastItems &&
          value.length <= mostItems &&
          value.every((item) => isWhole(item, leastValue, Number.MAX_SAFE_INTEGER)),
        defaultMessage: () => `a list of ${leastItems} to ${mostItems} whole numbers from ${leastValue}`,
      },
    }),
  )

const isWhole = (value: unknown, least: number, most: number): boolean =>
  typeof value === 'number' && Number.isSafeInteger(value) && value >= least && value <= most

const wholeSchema = (least: number, most: number = Number.MAX_SAFE_INTEGER): object => ({
  type: 'integer',
  minimum: least,
  ...(most === Number.MAX_SAFE_INTEGER ? {} : { maximum: most }),
})

/** Some text, trimmed length from 1 to `most`. */
export const Text = (most = 200): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'string', minLength: 1, maxLength: most, pattern: '\\S' } }),
    IsString({ message: 'some text' }),
    Length(1, most, { message: `text of 1 to ${most} characters` }),
    Matches(/\S/, { message: 'text that is not blank' }),
  )

/** Text that may be empty. */
export const FreeText = (most: number): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'string', maxLength: most } }),
    IsString({ message: 'some text' }),
    Length(0, most, { message: `text of at most ${most} characters` }),
  )

/** Text of one form. @param what completes "expected …" */
export const Matching = (form: RegExp, what: string): PropertyDecorator =>
  all(described({ kind: 'plain', schema: { type: 'string', pattern: form.source } }), Matches(form, { message: what }))

/** A short name used to refer to something: small letters, digits and hyphens. */
export const Slug = (): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'string', pattern: SLUG.source, maxLength: MOST_IN_SLUG } }),
    MaxLength(MOST_IN_SLUG, { message: `a short name of at most ${MOST_IN_SLUG} characters` }),
    Matches(SLUG, { message: 'a short name in small letters, digits and hyphens, such as "press-ups"' }),
  )

export const SLUG = /^[a-z0-9]+(?:-[a-z0-9]+)*$/
const MOST_IN_SLUG = 60

/** A list of short names, none of them twice. */
export const SlugList = (least: number, most: number): PropertyDecorator =>
  all(
    described({
      kind: 'plain',
      schema: {
        type: 'array',
        minItems: least,
        maxItems: most,
        uniqueItems: true,
        items: { type: 'string', pattern: SLUG.source },
      },
    }),
    ValidateBy({
      name: 'slugList',
      validator: {
        validate: (value) =>
          Array.isArray(value) &&
          value.length >= least &&
          value.length <= most &&
          new Set(value).size === value.length &&
          value.every((item) => typeof item === 'string' && SLUG.test(item)),
        defaultMessage: () => `a list of ${least} to ${most} different short names`,
      },
    }),
  )

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/

export const Uuid = (): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'string', format: 'uuid' } }),
    Matches(UUID, { message: 'an id of the form 01890000-0000-7000-8000-000000000000' }),
  )

/** Whether a text can be an id at all; what cannot is never asked of the database. */
export const isUuid = (text: string): boolean => UUID.test(text)

/** A list of ids, none of them twice. */
export const UuidList = (most: number): PropertyDecorator =>
  all(
    described({
      kind: 'plain',
      schema: { type: 'array', maxItems: most, uniqueItems: true, items: { type: 'string', format: 'uuid' } },
    }),
    ValidateBy({
      name: 'uuidList',
      validator: {
        validate: (value) =>
          Array.isArray(value) &&
          value.length <= most &&
          new Set(value).size === value.length &&
          value.every((id) => typeof id === 'string' && UUID.test(id)),
        defaultMessage: () => `a list of at most ${most} different ids`,
      },
    }),
  )

export const Flag = (): PropertyDecorator =>
  all(described({ kind: 'plain', schema: { type: 'boolean' } }), IsBoolean({ message: 'true or false' }))

export const Choice = (values: readonly (string | number)[]): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { enum: [...values] } }),
    IsIn([...values], { message: `one of ${values.join(', ')}` }),
  )

/** A calendar date that exists, as YYYY-MM-DD. */
export const CalendarDate = (): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'string', format: 'date' } }),
    ValidateBy({
      name: 'calendarDate',
      validator: {
        validate: isCalendarDate,
        defaultMessage: () => `a date that exists, as YYYY-MM-DD, from ${FIRST_DATE} to ${LAST_DATE}`,
      },
    }),
  )

/** Nobody who is tested was born before, and no day is planned after; a slip of the key mostly is. */
const [FIRST_DATE, LAST_DATE] = ['1900-01-01', '2199-12-31']

export const isCalendarDate = (value: unknown): value is string => {
  if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value)) return false
  if (value < FIRST_DATE || value > LAST_DATE) return false
  // by arithmetic: files hold a million dates
  const [year, month, day] = [Number(value.slice(0, 4)), Number(value.slice(5, 7)), Number(value.slice(8))]
  return month >= 1 && month <= 12 && day >= 1 && day <= daysIn(month, year)
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
const daysIn = (month: number, year: number): number => (month === 2 && isLeapYear(year) ? 29 : (DAYS[month - 1] ?? 0))

/** One nested document. */
export const Nested = (type: () => Class): PropertyDecorator =>
  all(
    described({ kind: 'nested', type }),
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => instantiate(type(), raw(obj, key))),
    IsObject({ message: 'an object' }),
    ValidateNested(),
  )

/** A list of nested documents. */
export const NestedList = (type: () => Class, least: number, most: number): PropertyDecorator =>
  all(
    described({ kind: 'nestedList', type, least, most }),
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => {
      const value = raw(obj, key)
      return Array.isArray(value) ? value.map((item) => instantiate(type(), item)) : value
    }),
    IsArray({ message: 'a list' }),
    ArrayMinSize(least, { message: `a list of at least ${least}` }),
    ArrayMaxSize(most, { message: `a list of at most ${most}` }),
    // a list inside the list would have nothing to validate and pass
    ValidateBy({
      name: 'objects',
      validator: {
        validate: (value) => !Array.isArray(value) || value.every((item) => item instanceof type()),
        defaultMessage: () => 'a list of objects',
      },
    }),
    ValidateNested({ each: true }),
  )

/** A list of short texts. */
export const TextList = (most: number, mostCharacters = 200): PropertyDecorator =>
  all(
    described({
      kind: 'plain',
      schema: {
        type: 'array',
        maxItems: most,
        items: { type: 'string', minLength: 1, maxLength: mostCharacters, pattern: '\\S' },
      },
    }),
    ValidateBy({
      name: 'textList',
      validator: {
        validate: (value) =>
          Array.isArray(value) &&
          value.length <= most &&
          value.every((text) => typeof text === 'string' && text.trim() !== '' && text.length <= mostCharacters),
        defaultMessage: () => `a list of at most ${most} texts of at most ${mostCharacters} characters`,
      },
    }),
  )

/** A document of any form, kept as it is: it is read by its own rules later. */
export const AnyObject = (): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema: { type: 'object' } }),
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => raw(obj, key)),
    IsObject({ message: 'an object' }),
  )

/** A value kept as it is, of which one question tells whether it is one. @param what completes "expected …" */
export const Kept = (is: (value: unknown) => boolean, what: string, schema: object): PropertyDecorator =>
  all(
    described({ kind: 'plain', schema }),
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => raw(obj, key)),
    ValidateBy({ name: 'kept', validator: { validate: is, defaultMessage: () => what } }),
  )

/** A list of such values: there can be thousands, which field by field would take too long. */
export const KeptList = (is: (value: unknown) => boolean, what: string): PropertyDecorator =>
  Kept((value) => Array.isArray(value) && value.every(is), `a list, each ${what}`, {
    type: 'array',
    items: { type: 'object' },
    description: `Each ${what}.`,
  })

/** Texts by name. */
export const TextRecord = (most: number, mostCharacters: number): PropertyDecorator =>
  all(
    described({
      kind: 'plain',
      schema: {
        type: 'object',
        maxProperties: most,
        additionalProperties: { type: 'string', minLength: 1, maxLength: mostCharacters },
      },
    }),
    ValidateBy({
      name: 'textRecord',
      validator: {
        validate: (value) =>
          typeof value === 'object' &&
          value !== null &&
          !Array.isArray(value) &&
          Object.keys(value).length <= most &&
          Object.values(value).every(
            (text) => typeof text === 'string' && text !== '' && text.length <= mostCharacters,
          ),
        defaultMessage: () => `at most ${most} texts by name`,
      },
    }),
  )

/**
 * One of several documents, told apart by a name.
 * @param classes the document class for each name
 * @param nameOf where the name stands: in the value itself (`kind`), or beside it
 */
export const OneOf = (
  classes: Readonly<Record<string, Class>>,
  nameOf: (value: unknown, owner: unknown) => unknown = (value) => raw(value, 'kind'),
): PropertyDecorator => {
  const pick = (value: unknown, owner: unknown): Class | undefined => {
    const name = nameOf(value, owner)
    return typeof name === 'string' && Object.hasOwn(classes, name) ? classes[name] : undefined
  }
  return all(
    described({ kind: 'oneOf', classes }),
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => {
      const value = raw(obj, key)
      const type = pick(value, obj)
      return type ? instantiate(type, value) : value
    }),
    ValidateBy({
      name: ONE_OF,
      validator: {
        validate: (value) => Object.values(classes).some((type) => value instanceof type),
        defaultMessage: () => `an object whose kind is one of ${Object.keys(classes).join(', ')}`,
      },
    }),
    ValidateNested(),
  )
}

/** Name of the rule that makes findings inside the value pointless. */
export const ONE_OF = 'oneOf'

const raw = (owner: unknown, key: string): unknown =>
  typeof owner === 'object' && owner !== null && Object.hasOwn(owner, key)
    ? // a plain object from JSON, read by a key it has
      (owner as Record<string, unknown>)[key]
    : undefined

const instantiate = (type: Class, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? plainToInstance(type, value) : value
