/** A part of the house's rules while it is edited: what was typed is still there after leaving the room, until it is saved or dropped. */
import type { HouseRules } from '@able-gauge/core'
import { StorageSerializers, useSessionStorage } from '@vueuse/core'
import { computed, onMounted, ref, watch, type Ref } from 'vue'
import { inWords } from '../api.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useDone } from '../ui/done.ts'

/**
 * @param key names the part
 * @param read what is edited, from the rules
 * @param write the rules with what was edited in them
 */
export const useHouseDraft = <Draft extends object>(
  key: string,
  read: (rules: HouseRules) => Draft,
  write: (rules: HouseRules, draft: Draft) => HouseRules,
) => {
  const house = useHouseRules()
  const done = useDone()
  const kept = useSessionStorage<Draft | null>(`able-gauge-house-${key}`, null, {
    serializer: StorageSerializers.object,
  })
  // a draft is plain data, so that the reference holds just that
  const draft = ref(null) as Ref<Draft | null>
  const problem = ref('')
  const saved = ref(false)

  const stored = (): Draft | null => (house.rules ? read(house.rules) : null)
  const isChanged = computed(() => draft.value !== null && JSON.stringify(draft.value) !== JSON.stringify(stored()))

  onMounted(async () => {
    try {
      await house.read()
      draft.value = kept.value ?? stored()
    } catch (error) {
      problem.value = inWords(error)
    }
  })
  watch(
    draft,
    (now) => {
      kept.value = isChanged.value ? now : null
      if (isChanged.value) saved.value = false
    },
    { deep: true },
  )

  const save = async (): Promise<void> => {
    if (!draft.value || !house.rules) return
    problem.value = ''
    try {
      await house.write(write(house.rules, draft.value))
      draft.value = stored()
      kept.value = null
      saved.value = true
      done.tell('Saved for the house.')
    } catch (error) {
      problem.value = inWords(error)
      // what somebody else wrote meanwhile is what the next save builds on; what was typed here stays
      await house.read().catch(() => undefined)
    }
  }
  const drop = (): void => {
    draft.value = stored()
    kept.value = null
  }

  return { draft, problem, saved, isChanged, save, drop }
}
