/**
 * One file that holds a house: a manifest and what PostgreSQL dumps, encrypted with a passphrase. Format in docs/formats/backup.md.
 *
 *     able-gauge backup 1 \n   header, JSON in one line \n   AES-256-GCM( length of manifest, manifest, dump )   tag
 */
import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto'
import {
  closeSync,
  createReadStream,
  createWriteStream,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { Readable, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Obstacle } from './fail.mjs'

const MAGIC = 'able-gauge backup 1\n'
const TAG_BYTES = 16
const LONGEST_HEADER = 4_096
/** As RFC 7914 has it, for a secret that has to last: about a quarter of a second and 64 MB. */
const KDF = { N: 2 ** 16, r: 8, p: 1 }

const keyFrom = (passphrase, { salt, N, r, p }) =>
  scryptSync(passphrase.normalize('NFKC'), Buffer.from(salt, 'base64'), 32, { N, r, p, maxmem: 256 * N * r })

/**
 * Writes a backup; it stands under its name only once it is whole.
 * @param manifest what is known of it besides the dump
 * @param dump a stream
 */
export const writeBackup = async (file, passphrase, manifest, dump) => {
  const header = {
    made: new Date().toISOString(),
    kdf: { ...KDF, salt: randomBytes(16).toString('base64') },
    nonce: randomBytes(12).toString('base64'),
  }
  const head = Buffer.from(`${MAGIC}${JSON.stringify(header)}\n`)
  const cipher = createCipheriv('aes-256-gcm', keyFrom(passphrase, header.kdf), Buffer.from(header.nonce, 'base64'))
  // what stands in clear is under the same seal
  cipher.setAAD(head)
  const facts = Buffer.from(JSON.stringify(manifest))
  const size = Buffer.alloc(4)
  size.writeUInt32BE(facts.length)
  const plain = async function* () {
    yield size
    yield facts
    yield* dump
  }
  const sealed = async function* () {
    yield head
    for await (const chunk of plain()) yield cipher.update(chunk)
    yield cipher.final()
    yield cipher.getAuthTag()
  }
  const growing = `${file}.part`
  try {
    await pipeline(Readable.from(sealed()), createWriteStream(growing, { mode: 0o600 }))
    renameSync(growing, file)
  } catch (error) {
    rmSync(growing, { force: true })
    throw error
  }
}

/**
 * Opens a backup. Whether it is whole is known only at its end, when the seal is checked: nothing is to be done with what `take` is given
 * before that, or the file was read through once already.
 * @param take is given the dump, as it is opened
 * @returns the manifest
 * @throws Obstacle for a file that is none, a wrong passphrase, or a file that was changed or cut
 */
export const readBackup = async (file, passphrase, take) => {
  const { head, header } = readHead(file)
  const end = statSync(file).size - TAG_BYTES
  const tag = Buffer.alloc(TAG_BYTES)
  readAt(file, tag, end)
  const decipher = createDecipheriv('aes-256-gcm', keyFrom(passphrase, header.kdf), Buffer.from(header.nonce, 'base64'))
  decipher.setAAD(head)
  decipher.setAuthTag(tag)
  const opened = async function* () {
    for await (const chunk of createReadStream(file, { start: head.length, end: end - 1 })) yield decipher.update(chunk)
    decipher.final()
  }
  let facts = Buffer.alloc(0)
  const dump = async function* () {
    let isDump = false
    for await (const chunk of opened()) {
      if (isDump) yield chunk
      else {
        facts = Buffer.concat([facts, chunk])
        const whole = facts.length < 4 ? Infinity : 4 + facts.readUInt32BE(0)
        isDump = facts.length >= whole
        if (isDump) {
          yield facts.subarray(whole)
          facts = facts.subarray(4, whole)
        }
      }
    }
  }
  try {
    await take(dump())
    return JSON.parse(facts.toString())
  } catch (error) {
    if (error instanceof Obstacle) throw error
    throw new Obstacle(
      `${file} does not open: the passphrase is another, or the file was changed or cut. Nothing was restored.`,
    )
  }
}

/** Reads a backup through, so that it is known to be whole. @returns the manifest @throws Obstacle as `readBackup` */
export const checkBackup = (file, passphrase) =>
  readBackup(file, passphrase, (dump) => pipeline(dump, new Writable({ write: (_chunk, _encoding, done) => done() })))

const readAt = (file, buffer, position) => {
  const handle = openSync(file, 'r')
  try {
    return readSync(handle, buffer, 0, buffer.length, position)
  } finally {
    closeSync(handle)
  }
}

const readHead = (file) => {
  const start = Buffer.alloc(LONGEST_HEADER)
  const read = readAt(file, start, 0)
  const text = start.subarray(0, read).toString('latin1')
  if (!text.startsWith('able-gauge backup ')) throw new Obstacle(`${file} is no backup of Able Gauge.`)
  if (!text.startsWith(MAGIC))
    throw new Obstacle(`${file} is a backup in a form this program does not know. Use the newer program that made it.`)
  const end = text.indexOf('\n', MAGIC.length)
  try {
    return { head: start.subarray(0, end + 1), header: JSON.parse(text.slice(MAGIC.length, end)) }
  } catch {
    throw new Obstacle(`${file} was changed or cut: its header cannot be read.`)
  }
}
