/** npm run bench [-- NAME]: figures about speed, as ratios that hold on any machine. */
import { spawnSync } from 'node:child_process'
import { readdirSync } from 'node:fs'
import path from 'node:path'
import { run } from './lib/fail.mjs'
import { ROOT } from './lib/paths.mjs'
import { requireNode, requirePackages } from './lib/requirements.mjs'

await run(async () => {
  requireNode()
  requirePackages()
  const [wanted] = process.argv.slice(2)
  const NOT_A_BENCH = new Set(['median.ts', 'house.ts', 'impactWorker.ts', 'pressedConsole.ts'])
  const files = readdirSync(path.join(ROOT, 'bench')).filter((name) => name.endsWith('.ts') && !NOT_A_BENCH.has(name))
  for (const file of files.filter((name) => !wanted || name === `${wanted}.ts`)) {
    console.log(`\n== ${file}`)
    const { status } = spawnSync(process.execPath, ['--import', 'tsx', path.join('bench', file)], {
      cwd: ROOT,
      stdio: 'inherit',
    })
    if (status !== 0) process.exitCode = 1
  }
})
