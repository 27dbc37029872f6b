/** A phone with a store of certificates of its own. */
import { spawnSync } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import path from 'node:path'
import { chromium, type BrowserContext } from '@playwright/test'
import { CHROMIUM_ARGS } from '../scripts/lib/browser.mjs'
import { DATA } from '../scripts/lib/paths.mjs'
import { requireCertutil, requireChromium } from '../scripts/lib/requirements.mjs'

const certutil = (...args: string[]): void => {
  const { status, stderr } = spawnSync(requireCertutil(), args, { encoding: 'utf8' })
  if (status !== 0) throw new Error(`certutil ${args.join(' ')}: ${stderr}`)
}

/**
 * A browser of its own home that finds the machine by a name. With an authority, somebody put it into the store by hand, as
 * the page for phones says.
 */
export const openPhone = async (
  name: string,
  hostName: string,
  authorityFile: string | null,
): Promise<BrowserContext> => {
  const home = path.join(DATA, `e2e-home-${name}`)
  rmSync(home, { recursive: true, force: true })
  const store = path.join(home, '.pki', 'nssdb')
  mkdirSync(store, { recursive: true })
  certutil('-N', '-d', `sql:${store}`, '--empty-password')
  if (authorityFile) certutil('-A', '-d', `sql:${store}`, '-t', 'C,,', '-n', 'field', '-i', authorityFile)
  return chromium.launchPersistentContext(path.join(home, 'profile'), {
    executablePath: requireChromium(),
    args: [...CHROMIUM_ARGS, `--host-resolver-rules=MAP ${hostName} 127.0.0.1`],
    env: { ...process.env, HOME: home },
    viewport: { width: 390, height: 844 },
  })
}
