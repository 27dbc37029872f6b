/** Undo and redo for a document that is edited in place: one step for each field that was left, each paste, each press. */
import { useDebounceFn, useManualRefHistory } from '@vueuse/core'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Plain } from './plain.ts'

const REST_MS = 600
const MOST_STEPS = 200

export const useSteps = (draft: Plain) => {
  const restored = ref(0)
  const isDirty = ref(false)
  const written = (): string => JSON.stringify(toRaw(draft))

  /** The document takes the place of the one there was, object by object anew. */
  const replace = (document: Plain): void => {
    for (const name of Object.keys(draft)) if (!(name in document)) Reflect.deleteProperty(draft, name)
    Object.assign(draft, document)
    restored.value++
  }

  const history = useManualRefHistory<Plain, string>(shallowRef(draft), {
    capacity: MOST_STEPS,
    dump: written,
    parse: (text) => JSON.parse(text) as Plain, // written by `dump`
    setSource: (_, document) => replace(document),
  })
  /** What was changed since the last step becomes one. */
  const settle = (): void => {
    isDirty.value = false
    if (written() !== history.last.value.snapshot) history.commit()
  }
  const settleSoon = useDebounceFn(settle, REST_MS)
  watch(draft, () => {
    isDirty.value = true
    void settleSoon()
  })

  return {
    restored,
    /** Ends a step: a field was left, something was pressed. */
    settle,
    undo: (): void => {
      settle()
      history.undo()
    },
    redo: (): void => {
      settle()
      history.redo()
    },
    canUndo: computed(() => history.canUndo.value || isDirty.value),
    canRedo: computed(() => history.canRedo.value && !isDirty.value),
    replace,
  }
}
