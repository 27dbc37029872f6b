/** The bib that is typed at a console, digit by digit, and whose it is. */
import { computed, ref, type Ref } from 'vue'
import { shortName, type Entry } from '../../day/day.ts'

const MOST_DIGITS = 5

export interface TypedBib {
  readonly typed: Ref<string>
  /** Who wears it, in a few words; empty while nothing is typed. */
  readonly typedName: Readonly<Ref<string>>
  readonly type: (digit: string) => void
  readonly backspace: () => void
  /** Whether a key is for the bib, whichever button was touched last: Enter, while something is typed. */
  readonly wantsKey: (name: string) => boolean
  /** Takes what is typed off the field. @returns who wears it, if anybody */
  readonly takeTyped: () => Entry | undefined
}

/** @param runners who may wear it: those of one wave */
export const useTypedBib = (runners: () => readonly Entry[], wave: () => number): TypedBib => {
  const typed = ref('')
  const typedEntry = computed(() =>
    typed.value === '' ? undefined : runners().find(({ bib }) => String(bib) === typed.value),
  )
  const typedName = computed(() => {
    if (typed.value === '') return ''
    return typedEntry.value ? shortName(typedEntry.value) : `not in wave ${wave()}`
  })
  return {
    typed,
    typedName,
    type: (digit) => {
      if (typed.value.length < MOST_DIGITS) typed.value += digit
    },
    backspace: () => (typed.value = typed.value.slice(0, -1)),
    wantsKey: (name) => name === 'Enter' && typed.value !== '',
    takeTyped: () => {
      const entry = typedEntry.value
      typed.value = ''
      return entry
    },
  }
}
