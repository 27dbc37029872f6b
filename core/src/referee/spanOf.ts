import type { Span } from './span.ts'

/** @param end whatever ended it, with its moment; null while it runs */
export const spanOf = (
  fromMs: number | null | undefined,
  end: { readonly atMs: number } | null | undefined,
): Span | null => (fromMs === null || fromMs === undefined ? null : { fromMs, toMs: end?.atMs ?? null })
