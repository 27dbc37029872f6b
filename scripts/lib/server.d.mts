import type { ChildProcess } from 'node:child_process'
import type { Cluster } from './postgres.mjs'

export const KEY_FILE: string
export const prepareDatabase: (cluster: Cluster, database: string, demo: boolean, setUpCode?: string) => void
export const startServer: (
  cluster: Cluster,
  database: string,
  options: {
    host: string
    port: number
    webFolder: string
    demo: boolean
    field?: { folder: string; addresses: readonly string[]; httpsPort: number } | null
  },
) => Promise<{ child: ChildProcess; port: number }>
