/** Comparing two versions over 100,000 people in five events, in a worker, while the main thread goes on. */
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { Worker } from 'node:worker_threads'

const BUDGET_MS = 2_000
const RUNS = 3

/** A worker does not inherit how its parent reads TypeScript. */
const BEGIN = `import('tsx/esm/api').then(({ register }) => {
  register()
  return import(require('node:worker_threads').workerData)
})`

// the main thread only waits; what its timers are late by is what the worker takes from it
const delay = monitorEventLoopDelay({ resolution: 5 })
for (let run = 0; run < RUNS; run++) {
  const worker = new Worker(BEGIN, { eval: true, workerData: new URL('./impactWorker.ts', import.meta.url).href })
  await new Promise((resolve) => worker.once('message', resolve)) // the people are made
  delay.enable()
  worker.postMessage('go')
  const { ms, people, changed } = await new Promise<{ ms: number; people: number; changed: number }>((resolve) =>
    worker.once('message', resolve),
  )
  delay.disable()
  console.log(
    `${people.toLocaleString('en')} people × 5 events, ${changed.toLocaleString('en')} change: ${(ms / BUDGET_MS).toFixed(2)} of 2 s; main thread late by at most ${((delay.max / 1e6 - 5) / 50).toFixed(2)} of 50 ms`,
  )
  await worker.terminate()
}
