/** What every form of a draft needs to know of the whole of it. */
import { shallowRef, type ComputedRef, type InjectionKey, type Ref } from 'vue'
import type { Plain } from './plain.ts'

export interface Named {
  readonly id: string
  readonly name: string
}

/** What is referred to elsewhere in the document, by the property that refers to it. */
type Referred = 'event' | 'alternate' | 'category' | 'role'

export interface DraftContext {
  /** Counts what was put back or mended: whatever a form keeps beside the document has to be read anew. */
  readonly restored: Readonly<Ref<number>>
  readonly names: ComputedRef<Readonly<Record<Referred, readonly Named[]>>>
  /** Gives something new a short name made of what it is called; everything that refers to it follows. */
  nameAnew(item: Plain, name: string, siblings: readonly Plain[]): void
  /** Categories a pasted table names; the one of a new draft that nobody refers to gives way. */
  addCategories(categories: readonly (string | Named)[]): void
}

export const DRAFT_CONTEXT: InjectionKey<DraftContext> = Symbol('draft')

/** For a form that stands alone. */
export const aloneContext = (): DraftContext => ({
  restored: shallowRef(0),
  names: { value: { event: [], alternate: [], category: [], role: [] } } as unknown as DraftContext['names'], // read only
  nameAnew: () => undefined,
  addCategories: () => undefined,
})
