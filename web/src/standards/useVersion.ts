/** The version of a standard the page is about, as the server has it. */
import type { Standard, VersionDetail } from '@able-gauge/core'
import { computed, inject, provide, ref, shallowRef, watch, type InjectionKey } from 'vue'
import { inWords } from '../api.ts'
import { readStandard, type ReadVersion } from './readStandard.ts'
import { readVersion } from './standardCalls.ts'

export const provideVersion = (id: () => string, version: () => number) => {
  const detail = shallowRef<VersionDetail | null>(null)
  const read = shallowRef<ReadVersion | null>(null)
  const problem = ref('')
  const reread = async (): Promise<void> => {
    try {
      const answer = await readVersion(id(), version())
      read.value = await readStandard(answer)
      detail.value = answer
      problem.value = ''
    } catch (error) {
      problem.value = inWords(error)
    }
  }
  watch([id, version], reread, { immediate: true })
  /** The standard, or null while a draft is unsound. */
  const standard = computed<Standard | null>(() => read.value?.standard ?? null)
  const remarks = computed(() => read.value?.remarks ?? [])
  const page = { detail, problem, reread, standard, remarks, id, version }
  provide(KEY, page)
  return page
}

export type VersionPage = ReturnType<typeof provideVersion>

const KEY: InjectionKey<VersionPage> = Symbol('the version of a standard')

/** @throws Error outside of a StandardFrame */
export const useVersion = (): VersionPage => {
  const page = inject(KEY)
  if (!page) throw new Error('This room shows a version of a standard. Open it inside StandardFrame.')
  return page
}
