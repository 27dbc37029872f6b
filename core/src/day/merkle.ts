/**
 * A Merkle tree over named leaves (as in RFC 6962: leaves and nodes are hashed with different first bytes, and an uneven leaf
 * is carried up). Its root stands for all leaves; a leaf can be proven with a few hashes and without the others.
 */
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, concatBytes, hexToBytes, utf8ToBytes } from '@noble/hashes/utils.js'
import { canonicalJson } from '../standard/contentHash.ts'

export interface Leaf {
  /** Names it, such as `entries.018…`. */
  readonly place: string
  readonly item: unknown
}

/** @returns 64 hexadecimal digits */
export const leafHash = ({ place, item }: Leaf): string =>
  bytesToHex(sha256(concatBytes(Uint8Array.of(0), utf8ToBytes(canonicalJson({ place, item })))))

const nodeHash = (left: string, right: string): string =>
  bytesToHex(sha256(concatBytes(Uint8Array.of(1), hexToBytes(left), hexToBytes(right))))

/** What a tree without leaves ends in. */
const NOTHING = bytesToHex(sha256(new Uint8Array()))

/** The hash that stands for all leaves, in their order. */
export const merkleRoot = (hashes: readonly string[]): string => {
  let level = hashes
  while (level.length > 1) level = nextLevel(level)
  return level[0] ?? NOTHING
}

const nextLevel = (level: readonly string[]): string[] => {
  const next: string[] = []
  for (let index = 0; index < level.length; index += 2) {
    const [left = '', right] = [level[index], level[index + 1]]
    next.push(right === undefined ? left : nodeHash(left, right))
  }
  return next
}

/** One step from a leaf towards the root: the other side's hash. */
export interface ProofStep {
  readonly side: 'left' | 'right'
  readonly hash: string
}

/** What proves the leaf at an index without the others. */
export const merkleProof = (hashes: readonly string[], index: number): ProofStep[] => {
  const steps: ProofStep[] = []
  let level = hashes
  for (let at = index; level.length > 1; at = Math.floor(at / 2)) {
    const other = level[at % 2 === 0 ? at + 1 : at - 1]
    if (other !== undefined) steps.push({ side: at % 2 === 0 ? 'right' : 'left', hash: other })
    level = nextLevel(level)
  }
  return steps
}

/** The root a leaf leads to by its proof. */
export const rootFrom = (hash: string, proof: readonly ProofStep[]): string =>
  proof.reduce(
    (reached, { side, hash: other }) => (side === 'left' ? nodeHash(other, reached) : nodeHash(reached, other)),
    hash,
  )
