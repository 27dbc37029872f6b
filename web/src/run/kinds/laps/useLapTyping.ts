/** What is typed at the lap console: a bib that crosses, or the bib that a time belongs to. */
import { nextTick, ref, type Ref } from 'vue'

const MOST_DIGITS = 5

/**
 * @param cross stamps a bib
 * @param assign puts a bib to a time; false where nobody wears it
 * @param field where bibs are typed
 */
export const useLapTyping = (
  cross: (bib: number) => void,
  assign: (captureId: string, bib: number) => boolean,
  field: () => HTMLElement | null | undefined,
) => {
  const typed = ref('')
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
  const type = (digit: string): void => {
    if (typed.value.length < MOST_DIGITS) typed.value += digit
  }
  const backspace = (): void => {
    typed.value = typed.value.slice(0, -1)
  }
  return { typed, assigning, enter, beginAssigning, clear, type, backspace }
}
