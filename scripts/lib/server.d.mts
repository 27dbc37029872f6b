import type { ChildProcess } from 'node:child_process'
import type { Cluster } from './postgres.mjs'

export const prepareDatabase: (cluster: Cluster, database: string, demo: boolean) => void
export const startServer: (
  cluster: Cluster,
  database: string,
  options: { host: string; port: number; webFolder: string; demo: boolean },
) => Promise<{ child: ChildProcess; port: number }>
