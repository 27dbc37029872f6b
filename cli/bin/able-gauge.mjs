#!/usr/bin/env node
// as it was built (npm run build), or from the sources where nothing is built yet
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

const built = new URL('../dist/program.mjs', import.meta.url)
if (existsSync(built)) await import(built.href)
else {
  const { register } = await import('tsx/esm/api')
  register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) })
  await import('../src/program.ts')
}
