/** A worker thread: takes one job after another, with connections of its own. */
import { parentPort, workerData } from 'node:worker_threads'
import { LONG, openPool } from '../database.ts'
import { problemFrom } from '../problem.ts'
import { signerWith } from '../signer.ts'
import { JOBS, type JobInputs, type JobName } from './jobs.ts'

const CONNECTIONS = 2

// given by makeWorkPool, in the same process
const { databaseUrl, seed } = workerData as { databaseUrl: string; seed: string }
const shop = { pool: openPool(databaseUrl, CONNECTIONS, LONG), signer: signerWith(seed) }

const run = <Name extends JobName>(name: Name, input: JobInputs[Name]): Promise<string> => JOBS[name](shop, input)

parentPort?.on('message', ({ id, name, input }: { id: number; name: JobName; input: JobInputs[JobName] }) => {
  run(name, input as never).then(
    (text) => parentPort?.postMessage({ id, text }),
    (error: unknown) => {
      const { status, code, detail, findings, retryAfterSeconds } = problemFrom(error)
      const cause = error instanceof Error ? error.message : String(error)
      parentPort?.postMessage({ id, problem: { status, code, detail, findings, retryAfterSeconds, cause } })
    },
  )
})
