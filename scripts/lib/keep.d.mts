import type { Cluster } from './postgres.mjs'

interface Keys {
  readonly passphrase: string
  readonly keyFile: string
  readonly withKey?: boolean
}
export interface Counts {
  readonly days: number
  readonly people: number
  readonly captures: number
}
export const backUp: (
  cluster: Cluster,
  bin: string,
  database: string,
  file: string,
  keys: Keys,
) => Promise<{ made: Counts }>
export const restore: (
  cluster: Cluster,
  bin: string,
  database: string,
  file: string,
  keys: Keys,
) => Promise<{ counts: Counts; erased: number; replaced: string | null }>
