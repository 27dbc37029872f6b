/** npm start as a person at a terminal has it. */
import { spawn, spawnSync, type ChildProcess, type SpawnSyncReturns } from 'node:child_process'
import { once } from 'node:events'
import { ROOT } from '../scripts/lib/paths.mjs'

export interface Program {
  readonly child: ChildProcess
  readonly output: () => string
  /** Until it said that it runs. */
  readonly seconds: number
  /** Ends it as Ctrl-C does. @returns its exit code */
  readonly stop: () => Promise<number>
}

/** Starts it on a folder of its own. @throws Error with all it said when it ends before it runs */
export const startProgram = async (folder: string, port: number, ...options: string[]): Promise<Program> => {
  const began = performance.now()
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), ...options], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_DATA: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let output = ''
  await new Promise<void>((resolve, reject) => {
    const read = (chunk: Buffer): void => {
      output += chunk.toString()
      if (output.includes('Press Ctrl-C to stop')) resolve()
    }
    child.stdout?.on('data', read)
    child.stderr?.on('data', read)
    child.once('exit', () => reject(new Error(output)))
  })
  const stop = async (): Promise<number> => {
    const ended = once(child, 'exit') as Promise<[number]>
    child.kill('SIGINT')
    return (await ended)[0]
  }
  return { child, output: () => output, seconds: (performance.now() - began) / 1000, stop }
}

/** Runs one of our commands on a folder of its own, until it has ended. */
export const command = (
  folder: string,
  script: string,
  args: readonly string[],
  env: NodeJS.ProcessEnv = {},
): SpawnSyncReturns<string> =>
  spawnSync(process.execPath, [`scripts/${script}.mjs`, ...args], {
    cwd: ROOT,
    env: { ...process.env, ABLE_GAUGE_DATA: folder, ...env },
    encoding: 'utf8',
  })
