/** Standards that were practised on here, kept so that practice needs no network. */
import type { Standard } from '@able-gauge/core'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { NoAnswer } from '../api.ts'
import { readVersion } from '../standards/standardCalls.ts'

const MOST_KEPT = 4
const kept = useLocalStorage<readonly Standard[]>('able-gauge-practice-standards', [], {
  serializer: StorageSerializers.object,
})

/** Those that open without a network, the one used last first. */
export const keptStandards = (): readonly Standard[] => kept.value

/** @throws as `call`, and NoAnswer where it is not kept here either */
export const standardToPractise = async (id: string, version: number): Promise<Standard> => {
  try {
    const { content } = await readVersion(id, version)
    // a published version was checked when it was published
    const standard = content as Standard
    kept.value = [standard, ...kept.value.filter((one) => one.id !== id || one.version !== version)].slice(0, MOST_KEPT)
    return standard
  } catch (error) {
    const known = kept.value.find((one) => one.id === id && one.version === version)
    if (error instanceof NoAnswer && known) return known
    throw error
  }
}
