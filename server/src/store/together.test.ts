import { expect, test } from 'vitest'
import type { Database } from '../database.ts'
import { together } from './together.ts'

const database = (): Database => ({ query: () => Promise.reject(new Error('Nothing is asked here.')) }) as never

/** A question whose answers come when they are let go. */
const held = () => {
  const asked: { keys: readonly string[]; answer: (answers: Record<string, number>) => void; fail: () => void }[] = []
  const ask = together<number>(
    (_db, keys) =>
      new Promise((resolve, reject) => {
        asked.push({
          keys,
          answer: (answers) => resolve(new Map(Object.entries(answers))),
          fail: () => reject(new Error('The database is away.')),
        })
      }),
  )
  return { asked, ask }
}
const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))

test('whoever comes first is asked for at once, and all who come meanwhile in one question after it', async () => {
  const { asked, ask } = held()
  const db = database()
  const first = ask(db, 'a')
  const others = [ask(db, 'c'), ask(db, 'b'), ask(db, 'c'), ask(db, 'a')]
  expect(asked.map(({ keys }) => keys)).toEqual([['a']])
  asked[0]?.answer({ a: 1 })
  expect(await first).toBe(1)
  await settled()
  // what was under way is no answer for whoever asked after it began
  expect(asked.map(({ keys }) => keys)).toEqual([['a'], ['a', 'b', 'c']])
  asked[1]?.answer({ a: 2, c: 3 })
  expect(await Promise.all(others)).toEqual([3, null, 3, 2])
  void ask(db, 'd')
  expect(asked.at(-1)?.keys).toEqual(['d'])
})

test('a fault is told to each who waited for that question, and the next is asked all the same', async () => {
  const { asked, ask } = held()
  const db = database()
  const first = ask(db, 'a')
  const second = ask(db, 'b')
  asked[0]?.fail()
  await expect(first).rejects.toThrow('The database is away.')
  await settled()
  asked[1]?.answer({ b: 5 })
  expect(await second).toBe(5)
})

test('two databases do not wait for each other', () => {
  const { asked, ask } = held()
  void ask(database(), 'a')
  void ask(database(), 'a')
  expect(asked).toHaveLength(2)
})

test('of very many, a hundred are asked for in one question', async () => {
  const { asked, ask } = held()
  const db = database()
  const answers = Array.from({ length: 251 }, (_, index) => ask(db, String(index).padStart(3, '0')))
  for (const size of [1, 100, 100, 50]) {
    expect(asked.at(-1)?.keys).toHaveLength(size)
    asked.at(-1)?.answer(Object.fromEntries((asked.at(-1)?.keys ?? []).map((key) => [key, Number(key)])))
    await settled()
  }
  expect(await Promise.all(answers)).toEqual(Array.from({ length: 251 }, (_, index) => index))
})
