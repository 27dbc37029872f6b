/** The settings of a server process, read and checked in this one place. */
import path from 'node:path'
import type { FieldSettings } from './field.ts'

export interface Environment {
  readonly databaseUrl: string
  readonly host: string
  readonly port: number
  readonly demo: boolean
  readonly logLevel: string
  readonly webFolder: string | null
  /** Where the key days are signed with is kept; null for one that lasts as long as the process. */
  readonly keyFile: string | null
  /** Address or subnet of the proxy in front, or null. */
  readonly trustedProxy: string | null
  /** Where a field is served besides, or null. */
  readonly field: FieldSettings | null
}

/** @throws Error naming the setting that is missing or wrong */
export const readEnvironment = (env: Readonly<Record<string, string | undefined>>): Environment => ({
  databaseUrl: needed(env, 'ABLE_GAUGE_DATABASE_URL'),
  host: env['ABLE_GAUGE_HOST'] ?? '127.0.0.1',
  port: portIn(env['ABLE_GAUGE_PORT'] ?? '4680'),
  demo: env['ABLE_GAUGE_DEMO'] === '1',
  logLevel: env['ABLE_GAUGE_LOG'] ?? 'warn',
  webFolder: env['ABLE_GAUGE_WEB'] || null,
  keyFile: env['ABLE_GAUGE_KEY_FILE'] || null,
  trustedProxy: env['ABLE_GAUGE_TRUSTED_PROXY'] || null,
  field: env['ABLE_GAUGE_FIELD_FOLDER'] ? fieldIn(env, env['ABLE_GAUGE_FIELD_FOLDER']) : null,
})

export const needed = (env: Readonly<Record<string, string | undefined>>, name: string): string => {
  const value = env[name]
  if (!value) throw new Error(`The setting ${name} is missing. Start the program with "npm start", which sets it.`)
  return value
}

/** The certificates of a field stand together, under the names that `npm start -- --field` gives them. */
const fieldIn = (env: Readonly<Record<string, string | undefined>>, folder: string): FieldSettings => ({
  authorityFile: path.join(folder, 'authority.pem'),
  certificateFile: path.join(folder, 'server.pem'),
  keyFile: path.join(folder, 'server-key.pem'),
  addresses: (env['ABLE_GAUGE_FIELD_ADDRESSES'] ?? '').split(',').filter(Boolean),
  httpsPort: portIn(needed(env, 'ABLE_GAUGE_HTTPS_PORT'), 'ABLE_GAUGE_HTTPS_PORT'),
})

const portIn = (text: string, name = 'ABLE_GAUGE_PORT'): number => {
  const port = Number(text)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`${name} is "${text}". Expected a port from 0 to 65535.`)
  }
  return port
}
