/** What a parser of typed text returns: a value, or a stable code with a sentence for the person who typed. */
export type Parsed<Value, Code extends string = string> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly code: Code; readonly reason: string }

export const parsed = <Value>(value: Value): Parsed<Value, never> => ({ ok: true, value })

export const refused = <Code extends string>(code: Code, reason: string): Parsed<never, Code> => ({
  ok: false,
  code,
  reason,
})
