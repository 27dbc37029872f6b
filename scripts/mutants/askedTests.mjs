/** The tests of core that a mutation run asks (`npm run mutants`): those of the folder, and of the folders that use it most. */
import { readdirSync } from 'node:fs'
import path from 'node:path'

const ASKED = {
  quantity: ['quantity', 'words'],
  capture: ['capture', 'kinds', 'judge'],
  kinds: ['kinds', 'judge', 'words', 'format', 'standard', 'plan', 'rehearsal', 'drill', 'capture'],
  judge: ['judge', 'kinds', 'day', 'standard', 'words', 'format', 'insight'],
  standard: ['standard', 'judge', 'kinds', 'words', 'format', 'insight'],
}
/** It looks at files of the whole house, of which a run has core alone. */
const LEFT_OUT = new Set(['house.test.ts'])

/** @returns the files with tests to ask about a folder of core, as paths below the given root */
export const askedTests = (root, folder) =>
  (ASKED[folder] ?? ASKED[folder.split('/')[0]] ?? [folder]).flatMap((asked) =>
    readdirSync(path.join(root, 'core', 'src', asked), { recursive: true })
      .filter((file) => file.endsWith('.test.ts') && !LEFT_OUT.has(path.basename(file)))
      .map((file) => path.join('core', 'src', asked, file))
      .sort(),
  )
