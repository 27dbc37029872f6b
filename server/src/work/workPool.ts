/**
 * Worker threads for what takes long, so that everything else goes on meanwhile. A day always goes to the same worker, which
 * keeps what it knows of it; what waits is bounded.
 */
import { Worker } from 'node:worker_threads'
import type { Logger } from 'pino'
import type { Finding } from '@able-gauge/core'
import { TooBusy } from '../databaseFault.ts'
import { Problem } from '../problem.ts'
import { JOBS, type JobInputs, type JobName, type Workshop } from './jobs.ts'

export interface WorkPool {
  /** @returns the answer as JSON text @throws Problem as the job does, TooBusy when too much waits */
  readonly run: <Name extends JobName>(name: Name, input: JobInputs[Name]) => Promise<string>
  readonly close: () => Promise<void>
}

interface Waiting {
  readonly resolve: (text: string) => void
  readonly reject: (error: Error) => void
}

interface Answer {
  readonly id: number
  readonly text?: string
  readonly problem?: {
    readonly status: number
    readonly code: string
    readonly detail: string
    readonly findings: readonly Finding[]
    readonly retryAfterSeconds: number | null
    readonly cause: string
  }
}

const WORKERS = 2
const MOST_WAITING = 24

/** Does the work in this thread, without keeping anybody from waiting for it. */
export const makeWorkHere = (shop: Workshop): WorkPool => ({
  run: (name, input) => JOBS[name](shop, input),
  close: () => Promise.resolve(),
})

/** @param seed of the key days are signed with */
export const makeWorkPool = (databaseUrl: string, seed: string, log: Logger): WorkPool => {
  let turn = 0
  let closed = false
  const lanes = Array.from({ length: WORKERS }, () => ({
    worker: null as Worker | null,
    waiting: new Map<number, Waiting>(),
  }))

  const open = (lane: (typeof lanes)[number]): Worker => {
    const worker = new Worker(new URL('./startWorker.mjs', import.meta.url), {
      workerData: { databaseUrl, seed },
    })
    const failAll = (why: string): void => {
      lane.worker = null
      for (const { reject } of lane.waiting.values()) reject(new TooBusy(why))
      lane.waiting.clear()
    }
    worker.on('message', ({ id, text, problem }: Answer) => {
      const waiting = lane.waiting.get(id)
      lane.waiting.delete(id)
      if (text !== undefined) waiting?.resolve(text)
      else if (problem) {
        const { status, code, detail, findings, retryAfterSeconds, cause } = problem
        waiting?.reject(new Problem(status, code, detail, findings, retryAfterSeconds, cause))
      }
      if (lane.waiting.size === 0) worker.unref()
    })
    // a worker that breaks costs the answers it owed; the next job gets a new one
    worker.on('error', (error) => {
      log.error({ err: error }, 'a worker broke')
      failAll('A worker broke.')
    })
    worker.on('exit', () => {
      if (!closed && lane.worker === worker) failAll('A worker ended.')
    })
    return worker
  }

  const laneOf = (input: JobInputs[JobName]): (typeof lanes)[number] => {
    const key = 'occasionId' in input ? input.occasionId : ''
    const sum = [...key].reduce((total, sign) => total + (sign.codePointAt(0) ?? 0), 0)
    const lane = lanes[sum % WORKERS]
    if (!lane) throw new Error('There is no worker.')
    return lane
  }

  return {
    run: (name, input) =>
      new Promise((resolve, reject) => {
        const lane = laneOf(input)
        if (lane.waiting.size >= MOST_WAITING) {
          reject(new TooBusy(`${lane.waiting.size} whole days wait to be worked on already.`))
          return
        }
        const id = (turn += 1)
        lane.waiting.set(id, { resolve, reject })
        lane.worker ??= open(lane)
        lane.worker.ref()
        lane.worker.postMessage({ id, name, input })
      }),
    close: async () => {
      closed = true
      await Promise.all(lanes.map(({ worker }) => worker?.terminate()))
    },
  }
}
