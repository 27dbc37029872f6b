/** The register as a file: the list as a table, or everything with all tests. */
import { PeopleAnswer, printRegister } from '@able-gauge/core'
import { ref } from 'vue'
import { call, download, inWords } from '../api.ts'
import { useUnits } from '../session/unitStore.ts'
import { today } from '../ui/localTime.ts'
import { saveFile } from '../ui/saveFile.ts'
import { saveCsvTable, saveXlsxTable } from '../ui/saveTable.ts'

/** @param unitId whose people; empty for all within reach */
export const useRegisterFiles = (unitId: () => string) => {
  const units = useUnits()
  const problem = ref('')
  const query = (): string => (unitId() === '' ? '' : `?unit=${unitId()}`)
  const nameOf = (ending: string): string => {
    const of = units.pathOf(unitId())
    return `${today()} people${of === '' ? '' : `, ${of}`}.${ending}`
  }
  const saving = async (work: () => Promise<void>): Promise<void> => {
    problem.value = ''
    try {
      await work()
    } catch (error) {
      problem.value = inWords(error)
    }
  }
  const table = async (): Promise<(string | number)[][]> =>
    printRegister((await call('GET', `/register${query()}`, PeopleAnswer)).people, units.units)

  const saveCsv = (): Promise<void> => saving(async () => saveCsvTable(nameOf('csv'), await table()))
  const saveXlsx = (): Promise<void> => saving(async () => saveXlsxTable(nameOf('xlsx'), await table()))
  const saveEverything = (): Promise<void> =>
    saving(async () => saveFile(nameOf('json'), 'application/json', await download(`/register/everything${query()}`)))
  return { problem, saveCsv, saveXlsx, saveEverything }
}
