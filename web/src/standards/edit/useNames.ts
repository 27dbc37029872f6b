/** What can be referred to in a draft, and the short names that are made of names. */
import { computed, type Ref } from 'vue'
import type { DraftContext, Named } from './draftContext.ts'
import { freeShortName, isPlaceholder, referTo } from './shortNames.ts'
import { listIn } from './scoringGrid.ts'
import type { Plain } from './plain.ts'

/** @param kept short names other versions have: results are compared by them */
export const useNames = (draft: Plain, kept: Readonly<Ref<ReadonlySet<string>>>): Omit<DraftContext, 'restored'> => {
  const namedIn = (list: string): readonly Named[] =>
    listIn(draft, list).flatMap(({ id, name }) =>
      typeof id === 'string' && id !== '' ? [{ id, name: typeof name === 'string' && name !== '' ? name : id }] : [],
    )
  /** Made on this page, so that nothing outside the draft knows them. */
  const made = new Set<string>()

  const nameAnew = (item: Plain, name: string, siblings: readonly Plain[]): void => {
    const { id } = item
    const isOwn = isPlaceholder(id) || made.has(String(id))
    if (!isOwn || kept.value.has(String(id)) || name.trim() === '') return
    const taken = new Set(siblings.filter((one) => one !== item).map((one) => String(one['id'] ?? '')))
    const next = freeShortName(name, taken)
    item['id'] = next
    made.add(next)
    if (typeof id === 'string' && id !== '' && id !== next) referTo(draft, id, next)
  }

  const isReferredTo = (id: string): boolean => JSON.stringify(draft['events']).includes(`"category":"${id}"`)
  const addCategories = (categories: readonly (string | Named)[]): void => {
    const own = listIn(draft, 'categories')
    const fresh = categories.filter((one) => typeof one === 'string' || !own.some(({ id }) => id === one.id))
    if (fresh.length === 0) return
    const [only] = own
    const isTemplate = own.length === 1 && only?.['id'] === 'open' && !kept.value.has('open') && !isReferredTo('open')
    const stay = isTemplate ? [] : own
    const taken = new Set(stay.map(({ id }) => String(id)))
    draft['categories'] = [
      ...stay,
      ...fresh.map((one) => (typeof one === 'string' ? { id: freeShortName(one, taken), name: one } : { ...one })),
    ]
  }

  return {
    names: computed(() => ({
      event: namedIn('events'),
      alternate: namedIn('alternateEvents'),
      category: namedIn('categories'),
      role: namedIn('roles'),
    })),
    nameAnew,
    addCategories,
  }
}
