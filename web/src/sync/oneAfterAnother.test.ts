import { expect, test } from 'vitest'
import { oneAfterAnother } from './oneAfterAnother.ts'

test('an action waits for the one before it', async () => {
  const inTurn = oneAfterAnother()
  const seen: string[] = []
  const slow = inTurn(async () => {
    await new Promise((resolve) => setTimeout(resolve, 20))
    seen.push('slow')
  })
  const quick = inTurn(async () => seen.push('quick'))
  await Promise.all([slow, quick])
  expect(seen).toEqual(['slow', 'quick'])
})

test('a failed action is told to its caller and does not stop the next', async () => {
  const inTurn = oneAfterAnother()
  const failing = inTurn(() => Promise.reject(new Error('no disk')))
  const next = inTurn(async () => undefined)
  await expect(failing).rejects.toThrow('no disk')
  await expect(next).resolves.toBeUndefined()
})
