/** The small authority of a field: believed once, whatever network the machine is on; and it can vouch for little. */
import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import path from 'node:path'
import { connect } from 'node:tls'
import { afterAll, expect, test } from 'vitest'
import { openAuthority } from './lib/authority.mjs'
import { DATA } from './lib/paths.mjs'

const folder = mkdtempSync(path.join(DATA, 'authority-test-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const NAMES = ['field-laptop', 'field-laptop.local']
const open = (addresses: readonly string[], names: readonly string[] = NAMES, at = folder) =>
  openAuthority(at, addresses, names)
const certificate = (file: string): X509Certificate => new X509Certificate(readFileSync(file))

/** What somebody who believes the authority makes of a certificate of it. @returns null where it is good */
const trusted = async ({ authorityFile, certificateFile, keyFile }: Awaited<ReturnType<typeof open>>, host: string) => {
  const server = createServer({ cert: readFileSync(certificateFile), key: readFileSync(keyFile) })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  const found = await new Promise<string | null>((resolve) => {
    const socket = connect({ host: '127.0.0.1', port, servername: host, ca: readFileSync(authorityFile) })
    socket.once('secureConnect', () => resolve(null))
    socket.once('error', (error) => resolve(error.message))
    socket.once('close', () => resolve('closed'))
  })
  server.closeAllConnections()
  server.close()
  return found
}

test('the authority stays when the addresses change, and its new certificate is for the new ones alone', async () => {
  const first = await open(['192.168.7.3'])
  expect(first.isNew).toBe(true)
  const authority = readFileSync(first.authorityFile, 'utf8')
  expect(certificate(first.certificateFile).checkIP('192.168.7.3')).toBe('192.168.7.3')
  const served = readFileSync(first.certificateFile, 'utf8')
  expect(await open(['192.168.7.3'])).toMatchObject({ isNew: false })
  expect(readFileSync(first.certificateFile, 'utf8')).toBe(served)

  const moved = await open(['10.20.0.9'])
  expect(moved.isNew).toBe(false)
  expect(readFileSync(moved.authorityFile, 'utf8')).toBe(authority)
  const now = certificate(moved.certificateFile)
  expect(now.checkIP('10.20.0.9')).toBe('10.20.0.9')
  expect(now.checkIP('192.168.7.3')).toBeUndefined()
  expect(now.verify(certificate(moved.authorityFile).publicKey)).toBe(true)
  for (const host of ['localhost', 'field-laptop', 'field-laptop.local']) expect(await trusted(moved, host)).toBeNull()
})

test('keys are read by their owner alone', async () => {
  const { keyFile } = await open(['192.168.7.3'])
  for (const file of [keyFile, path.join(folder, 'authority-key.pem')]) expect(statSync(file).mode & 0o777).toBe(0o600)
})

test('a machine that was renamed goes on with the names the authority may vouch for', async () => {
  const renamed = await open(['192.168.7.3'], ['new-name', 'new-name.local'])
  expect(renamed.isNew).toBe(false)
  const { subjectAltName } = certificate(renamed.certificateFile)
  expect(subjectAltName).not.toContain('new-name')
  expect(await trusted(renamed, 'localhost')).toBeNull()
})

test('an authority that was made anew has a certificate of its own', async () => {
  const first = await open(['192.168.7.3'])
  rmSync(first.authorityFile)
  const again = await open(['192.168.7.3'])
  expect(again.isNew).toBe(true)
  expect(certificate(again.certificateFile).verify(certificate(again.authorityFile).publicKey)).toBe(true)
  expect(await trusted(again, 'field-laptop')).toBeNull()
})

test('nobody who believes it is taken in by a certificate for somewhere else', async () => {
  const elsewhere = mkdtempSync(path.join(DATA, 'authority-test-'))
  try {
    // whoever stole the key could make this one; the authority's own constraint spoils it
    const made = await open(['192.168.7.3'], NAMES, elsewhere)
    writeFileSync(path.join(elsewhere, 'authority-names.json'), JSON.stringify([...NAMES, 'bank.example']))
    const forged = await open(['192.168.7.3'], [...NAMES, 'bank.example'], elsewhere)
    expect(readFileSync(forged.authorityFile, 'utf8')).toBe(readFileSync(made.authorityFile, 'utf8'))
    expect(certificate(forged.certificateFile).subjectAltName).toContain('bank.example')
    expect(await trusted(forged, 'bank.example')).toMatch(/permitted subtree violation|closed/)
  } finally {
    rmSync(elsewhere, { recursive: true, force: true })
  }
})
