/** What is typed at the lap console: a bib that crosses, or the bib that a time belongs to. */
import { nextTick, ref, type Ref } from 'vue'
import type { TypedBib } from '../../console/useTypedBib.ts'

/**
 * @param bib what is typed
 * @param cross stamps a bib
 * @param assign puts a bib to a time; false where nobody wears it
 * @param field where bibs are typed
 */
export const useLapTyping = (
  { typed }: TypedBib,
  cross: (bib: number) => void,
  assign: (captureId: string, bib: number) => boolean,
  field: () => HTMLElement | null | undefined,
) => {
  /** The time the typed bib goes to. */
  const assigning: Ref<string | null> = ref(null)

  const enter = (): void => {
    const bib = Number(typed.value)
    typed.value = ''
    if (!Number.isInteger(bib) || bib < 1) return
    if (assigning.value === null) cross(bib)
    else if (assign(assigning.value, bib)) assigning.value = null
  }
  const beginAssigning = (captureId: string | null): void => {
    assigning.value = captureId
    typed.value = ''
    void nextTick(() => field()?.focus())
  }
  const clear = (): void => {
    assigning.value = null
    typed.value = ''
  }
  return { assigning, enter, beginAssigning, clear }
}
