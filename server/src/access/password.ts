/** Passwords are kept as scrypt hashes (RFC 7914) with a salt of their own; the parameters stand in the hash. */
import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'

const COST = 2 ** 15
const BLOCK_SIZE = 8
const PARALLEL = 1
const KEY_BYTES = 32

/** @returns `scrypt$cost$blockSize$parallel$salt$key`, the last two in base64url */
export const hashPassword = async (password: string): Promise<string> => {
  const salt = randomBytes(16)
  const key = await derive(password, salt, COST, BLOCK_SIZE, PARALLEL)
  return ['scrypt', COST, BLOCK_SIZE, PARALLEL, salt.toString('base64url'), key.toString('base64url')].join('$')
}

export const verifyPassword = async (password: string, hash: string): Promise<boolean> => {
  const [scheme, cost, blockSize, parallel, salt, key] = hash.split('$')
  if (scheme !== 'scrypt' || !salt || !key) return false
  const expected = Buffer.from(key, 'base64url')
  const given = await derive(
    password,
    Buffer.from(salt, 'base64url'),
    Number(cost),
    Number(blockSize),
    Number(parallel),
  )
  return timingSafeEqual(given, expected)
}

/** Costs as much as a real check, so that an unknown name cannot be told from a wrong password by the time it takes. */
export const verifyNothing = async (password: string): Promise<false> => {
  await derive(password, Buffer.alloc(16), COST, BLOCK_SIZE, PARALLEL)
  return false
}

const derive = (password: string, salt: Buffer, N: number, r: number, p: number): Promise<Buffer> => {
  const options: ScryptOptions = { N, r, p, maxmem: 256 * N * r }
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, KEY_BYTES, options, (error, key) => {
      if (error) reject(error)
      else resolve(key)
    })
  })
}
