/** The organisation's own rules, read once for a session. */
import { type HouseRules, HouseRulesAnswer, RevisionAnswer } from '@able-gauge/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { call, NoAnswer } from '../api.ts'

export const useHouseRules = defineStore('houseRules', () => {
  const rules = ref<HouseRules | null>(null)
  const revision = ref(0)

  const read = async (): Promise<void> => {
    try {
      const answer = await call('GET', '/house-rules', HouseRulesAnswer)
      rules.value = answer.rules
      revision.value = answer.revision
    } catch (error) {
      // without a connection what needs the rules says so and waits
      if (!(error instanceof NoAnswer)) throw error
    }
  }
  const write = async (next: HouseRules): Promise<void> => {
    const answer = await call('PUT', '/house-rules', RevisionAnswer, { revision: revision.value, rules: next })
    rules.value = next
    revision.value = answer.revision
  }

  return { rules, revision, read, write }
})
