/** The units of the organisation, read once and again when one changes. */
import { unitTree, unitsToChoose, UnitsAnswer, type OrgUnit } from '@able-gauge/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { call } from '../api.ts'
import { useSession } from './sessionStore.ts'

export const useUnits = defineStore('units', () => {
  const session = useSession()
  const units = shallowRef<readonly OrgUnit[]>([])

  /** @throws Refusal or NoAnswer */
  const read = async (): Promise<void> => {
    units.value = (await call('GET', '/units', UnitsAnswer)).units
  }

  const tree = computed(() => unitTree(units.value))
  /** Units that whoever is signed in may give to something. */
  const choices = computed(() => unitsToChoose(units.value, session.account?.unitId ?? null))
  const paths = computed(() => new Map(tree.value.map(({ id, path }) => [id, path])))
  /** "Constabulary, North Skerries"; empty for none. */
  const pathOf = (id: string | null | undefined): string => paths.value.get(id ?? '') ?? ''

  return { units, tree, choices, pathOf, read }
})
