/**
 * A hash chain: each link stands for one item, where it stands, and everything before it. Whoever knows the last link can
 * tell that nothing before it was changed, left out, put in or moved.
 */
import { contentHash } from '../standard/contentHash.ts'

export interface ChainItem {
  /** Names the item, such as `captures[12]`. */
  readonly place: string
  readonly item: unknown
}

/** What a chain without items ends with. */
export const CHAIN_START = '0'.repeat(64)

const linkAfter = (before: string, { place, item }: ChainItem): string =>
  contentHash({ before, place, item: contentHash(item) })

/** @returns one link for each item, as 64 hexadecimal digits */
export const chainOf = (items: readonly ChainItem[], start = CHAIN_START): string[] => {
  let before = start
  return items.map((item) => (before = linkAfter(before, item)))
}

/** The last link, which stands for all. */
export const headOf = (items: readonly ChainItem[], start = CHAIN_START): string =>
  chainOf(items, start).at(-1) ?? start

/**
 * Compares items with the links that were kept of them. Each link is tried from the one kept before it, so that one changed
 * item is named alone and not with all that follow.
 * @returns places of the items that are not what they were
 */
export const brokenLinks = (items: readonly ChainItem[], links: readonly string[], start = CHAIN_START): string[] => {
  const broken = items.flatMap((item, index) =>
    linkAfter(index === 0 ? start : (links[index - 1] ?? ''), item) === links[index] ? [] : [item.place],
  )
  return links.length > items.length ? [...broken, `links[${items.length}]`] : broken
}

/** The items of a list, each with its place. */
export const withPlaces = (name: string, items: readonly unknown[]): ChainItem[] =>
  items.map((item, index) => ({ place: `${name}[${index}]`, item }))
