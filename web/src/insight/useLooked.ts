/** Something asked of the server again whenever what it is asked by changes; the last one asked for counts. */
import { onMounted, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { inWords } from '../api.ts'

export interface Looked<Answer> {
  /** Null until the first answer. */
  readonly answer: Readonly<ShallowRef<Answer | null>>
  readonly problem: Readonly<Ref<string>>
  readonly isLooking: Readonly<Ref<boolean>>
  readonly look: () => Promise<void>
}

export const useLooked = <Asked, Answer>(
  asked: () => Asked,
  ask: (asked: Asked) => Promise<Answer>,
): Looked<Answer> => {
  const answer = shallowRef<Answer | null>(null)
  const problem = ref('')
  const isLooking = ref(false)
  let turn = 0
  const look = async (): Promise<void> => {
    const own = ++turn
    isLooking.value = true
    try {
      const found = await ask(asked())
      if (own !== turn) return
      answer.value = found
      problem.value = ''
    } catch (error) {
      if (own === turn) problem.value = inWords(error)
    }
    if (own === turn) isLooking.value = false
  }
  watch(() => JSON.stringify(asked()), look)
  onMounted(look)
  return { answer, problem, isLooking, look }
}
