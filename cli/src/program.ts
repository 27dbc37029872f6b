/** What `able-gauge` runs: the command line on this process's streams. */
import { main } from './main.ts'
import { writeTo } from './judge.ts'

// whoever reads the output may stop reading, as `head` does
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
  process.exit(0)
})

process.exitCode = await main(process.argv.slice(2), {
  out: (line) => console.log(line),
  complain: (line) => console.error(line),
  write: writeTo(process.stdout),
})
