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
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator'
import { Temporal } from 'temporal-polyfill'

type Class = new () => object

/** A field that may be left out; unlike class-validator's own rule, null is not the same as left out. */
export const Optional = (): PropertyDecorator => ValidateIf((_, value) => value !== undefined)

const all =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) => {
    for (const decorate of decorators) decorate(target, key)
  }

/** A whole number within limits. */
export const Whole = (least: number, most: number = Number.MAX_SAFE_INTEGER): PropertyDecorator =>
  ValidateBy({
    name: 'whole',
    validator: {
      validate: (value) => Number.isSafeInteger(value) && value >= least && value <= most,
      defaultMessage: () =>
        most === Number.MAX_SAFE_INTEGER ? `a whole number from ${least}` : `a whole number from ${least} to ${most}`,
    },
  })

/** Some text, trimmed length from 1 to `most`. */
export const Text = (most = 200): PropertyDecorator =>
  all(
    IsString({ message: 'some text' }),
    Length(1, most, { message: `text of 1 to ${most} characters` }),
    Matches(/\S/, { message: 'text that is not blank' }),
  )

/** Text that may be empty. */
export const FreeText = (most: number): PropertyDecorator =>
  all(IsString({ message: 'some text' }), Length(0, most, { message: `text of at most ${most} characters` }))

/** A short name used to refer to something: small letters, digits and hyphens. */
export const Slug = (): PropertyDecorator =>
  Matches(/^[a-z0-9]+(?:-[a-z0-9]+)*$/, {
    message: 'a short name in small letters, digits and hyphens, such as "press-ups"',
  })

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/

export const Uuid = (): PropertyDecorator =>
  Matches(UUID, { message: 'an id of the form 01890000-0000-7000-8000-000000000000' })

/** A list of ids, none of them twice. */
export const UuidList = (most: number): PropertyDecorator =>
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
  })

export const Flag = (): PropertyDecorator => IsBoolean({ message: 'true or false' })

export const Choice = (values: readonly (string | number)[]): PropertyDecorator =>
  IsIn([...values], { message: `one of ${values.join(', ')}` })

/** A calendar date that exists, as YYYY-MM-DD. */
export const CalendarDate = (): PropertyDecorator =>
  ValidateBy({
    name: 'calendarDate',
    validator: { validate: isCalendarDate, defaultMessage: () => 'a date that exists, as YYYY-MM-DD' },
  })

export const isCalendarDate = (value: unknown): value is string => {
  if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value)) return false
  try {
    Temporal.PlainDate.from(value, { overflow: 'reject' })
    return true
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}

/** One nested document. */
export const Nested = (type: () => Class): PropertyDecorator =>
  all(
    Expose(),
    Transform(({ obj, key }: TransformFnParams) => instantiate(type(), raw(obj, key))),
    IsObject({ message: 'an object' }),
    ValidateNested(),
  )

/** A list of nested documents. */
export const NestedList = (type: () => Class, least: number, most: number): PropertyDecorator =>
  all(
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
  ValidateBy({
    name: 'textList',
    validator: {
      validate: (value) =>
        Array.isArray(value) &&
        value.length <= most &&
        value.every((text) => typeof text === 'string' && text.trim() !== '' && text.length <= mostCharacters),
      defaultMessage: () => `a list of at most ${most} texts`,
    },
  })

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
