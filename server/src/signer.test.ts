/** The key of an installation: made once, whoever starts first, and readable by its owner alone. */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { ROOT } from '../../scripts/lib/paths.mjs'
import { openSigner } from './signer.ts'

const folder = mkdtempSync(path.join(tmpdir(), 'able-gauge-key-'))
afterAll(() => rmSync(folder, { recursive: true }))

const ofAnotherProcess = async (file: string): Promise<string> => {
  const program = `import { openSigner } from './server/src/signer.ts'; process.stdout.write(openSigner(${JSON.stringify(file)}).publicKey)`
  const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', program], {
    cwd: ROOT,
    env: { ...process.env, TSX_TSCONFIG_PATH: 'tsconfig.node.json' },
  })
  let said = ''
  child.stdout.on('data', (chunk) => (said += chunk))
  child.stderr.on('data', (chunk) => (said += chunk))
  await once(child, 'close')
  return said
}

test('two programs that start at once sign with one key, which its owner alone can read', async () => {
  const file = path.join(folder, 'key.pem')
  const keys = await Promise.all([ofAnotherProcess(file), ofAnotherProcess(file)])
  expect(keys).toEqual([openSigner(file).publicKey, openSigner(file).publicKey])
  expect(statSync(file).mode & 0o777).toBe(0o600)
  expect(readdirSync(folder)).toEqual(['key.pem'])
})
