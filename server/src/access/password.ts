/**
 * Passwords become keys by scrypt (RFC 7914), with a salt of their own. The database keeps the hash of the key beside the
 * parameters and compares by itself: neither the application's role nor a copy of the table can sign in with what is stored.
 */
import { createHash, randomBytes, scrypt, type ScryptOptions } from 'node:crypto'

const COST = 2 ** 15
const BLOCK_SIZE = 8
const PARALLEL = 1
const KEY_BYTES = 32

/**
 * What is stored for a password: `scrypt2$cost$blockSize$parallel$salt$hash of the key`.
 * @param cost less of it is for tests, which sign in many times
 */
export const hashPassword = async (password: string, cost = COST): Promise<string> => {
  const parameters = freshParameters(cost)
  const key = await deriveKey(password, parameters)
  return `${parameters}$${createHash('sha256').update(key).digest('hex')}`
}

const freshParameters = (cost = COST): string =>
  ['scrypt2', cost, BLOCK_SIZE, PARALLEL, randomBytes(16).toString('base64url')].join('$')

/**
 * The key of a password.
 * @param parameters as they are stored; null for a name nobody has, which costs as much, so that it cannot be told apart by
 *   the time it takes
 */
export const deriveKey = (password: string, parameters: string | null): Promise<Buffer> => {
  const [, cost, blockSize, parallel, salt = ''] = (parameters ?? freshParameters()).split('$')
  const N = Number(cost)
  const r = Number(blockSize)
  const options: ScryptOptions = { N, r, p: Number(parallel), maxmem: 256 * N * r }
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), Buffer.from(salt, 'base64url'), KEY_BYTES, options, (error, key) => {
      if (error) reject(error)
      else resolve(key)
    })
  })
}
