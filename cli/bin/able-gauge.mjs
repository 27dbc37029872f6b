#!/usr/bin/env node
import { fileURLToPath } from 'node:url'
import { register } from 'tsx/esm/api'

// whoever reads the output may stop reading, as `head` does
process.stdout.on('error', (error) => {
  if (error.code !== 'EPIPE') throw error
  process.exit(0)
})

register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) })
const { main } = await import('../src/main.ts')
const { writeTo } = await import('../src/judge.ts')
process.exitCode = await main(process.argv.slice(2), {
  out: (line) => console.log(line),
  complain: (line) => console.error(line),
  write: writeTo(process.stdout),
})
