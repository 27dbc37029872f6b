/** The settings of a server process, read and checked in this one place. */
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
})

export const needed = (env: Readonly<Record<string, string | undefined>>, name: string): string => {
  const value = env[name]
  if (!value) throw new Error(`The setting ${name} is missing. Start the program with "npm start", which sets it.`)
  return value
}

const portIn = (text: string): number => {
  const port = Number(text)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) {
    throw new Error(`ABLE_GAUGE_PORT is "${text}". Expected a port from 0 to 65535.`)
  }
  return port
}
