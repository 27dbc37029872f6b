/** Something asked of the server: busy until it answers, and what went wrong in words. */
import { ref } from 'vue'
import { inWords } from '../api.ts'

export const useAsking = () => {
  const busy = ref(false)
  const problem = ref('')
  const asking = async (work: () => Promise<void>): Promise<void> => {
    busy.value = true
    problem.value = ''
    try {
      await work()
    } catch (error) {
      problem.value = inWords(error)
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, asking }
}
