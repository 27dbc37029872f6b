import { expect, test } from 'vitest'
import { protocolWith } from '../../testing/rulePairs.ts'
import { parseProtocol } from './parseProtocol.ts'

test('a protocol that is still being written is read as far as it can be', () => {
  const held = protocolWith('heldPosition', {})
  expect(parseProtocol({ ...held, capMs: 5_000 })).toMatchObject({ kind: 'heldPosition', capMs: 5_000 })
  expect(parseProtocol({ kind: 'heldPosition', capMs: 5_000 })).toEqual({ ...held, capMs: 5_000 })
  expect(parseProtocol({ kind: 'heldPosition', capMs: 'long' })).toEqual(held)
  const first = protocolWith('repetitionsInTime', {})
  for (const unknown of [{ kind: 'unheardOf' }, { kind: 7 }, { kind: 'toString' }, {}, null, 'text'])
    expect(parseProtocol(unknown)).toEqual(first)
})
