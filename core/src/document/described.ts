/** Keeps, beside each validator, what it says about a property, so that a JSON Schema can be made from the classes. */

export type Class = new () => object

export type Description =
  | { readonly kind: 'optional' }
  | { readonly kind: 'nullable' }
  | { readonly kind: 'plain'; readonly schema: object }
  | { readonly kind: 'nested'; readonly type: () => Class }
  | { readonly kind: 'nestedList'; readonly type: () => Class; readonly least: number; readonly most: number }
  | { readonly kind: 'oneOf'; readonly classes: Readonly<Record<string, Class>> }

type Properties = ReadonlyMap<string, readonly Description[]>

/** By the prototype of each class. */
const KNOWN = new Map<object, Properties>()
const NONE: Properties = new Map()

/** Notes one description of a property. */
export const described =
  (description: Description): PropertyDecorator =>
  (target, property) => {
    if (typeof property !== 'string') return
    const own = KNOWN.get(target) ?? NONE
    KNOWN.set(target, new Map(own).set(property, [...(own.get(property) ?? []), description]))
  }

/** Every property of a class, with those it inherits. */
export const descriptionsOf = (type: Class): Properties => {
  const properties = new Map<string, readonly Description[]>()
  let prototype: object | null = type.prototype as object // a class always has one
  while (prototype !== null && prototype !== Object.prototype) {
    for (const [property, descriptions] of KNOWN.get(prototype) ?? NONE) {
      if (!properties.has(property)) properties.set(property, descriptions)
    }
    prototype = Reflect.getPrototypeOf(prototype)
  }
  return properties
}
