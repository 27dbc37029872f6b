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

test('all who come in one turn are asked for in one question, and all who come meanwhile in one after it', async () => {
  const { asked, ask } = held()
  const db = database()
  const first = [ask(db, 'b'), ask(db, 'a')]
  expect(asked).toHaveLength(0)
  await settled()
  const others = [ask(db, 'c'), ask(db, 'b'), ask(db, 'c'), ask(db, 'a')]
  expect(asked.map(({ keys }) => keys)).toEqual([['a', 'b']])
  asked[0]?.answer({ a: 1 })
  expect(await Promise.all(first)).toEqual([null, 1])
  await settled()
  // what was under way is no answer for whoever asked after it began
  expect(asked.map(({ keys }) => keys)).toEqual([
    ['a', 'b'],
    ['a', 'b', 'c'],
  ])
  asked[1]?.answer({ a: 2, c: 3 })
  expect(await Promise.all(others)).toEqual([3, null, 3, 2])
  void ask(db, 'd')
  await settled()
  expect(asked.at(-1)?.keys).toEqual(['d'])
})

test('a fault is told to each who waited for that question, and the next is asked all the same', async () => {
  const { asked, ask } = held()
  const db = database()
  const first = ask(db, 'a')
  await settled()
  const second = ask(db, 'b')
  asked[0]?.fail()
  await expect(first).rejects.toThrow('The database is away.')
  await settled()
  asked[1]?.answer({ b: 5 })
  expect(await second).toBe(5)
})

test('two databases do not wait for each other', async () => {
  const { asked, ask } = held()
  void ask(database(), 'a')
  void ask(database(), 'a')
  await settled()
  expect(asked).toHaveLength(2)
})

test('of very many, a hundred are asked for in one question', async () => {
  const { asked, ask } = held()
  const db = database()
  const answers = Array.from({ length: 250 }, (_, index) => ask(db, String(index).padStart(3, '0')))
  await settled()
  for (const size of [100, 100, 50]) {
    expect(asked.at(-1)?.keys).toHaveLength(size)
    asked.at(-1)?.answer(Object.fromEntries((asked.at(-1)?.keys ?? []).map((key) => [key, Number(key)])))
    await settled()
  }
  expect(await Promise.all(answers)).toEqual(Array.from({ length: 250 }, (_, index) => index))
})
